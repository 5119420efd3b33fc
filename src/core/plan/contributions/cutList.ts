import { nearestStock, twistFor } from '../../detail/index.ts';
import {
  counted,
  laceOf,
  pieceOf,
  planHarness,
  resolveVersion,
  routeOfRun,
  runAtScale,
  runName,
  springOf,
  type Kit,
  type Run,
  type StockLength,
} from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { PlanContribution } from '../contribution.ts';
import { comingBack } from './comesBack.ts';
import { stretchesOf } from './stretches.ts';

/** Pieces of one diameter, or of one width of strip. */
export interface CutGroup {
  section: 'round' | 'strip';
  /** Diameter or width, mm. */
  wireMm: number;
  pieces: { id: string; what: string; length: number; count: number }[];
  /** What it is for, one line for each thing. */
  uses: string[];
  /** What is known to need it, but not how long. */
  unmeasured: string[];
}

/** Tells groups apart: a strip is no wire, however wide. */
export const cutKey = ({ section, wireMm }: Pick<CutGroup, 'section' | 'wireMm'>): string =>
  `${section} ${wireMm}`;

/** To a tenth: nobody cuts finer. */
const tenth = (mm: number) => Math.ceil(10 * mm - 1e-9) / 10;

/** What is cut for one of a run: itself, or the strands of which it is twisted. */
function strandsOf(run: Run, scale: number): { wireMm: number; each: number; times: number } {
  const { wireMm } = runAtScale(run, scale);
  if (run.cover !== 'braid') return { wireMm, each: 1, times: 1 };
  const { strandMm, times } = twistFor(wireMm);
  return { wireMm: nearestStock(strandMm, 'wire').mm, each: 3, times };
}

/** Everything of a kit that is cut from wire, rod or tube, by diameter, thinnest first: runs, leads of harnesses, spokes,
 *  what goes between the ends of stretched parts and holds them. */
export function cutList(kit: Kit, scale: number): CutGroup[] {
  const groups = new Map<string, CutGroup>();
  const group = (wireMm: number, section: CutGroup['section'] = 'round') => {
    const key = cutKey({ section, wireMm });
    const known = groups.get(key) ?? { section, wireMm, pieces: [], uses: [], unmeasured: [] };
    groups.set(key, known);
    return known;
  };
  const { used } = resolveVersion(kit);
  for (const run of kit.runs) {
    if (!used.has(run.fromPartId) || !used.has(run.toPartId)) continue;
    const { wireMm, each, times } = strandsOf(run, scale);
    const { unmeasured, pieces, uses } = group(wireMm);
    uses.push(runName(run, kit));
    const what = `${each > 1 ? 'strand of ' : ''}${runName({ ...run, count: 1 }, kit)}`;
    const { lengthMm } = routeOfRun(run, kit, scale);
    if (lengthMm === null) unmeasured.push(what);
    else pieces.push({ id: `run ${run.id}`, what, length: tenth(times * lengthMm), count: each * run.count });
  }
  for (const harness of kit.harnesses) {
    const { answer } = worked(() => planHarness(harness, scale));
    if (!answer?.wire) continue;
    const { wire, leads } = answer;
    const { pieces, uses } = group(wire.wireMm);
    uses.push(`${counted(leads.length, 'lead')} of ${harness.name.toLowerCase()}`);
    for (const { cylinder, cap, lengthMm } of leads)
      pieces.push({
        id: `harness ${harness.id} ${cylinder} ${cap}`,
        what: `lead ${cylinder}${cap === 2 ? ', cap 2' : ''}, ${harness.name.toLowerCase()}`,
        length: tenth(lengthMm),
        count: 1,
      });
  }
  for (const wheel of kit.wheels) {
    if (wheel.partId !== null && !used.has(wheel.partId)) continue;
    const { answer } = worked(() => laceOf(wheel, scale));
    if (!answer) continue;
    const { wire, lacing } = answer;
    const { pieces, uses } = group(wire.wireMm);
    uses.push(`${counted(wheel.count * wheel.spokes, 'spoke')} of ${wheel.name.toLowerCase()}`);
    pieces.push({
      id: `wheel ${wheel.id}`,
      what: `spoke, ${wheel.name.toLowerCase()}`,
      length: tenth(lacing.wireMm / wheel.spokes),
      count: wheel.count * wheel.spokes,
    });
  }
  for (const dressing of kit.dressings) {
    if (dressing.partId !== null && !used.has(dressing.partId)) continue;
    const { answer: spring } = worked(() => springOf(dressing));
    if (!spring) continue;
    const { pieces, uses } = group(nearestStock(dressing.springWireMm, 'wire').mm);
    uses.push(`${counted(dressing.count, 'spring')} of ${dressing.name.toLowerCase()}`);
    pieces.push({
      id: `spring ${dressing.id}`,
      what: `spring, ${dressing.name.toLowerCase()}`,
      length: tenth(spring.wireLengthMm),
      count: dressing.count,
    });
  }
  for (const replacement of kit.replacements) {
    const { partId, way, name, count } = replacement;
    const part = kit.parts.find(({ id }) => id === partId);
    if (way !== 'scratch' || !part || !used.has(part.id) || !comingBack(part, kit)) continue;
    for (const [at, blank] of (pieceOf(replacement).answer?.blanks ?? []).entries()) {
      if (blank.form !== 'rod' && blank.form !== 'tube') continue;
      const { pieces, uses } = group(blank.mm);
      uses.push(`${blank.what} of ${name.toLowerCase()}`);
      pieces.push({
        id: `replacement ${replacement.id} ${at}`,
        what: `${blank.what}, ${name.toLowerCase()}`,
        length: tenth(blank.lengthMm),
        count,
      });
    }
  }
  for (const { stretch, plan } of stretchesOf(kit)) {
    for (const { id, name, insert, splice } of plan.members) {
      if (!used.has(id)) continue;
      for (const [what, piece] of [
        ['insert', insert],
        ['core', splice],
      ] as const) {
        if (piece === null || piece.form === 'sheet') continue;
        const { pieces, uses } = group(piece.mm, piece.form === 'strip' ? 'strip' : 'round');
        uses.push(`${what} of ${name.toLowerCase()}`);
        pieces.push({
          id: `stretch ${stretch.id} ${id} ${what}`,
          what: `${piece.form}, ${what} of ${name.toLowerCase()}`,
          length: tenth(piece.lengthMm),
          count: piece.count,
        });
      }
    }
  }
  return [...groups.values()].sort((p, q) => p.section.localeCompare(q.section) || p.wireMm - q.wireMm);
}

