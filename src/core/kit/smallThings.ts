import { isPaintedLook } from './jointCosts.ts';
import { areaOf, mainFinish } from './kit.ts';
import type { Kit, KitFinish, Part } from './records/index.ts';
import { resolveVersion } from './version.ts';

/** A small part, or a small place on a part that is brushed, in one finish. */
export interface SmallThing {
  part: Part;
  /** The place on it; absent for the whole part. */
  zone?: string;
}

export interface SmallBatch {
  finish: KitFinish;
  things: SmallThing[];
  pieces: number;
}

/** Up to so much is done with a fine brush rather than sprayed, cm2; a working value. */
export const SMALL_CM2 = 3;
/** Fewer are not worth an evening of their own. */
const LEAST = 3;
const BRIGHT: readonly KitFinish['look'][] = ['metal', 'chrome-ink'];

/** What is joined to something larger in its own finish is sprayed with that. */
function goesAlong(
  part: Part,
  { joints, parts }: Kit,
  finishOf: (part: Part) => string | undefined,
): boolean {
  const area = areaOf(part);
  return joints.some(({ a, b, motion }) => {
    if (motion !== 'none' || (a !== part.id && b !== part.id)) return false;
    const other = parts.find(({ id }) => id === (a === part.id ? b : a));
    return other !== undefined && areaOf(other) > area && finishOf(other) === finishOf(part);
  });
}

/** Small things by their finish, so that each colour is opened once: bright ones first, then the most. */
export function smallBatches(kit: Kit): SmallBatch[] {
  const { used } = resolveVersion(kit);
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const batches = new Map<string, SmallBatch>();
  const add = (finish: KitFinish | undefined, thing: SmallThing) => {
    if (!finish || !isPaintedLook(finish.look)) return;
    const batch = batches.get(finish.id) ?? { finish, things: [], pieces: 0 };
    batch.things.push(thing);
    batch.pieces += thing.part.count;
    batches.set(finish.id, batch);
  };
  for (const part of kit.parts.filter(({ id }) => used.has(id))) {
    const area = areaOf(part);
    if (area <= SMALL_CM2 && !goesAlong(part, kit, (each) => mainFinish(each, finishes)?.id))
      add(mainFinish(part, finishes), { part });
    for (const { name, finishId, share, boundary } of part.zones.slice(1))
      if (boundary !== 'masked' && share * area <= SMALL_CM2)
        add(finishes.get(finishId), { part, zone: name });
  }
  const rank = ({ finish }: SmallBatch) => (BRIGHT.includes(finish.look) ? 0 : 1);
  return [...batches.values()]
    .filter(({ things }) => things.length >= LEAST)
    .sort((p, q) => rank(p) - rank(q) || q.pieces - p.pieces);
}
