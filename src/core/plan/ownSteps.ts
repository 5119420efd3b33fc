import { hazardLine, hazardsInWords } from '../finish/index.ts';
import type { OwnStep } from '../kit/index.ts';
import type { PlanArc, PlanOperation } from './operation.ts';

/** Operations and arcs with the steps that the builder added, each after the step it was added to and before what
 *  followed that in the same sub-assembly. A step whose place is gone is passed over. */
export function withOwnSteps(
  operations: readonly PlanOperation[],
  arcs: readonly PlanArc[],
  added: readonly OwnStep[],
): { operations: PlanOperation[]; arcs: PlanArc[] } {
  const all = [...operations];
  const lags = [...arcs];
  for (const { id, after, title, minutes, waitMinutes, note } of added) {
    const at = all.findIndex((operation) => operation.id === after);
    if (at < 0) continue;
    const before = all[at]!;
    const hazards = hazardsInWords(title, note);
    const own: PlanOperation = {
      ...before,
      id: `${before.buildId}/own/${id}`,
      layerId: undefined,
      kind: 'inspect',
      title,
      place: 'bench',
      hands: minutes,
      dry: waitMinutes,
      family: null,
      chemistry: null,
      because: 'You added it.',
      details: note === '' ? [] : [note],
      hazards,
      cautions: hazards.map(hazardLine),
      lessons: [],
    };
    all.splice(at + 1, 0, own);
    const following = arcs.filter(({ from }) => from === after);
    lags.push({ from: after, to: own.id, minLag: 0, maxLag: null, because: 'you put it after this' });
    for (const { to } of following) {
      lags.push({ from: own.id, to, minLag: waitMinutes, maxLag: null, because: `${title} comes first` });
    }
  }
  return { operations: all, arcs: lags };
}
