import type { ThermometerRecord } from '../../api/index.ts';
import { normalNumber } from '../../core/match/index.ts';
import { ProblemError } from '../problem.ts';
import { randomFrom } from './simulatedGroundTruth.ts';

/** Air as read at one moment. */
export interface AirReading {
  temperatureC: number;
  humidity: number;
}

/** What a bench thermometer with hygrometer must do; a driver of a real one takes this place. */
export interface Thermometer {
  state: () => ThermometerRecord;
  connect: () => void;
  disconnect: () => void;
  /** Refuses with a ProblemError while it is away or still settling. */
  read: () => AirReading;
}

const NAME = 'Bench thermometer (simulated)';
/** A sensor that was carried in takes this long to feel the room. */
const SETTLE_MS = 3000;
const DAY_MS = 24 * 60 * 60 * 1000;
/** Standard deviations of one reading. */
const NOISE = { temperature: 0.1, humidity: 0.7 };

/** The air of a heated hobby room: warmest in the afternoon, drier when warm, a little different every day. */
function roomAir(at: number, seed: number): AirReading {
  const day = Math.floor(at / DAY_MS);
  const weather = normalNumber(randomFrom('weather', seed, day));
  // Warmest at four in the afternoon.
  const daily = Math.cos((2 * Math.PI * ((at % DAY_MS) - (16 / 24) * DAY_MS)) / DAY_MS);
  return { temperatureC: 19.5 + 1.6 * daily + 0.8 * weather, humidity: 52 - 5 * daily + 6 * weather };
}

/** A thermometer that behaves like one: it settles, and never reads quite the same twice. The same seed and clock
 *  give the same readings. */
export function simulatedThermometer(clock: () => number, seed: number): Thermometer {
  let connectedAt: number | undefined;
  let count = 0;
  const stateNow = (): ThermometerRecord['state'] => {
    if (connectedAt === undefined) return 'away';
    // A clock that was set back would make it settle for as long.
    connectedAt = Math.min(connectedAt, clock());
    return clock() < connectedAt + SETTLE_MS ? 'settling' : 'ready';
  };
  return {
    state: () => ({ name: NAME, simulated: true, state: stateNow() }),
    connect: () => {
      connectedAt ??= clock();
    },
    disconnect: () => {
      connectedAt = undefined;
    },
    read: () => {
      const state = stateNow();
      if (state !== 'ready') {
        throw new ProblemError({
          status: 409,
          type: '/problems/thermometer',
          title: state === 'away' ? 'No thermometer' : 'Still settling',
          detail:
            state === 'away'
              ? 'The thermometer is not connected.'
              : 'The thermometer has not taken the temperature of the room yet.',
          remedy:
            state === 'away'
              ? 'Connect it, or type what yours shows.'
              : 'Wait a few seconds, then read again.',
        });
      }
      const random = randomFrom('air', seed, count++);
      const { temperatureC, humidity } = roomAir(clock(), seed);
      const round = (value: number, digits: number) => Number(value.toFixed(digits));
      return {
        temperatureC: round(temperatureC + NOISE.temperature * normalNumber(random), 1),
        humidity: Math.min(100, Math.max(0, round(humidity + NOISE.humidity * normalNumber(random), 0))),
      };
    },
  };
}
