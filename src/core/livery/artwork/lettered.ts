import { grown, regionOfPath, regionPath, together, without } from '../geometry/region.ts';
import type { Draw } from './drawing.ts';
import { hole, rectangle } from './plainShapes.ts';
import { textOutline } from './textOutline.ts';

/** Heads of letters along an arch spread by this, mm. */
const spreadOf = (tall: number, arch: number, width: number) =>
  2 * tall * Math.sin(Math.min(Math.PI / 2, (4 * Math.max(0, arch)) / width));

export const lettering: Draw = ({ text, archMm }, { width, height }, font) => {
  const tall = Math.max(height / 4, height - Math.abs(archMm));
  const { d, capitalMm } = textOutline(font, text, {
    x: width / 2,
    y: height / 2,
    width: Math.max(width / 4, width - spreadOf(tall, archMm, width)),
    height: tall,
    arch: archMm,
  });
  return { shapes: [d], letters: d, letterMm: capitalMm };
};

/** One line in the middle, that much of the width and of the height. */
const oneLine =
  (wide: number, high: number): Draw =>
  ({ text }, { width, height }, font) => {
    const { d, capitalMm } = textOutline(font, text, {
      x: width / 2,
      y: height / 2,
      width: wide * width,
      height: high * height,
    });
    return { shapes: [d], letters: d, letterMm: capitalMm };
  };
export const roundel = oneLine(0.72, 0.56);
export const label = oneLine(0.94, 0.7);

export const plate: Draw = ({ text }, { width, height }, font) => {
  const rim = 0.05 * height;
  const lines = text.split('/').map((line) => line.trim());
  const tall = (height - 4 * rim) / lines.length;
  const drawn = lines.map((line, at) =>
    textOutline(font, line, {
      x: width / 2,
      y: 2 * rim + (at + 0.5) * tall,
      width: width - 6 * rim,
      height: 0.8 * tall,
    }),
  );
  return {
    shapes: [
      rectangle(rim / 2, rim / 2, width - rim, height - rim) +
        hole(1.2 * rim, 1.2 * rim, width - 2.4 * rim, height - 2.4 * rim),
      ...drawn.map(({ d }) => d),
    ],
    letters: drawn.map(({ d }) => d).join(''),
    letterMm: Math.min(...drawn.map(({ capitalMm }) => capitalMm)),
    lineMm: 0.7 * rim,
  };
};

/** Shares of a ribbon: how far each end is folded back, how deep its tail is cut, how much of the height the folds drop, and how
 *  thick its line is. */
const RIBBON = { fold: 0.09, tail: 0.035, drop: 0.24, line: 0.03 } as const;

/** A ribbon whose ends are folded behind it, lettered along its arch. */
export const scroll: Draw = ({ text, archMm }, { width, height }, font) => {
  const drop = RIBBON.drop * height;
  const rise = Math.min(Math.abs(archMm), height / 3) * Math.sign(archMm);
  const tall = height - drop - Math.abs(rise);
  const [left, right] = [RIBBON.fold * width, (1 - RIBBON.fold) * width];
  const top = Math.max(0, rise);
  // The sagitta of a parabola is half of how far its handle lies off the chord.
  const bow = -2 * rise;
  const front = `M${left} ${top}Q${width / 2} ${top + bow} ${right} ${top}V${top + tall}Q${width / 2} ${top + tall + bow} ${left} ${top + tall}Z`;
  const inner = 0.06 * width;
  const end = (outer: number, fold: number, sign: 1 | -1) =>
    `M${outer} ${top + drop}L${outer + sign * RIBBON.tail * width} ${top + drop + tall / 2}L${outer} ${top + drop + tall}` +
    `H${fold + sign * inner}V${top + drop}Z`;
  const ends = [end(0, left, 1), end(width, right, -1)];
  const lineMm = Math.max(0.05, RIBBON.line * height);
  const edge = (d: string) => without(regionOfPath(d), grown(regionOfPath(d), -lineMm));
  const behind = ends.map((d) => without(edge(d), regionOfPath(front)));
  const letters = textOutline(font, text, {
    x: width / 2,
    y: top + tall / 2 - rise / 2,
    width: Math.max(width / 4, 0.92 * (right - left) - spreadOf(0.6 * tall, rise, width)),
    height: 0.56 * tall,
    arch: rise,
  });
  return {
    shapes: [regionPath(together([edge(front), ...behind])), letters.d],
    letters: letters.d,
    ground: regionPath(together([front, ...ends].map(regionOfPath))),
    letterMm: letters.capitalMm,
    lineMm,
  };
};
