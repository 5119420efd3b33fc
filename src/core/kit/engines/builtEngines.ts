import type { EngineAllocation } from '../../detail/index.ts';
import type { Engine } from '../records/index.ts';
import { idOf, type AtHand, type EngineBuild } from './atHand.ts';

/** What an engine takes, from where. */
export interface TakenPart {
  place: string;
  kind: string;
  count: number;
  from: AtHand;
}

export interface BuiltEngine {
  build: EngineBuild;
  engine: Engine;
  parts: TakenPart[];
}

/** Which parts make the engines of an answer: those of the engine's own kit first, then the spares box, then other kits. */
export function builtEngines(
  builds: readonly EngineBuild[],
  hand: readonly AtHand[],
  { built }: Pick<EngineAllocation, 'built'>,
): BuiltEngine[] {
  const left = new Map(hand.map((each) => [each, each.count]));
  const wanted = builds.flatMap((build) =>
    build.kit.engines.map((engine) => ({ build, engine, id: idOf(build.id, engine.id) })),
  );
  const placed = built.flatMap(({ engine: id, takes }) => {
    const of = wanted.find((each) => each.id === id);
    return of ? [{ build: of.build, engine: of.engine, takes, parts: [] as TakenPart[] }] : [];
  });
  const take = (isMine: (at: AtHand, buildId: string) => boolean) => {
    for (const { build, takes, parts } of placed) {
      for (const { slot, kind, count } of takes) {
        let open = count - parts.reduce((sum, part) => sum + (part.place === slot ? part.count : 0), 0);
        for (const from of hand) {
          const some = Math.min(open, left.get(from)!);
          if (from.kind !== kind || some === 0 || !isMine(from, build.id)) continue;
          left.set(from, left.get(from)! - some);
          open -= some;
          parts.push({ place: slot, kind, count: some, from });
        }
      }
    }
  };
  // No engine takes from another kit what that kit's own engine needs.
  take(({ buildId }, own) => buildId === own);
  take(({ buildId }) => buildId === null);
  take(() => true);
  return placed.map(({ build, engine, parts }) => {
    const place = new Map(engine.slots.map(({ name }, at) => [name, at]));
    return {
      build,
      engine,
      parts: parts.sort((p, q) => (place.get(p.place) ?? 0) - (place.get(q.place) ?? 0)),
    };
  });
}

/** Parts at hand that an answer leaves. */
export function leftOf(hand: readonly AtHand[], built: readonly BuiltEngine[]): AtHand[] {
  const taken = built.flatMap(({ parts }) => parts);
  return hand.flatMap((each) => {
    const count = each.count - taken.reduce((sum, { from, count: n }) => sum + (from === each ? n : 0), 0);
    return count > 0 ? [{ ...each, count }] : [];
  });
}
