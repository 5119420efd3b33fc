import { visibleShare, type SeenScene, type SeenShare } from '../../detail/index.ts';
import { textHash } from '../../textHash.ts';

/** Rays for each part: two parts in a hundred. */
const RAYS = 700;
const SEED = 1;

/** The share of each part, or of some. Where a part is only guessed to be, it hides no other: a tub that was taken for a block
 *  would hide the seats in it. */
export function partShares(
  scene: SeenScene,
  guessed: ReadonlySet<string>,
  only?: ReadonlySet<string>,
): SeenShare[] {
  const said = scene.parts.filter(({ id }) => !guessed.has(id));
  const budget = { rays: RAYS, seed: SEED };
  return [
    ...visibleShare({ ...scene, parts: said }, only ? { ...budget, only } : budget).parts,
    ...scene.parts
      .filter(({ id }) => guessed.has(id) && only?.has(id) !== false)
      .flatMap(
        (part) =>
          visibleShare({ ...scene, parts: [...said, part] }, { ...budget, only: new Set([part.id]) }).parts,
      ),
  ];
}

/** Scenes that are kept in mind: a bench of builds, and some that have changed. */
const MOST_KEPT = 24;
const kept = new Map<string, ReadonlyMap<string, number>>();

/** The same as numbers by part, worked out once for each scene: plans ask again and again, and rays are slow. */
export function keptShares(
  scene: SeenScene,
  guessed: readonly string[],
  only: readonly string[],
): ReadonlyMap<string, number> {
  const key = textHash(JSON.stringify([scene, guessed, only]));
  const known = kept.get(key);
  if (known) return known;
  const shares = new Map(
    partShares(scene, new Set(guessed), new Set(only)).map(({ id, share }) => [id, share] as const),
  );
  kept.set(key, shares);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return shares;
}
