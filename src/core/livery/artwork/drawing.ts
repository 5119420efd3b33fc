import type { Artwork, Marking } from '../../kit/index.ts';
import type { Typeface } from './readTypeface.ts';

export type ArtworkBox = Pick<Marking, 'width' | 'height' | 'round' | 'mirrored'>;

/** What one kind of artwork comes to, mm from its upper left corner. */
export interface Drawing {
  /** In ink. */
  shapes: string[];
  /** Among them, what gets a shade beneath. */
  letters?: string;
  /** What the ground fills, where that is not all that the marking covers. */
  ground?: string;
  /** Shapes with colours of their own, under all others; '' for the ink. */
  coloured?: { d: string; fill: string }[];
  /** Height of its capitals and width of its thinnest line, mm; absent where it has none. */
  letterMm?: number;
  lineMm?: number;
  /** What is missing of it, in words. */
  missing?: string;
}

export type Draw = (artwork: Artwork, box: ArtworkBox, font: Typeface) => Drawing;
