import { edgeFilm, type FilmBand } from './film.ts';

/** A step of flatting or polishing. */
export interface PolishGrade {
  id: string;
  name: string;
  /** What some thirty strokes take off flats, um: least, usual, most. Edges lose more, see edgeFilm. */
  removes: FilmBand;
  strokes: number;
  how: string;
}

/** Cloths and compounds from coarse to fine. Working values: pressure and water change them by half. */
export const POLISH_GRADES: readonly PolishGrade[] = [
  {
    id: '2000',
    name: '2000 paper',
    removes: { low: 2, usual: 3.5, high: 6 },
    strokes: 20,
    how: 'Only on runs and dust. A drop of soap in the water, straight strokes, wipe and look every ten.',
  },
  {
    id: '4000',
    name: '4000 cloth',
    removes: { low: 1, usual: 2, high: 3.5 },
    strokes: 30,
    how: 'Wet, until the orange peel is gone: an even dull grey without bright specks. Flat of the finger, never an edge.',
  },
  {
    id: '6000',
    name: '6000 cloth',
    removes: { low: 0.5, usual: 1, high: 2 },
    strokes: 30,
    how: 'Wet, across the strokes of the last grade, until none of them is left.',
  },
  {
    id: '8000',
    name: '8000 cloth',
    removes: { low: 0.3, usual: 0.6, high: 1.2 },
    strokes: 30,
    how: 'Rinse the part and the cloth first: one grain of the last grade scratches.',
  },
  {
    id: '12000',
    name: '12000 cloth',
    removes: { low: 0.2, usual: 0.3, high: 0.6 },
    strokes: 30,
    how: 'It begins to shine.',
  },
  {
    id: 'coarse',
    name: 'cutting compound',
    removes: { low: 0.5, usual: 1, high: 2 },
    strokes: 40,
    how: 'A pea of it on a soft cloth, small circles, little pressure: heat softens clear.',
  },
  {
    id: 'fine',
    name: 'finishing compound',
    removes: { low: 0.1, usual: 0.3, high: 0.6 },
    strokes: 40,
    how: 'Then wash the residue out of the panel lines before it sets.',
  },
];

export interface GradeLeft {
  grade: PolishGrade;
  /** Clear left after this grade, um: on flats and on edges. */
  flat: FilmBand;
  edge: FilmBand;
  /** Chance that the clear is gone on an edge worked like the flats: none, possible, likely. */
  burn: 'none' | 'possible' | 'likely';
}

/** Clear left after each grade in turn, from what the clear coats laid down (um on flats, at 90 %). Below zero the
 *  colour is bare; the band is that of film and cut together.
 *  Throws RangeError for a film below zero or a band out of order. */
export function polishBudget(clear: FilmBand, grades: readonly PolishGrade[] = POLISH_GRADES): GradeLeft[] {
  if (!(clear.low >= 0) || !(clear.low <= clear.usual) || !(clear.usual <= clear.high)) {
    throw new RangeError('The clear film must be at least zero, and least, usual and most in order.');
  }
  const removed = { low: 0, usual: 0, high: 0 };
  return grades.map((grade) => {
    removed.low += grade.removes.low;
    removed.usual += grade.removes.usual;
    removed.high += grade.removes.high;
    const usual = clear.usual - removed.usual;
    const flat = {
      low: usual - Math.hypot(clear.usual - clear.low, removed.high - removed.usual),
      usual,
      high: usual + Math.hypot(clear.high - clear.usual, removed.usual - removed.low),
    };
    const edge = edgeFilm(clear, removed);
    const burn = edge.usual <= 0 ? 'likely' : edge.low <= 0 ? 'possible' : 'none';
    return { grade, flat, edge, burn };
  });
}
