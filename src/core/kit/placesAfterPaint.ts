import { figure } from '../figures.ts';
import { drillFor } from '../detail/index.ts';
import type { MeasuredPlace } from './kit.ts';

/** Film on the flats of a part, um. */
export interface FilmOnFlats {
  low: number;
  usual: number;
  high: number;
}

export interface PlaceForecast {
  /** Hole or slot: its opening after paint; line: the depth that still shows. mm: least, likely, most. */
  leftMm: [number, number, number];
  /** What the film takes, mm, likely. */
  lostMm: number;
  verdict: 'stays' | 'close' | 'lost';
  words: string;
}

/** In the corner of a recess wet paint draws together; against the flats. A working value. */
export const RECESS_SHARE = 1.5;
/** At the rim of a hole it draws away. */
const RIM_SHARE = 0.5;
/** What must be left for a pin to slip in, mm. */
const SLIP_MM = 0.05;
/** A line of which less than this is left reads as a smear; below the other it has gone. */
const SOFT_LINE = 0.6;
const GONE_LINE = 0.3;
const rounded = (mm: number) => Math.round(mm * 1000) / 1000;

/** What paint leaves of a measured hole, slot or panel line. A hole loses the film twice, and what goes through it
 *  carries its own, twice; a line keeps its depth but for what draws together in its corners, until the films of its
 *  two walls meet. `own` is the film on the part, `mating` on what goes through. Throws RangeError for a size that is
 *  not above zero. */
export function placeAfterPaint(
  place: MeasuredPlace,
  own: FilmOnFlats,
  mating: FilmOnFlats = { low: 0, usual: 0, high: 0 },
): PlaceForecast {
  const { kind, sizeMm, widthMm, throughMm } = place;
  if (!(sizeMm > 0)) throw new RangeError(`A ${kind} of ${sizeMm} mm cannot be painted: measure it again.`);
  if (kind === 'line') {
    const fill = (film: number) => {
      const closed = widthMm !== null && (2 * film) / 1000 >= widthMm;
      return closed ? sizeMm : ((RECESS_SHARE - 1) * film) / 1000;
    };
    const leftMm = [own.high, own.usual, own.low].map((film) =>
      rounded(Math.max(0, sizeMm - fill(film))),
    ) as PlaceForecast['leftMm'];
    const share = leftMm[1] / sizeMm;
    const verdict = share >= SOFT_LINE ? 'stays' : share >= GONE_LINE ? 'close' : 'lost';
    const deeper = Math.max(0.05, Math.ceil((fill(own.usual) / (1 - SOFT_LINE) - sizeMm) * 20 - 1e-9) / 20);
    const walls = widthMm !== null && (2 * own.usual) / 1000 >= widthMm;
    return {
      leftMm,
      lostMm: rounded(sizeMm - leftMm[1]),
      verdict,
      words:
        verdict === 'stays'
          ? 'Stays crisp under this film.'
          : walls
            ? `The films of its walls meet: scribe it wider than ${figure((2 * own.high) / 1000, 'mm')} before primer, or drop a coat.`
            : `${verdict === 'close' ? 'Goes soft' : 'Fills'}: scribe it ${figure(deeper, 'mm')} deeper before primer, or drop a coat.`,
    };
  }
  const takenBy = (ownFilm: number, matingFilm: number) => (2 * (ownFilm + matingFilm)) / 1000;
  const most = takenBy(RECESS_SHARE * own.high, mating.high);
  const likely = takenBy(own.usual, mating.usual);
  const least = takenBy(RIM_SHARE * own.low, mating.low);
  const leftMm = [most, likely, least].map((lost) => rounded(sizeMm - lost)) as PlaceForecast['leftMm'];
  const lostMm = rounded(likely);
  if (throughMm === null) {
    const verdict = leftMm[1] <= 0 ? 'lost' : leftMm[1] < 0.5 * sizeMm ? 'close' : 'stays';
    return {
      leftMm,
      lostMm,
      verdict,
      words:
        verdict === 'stays'
          ? 'Stays open.'
          : verdict === 'close'
            ? 'Half closed: clear it with a drill turned by hand once the paint is hard.'
            : 'Closes: plug it with a pin while you paint, or drill it again afterwards.',
    };
  }
  const spare = leftMm[1] - throughMm;
  const verdict = spare >= SLIP_MM ? 'stays' : spare >= 0 ? 'close' : 'lost';
  const wanted = throughMm + likely + SLIP_MM;
  const drill = drillFor(wanted);
  const open =
    kind === 'slot'
      ? `file it to ${figure(Math.ceil(wanted * 20 - 1e-9) / 20, 'mm')}`
      : drill === undefined
        ? `open it to ${figure(wanted, 'mm')}`
        : `open it with a ${figure(drill, 'mm')} drill`;
  return {
    leftMm,
    lostMm,
    verdict,
    words:
      verdict === 'stays'
        ? `${figure(throughMm, 'mm')} goes through with ${figure(spare, 'mm')} to spare.`
        : `${figure(throughMm, 'mm')} ${verdict === 'close' ? 'is tight' : 'no longer goes through'}: ${open} before primer, or mask both faces.`,
  };
}
