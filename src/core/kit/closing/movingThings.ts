import type { Moves, MovingMotion } from '../../cabin/index.ts';
import { jointName } from '../hardConstraints.ts';
import type { Joint, Kit } from '../records/index.ts';
import { resolveVersion } from '../version.ts';

/** A joint that is to move, with how it was found when it was tried last. */
export interface MovingThing {
  joint: Joint;
  name: string;
  motion: MovingMotion;
  /** Null while nobody tried it. */
  moves: Moves | null;
  /** Ways to free it that were tried. */
  tried: string[];
}

/** Everything of the version that is to move. */
export function movingThings(kit: Kit): MovingThing[] {
  const { used } = resolveVersion(kit);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  return kit.joints.flatMap((joint): MovingThing[] => {
    const { id, a, b, motion } = joint;
    if (motion === 'none' || !used.has(a) || !used.has(b)) return [];
    const last = kit.tryouts.findLast(({ jointId }) => jointId === id);
    return [
      { joint, name: jointName(joint, parts), motion, moves: last?.moves ?? null, tried: last?.tried ?? [] },
    ];
  });
}
