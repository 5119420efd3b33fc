import { PATHS, type ThermometerRecord } from '../../api/index.ts';
import { request } from './request.ts';

export interface AirReading {
  temperatureC: number;
  humidity: number;
}

const POLL_MS = 500;
const PATIENCE = 20;

/** Connects the thermometer where it is away, lets it settle and reads it once. Throws what it refuses with. */
export async function readThermometer(): Promise<AirReading> {
  await request<ThermometerRecord>('POST', PATHS.thermometer);
  for (let tries = 0; tries < PATIENCE; tries++) {
    const { state } = await request<ThermometerRecord>('GET', PATHS.thermometer);
    if (state !== 'settling') break;
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
  return request<AirReading>('POST', PATHS.airReading);
}
