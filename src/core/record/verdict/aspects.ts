import type { Aspect } from '../choices.ts';

interface AspectFacts {
  of: 'kit' | 'work';
  name: string;
  /** What the best mark means. */
  best: string;
}

/** What is marked, and what the best mark means. */
export const ASPECT_FACTS: Readonly<Record<Aspect, AspectFacts>> = {
  fit: { of: 'kit', name: 'Fit', best: 'falls together without filler' },
  sheet: { of: 'kit', name: 'Instructions', best: 'nothing had to be found out elsewhere' },
  detail: { of: 'kit', name: 'Detail', best: 'nothing had to be added' },
  markings: { of: 'kit', name: 'Markings', best: 'in register, opaque, and all of them used' },
  difficulty: { of: 'kit', name: 'Ease', best: 'went as fast as planned' },
  price: { of: 'kit', name: 'Worth its price', best: 'nothing had to be bought beside it' },
  preparation: { of: 'work', name: 'Preparation', best: 'nothing showed in primer' },
  colour: { of: 'work', name: 'Colour', best: 'as wanted, at the first cup' },
  finish: { of: 'work', name: 'Finish', best: 'no dust, no run, nothing rubbed through' },
  fitting: { of: 'work', name: 'Putting together', best: 'all went in and stayed clean' },
  pleasure: { of: 'work', name: 'Pleasure', best: 'would have gone on' },
};
