import type { MovingMotion } from '../choices.ts';

export interface FreeingWay {
  /** By which it is kept that it was tried. */
  id: string;
  how: string;
}

/** What to try on a thing that no longer moves, the gentlest first: what can be taken back comes before what cannot. */
export const FREEING: Readonly<Record<MovingMotion, readonly FreeingWay[]>> = {
  turns: [
    { id: 'by-hand', how: 'turn it slowly while warm from the hand: a skin of paint often gives' },
    { id: 'oil', how: 'a drop of light oil on the shaft, none on paint; wait an hour' },
    { id: 'scrape-shaft', how: 'draw the shaft out and scrape the paint off it, not out of the hole' },
    { id: 'ream', how: 'ream the hole by hand, one size up' },
  ],
  swings: [
    { id: 'look', how: 'look against the light where it touches, and run paper through the gap' },
    { id: 'blade', how: 'a blade along the gap, drawn, not pushed, where film bridges it' },
    { id: 'bend', how: 'bend the hinge at its root a little; not cold' },
    { id: 'scrape-edge', how: 'scrape the edge that stands under, where nobody looks, and touch it in' },
    { id: 'leave-shut', how: 'leave it shut, or lay it beside the model, open' },
  ],
  slides: [
    { id: 'soap', how: 'soap or wax on the rails, wiped off again' },
    { id: 'scrape-rail', how: 'scrape the film off the rail that is hidden' },
    { id: 'file', how: 'file the end that catches, a stroke at a time' },
  ],
  'comes-off': [
    { id: 'rock', how: 'warm it in the hand, then rock it along its length, not across' },
    { id: 'thread', how: 'a thread or a strip of film drawn through behind it' },
    {
      id: 'soften',
      how: 'a drop of water where it was held with PVA, a night in the freezer where with cyanoacrylate; unpainted test first',
    },
  ],
};
