import { airFaults, type Conditions, type Finding } from '../../finish/index.ts';
import { localDate } from '../calendar.ts';
import type { Ahead, PlanContribution } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';

const dayOf = (minutes: number): string => localDate(new Date(minutes * 60000));

/** The air of the evening on which a coat is planned, where that evening is forecast; else as it is at the bench. */
function airOf(
  minutes: number,
  { build: { air }, now }: Ahead,
): { air: Conditions; day: string; isForecast: boolean } {
  const day = dayOf(minutes);
  const forecast = air.forecast.find((each) => each.day === day);
  if (!forecast) return { air: air.conditions, day: dayOf(now), isForecast: false };
  const { temperatureC, humidity } = forecast;
  // The part is as warm as the room by then.
  const { surfaceC: _surface, ...rest } = air.conditions;
  return { air: { ...rest, temperatureC, humidity }, day, isForecast: true };
}

/** Coats that the air spoils: what the bench's air says holds for tonight's card, and for every coat of which nobody
 *  knows better. */
export const air: PlanContribution = {
  id: 'air',

  advice(ahead) {
    const { build, own, startOf, advise } = ahead;
    const stacks = new Map(build.trays.map(({ id, stack }) => [id, stack]));
    const found = new Map<
      string,
      { fault: Finding; day: string; isForecast: boolean; steps: PlanOperation[] }
    >();
    for (const step of own) {
      const stack = stacks.get(step.trayId ?? '');
      const index = stack?.layers.findIndex(({ id }) => id === step.layerId) ?? -1;
      if (!stack || index < 0) continue;
      const of = airOf(startOf(step), ahead);
      for (const fault of airFaults(stack, index, of.air)) {
        const key = `${fault.ruleId} ${of.day}`;
        const known = found.get(key) ?? { fault, day: of.day, isForecast: of.isForecast, steps: [] };
        known.steps.push(step);
        found.set(key, known);
      }
    }
    for (const { fault, day, isForecast, steps } of found.values()) {
      const { ruleId, severity, title, reason, remedy, source } = fault;
      if (severity === 'caution') continue;
      advise(steps, {
        rule: ruleId,
        subject: day,
        severity,
        about: { trays: [...new Set(steps.flatMap(({ trayId }) => trayId ?? []))] },
        text: isForecast ? `${title}, as it is forecast` : title,
        why: reason,
        remedy: isForecast ? remedy : `${remedy} Evenings whose forecast you type in are planned by it.`,
        source,
        stage: 'bench',
      });
    }
  },
};
