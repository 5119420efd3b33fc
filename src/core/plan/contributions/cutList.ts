import { laceOf, planHarness, resolveVersion, type Kit } from '../../kit/index.ts';
import { faultOf } from './harnesses.ts';
import { runAtScale, runName } from './runs.ts';

/** Pieces of one diameter. */
export interface CutGroup {
  /** mm. */
  wireMm: number;
  pieces: { id: string; what: string; length: number; count: number }[];
  /** What is known to need it, but not how long. */
  unmeasured: string[];
}

/** To a tenth: nobody cuts finer. */
const tenth = (mm: number) => Math.ceil(10 * mm - 1e-9) / 10;

/** Everything of a kit that is cut from wire, rod or tube, by diameter, thinnest first: runs, leads of harnesses, spokes. */
export function cutList(kit: Kit, scale: number): CutGroup[] {
  const groups = new Map<number, CutGroup>();
  const group = (wireMm: number) => {
    const known = groups.get(wireMm) ?? { wireMm, pieces: [], unmeasured: [] };
    groups.set(wireMm, known);
    return known;
  };
  const { used } = resolveVersion(kit);
  for (const run of kit.runs) {
    if (!used.has(run.fromPartId) || !used.has(run.toPartId)) continue;
    const { unmeasured, pieces } = group(runAtScale(run, scale).wireMm);
    const what = runName({ ...run, count: 1 }, kit);
    if (run.lengthMm === null) unmeasured.push(what);
    else pieces.push({ id: `run ${run.id}`, what, length: tenth(run.lengthMm), count: run.count });
  }
  for (const harness of kit.harnesses) {
    if (faultOf(() => planHarness(harness, scale)) !== undefined) continue;
    const { wire, leads } = planHarness(harness, scale);
    if (!wire) continue;
    for (const { cylinder, cap, lengthMm } of leads)
      group(wire.wireMm).pieces.push({
        id: `harness ${harness.id} ${cylinder} ${cap}`,
        what: `lead ${cylinder}${cap === 2 ? ', cap 2' : ''}, ${harness.name.toLowerCase()}`,
        length: tenth(lengthMm),
        count: 1,
      });
  }
  for (const wheel of kit.wheels) {
    if (faultOf(() => laceOf(wheel, scale)) !== undefined) continue;
    const { wire, lacing } = laceOf(wheel, scale);
    group(wire.wireMm).pieces.push({
      id: `wheel ${wheel.id}`,
      what: `spoke, ${wheel.name.toLowerCase()}`,
      length: tenth(lacing.wireMm / wheel.spokes),
      count: wheel.count * wheel.spokes,
    });
  }
  return [...groups.values()].sort((p, q) => p.wireMm - q.wireMm);
}
