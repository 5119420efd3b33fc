/** Families of paint and clear, with working times at 20 C and 50 % relative humidity. Defaults for planning:
 *  the product's own label wins. Times in minutes, dry film per coat in micrometres. */

import type { Tool } from './layerKinds.ts';

export type FamilyId =
  | 'water-acrylic'
  | 'alcohol-acrylic'
  | 'lacquer'
  | 'enamel'
  | 'aerosol'
  | 'metal-lacquer'
  | 'buffing-metal'
  | 'chrome-ink'
  | 'urethane-2k'
  | 'oil-wash'
  | 'powder'
  | 'fibre'
  | 'foil';

export interface PaintFamily {
  id: FamilyId;
  name: string;
  touchDry: number;
  /** Wait before the next coat. */
  recoatFrom: number;
  /** The first recoat window closes after this long; null where it never does. */
  recoatUntil: number | null;
  /** Where the window closes: when recoating is safe again. */
  recoatAgain: number | null;
  handle: number;
  fullCure: number;
  /** Wait before flatting or polishing. */
  polishAfter: number;
  filmPerCoat: { low: number; usual: number; high: number };
  /** The tool that lays that film. */
  laidBy: Tool;
  /** Volume solids of the paint as it comes, as a fraction. */
  solids: number;
  /** Parts of thinner to one part of paint for the airbrush. */
  thinner: number;
  /** How strongly its solvent attacks what lies under it: 0 none, 3 crazes bare styrene. */
  bite: 0 | 1 | 2 | 3;
  note: string;
}

const HOUR = 60;
const DAY = 24 * HOUR;

function family(
  id: FamilyId,
  name: string,
  rest: Omit<PaintFamily, 'id' | 'name' | 'filmPerCoat' | 'laidBy'> & {
    film: [number, number, number];
    laidBy?: Tool;
  },
): PaintFamily {
  const { film, laidBy = 'airbrush', ...times } = rest;
  return { id, name, ...times, laidBy, filmPerCoat: { low: film[0], usual: film[1], high: film[2] } };
}

