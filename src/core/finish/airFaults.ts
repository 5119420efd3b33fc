import type { Finding } from './evaluateChain.ts';
import { BLUSH_HUMIDITY, DEW_POINT_MARGIN_C, dewPoint } from './air.ts';
import { FINISH_RULES, neighbours } from './rules.ts';
import type { Conditions, Stack } from './stack.ts';

const OF_THE_AIR = FINISH_RULES.filter(({ ofTheAir }) => ofTheAir);

/** What the air of an evening does to one layer of a stack, at the bench or as it is forecast. */
export function airFaults(stack: Stack, index: number, conditions: Conditions): Finding[] {
  const around = neighbours(stack, index);
  // These rules look at the paint and the air alone.
  const context = {
    ...around,
    stack,
    conditions,
    glossUnder: 0,
    labUnder: { L: 0, a: 0, b: 0 },
    totalFilm: 0,
    clearFilm: 0,
  };
  return OF_THE_AIR.filter(({ applies }) => applies(context)).map(
    ({ id, severity, title, reason, remedy, source }) => ({
      ruleId: id,
      severity,
      layerId: around.layer.id,
      title,
      reason: reason(context),
      remedy,
      source,
    }),
  );
}

/** Whether nothing is to be sprayed in such air, whatever the paint. */
export const isTooDampToSpray = ({ temperatureC, humidity, surfaceC = temperatureC }: Conditions): boolean =>
  humidity > BLUSH_HUMIDITY || surfaceC - dewPoint(temperatureC, humidity) < DEW_POINT_MARGIN_C;
