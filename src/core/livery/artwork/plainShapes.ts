import type { Marking } from '../../kit/index.ts';

export const rectangle = (x: number, y: number, width: number, height: number) =>
  `M${x} ${y}h${width}v${height}h${-width}Z`;
/** The same the other way round: a hole. */
export const hole = (x: number, y: number, width: number, height: number) =>
  `M${x} ${y}v${height}h${width}v${-height}Z`;

/** What a marking covers: a rectangle or an ellipse. */
export const outlineOf = ({ width, height, round }: Pick<Marking, 'width' | 'height' | 'round'>) =>
  round
    ? `M0 ${height / 2}a${width / 2} ${height / 2} 0 0 1 ${width} 0a${width / 2} ${height / 2} 0 0 1 ${-width} 0Z`
    : rectangle(0, 0, width, height);
