import type { Engine, EnginePlace } from '../records/index.ts';
import { kindKey } from './atHand.ts';

const seenPlaces = ({ slots }: Engine): string =>
  slots
    .filter(({ seen }) => seen)
    .map(({ name, kinds, count }: EnginePlace) =>
      [kindKey(name), count, ...kinds.map(kindKey).sort()].join('\t'),
    )
    .sort()
    .join('\n');

/** Engines that look the same once they are built: what is seen of them takes the same kinds. With the places in which they
 *  differ, which nobody sees. */
export function alikeEngines(engines: readonly Engine[]): { one: Engine; other: Engine; hidden: string[] }[] {
  return engines.flatMap((one, at) =>
    engines.slice(at + 1).flatMap((other) => {
      const seen = seenPlaces(one);
      if (seen === '' || seen !== seenPlaces(other)) return [];
      const hidden = [...one.slots, ...other.slots].filter((slot) => !slot.seen).map(({ name }) => name);
      return [{ one, other, hidden: [...new Set(hidden)] }];
    }),
  );
}
