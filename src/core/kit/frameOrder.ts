import type { Part } from './kit.ts';

/** Parts as they hang: by frame, then by number. */
export function inFrameOrder<P extends Pick<Part, 'frame' | 'number'>>(parts: readonly P[]): P[] {
  const key = ({ number }: P) => Number.parseInt(number, 10) || 0;
  return [...parts].sort(
    (p, q) =>
      (p.frame < q.frame ? -1 : p.frame > q.frame ? 1 : 0) ||
      key(p) - key(q) ||
      (p.number < q.number ? -1 : p.number > q.number ? 1 : 0),
  );
}
