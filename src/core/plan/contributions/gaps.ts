import { figure } from '../../figures.ts';
import type { FilmOnFlats } from '../../kit/index.ts';
import { COATS } from '../advice/kitAdvice.ts';
import type { Ahead, DividedKit, KitFits, PlanContribution } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';

/** What must be left beside something that moves, and beside what stands still, mm. */
const ROOM_MM = { moving: 0.2, still: 0.05 };
const NO_FILM: FilmOnFlats = { low: 0, usual: 0, high: 0 };

/** Gaps of which both sides lie in a sub-assembly. */
export const kitGaps = ({ kit, parts, trayOf }: DividedKit): KitFits['gaps'] =>
  kit.gaps.flatMap((gap) => {
    const trays = [trayOf.get(gap.a), trayOf.get(gap.b)];
    const [one, other] = trays;
    const name = (id: string) => parts.get(id)?.name.toLowerCase() ?? id;
    return one === undefined || other === undefined
      ? []
      : [{ gap, name: `${gap.where} (${name(gap.a)}, ${name(gap.b)})`, trayIds: [one, other] }];
  });

/** The join after paint that brings two sub-assemblies together, by whatever others lie between them; undefined where none
 *  does, or where they hang together already. */
function joinBetween(
  { build: { id, joins }, own }: Ahead,
  [one, other]: readonly string[],
): PlanOperation | undefined {
  const left = new Map(own.map((step, at) => [step.id, at]));
  const place = (joinId: string) => left.get(`${id}/join/${joinId}`);
  const heads = new Map<string, string>();
  const headOf = (tray: string): string => {
    const head = heads.get(tray);
    return head === undefined || head === tray ? tray : headOf(head);
  };
  // What is joined already comes first.
  const inOrder = [...joins].sort((p, q) => (place(p.id) ?? -1) - (place(q.id) ?? -1));
  for (const join of inOrder) {
    for (const tray of join.trayIds) heads.set(headOf(tray), headOf(join.trayIds[0]!));
    if (headOf(one!) === headOf(other!)) return own[place(join.id) ?? -1];
  }
  return undefined;
}

/** Gaps that film closes: while a coat is still to come, or else where the two are put together. */
function adviseOfGaps(ahead: Ahead): void {
  const { build, own, advise } = ahead;
  for (const { gap, name, trayIds } of build.kit.fits.gaps) {
    const [one = NO_FILM, other = NO_FILM] = trayIds.map((id) => build.films[id]);
    const leftMm = gap.gapMm - (one.usual + other.usual) / 1000;
    const leastMm = gap.gapMm - (one.high + other.high) / 1000;
    const wanted = gap.motion === 'none' ? ROOM_MM.still : ROOM_MM.moving;
    const isOf = (trayId: string | undefined) => trayId !== undefined && trayIds.includes(trayId);
    const coats = own.filter(({ trayId, kind }) => isOf(trayId) && COATS.includes(kind));
    const join = trayIds[0] === trayIds[1] ? undefined : joinBetween(ahead, trayIds);
    const steps = [...coats.slice(0, 1), ...(join ? [join] : [])];
    if (steps.length === 0) continue;
    const said = {
      subject: gap.id,
      about: { trays: [...new Set(trayIds)], parts: [gap.a, gap.b] },
      why: `Bare it has ${figure(gap.gapMm, 'mm')}; film leaves ${figure(Math.max(0, leftMm), 'mm')}, at worst ${figure(Math.max(0, leastMm), 'mm')}.`,
    };
    if (leftMm >= wanted) {
      if (join)
        advise([join], {
          ...said,
          rule: 'gap-figures',
          severity: 'note',
          topic: 'fit',
          text: name.replace(/^./, (first) => first.toUpperCase()),
          stage: 'kit',
          page: 'fit',
        });
      continue;
    }
    advise(steps, {
      ...said,
      rule: 'gap-closes',
      severity: 'warn',
      text: `${leftMm <= 0 ? 'Touches' : gap.motion === 'none' ? 'Hardly any room' : 'Rubs'} after paint: ${name}`,
      remedy:
        coats.length > 0
          ? `Thin an edge by ${figure(Math.max(0.05, wanted - leftMm), 'mm')} while it is bare, or mask the face that is not seen.`
          : `Take ${figure(Math.max(0.05, wanted - leftMm), 'mm')} off where it is not seen, or pack the other side up.`,
      stage: 'kit',
      page: 'fit',
    });
  }
}

/** Room between parts that are near and do not touch. */
export const gaps: PlanContribution = { id: 'gaps', advice: adviseOfGaps };
