import type { StretchedMember, StretchPiece, StretchPlan } from '../../detail/index.ts';
import { figure } from '../../figures.ts';
import { isInVersion, stretchOf, type Kit, type Stretch } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { traysOf, trayTask, type DividedKit, type PlanContribution, type TrayTask } from '../contribution.ts';

/** Minutes at the bench for each cut, with its splice and its filler; working values. */
const MINUTES = { start: 10, cut: 14 };
/** Splices bear load once the cement has set through. */
const SET_MINUTES = 12 * 60;

/** Every stretch of a kit, whether the version asks for its cuts, which cannot be taken back, and what becomes of its parts. */
const workedOut = (kit: Kit) =>
  kit.stretches.map((stretch) => ({
    stretch,
    asked: isInVersion(kit, stretch.optionId),
    ...worked(() => stretchOf(stretch, kit)),
  }));

/** Stretches that the version asks for, as far as they can be worked out. */
export const stretchesOf = (kit: Kit): { stretch: Stretch; plan: StretchPlan }[] =>
  workedOut(kit).flatMap(({ stretch, asked, answer }) =>
    answer && asked === 'yes' ? [{ stretch, plan: answer }] : [],
  );

const pieceWords = ({ form, mm, lengthMm, count }: StretchPiece): string =>
  `${count > 1 ? `${count} × ` : ''}${form} ${figure(mm, 'mm')}, ${figure(lengthMm, 'mm', 1)} long`;

/** What is done to one part, in order. */
export function cutWords(
  { cutAtMm, shiftedMm, addMm, beforeMm, afterMm, insert, splice, angleDeg }: StretchedMember,
  { jigMm }: StretchPlan,
): string[] {
  const shifted =
    Math.abs(shiftedMm) < 0.05
      ? ''
      : ` (${figure(Math.abs(shiftedMm), 'mm', 1)} ${shiftedMm > 0 ? 'behind' : 'ahead of'} the rest, clear of brackets and ends)`;
  return [
    `${addMm < 0 ? 'take out' : 'cut at'} ${figure(cutAtMm ?? 0, 'mm', 1)} from the front${shifted}${addMm < 0 ? `, ${figure(-addMm, 'mm', 1)} to the rear of it` : ''}`,
    `${figure(beforeMm, 'mm', 1)} becomes ${figure(afterMm, 'mm', 1)}`,
    ...(insert ? [`between: ${pieceWords(insert)}`] : []),
    ...(addMm > 0 && !insert
      ? [`between: build up ${figure(addMm, 'mm', 1)} from sheet; nothing in stock comes near its section`]
      : []),
    splice
      ? `held by ${pieceWords(splice)}`
      : 'nothing in stock fits inside to hold it: sleeve it from outside',
    ...(angleDeg
      ? [
          `its slope goes from ${angleDeg[0].toFixed(1)}° to ${angleDeg[1].toFixed(1)}°; the joints at its ends are kept`,
        ]
      : []),
    `align on a straight bar of ${Math.ceil(jigMm)} mm, both sides at once, and measure crosswise before the cement sets`,
  ];
}

const trayTasks = (build: DividedKit): TrayTask[] =>
  stretchesOf(build.kit).flatMap(({ stretch, plan }) =>
    plan.members.flatMap((member): TrayTask[] => {
      const trayId = build.version.used.has(member.id) ? build.trayOf.get(member.id) : undefined;
      if (member.becomes !== 'cut' || trayId === undefined) return [];
      return [
        trayTask('open', trayId, {
          id: `stretch-${stretch.id}-${member.id}`,
          title: `${member.addMm < 0 ? 'Shorten' : 'Lengthen'} ${member.name.toLowerCase()} by ${figure(Math.abs(member.addMm), 'mm', 1)}`,
          minutes: MINUTES.start + MINUTES.cut * member.count,
          waitMinutes: SET_MINUTES,
          waitBecause: 'the splice must bear load before it is filled and sanded',
          because: 'Bare parts are cut and aligned before anything is joined to them.',
          details: cutWords(member, plan),
        }),
      ];
    }),
  );

function say(
  build: DividedKit,
  { stretch, asked, answer, fault }: ReturnType<typeof workedOut>[number],
): KitAdvice[] {
  const trays = traysOf(
    build,
    stretch.members.map(({ partId }) => partId),
  );
  const about = { trays, parts: stretch.members.map(({ partId }) => partId) };
  const base = { severity: 'warn' as const, about, stage: 'detail' as const, page: 'stretch' };
  const at = { trays, joins: [], kinds: ['clean', 'open', 'join'] as const, once: true };
  if (asked === 'no' || trays.length === 0) return [];
  if (fault !== undefined)
    return [
      {
        ...base,
        at,
        rule: 'stretch-wrong',
        subject: stretch.id,
        text: `Cannot be cut as it stands: ${stretch.name}`,
        why: fault,
        remedy: 'Mend it; until then the plan leaves its cuts out.',
      },
    ];
  const gaps = answer.gaps.map(({ line, missingMm }): KitAdvice => ({
    ...base,
    at,
    rule: 'stretch-gap',
    subject: `${stretch.id} ${line}`,
    text: `${line} ends ${figure(Math.abs(missingMm), 'mm', 1)} ${missingMm * stretch.stretchMm > 0 ? 'short' : 'too long'}`,
    why: `Its parts together do not take the whole ${figure(Math.abs(stretch.stretchMm), 'mm', 1)} of ${stretch.name.toLowerCase()}.`,
    remedy: 'Give its parts shares that make up the whole, and a cut that lies on each.',
  }));
  if (asked === 'yes') return gaps;
  return [
    ...gaps,
    {
      ...base,
      at,
      rule: 'stretch-open',
      subject: stretch.id,
      text: `Not cut yet: ${stretch.name}`,
      why: 'Its option of the version is open, and a cut cannot be taken back.',
      remedy: 'Decide the version first; what is joined now would be cut through later.',
    },
  ];
}

/** Frames that are made longer or shorter, with all that runs along them. */
export const stretches: PlanContribution = {
  id: 'stretches',
  trayTasks,
  kitAdvice: (build) => workedOut(build.kit).flatMap((each) => say(build, each)),
  stillOpen: ({ kit }) =>
    workedOut(kit).filter(({ asked, fault }) => asked === 'open' || fault !== undefined).length,
  needs: ({ kit, version: { used }, material }) =>
    stretchesOf(kit).flatMap(({ stretch, plan }) => {
      const flat = plan.members
        .filter(({ id }) => used.has(id))
        .flatMap(({ insert, splice }) => [insert, splice])
        .filter((piece) => piece?.form === 'sheet');
      return flat.length === 0
        ? []
        : [
            material(
              'sheet',
              'plastic sheet',
              `${stretch.name}: ${flat.map((piece) => pieceWords(piece!)).join('; ')}`,
              {
                substitute: 'frame runners, sanded square',
                looks: 'none once it is filled',
              },
            ),
          ];
    }),
};
