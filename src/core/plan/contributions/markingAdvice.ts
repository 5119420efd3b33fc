import { figure } from '../../figures.ts';
import { formatMinutes } from '../../finish/index.ts';
import { counted } from '../../kit/index.ts';
import { BESIDE_SHARE, otherWhite, wantsWhiteUnder } from '../../livery/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { few, type Ahead, type DividedKit } from '../contribution.ts';
import { APPLIED, inVersion, isFilm, plannedMarkings, type PlannedMarking } from './plannedMarkings.ts';

type Said = Pick<KitAdvice, 'subject' | 'about' | 'stage' | 'page' | 'at'>;

/** What may be wrong with one marking by itself. */
const RULES: readonly {
  rule: string;
  severity?: 'note';
  when: (each: PlannedMarking, build: DividedKit) => boolean;
  text: (each: PlannedMarking) => string;
  why: string;
  remedy?: string;
}[] = [
  {
    rule: 'marking-version-open',
    when: ({ marking }, build) => inVersion(marking, build) === 'open',
    text: ({ marking }) => `Not decided: ${marking.name}`,
    why: 'It belongs to a version, and which one is built is still open.',
    remedy: 'Choose the version before it goes on.',
  },
  {
    rule: 'marking-nowhere',
    when: ({ on }) => on.length === 0,
    text: ({ marking }) => `Where it goes is not known: ${marking.name}`,
    why: 'It is on no view and on no part, so no step can bring it on.',
    remedy: 'Put it on a view, or name its part.',
  },
  {
    rule: 'marking-not-decided',
    when: ({ marking }) => marking.route === null,
    text: ({ marking }) => `How it comes on is not decided: ${marking.name}`,
    why: 'It is planned as a decal; paint and masks are another order of work.',
    remedy: 'Choose a way: each is there with its minutes.',
  },
  {
    rule: 'marking-old-film',
    when: ({ marking }) => isFilm(marking) && marking.film === 'yellowed',
    text: ({ marking }) => `Yellowed film: ${marking.name}`,
    why: 'Yellow film shows on every pale paint.',
    remedy: 'Trim it to the print, or let the sheet bleach in a window first; else print it anew.',
  },
  {
    rule: 'marking-old-film',
    when: ({ marking }) => isFilm(marking) && (marking.film === 'old' || marking.film === 'cracked'),
    text: ({ marking }) => `Old film: ${marking.name}`,
    why: 'It may break up in the water, and strong softener wrinkles it.',
    remedy: 'Float a spare first; coat the sheet with clear where that breaks, and trim each one out.',
  },
  {
    rule: 'marking-strong-curve',
    when: ({ marking }) => isFilm(marking) && marking.surface === 'strong',
    text: ({ marking }) => `Film on a strong curve: ${marking.name}`,
    why: 'It stands up in creases where the surface curves both ways.',
    remedy: 'Cut darts and soften in steps, or mask and paint it.',
  },
  {
    rule: 'marking-beside',
    severity: 'note',
    when: ({ beside }) => beside > BESIDE_SHARE,
    text: ({ marking, beside }) =>
      `${figure(100 * beside, '%', 0)} of it lies beside the outline: ${marking.name}`,
    why: 'There is nothing to lie on there: it is trimmed, or stands elsewhere.',
  },
];

function adviceOf(each: PlannedMarking, build: DividedKit): KitAdvice[] {
  const { marking, trayIds, on, crossed } = each;
  const said: Said = {
    subject: marking.id,
    about: { trays: trayIds, parts: on.map(({ partId }) => partId) },
    stage: 'livery',
    page: 'markings',
    at: {
      trays: trayIds.length > 0 ? trayIds : build.trays.map((tray) => tray.id),
      joins: crossed?.joinId ? [crossed.joinId] : [],
      between: true,
      kinds: APPLIED,
      once: true,
    },
  };
  const single = RULES.filter(({ when }) => when(each, build)).map(
    ({ rule, severity, text, why, remedy }): KitAdvice => ({
      ...said,
      rule,
      severity: severity ?? 'warn',
      text: text(each),
      why,
      ...(remedy ? { remedy } : {}),
    }),
  );
  return [...single, ...(crossed ? [crossing(each, crossed, said)] : [])];
}

