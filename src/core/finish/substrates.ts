import { BAND_COUNT, recoverSpectrum } from '../colour/index.ts';
import type { Substrate } from './stack.ts';

const flat = (value: number) => new Array<number>(BAND_COUNT).fill(value);

/** What parts are moulded in or made of. */
export const SUBSTRATES: readonly Substrate[] = [
  { id: 'styrene-white', name: 'white styrene', kind: 'styrene', reflectance: flat(0.82) },
  { id: 'styrene-grey', name: 'grey styrene', kind: 'styrene', reflectance: flat(0.36) },
  { id: 'styrene-black', name: 'black styrene', kind: 'styrene', reflectance: flat(0.05) },
  {
    id: 'styrene-red',
    name: 'red styrene',
    kind: 'styrene',
    reflectance: recoverSpectrum({ L: 38, a: 52, b: 32 }),
  },
  {
    id: 'styrene-cream',
    name: 'cream styrene',
    kind: 'styrene',
    reflectance: recoverSpectrum({ L: 88, a: 1, b: 12 }),
  },
  { id: 'styrene-clear', name: 'clear styrene', kind: 'clear', reflectance: flat(0.08) },
  { id: 'plated', name: 'chrome plating', kind: 'plated', reflectance: flat(0.62) },
  { id: 'resin', name: 'cream resin', kind: 'resin', reflectance: recoverSpectrum({ L: 84, a: 3, b: 18 }) },
  { id: 'white-metal', name: 'white metal', kind: 'metal', reflectance: flat(0.45) },
  { id: 'vinyl', name: 'black vinyl', kind: 'vinyl', reflectance: flat(0.045) },
];
