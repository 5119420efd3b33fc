import { Matrix, solve } from 'ml-matrix';
import { underlaySpectrum } from '../../paint/index.ts';
import { PRIORS, readingDeviation, seenMixture } from './mixReading.ts';
import { offsetUnits } from '../../colour/index.ts';
import { mixDrops, PARAMETERS_PER_PAINT, type DroppedPaint } from './opticsParameters.ts';
import { predictedLab, type Prediction } from './predictionBand.ts';
import type { OpticsFit } from './refitOptics.ts';

/** A test piece that could be sprayed and read. */
export interface TestPiece {
  kind: 'over-black' | 'over-white' | 'with-white' | 'this-mix';
  /** The paint it is of; absent for the mixture itself. */
  paintId?: string;
}

export interface TellingReading extends TestPiece {
  /** What the paints' doubts leave of the prediction now and after the reading, dE00 (root mean square). */
  now: number;
  after: number;
}

/** One coat of an airbrush, um: thin enough that the card shows through. */
const COAT_UM = 10;
const STEP = 1e-3;
/** Drops of white to one of the paint. */
const WITH_WHITE = 4;
/** Nothing worth the trouble is gained below this share. */
const WORTH_READING = 0.1;

/** Which one reading would narrow a prediction most, best first: each paint alone over black or over white, mixed with
 *  a white (where `whiteId` is one of the fit's paints), or the mixture itself. Linear and Gaussian: what a reading
 *  takes off the covariance of the paints' parameters is C H^T (H C H^T + R)^-1 H C, carried along the slope of the
 *  colour; R is the reader's noise, and how film and drops
 *  stray as the piece is made. Readings that gain under a tenth are left out. */
export function tellingReadings(
  fit: OpticsFit,
  prediction: Prediction,
  whiteId: string | undefined,
): TellingReading[] {
  const covariance = fit.covariance();
  const size = covariance.rows;
  const base = predictedLab(prediction, fit.optics);
  const used = [...new Set([...Object.keys(prediction.cup ?? {}), ...Object.keys(prediction.drops)])];
  const parametersOf = (ids: readonly string[]) =>
    ids.flatMap((id) => {
      const at = fit.ids.indexOf(id);
      return at < 0
        ? []
        : Array.from({ length: PARAMETERS_PER_PAINT }, (_, i) => at * PARAMETERS_PER_PAINT + i);
    });
  const nudged = (parameter: number) => {
    const offset = new Float64Array(size);
    offset[parameter] = STEP;
    return fit.moved(offset);
  };
  const slope = Matrix.zeros(3, size);
  for (const parameter of parametersOf(used)) {
    offsetUnits(base, predictedLab(prediction, nudged(parameter))).forEach((value, row) =>
      slope.set(row, parameter, value / STEP),
    );
  }
  const spread = slope.mmul(covariance).mmul(slope.transpose()).trace();
  const now = Math.sqrt(Math.max(0, spread));

  /** What reading a piece would take off. `strays`: what falls otherwise than meant as the piece is made, each as the
   *  piece with that a little more than meant, and its standard deviation in ln. */
  const gain = (
    ids: readonly string[],
    seen: (optics: ReadonlyMap<string, DroppedPaint>) => number[],
    strays: readonly { more: (by: number) => number[]; deviation: number }[],
  ) => {
    const middle = seen(fit.optics);
    const rows = middle.length;
    const H = Matrix.zeros(rows, size);
    for (const parameter of parametersOf(ids)) {
      seen(nudged(parameter)).forEach((value, row) => H.set(row, parameter, (value - middle[row]!) / STEP));
    }
    const noise = Matrix.diag(middle.map((value) => readingDeviation(value) ** 2));
    for (const { more, deviation } of strays) {
      const along = Matrix.columnVector(more(1 + STEP).map((value, row) => (value - middle[row]!) / STEP));
      noise.add(along.mmul(along.transpose()).mul(deviation ** 2));
    }
    const HC = H.mmul(covariance);
    const innovation = HC.mmul(H.transpose()).add(noise);
    const across = HC.mmul(slope.transpose());
    return across.transpose().mmul(solve(innovation, across)).trace();
  };
  const onCard = (paintId: string, over: 'black' | 'white') => {
    const coat = (optics: ReadonlyMap<string, DroppedPaint>, by = 1) =>
      seenMixture(optics.get(paintId)!, { thickness: COAT_UM * by, over: underlaySpectrum(over) });
    const film = { more: (by: number) => coat(fit.optics, by), deviation: PRIORS.film };
    return {
      piece: { kind: `over-${over}` as const, paintId },
      gained: gain([paintId], (optics) => coat(optics), [film]),
    };
  };
  const ofMix = (piece: TestPiece, drops: Readonly<Record<string, number>>) => {
    const ids = Object.keys(drops);
    const spoon = (optics: ReadonlyMap<string, DroppedPaint>, larger?: string, by = 1) =>
      seenMixture(
        mixDrops(ids.map((id) => ({ paint: optics.get(id)!, drops: drops[id]! * (id === larger ? by : 1) }))),
        undefined,
      );
    const strays = ids.map((id) => ({
      more: (by: number) => spoon(fit.optics, id, by),
      deviation: PRIORS.drop / Math.sqrt(drops[id]!),
    }));
    return { piece, gained: gain(ids, (optics) => spoon(optics), strays) };
  };
  const pieces: { piece: TestPiece; gained: number }[] = used.flatMap((paintId) => [
    onCard(paintId, 'black'),
    onCard(paintId, 'white'),
    ...(whiteId !== undefined && whiteId !== paintId && fit.ids.includes(whiteId)
      ? [ofMix({ kind: 'with-white', paintId }, { [paintId]: 1, [whiteId]: WITH_WHITE })]
      : []),
  ]);
  if (used.length > 1) {
    const cup = Object.fromEntries(
      used.map((id) => [id, (prediction.cup?.[id] ?? 0) + (prediction.drops[id] ?? 0)]),
    );
    pieces.push(ofMix({ kind: 'this-mix' }, cup));
  }
  return pieces
    .map(({ piece, gained }) => ({ ...piece, now, after: Math.sqrt(Math.max(0, spread - gained)) }))
    .filter(({ after }) => now - after >= WORTH_READING * now)
    .sort((p, q) => p.after - q.after);
}
