/** One measure taken on the left and on the right; null while nobody measured. */
export interface SidedMeasure {
  name: string;
  leftMm: number | null;
  rightMm: number | null;
}

export interface StraightQuestion {
  measures: readonly SidedMeasure[];
  /** Between the two places at which it is measured, mm. */
  apartMm: number;
  /** Between the two seats at which it is shimmed, mm. */
  seatsMm: number;
  /** How much they may differ, mm. */
  mayDifferMm: number;
}

export interface StraightMeasure {
  name: string;
  /** Left less right, mm; null while a side is missing. */
  differenceMm: number | null;
  agrees: boolean | null;
}

export interface StraightAnswer {
  measures: StraightMeasure[];
  /** not measured: a side is missing everywhere; twisted: measures call for opposite mends. */
  verdict: 'not measured' | 'agrees' | 'off' | 'twisted';
  /** The side that is to come up or out, and by how much at its seat, mm. */
  shim?: { side: 'left' | 'right'; mm: number };
  /** How far it hangs, degrees. */
  tiltDeg?: number;
}

/** What is to be shimmed so that measures on the left and on the right agree. A thing that is stiff and seated at two places turns
 *  about the higher one: a difference d over a width w asks for d s / w at seats s apart. Of several measures that call for the
 *  same side the mean is taken. Throws RangeError for widths that are none. */
export function setStraight({ measures, apartMm, seatsMm, mayDifferMm }: StraightQuestion): StraightAnswer {
  if (!(apartMm > 0) || !(seatsMm > 0))
    throw new RangeError('Say how far apart it is measured and how far apart its seats are: more than 0 mm.');
  const read = measures.map(({ name, leftMm, rightMm }): StraightMeasure => {
    const differenceMm = leftMm === null || rightMm === null ? null : leftMm - rightMm;
    return {
      name,
      differenceMm,
      agrees: differenceMm === null ? null : Math.abs(differenceMm) <= mayDifferMm + 1e-9,
    };
  });
  const known = read.flatMap(({ differenceMm }) => differenceMm ?? []);
  if (known.length === 0) return { measures: read, verdict: 'not measured' };
  const off = known.filter((mm) => Math.abs(mm) > mayDifferMm + 1e-9);
  if (off.length === 0) return { measures: read, verdict: 'agrees' };
  if (off.some((mm) => mm > 0) && off.some((mm) => mm < 0)) return { measures: read, verdict: 'twisted' };
  const mean = off.reduce((sum, mm) => sum + mm, 0) / off.length;
  return {
    measures: read,
    verdict: 'off',
    shim: { side: mean > 0 ? 'right' : 'left', mm: (Math.abs(mean) * seatsMm) / apartMm },
    tiltDeg: (Math.atan2(Math.abs(mean), apartMm) * 180) / Math.PI,
  };
}
