import type { ReaderRecord } from '../../api/index.ts';
import { ciede2000, DAYLIGHT, spectrumToLab, type MeasuringGeometry } from '../../core/colour/index.ts';
import { normalNumber } from '../../core/match/index.ts';
import { ProblemError } from '../problem.ts';
import { randomFrom } from './simulatedGroundTruth.ts';

/** Three readings of one place and what they come to. */
export interface ReaderResult {
  /** Mean reflectance, 31 bands. */
  spectrum: number[];
  /** Largest dE00 between two of the three. */
  spread: number;
  instrument: string;
  geometry: MeasuringGeometry;
}

/** What any handheld reader must do; a driver of a real one takes this place. Each refuses with a ProblemError that
 *  says what to do first. */
export interface SpectralReader {
  state: () => ReaderRecord;
  connect: () => void;
  disconnect: () => void;
  /** Reads its own white tile and takes it for white. */
  calibrate: () => void;
  read: (subject: { reflectance: () => readonly number[]; name: string }) => ReaderResult;
}

const NAME = 'Bench reader (simulated)';
const GEOMETRY: MeasuringGeometry = '45:0';
const WARM_UP_MS = 4000;
/** After this long the tile must be read again. */
const CALIBRATION_LASTS_MS = 60 * 60 * 1000;
/** Share of reflectance gained or lost for each hour since the tile was read. */
const DRIFT_PER_HOUR = 0.012;
/** Standard deviations of one reading: of each band, and of all together from how the reader sits. */
const NOISE = { band: 0.0012, placement: 0.003 };
const TIMES = 3;

/** A reader that behaves like one: it warms up, drifts, wants its tile and never reads the same twice. The same
 *  seed and the same acts give the same readings. */
export function simulatedReader(clock: () => number, seed: number): SpectralReader {
  let connectedAt: number | undefined;
  let calibratedAt: number | undefined;
  let count = 0;

  const refuse = (title: string, detail: string, remedy: string) =>
    new ProblemError({ status: 409, type: '/problems/reader', title, detail, remedy });
  const drift = () =>
    calibratedAt === undefined ? 0 : (DRIFT_PER_HOUR * (clock() - calibratedAt)) / (60 * 60 * 1000);
  const stateNow = (): ReaderRecord['state'] => {
    if (connectedAt === undefined) return 'away';
    // A clock that was set back would have it warm up for as long, and its calibration last longer.
    connectedAt = Math.min(connectedAt, clock());
    if (calibratedAt !== undefined && calibratedAt > clock()) calibratedAt = undefined;
    if (clock() < connectedAt + WARM_UP_MS) return 'warming';
    if (calibratedAt === undefined || clock() > calibratedAt + CALIBRATION_LASTS_MS) return 'uncalibrated';
    return 'ready';
  };
  const requireWarm = () => {
    const state = stateNow();
    if (state === 'away') throw refuse('No reader', 'The reader is not connected.', 'Connect it first.');
    if (state === 'warming') {
      const seconds = Math.ceil((connectedAt! + WARM_UP_MS - clock()) / 1000);
      throw refuse(
        'Still warming',
        `The lamp of the reader is warming up: ${seconds} s to go.`,
        'Wait, then try again.',
      );
    }
    return state;
  };
  const grey = (level: number) => spectrumToLab(new Array<number>(31).fill(level), DAYLIGHT);

  return {
    state: () => ({
      name: NAME,
      simulated: true,
      // First, since it mends what a clock set back has spoilt.
      state: stateNow(),
      readyAt: connectedAt === undefined ? null : connectedAt + WARM_UP_MS,
      calibratedAt: calibratedAt ?? null,
      drift: ciede2000(grey(0.85), grey(0.85 * (1 + drift()))),
      geometry: GEOMETRY,
      apertureMm: 4,
    }),
    connect: () => {
      connectedAt ??= clock();
    },
    disconnect: () => {
      connectedAt = undefined;
      calibratedAt = undefined;
    },
    calibrate: () => {
      requireWarm();
      calibratedAt = clock();
    },
    read: ({ reflectance, name }) => {
      if (requireWarm() === 'uncalibrated') {
        throw refuse(
          'Not calibrated',
          calibratedAt === undefined
            ? 'The reader has not seen its white tile since it was connected.'
            : 'The reader saw its white tile more than an hour ago and has drifted.',
          'Put it on its tile and calibrate.',
        );
      }
      const truth = reflectance();
      const random = randomFrom('reading', name, seed, count++);
      const three = Array.from({ length: TIMES }, () => {
        const sits = 1 + drift() + NOISE.placement * normalNumber(random);
        return truth.map((value) =>
          Math.min(1, Math.max(0, value * sits + NOISE.band * normalNumber(random))),
        );
      });
      const labs = three.map((spectrum) => spectrumToLab(spectrum, DAYLIGHT));
      const spread = Math.max(
        ciede2000(labs[0]!, labs[1]!),
        ciede2000(labs[0]!, labs[2]!),
        ciede2000(labs[1]!, labs[2]!),
      );
      const spectrum = truth.map((_, band) => three.reduce((sum, one) => sum + one[band]!, 0) / TIMES);
      return { spectrum, spread, instrument: NAME, geometry: GEOMETRY };
    },
  };
}
