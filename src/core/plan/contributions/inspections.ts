import { FAULT_FACTS, firstToBury, foundWords, inspectionPoints, POINTS } from '../../record/index.ts';
import type { Ahead, PlanContribution } from '../contribution.ts';

/** Looking over, said at the step after which it is due. */
function adviseOfPoints({ own, advise }: Ahead): void {
  for (const { kind, step } of inspectionPoints(own)) {
    const { name, lookFor, how } = POINTS[kind];
    const operation = own.find(({ id }) => id === step.id)!;
    advise([operation], {
      rule: 'look-over',
      subject: `${kind} ${step.id}`,
      severity: 'note',
      topic: 'after',
      about: { trays: step.trayId === undefined ? [] : [step.trayId] },
      text: `Then look it over (${name.toLowerCase()}): ${lookFor.map((fault) => FAULT_FACTS[fault].name).join(', ')}`,
      why: `${how.replace(/^./, (first) => first.toUpperCase())}.`,
      remedy: 'Write down what you find under Record; what is buried by the next coat is costly.',
      stage: 'record',
    });
  }
}

/** What was found and is not mended: held before the step that buries it where it is to be fixed later, said there where nobody
 *  decided. */
function adviseOfFound({ build, all, arcs, own, starts, advise }: Ahead): void {
  for (const found of build.kit.inspections) {
    const { id, fault, outcome, operationId, partId } = found;
    if (fault === null || (outcome !== null && outcome !== 'fix-later')) continue;
    const buries = firstToBury(operationId, all, arcs, (step) => starts[step]);
    const step = own.find((each) => each.id === buries);
    if (!step) continue;
    const words = foundWords(found);
    const { tell, risk } = FAULT_FACTS[fault];
    advise([step], {
      rule: outcome === null ? 'not-decided' : 'fix-before',
      subject: id,
      severity: outcome === null ? 'warn' : 'stop',
      about: {
        trays: step.trayId === undefined ? [] : [step.trayId],
        parts: partId === null ? [] : [partId],
      },
      text: `${outcome === null ? 'Found, and not decided' : 'To be fixed before this'}: ${words}`,
      why: `“${step.title}” buries it. Told by ${tell}; mending it: ${risk}.`,
      remedy:
        outcome === null
          ? 'Decide it under Record: accept it, fix it, or live with it.'
          : 'Fix it now, under Record, or say there that you live with it.',
      source: 'what you found',
      stage: 'record',
    });
  }
}

/** Inspections: what to look over, and what was found. */
export const inspections: PlanContribution = {
  id: 'inspections',
  advice(ahead) {
    adviseOfPoints(ahead);
    adviseOfFound(ahead);
  },
};
