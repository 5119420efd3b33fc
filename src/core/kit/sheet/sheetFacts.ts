import { jointName } from '../hardConstraints.ts';
import {
  mainFinish,
  partLabel,
  type Evidence,
  type Joint,
  type Kit,
  type KitFinish,
  type Part,
  type SheetStep,
} from '../kit.ts';
import { plainJoint } from '../plainKit.ts';
import { rolesOf } from '../roles/suggestRoles.ts';
import { THINGS } from '../roles/things.ts';
import type { JointSuggestion } from '../suggestJoints.ts';
import { resolveVersion } from '../version.ts';

/** What follows from the steps of the sheet. */
export interface SheetFacts {
  /** Joints that the sheet makes and the kit does not know yet. */
  joints: JointSuggestion[];
  /** Parts of the version that no step names. */
  unused: Part[];
  /** Parts that steps name and the box does not hold, with those steps. */
  absent: { said: string; steps: string[] }[];
  /** Joints that are made later here than the sheet does, and why. */
  later: { step: string; joint: string; why: string }[];
  /** Colours that the sheet calls out, beside the finish of each part that the step puts on. */
  colours: {
    step: string;
    called: string;
    parts: { name: string; finish: string | null }[];
    conflict: Evidence | null;
  }[];
}

const THING = new Map(THINGS.map((thing) => [thing.id, thing]));

/** By number, then by letter: 2, 7, 7a, 12. */
export const inSheetOrder = (steps: readonly SheetStep[]): SheetStep[] =>
  [...steps].sort(
    (p, q) => Number.parseInt(p.number, 10) - Number.parseInt(q.number, 10) || (p.number < q.number ? -1 : 1),
  );

/** All parts that a step names. */
export const partsOfStep = ({ placements }: Pick<SheetStep, 'placements'>): string[] => [
  ...new Set(placements.flatMap(({ partIds, ontoIds }) => [...partIds, ...ontoIds])),
];

/** What is put onto what, with the number of the step. */
const placementsOf = (steps: readonly SheetStep[]) =>
  steps.flatMap(({ number, placements }) => placements.map((each) => ({ number, ...each })));

/** The joints of the sheet: each part that is put on with each that it goes onto; where a step names none, the parts with
 *  the first of them. Two halves shut in what was put into either before. */
function sheetJoints(kit: Kit, steps: readonly SheetStep[]): JointSuggestion[] {
  const roles = new Map(rolesOf(kit).map((role) => [role.partId, role]));
  const parts = new Set(kit.parts.map(({ id }) => id));
  const known = new Set(kit.joints.flatMap(({ a, b }) => [`${a} ${b}`, `${b} ${a}`]));
  const within = new Map<string, string[]>();
  const found: JointSuggestion[] = [];
  for (const { number, partIds, ontoIds } of placementsOf(steps)) {
    const put = partIds.filter((id) => parts.has(id));
    const hosts = ontoIds.length > 0 ? ontoIds.filter((id) => parts.has(id)) : put.slice(0, 1);
    for (const a of put) {
      for (const b of hosts) {
        if (a === b || known.has(`${a} ${b}`)) continue;
        known.add(`${a} ${b}`).add(`${b} ${a}`);
        const [one, other] = [roles.get(a)!, roles.get(b)!];
        const areHalves = one.thing !== null && one.thing === other.thing && one.stem === other.stem;
        const thing = areHalves ? undefined : THING.get(one.thing ?? '');
        const captured = areHalves ? [...(within.get(a) ?? []), ...(within.get(b) ?? [])] : [];
        const change: Partial<Joint> = areHalves
          ? { seam: 'vanish', captured }
          : { ...(thing ? { kind: thing.kind, seam: thing.seam, motion: thing.motion } : {}) };
        found.push({
          joint: plainJoint(`sheet~${a}~${b}`, a, b, change),
          because: `step ${number} of the sheet${captured.length > 0 ? '; it shuts in what went into either half before' : ''}`,
          confidence: 1,
        });
      }
      for (const host of hosts) if (host !== a) within.set(host, [...(within.get(host) ?? []), a]);
    }
  }
  return found;
}

function whyLater(
  joint: Joint,
  parts: ReadonlyMap<string, Part>,
  finishes: ReadonlyMap<string, KitFinish>,
): string {
  if (joint.pin === 'after') return 'you pinned it to after paint';
  const names = [joint.a, joint.b].map((id) => {
    const part = parts.get(id);
    return part && mainFinish(part, finishes)?.name.toLowerCase();
  });
  if (names[0] && names[1] && names[0] !== names[1]) return `${names[0]} meets ${names[1]}: painted apart`;
  return 'your division keeps them apart for paint';
}

/** What the steps of the sheet say of parts, joints, order and colours. `late`: joints left for after paint. */
export function sheetFacts(kit: Kit, late: ReadonlySet<string>): SheetFacts {
  const steps = inSheetOrder(kit.sheetSteps);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const named = new Set(steps.flatMap(partsOfStep));
  const { used } = resolveVersion(kit);
  const absent = new Map<string, string[]>();
  for (const { number, absent: codes } of steps)
    for (const said of codes) absent.set(said, [...(absent.get(said) ?? []), number]);
  const stepOf = (joint: Joint) =>
    placementsOf(steps).find(({ partIds, ontoIds }) => {
      const all = [...partIds, ...ontoIds];
      return all.includes(joint.a) && all.includes(joint.b);
    });
  return {
    joints: sheetJoints(kit, steps),
    // Where nothing is entered yet, nothing is known of what the sheet leaves out.
    unused: steps.length === 0 ? [] : kit.parts.filter(({ id }) => used.has(id) && !named.has(id)),
    absent: [...absent].map(([said, of]) => ({ said, steps: of })),
    later: kit.joints.flatMap((joint) => {
      const step = late.has(joint.id) ? stepOf(joint) : undefined;
      return step
        ? [{ step: step.number, joint: jointName(joint, parts), why: whyLater(joint, parts, finishes) }]
        : [];
    }),
    colours: steps.flatMap(({ number, colour, placements }) => {
      const partIds = placements.flatMap(({ partIds: put }) => put);
      return colour === ''
        ? []
        : [
            {
              step: number,
              called: colour,
              parts: partIds.flatMap((id) => {
                const part = parts.get(id);
                return part
                  ? [
                      {
                        name: `${partLabel(part)} ${part.name}`,
                        finish: mainFinish(part, finishes)?.name ?? null,
                      },
                    ]
                  : [];
              }),
              conflict: kit.evidence.find((each) => each.partIds.some((id) => partIds.includes(id))) ?? null,
            },
          ];
    }),
  };
}
