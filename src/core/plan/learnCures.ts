import { bare } from '../figures.ts';
import type { CureCheck } from '../kit/index.ts';
import { quantile } from './learnPace.ts';
import type { OperationPlan, PlanArc, PlanOperation } from './operation.ts';

/** How a builder's paint cures compared with the planned waits, for one chemistry. */
export interface CurePace {
  chemistry: string;
  /** Minutes it took over minutes planned: what the plan counts with from now on. */
  factor: number;
  /** Middle half of the ratios. */
  from: number;
  to: number;
  coats: number;
}

/** So many coats weigh as much as the product's own times. */
const PRIOR_COATS = 3;
const FEWEST = 2;
/** Waits from here on are for paint cured right through, which a finger cannot tell: they are never cut short. */
export const FELT_WITHIN = 24 * 60;
/** Whatever was found, no wait is cut or stretched beyond these. */
const LEAST = 0.5;
const MOST = 4;
/** A coat that was found wet at the end of its wait takes longer than it by at least this share. */
const LONGER = 0.25;

/** The longest wait behind a coat, minutes; 0 for a step without paint. */
function waitBehind(
  { id, chemistry, dry }: Pick<PlanOperation, 'id' | 'chemistry' | 'dry'>,
  arcs: readonly PlanArc[],
): number {
  if (chemistry === null) return 0;
  return arcs.reduce((most, { from, minLag }) => (from === id ? Math.max(most, minLag) : most), dry);
}

/** Learns from what the builder felt how long each chemistry takes on this bench: the median of the logarithms of the
 *  ratios, drawn towards 1 while there are few. A coat felt dry only after its wait, or wet before it, teaches nothing.
 *  Waits are those of the plan as generated. */
export function learnCures(
  { operations, arcs }: OperationPlan,
  checks: readonly CureCheck[],
): Map<string, CurePace> {
  const byCoat = new Map<string, CureCheck[]>();
  for (const check of checks)
    byCoat.set(check.operationId, [...(byCoat.get(check.operationId) ?? []), check]);
  const ratios = new Map<string, number[]>();
  for (const [id, felt] of byCoat) {
    const operation = operations.find((each) => each.id === id);
    const wait = operation ? waitBehind(operation, arcs) : 0;
    if (!operation?.chemistry || wait <= 0 || wait >= FELT_WITHIN) continue;
    const dry = Math.min(...felt.flatMap(({ isDry, minutes }) => (isDry ? [minutes] : [])));
    const wet = Math.max(
      0,
      ...felt.flatMap(({ isDry, minutes }) => (isDry || minutes > dry ? [] : [minutes])),
    );
    const isLate = wet >= wait;
    if (!isLate && dry >= wait) continue;
    const ratio = Number.isFinite(dry) ? dry / wait : (wet * (1 + LONGER)) / wait;
    const logs = ratios.get(operation.chemistry) ?? [];
    ratios.set(operation.chemistry, [...logs, Math.log(Math.min(MOST, Math.max(LEAST, ratio)))]);
  }
  const paces = new Map<string, CurePace>();
  for (const [chemistry, logs] of ratios) {
    if (logs.length < FEWEST) continue;
    const sorted = logs.sort((a, b) => a - b);
    paces.set(chemistry, {
      chemistry,
      factor: Math.exp((quantile(sorted, 0.5) * sorted.length) / (sorted.length + PRIOR_COATS)),
      from: Math.exp(quantile(sorted, 0.25)),
      to: Math.exp(quantile(sorted, 0.75)),
      coats: sorted.length,
    });
  }
  return paces;
}

/** The plan with the waits that this bench has shown. A coat that was felt dry waits no longer, one felt wet waits a
 *  quarter of its time more; recoat windows stay as the product has them, and no wait outgrows its window. */
export function atOwnCures(
  { operations, arcs }: OperationPlan,
  paces: ReadonlyMap<string, CurePace>,
  checks: readonly CureCheck[],
): OperationPlan {
  if (checks.length === 0) return { operations, arcs };
  const coats = new Map(operations.map((operation) => [operation.id, operation]));
  const waitOf = (id: string, planned: number): { wait: number; why: string } => {
    const chemistry = coats.get(id)?.chemistry;
    const pace = chemistry ? paces.get(chemistry) : undefined;
    const isFelt = planned < FELT_WITHIN;
    let wait = planned;
    let why = '';
    if (pace && (isFelt || pace.factor > 1)) {
      wait = planned * pace.factor;
      why = `; on your bench ×${bare(pace.factor, 'times', 2)}, learnt from ${pace.coats} coats`;
    }
    if (isFelt) {
      const felt = checks.filter(({ operationId }) => operationId === id);
      const dry = Math.min(...felt.flatMap(({ isDry, minutes }) => (isDry ? [minutes] : [])));
      const wet = Math.max(0, ...felt.flatMap(({ isDry, minutes }) => (isDry ? [] : [minutes])));
      const isDry = wet <= dry && Number.isFinite(dry) && (dry <= wait || wet > 0);
      if (isDry) return { wait: dry, why: '; you felt that it is dry' };
      if (wet > 0 && wet + LONGER * planned > wait) {
        return { wait: wet + LONGER * planned, why: `; you felt it wet after ${Math.round(wet)} min` };
      }
    }
    return { wait, why };
  };
  return {
    operations: operations.map((operation) =>
      operation.chemistry === null || operation.dry === 0
        ? operation
        : { ...operation, dry: Math.round(waitOf(operation.id, operation.dry).wait) },
    ),
    arcs: arcs.map((arc) => {
      if (arc.minLag <= 0 || !coats.get(arc.from)?.chemistry) return arc;
      const { wait, why } = waitOf(arc.from, arc.minLag);
      const minLag = Math.round(Math.min(wait, Math.max(arc.minLag, arc.maxLag ?? Infinity)));
      return minLag === arc.minLag ? arc : { ...arc, minLag, because: arc.because + why };
    }),
  };
}