function crossing(
  { marking: { name, crossing: own } }: PlannedMarking,
  { joint, ways, way }: NonNullable<PlannedMarking['crossed']>,
  said: Said,
): KitAdvice {
  const others = ways
    .filter((each) => each !== way)
    .map((each) => `${each.way.replace('-', ' ')} ${formatMinutes(each.minutes)}`);
  const refused = own !== null && own !== way.way;
  return {
    ...said,
    rule: 'marking-crosses-joint',
    severity: refused ? 'warn' : 'note',
    topic: refused ? 'risk' : 'decided',
    about: { ...said.about, joints: [joint.id] },
    text: refused
      ? `Not over a joint that moves: ${name}`
      : `Over a joint: ${name}, ${way.way.replace('-', ' ')}`,
    why: refused
      ? 'Film across parts that move tears at the first opening.'
      : `${way.because[0]!.toUpperCase()}${way.because.slice(1)}: ${formatMinutes(way.minutes)}${others.length > 0 ? `; ${others.join(', ')}` : ''}.`,
    ...(refused ? { remedy: `Planned instead: ${way.because}.` } : {}),
  };
}

/** Markings that the version rules out, once for each sub-assembly. */
const leftOver = (build: DividedKit): KitAdvice[] => {
  const out = build.kit.markings.filter((marking) => inVersion(marking, build) === 'no');
  if (out.length === 0) return [];
  const trays = build.trays.map(({ id }) => id);
  return [
    {
      rule: 'markings-left-over',
      subject: 'version',
      severity: 'note',
      stage: 'livery',
      page: 'markings',
      about: {},
      text: `Left over: ${counted(out.length, 'marking')} of another version`,
      why: `${few(out.map(({ name }) => name)).join(', ')}.`,
      at: { trays, joins: [], kinds: APPLIED, once: true },
    },
  ];
};

/** What is to be known of markings before they go on. */
export const adviceOnMarkings = (build: DividedKit): KitAdvice[] => [
  ...plannedMarkings(build).flatMap((each) => adviceOf(each, build)),
  ...leftOver(build),
];

/** Whites that differ, and ink through which a dark base shows. */
export function adviceOnColours({ build, own, advise }: Ahead): void {
  for (const { id, name, trayId, finishId, onBase, ink, route, onWhite } of build.kit.printed) {
    const tray = build.trays.find((each) => each.id === trayId);
    // What a stack of one colour lays says nothing of an area in another.
    const base = (
      tray?.colours.find((each) => each.finishId === finishId) ??
      (onBase ? tray?.colours.find((each) => each.finishId === null) : undefined)
    )?.lab;
    const steps = own.filter((step) => step.trayId === trayId && APPLIED.includes(step.kind)).slice(0, 1);
    if (!base || steps.length === 0 || route === 'paint') continue;
    const said = {
      subject: id,
      about: { trays: [trayId] },
      stage: 'livery' as const,
      page: 'markings',
      severity: 'warn' as const,
    };
    const white = otherWhite({ ink, base });
    if (white !== undefined)
      advise(steps, {
        ...said,
        rule: 'white-beside-white',
        text: `White beside white: ${name}`,
        why: `Its white is ${figure(white, 'dE')} from the paint that it lies on.`,
        remedy: 'Mask and paint it with the same white, or trim it so that the two do not meet.',
      });
    if (route !== 'decal' && !onWhite && wantsWhiteUnder({ ink, base }))
      advise(steps, {
        ...said,
        rule: 'ink-on-dark',
        text: `Ink on a dark base: ${name}`,
        why: 'The ink is transparent and its printer lays no white: what is beneath shows through.',
        remedy: 'Print it on white film, or put a white plate of its own under it.',
      });
  }
}
