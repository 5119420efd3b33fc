import {
  BAND_COUNT,
  ciede2000,
  DAYLIGHT,
  labResponse,
  tristimulusWeights,
  type Lab,
  type ViewingCondition,
} from '../../colour/index.ts';
import {
  GLOSSY,
  opaqueReflectance,
  outerReflectance,
  type PaintOptics,
  type Surface,
} from '../../paint/index.ts';

// Local copies: see mixtureModel.ts.
const BANDS = BAND_COUNT;
const outer = outerReflectance;
const opaque = opaqueReflectance;
const response = labResponse;
const difference = ciede2000;

export interface CupQuestion {
  /** Drops that are in the cup; they stay there. */
  cup: Readonly<Record<string, number>>;
  /** Paints that may be added, by id. */
  candidates: readonly string[];
  optics: ReadonlyMap<string, PaintOptics & { perDrop?: number }>;
  target: Lab;
  condition?: ViewingCondition;
  /** The face that the target is seen with; full gloss when absent. */
  surface?: Surface;
  /** Most drops to add, and of how many different paints. */
  maxAdded: number;
  maxKinds: number;
}

export interface Addition {
  /** Drops to add by paint id; empty for leaving the cup as it is. */
  add: Record<string, number>;
  added: number;
  lab: Lab;
  dE00: number;
}

/** The nearest colours that whole drops added to a cup can reach, by trying all of them; the nearest first, at
 *  most `keep`, and the cup as it is among them if it is one of those. Throws RangeError for an empty cup or a
 *  paint without optics. */
export function additions(question: CupQuestion, keep = 8): Addition[] {
  const { cup, optics, target, condition = DAYLIGHT, surface = GLOSSY, maxAdded, maxKinds } = question;
  const candidates = [...new Set(question.candidates)];
  const known = (id: string) => {
    const found = optics.get(id);
    if (!found) throw new RangeError(`There are no optics of paint ${id}.`);
    return found;
  };
  const held = Object.entries(cup).filter(([, count]) => count > 0);
  if (held.length === 0) throw new RangeError('The cup is empty: there is nothing to correct.');
  const weights = tristimulusWeights(condition);
  const dropped = (id: string, pick: (paint: PaintOptics) => readonly number[]) => {
    const { perDrop = 1, ...optics } = known(id);
    return Float64Array.from(pick(optics), (value) => perDrop * value);
  };
  const k = candidates.map((id) => dropped(id, (paint) => paint.k));
  const s = candidates.map((id) => dropped(id, (paint) => paint.s));
  const levels = Array.from({ length: maxKinds + 1 }, () => ({
    k: new Float64Array(BANDS),
    s: new Float64Array(BANDS),
  }));
  for (const [id, count] of held) {
    const paint = { k: dropped(id, ({ k }) => k), s: dropped(id, ({ s }) => s) };
    for (let band = 0; band < BANDS; band++) {
      levels[0]!.k[band]! += count * paint.k[band]!;
      levels[0]!.s[band]! += count * paint.s[band]!;
    }
  }

  const best: Addition[] = [];
  const counts = candidates.map(() => 0);
  const offer = (level: number, added: number): void => {
    const { k: absorbed, s: scattered } = levels[level]!;
    let X = 0;
    let Y = 0;
    let Z = 0;
    for (let band = 0; band < BANDS; band++) {
      const reflectance = outer(opaque(absorbed[band]! / scattered[band]!), surface);
      X += weights.x[band]! * reflectance;
      Y += weights.y[band]! * reflectance;
      Z += weights.z[band]! * reflectance;
    }
    const fy = response(Y / weights.white.Y);
    const lab = {
      L: 116 * fy - 16,
      a: 500 * (response(X / weights.white.X) - fy),
      b: 200 * (fy - response(Z / weights.white.Z)),
    };
    const dE00 = difference(target, lab);
    if (best.length === keep && dE00 >= best[keep - 1]!.dE00) return;
    const add = Object.fromEntries(
      candidates.flatMap((id, i) => (counts[i]! > 0 ? [[id, counts[i]!] as const] : [])),
    );
    const at = best.findIndex((other) => dE00 < other.dE00);
    best.splice(at < 0 ? best.length : at, 0, { add, added, lab, dE00 });
    if (best.length > keep) best.pop();
  };
  const grow = (level: number, from: number, left: number): void => {
    for (let paint = from; paint < candidates.length; paint++) {
      const below = levels[level]!;
      const here = levels[level + 1]!;
      here.k.set(below.k);
      here.s.set(below.s);
      for (let count = 1; count <= left; count++) {
        for (let band = 0; band < BANDS; band++) {
          here.k[band]! += k[paint]![band]!;
          here.s[band]! += s[paint]![band]!;
        }
        counts[paint] = count;
        offer(level + 1, maxAdded - left + count);
        if (level + 1 < maxKinds && count < left) grow(level + 1, paint + 1, left - count);
      }
      counts[paint] = 0;
    }
  };
  offer(0, 0);
  if (maxKinds > 0) grow(0, 0, maxAdded);
  return best;
}