export const FAMILIES: Readonly<Record<FamilyId, PaintFamily>> = {
  'water-acrylic': family('water-acrylic', 'water acrylic', {
    touchDry: 15,
    recoatFrom: 40,
    recoatUntil: null,
    recoatAgain: null,
    handle: 2 * HOUR,
    fullCure: 2 * DAY,
    polishAfter: 5 * DAY,
    film: [8, 10, 12],
    solids: 0.3,
    thinner: 0.3,
    bite: 0,
    note: 'soft under masks until cured',
  }),
  'alcohol-acrylic': family('alcohol-acrylic', 'alcohol acrylic', {
    touchDry: 10,
    recoatFrom: 20,
    recoatUntil: null,
    recoatAgain: null,
    handle: HOUR,
    fullCure: DAY,
    polishAfter: 4 * DAY,
    film: [8, 10, 12],
    solids: 0.28,
    thinner: 1,
    bite: 1,
    note: 'sprays well, brushes poorly',
  }),
  lacquer: family('lacquer', 'lacquer', {
    touchDry: 8,
    recoatFrom: 25,
    recoatUntil: null,
    recoatAgain: null,
    handle: 90,
    fullCure: DAY,
    polishAfter: 5 * DAY,
    film: [6, 8, 10],
    solids: 0.25,
    thinner: 1.5,
    bite: 2,
    note: 'bites what is under it',
  }),
  enamel: family('enamel', 'enamel', {
    touchDry: 5 * HOUR,
    recoatFrom: 30,
    recoatUntil: 2 * HOUR,
    recoatAgain: 2 * DAY,
    handle: DAY,
    fullCure: 5 * DAY,
    polishAfter: 14 * DAY,
    film: [10, 12, 15],
    solids: 0.4,
    thinner: 0.4,
    bite: 1,
    note: 'the recoat window is real',
  }),
  aerosol: family('aerosol', 'household aerosol', {
    touchDry: 25,
    recoatFrom: 15,
    recoatUntil: HOUR,
    recoatAgain: 2 * DAY,
    handle: 4 * HOUR,
    fullCure: 5 * DAY,
    polishAfter: 7 * DAY,
    film: [15, 20, 25],
    laidBy: 'can',
    solids: 0.2,
    thinner: 0,
    bite: 3,
    note: 'strong solvent, thick film',
  }),
  'metal-lacquer': family('metal-lacquer', 'metal lacquer', {
    touchDry: 5,
    recoatFrom: 10,
    recoatUntil: null,
    recoatAgain: null,
    handle: HOUR,
    fullCure: DAY,
    polishAfter: DAY,
    film: [2, 3, 4],
    solids: 0.08,
    thinner: 0,
    bite: 1,
    note: 'wants gloss black under it, marks under tape',
  }),
  'buffing-metal': family('buffing-metal', 'buffing metal', {
    touchDry: 10,
    recoatFrom: 20,
    recoatUntil: null,
    recoatAgain: null,
    handle: HOUR,
    fullCure: DAY,
    polishAfter: HOUR,
    film: [3, 4, 5],
    solids: 0.12,
    thinner: 0,
    bite: 1,
    note: 'buff, then seal, which dulls it',
  }),
  'chrome-ink': family('chrome-ink', 'chrome ink', {
    touchDry: 30,
    recoatFrom: 15,
    recoatUntil: HOUR,
    recoatAgain: null,
    handle: DAY,
    fullCure: 5 * DAY,
    polishAfter: 14 * DAY,
    film: [2, 3, 4],
    solids: 0.06,
    thinner: 0,
    bite: 1,
    note: 'handling or wet clear dulls it',
  }),
  'urethane-2k': family('urethane-2k', 'two-part urethane', {
    touchDry: HOUR,
    recoatFrom: 30,
    recoatUntil: 6 * HOUR,
    recoatAgain: DAY,
    handle: DAY,
    fullCure: 10 * DAY,
    polishAfter: 7 * DAY,
    film: [20, 25, 30],
    solids: 0.5,
    thinner: 0.1,
    bite: 2,
    note: 'hard and deep; contains isocyanate',
  }),
  'oil-wash': family('oil-wash', 'oil or enamel wash', {
    touchDry: 30,
    recoatFrom: 4 * HOUR,
    recoatUntil: null,
    recoatAgain: null,
    handle: 4 * HOUR,
    fullCure: DAY,
    polishAfter: DAY,
    film: [0, 0, 1],
    solids: 0.05,
    thinner: 4,
    bite: 1,
    note: 'over sealed paint only',
  }),
  powder: family('powder', 'dry pigment', {
    touchDry: 0,
    recoatFrom: 0,
    recoatUntil: null,
    recoatAgain: null,
    handle: 10,
    fullCure: 10,
    polishAfter: 10,
    film: [1, 3, 6],
    solids: 1,
    thinner: 0,
    bite: 0,
    note: 'lies loose: fingers and clear take it along',
  }),
  fibre: family('fibre', 'flock on adhesive', {
    touchDry: 4 * HOUR,
    recoatFrom: 12 * HOUR,
    recoatUntil: null,
    recoatAgain: null,
    handle: 12 * HOUR,
    fullCure: DAY,
    polishAfter: DAY,
    film: [300, 500, 800],
    solids: 1,
    thinner: 0,
    bite: 0,
    note: 'thick: clogs locating holes',
  }),
  foil: family('foil', 'adhesive foil', {
    touchDry: 0,
    recoatFrom: 0,
    recoatUntil: null,
    recoatAgain: null,
    handle: 10,
    fullCure: 10,
    polishAfter: 10,
    film: [8, 12, 20],
    solids: 1,
    thinner: 0,
    bite: 0,
    note: 'real metal; lifts under tape',
  }),
};
