import type { Lab } from './lab.ts';

const HUE_NAMES: [limit: number, name: string][] = [
  [25, 'pinker'],
  [65, 'redder'],
  [110, 'yellower'],
  [200, 'greener'],
  [300, 'bluer'],
  [360, 'pinker'],
];

/** Says in a builder's words how a sample differs from its target, largest part first; '' when no part shows. */
export function describeDifference(sample: Lab, target: Lab): string {
  const chromaOf = ({ a, b }: Lab) => Math.hypot(a, b);
  const dL = sample.L - target.L;
  const dC = chromaOf(sample) - chromaOf(target);
  const dH2 = (sample.a - target.a) ** 2 + (sample.b - target.b) ** 2 - dC ** 2;
  const dH = Math.sqrt(Math.max(0, dH2));
  const towards = (Math.atan2(sample.b - target.b, sample.a - target.a) * 180) / Math.PI;
  const hueName = HUE_NAMES.find(([limit]) => (towards + 360) % 360 < limit)?.[1] ?? 'redder';
  const parts: [number, string][] = [
    [Math.abs(dL), dL > 0 ? 'lighter' : 'darker'],
    [Math.abs(dC) * 0.6, dC > 0 ? 'more vivid' : 'greyer'],
    [dH * 0.8, hueName],
  ];
  const shown = parts.filter(([size]) => size >= 0.4).sort((p, q) => q[0] - p[0]);
  return shown
    .slice(0, 2)
    .map(([size, word]) => (size < 1.2 ? `a touch ${word}` : word))
    .join(', ');
}
