import { spectrumFrom, type Spectrum } from '../colour/index.ts';

export type TintId = 'yellow' | 'orange' | 'red' | 'purple' | 'blue' | 'green' | 'smoke';

/** Transparent colours: absorption per um of dry film. Typical of dyed clears, not measured. */
export const TINTS: readonly { id: TintId; name: string; k: Spectrum }[] = [
  { id: 'yellow', name: 'clear yellow', k: edge(495, 18, 0.07) },
  { id: 'orange', name: 'clear orange', k: edge(555, 20, 0.09) },
  { id: 'red', name: 'clear red', k: edge(590, 14, 0.12) },
  { id: 'purple', name: 'clear purple', k: bump(555, 45, 0.07) },
  { id: 'blue', name: 'clear blue', k: bump(620, 70, 0.08) },
  {
    id: 'green',
    name: 'clear green',
    k: spectrumFrom((nm) => 0.0004 + gauss(nm, 430, 35, 0.07) + gauss(nm, 660, 45, 0.07)),
  },
  { id: 'smoke', name: 'smoke', k: spectrumFrom(() => 0.03) },
];

function gauss(nm: number, centre: number, width: number, height: number): number {
  return height * Math.exp(-(((nm - centre) / width) ** 2) / 2);
}
/** Takes everything below an edge. */
function edge(nm: number, width: number, height: number): number[] {
  return spectrumFrom((at) => 0.0004 + height / (1 + Math.exp((at - nm) / width)));
}
function bump(centre: number, width: number, height: number): number[] {
  return spectrumFrom((nm) => 0.0004 + gauss(nm, centre, width, height));
}
