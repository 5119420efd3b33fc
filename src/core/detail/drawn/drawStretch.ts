import type { StretchPlan, StretchQuestion } from '../stretch/planStretch.ts';
import { framed, type DrawnPoint, type FlatDrawing } from './flatDrawing.ts';

/** Shares of the whole length: a frame is long and thin, and its words must be read. */
const SIZES = { bar: 0.03, row: 0.075, word: 0.026 };

/** The parts along a vehicle from its side, the front to the left, before and after it is stretched: cuts across each, what is
 *  put in hatched, brackets as ticks. Along it is to scale, each part of one height. */
export function drawStretch({ atMm, brackets, members }: StretchQuestion, plan: StretchPlan): FlatDrawing {
  const front = Math.min(0, ...members.map(({ fromMm }) => fromMm));
  const rear = Math.max(
    1,
    ...members.map(({ fromMm }, at) => fromMm + plan.members[at]!.movedMm + plan.members[at]!.afterMm),
  );
  const [barMm, rowMm, wordMm] = [SIZES.bar, SIZES.row, SIZES.word].map(
    (share) => share * (rear - front),
  ) as [number, number, number];
  const height = members.length * rowMm;
  const afterTop = height + 1.6 * rowMm;
  const lines: FlatDrawing['lines'] = [];
  const labels: FlatDrawing['labels'] = [wordAt(front, -barMm, 'before', wordMm)];
  const bar = (kind: 'line' | 'fold', from: number, to: number, top: number) =>
    lines.push({ kind, closed: true, points: boxOf(from, to, top, barMm) });
  members.forEach(({ fromMm, name }, at) => {
    const of = plan.members[at]!;
    const top = at * rowMm;
    const end = fromMm + of.beforeMm;
    bar('line', fromMm, end, top);
    const start = fromMm + of.movedMm;
    const below = afterTop + top;
    if (of.cutAtMm === null) bar('line', start, start + of.afterMm, below);
    else {
      const out = Math.max(0, -of.addMm);
      lines.push({ kind: 'cut', points: across(of.cutAtMm, top, barMm) });
      if (out > 0) lines.push({ kind: 'cut', points: across(of.cutAtMm + out, top, barMm) });
      const cut = of.cutAtMm + of.movedMm;
      bar('line', start, cut, below);
      if (of.addMm > 0) hatched(lines, cut, cut + of.addMm, below, barMm);
      bar('line', cut + Math.max(0, of.addMm), start + of.afterMm, below);
    }
    // Above its bar, where nothing is drawn.
    labels.push(wordAt(start, below - 0.8 * wordMm, name, wordMm));
  });
  for (const { atMm: place } of brackets)
    lines.push({
      kind: 'thin',
      points: [
        [place, 0],
        [place, height],
      ],
    });
  lines.push({
    kind: 'fold',
    points: [
      [atMm, -barMm],
      [atMm, height],
    ],
  });
  return framed({ id: 'stretch', lines, labels }, 2);
}

/** Words that begin at a place. */
const wordAt = (x: number, y: number, text: string, mm: number): FlatDrawing['labels'][number] => ({
  at: [x + 0.35 * mm * text.length, y],
  text,
  mm,
});

const boxOf = (from: number, to: number, top: number, high: number): DrawnPoint[] => [
  [from, top],
  [to, top],
  [to, top + high],
  [from, top + high],
];

const across = (at: number, top: number, high: number): DrawnPoint[] => [
  [at, top - 0.3 * high],
  [at, top + 1.3 * high],
];

/** A box with slanted lines: what is new. */
function hatched(lines: FlatDrawing['lines'], from: number, to: number, top: number, high: number): void {
  lines.push({ kind: 'line', closed: true, points: boxOf(from, to, top, high) });
  for (let x = from; x < to; x += high / 2) {
    const reach = Math.min(high, to - x);
    lines.push({
      kind: 'thin',
      points: [
        [x, top + high],
        [x + reach, top + high - reach],
      ],
    });
  }
}