/** Stock that differs by less from the diameter that is wanted stands for it, as a share of it. */
const LIKE = 0.12;

/** From what each group is cut, by its key: what is nearest to it of all groups of its section, so that no length is cut twice. */
export function stockFor(
  groups: readonly Pick<CutGroup, 'wireMm' | 'section'>[],
  bars: readonly StockLength[],
): Map<string, StockLength[]> {
  const found = new Map(groups.map((group) => [cutKey(group), [] as StockLength[]]));
  for (const bar of bars) {
    const section = bar.form === 'strip' ? 'strip' : 'round';
    const off = ({ wireMm }: Pick<CutGroup, 'wireMm'>) => Math.abs(bar.diameterMm - wireMm) / wireMm;
    const nearest = groups.filter((each) => each.section === section).sort((p, q) => off(p) - off(q))[0];
    if (nearest !== undefined && off(nearest) <= LIKE) found.get(cutKey(nearest))!.push(bar);
  }
  return found;
}

/** Wire, rod and tube to have, one thing for each diameter. */
export const cutting: PlanContribution = {
  id: 'cutting',
  needs: ({ kit, scale, material }) =>
    cutList(kit, scale).map(({ section, wireMm, pieces, uses, unmeasured }) => {
      const length = pieces.reduce((sum, each) => sum + each.length * each.count, 0);
      const some = unmeasured.length > 0 ? ', and what is not measured yet' : '';
      const why = `${uses.join('; ')}${length > 0 ? `: ${Math.ceil(length - 1e-9)} mm in all${some}` : ''}`;
      return section === 'strip'
        ? material(`strip-${wireMm}`, `strip, ${wireMm} mm wide`, why, {
            substitute: 'cut it from sheet along a steel rule',
            looks: 'none, if both edges are trued',
          })
        : material(`wire-${wireMm}`, `wire or tube, ${wireMm} mm`, why, {
            substitute: 'stretched sprue of that diameter',
            looks: 'it breaks where it is bent sharply',
          });
    }),
};
