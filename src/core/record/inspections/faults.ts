import type { FaultId } from '../choices.ts';

/** How a fault is mended: as what went wrong at a step is. */
export type MendId = 'wipe' | 'sand' | 'strip' | 'refill' | 'set-right';

export interface FaultFacts {
  name: string;
  /** How one tells it. */
  tell: string;
  /** The usual mend; what is done again after it begins with the coat that was looked over. */
  mend: MendId;
  /** What mending it can spoil. */
  risk: string;
}

/** What a finding is called: "a run: lower edge of the left door". */
export function foundWords({ fault, where }: { fault: FaultId | null; where: string }): string {
  if (fault === null) return 'nothing found';
  const { name } = FAULT_FACTS[fault];
  return where === '' ? name : `${name}: ${where}`;
}

export const FAULT_FACTS: Readonly<Record<FaultId, FaultFacts>> = {
  scratch: {
    name: 'scratches',
    tell: 'lines that follow the sanding, in light along the surface',
    mend: 'sand',
    risk: 'edges go through to the plastic',
  },
  sink: {
    name: 'a sink mark',
    tell: 'a reflection that bends over ribs and pins',
    mend: 'refill',
    risk: 'filler shrinks again where it is thick',
  },
  seam: {
    name: 'a seam',
    tell: 'a line that runs on where two halves meet',
    mend: 'refill',
    risk: 'detail beside it is sanded away',
  },
  dust: {
    name: 'dust',
    tell: 'a grain that catches a fingertip',
    mend: 'sand',
    risk: 'a metallic shows the spot, since its flake is cut',
  },
  run: {
    name: 'a run',
    tell: 'a thick drop at a lower edge',
    mend: 'sand',
    risk: 'it is soft inside for days: sanded early it tears',
  },
  'orange-peel': {
    name: 'orange peel',
    tell: 'a reflection that breaks up into pimples',
    mend: 'sand',
    risk: 'edges go through',
  },
  'thin-cover': {
    name: 'thin cover',
    tell: 'edges and ridges look darker or lighter than the flats',
    mend: 'wipe',
    risk: 'one more coat fills lines',
  },
  'bled-edge': {
    name: 'a bled edge',
    tell: 'colour crept under the tape',
    mend: 'wipe',
    risk: 'thinner lifts the colour beneath',
  },
  'torn-edge': {
    name: 'a torn edge',
    tell: 'paint came off with the tape',
    mend: 'sand',
    risk: 'the step shows under clear unless it is feathered',
  },
  silvered: {
    name: 'silvered film',
    tell: 'a pale shine under a decal',
    mend: 'wipe',
    risk: 'pricked and softened it may wrinkle',
  },
  'dry-spray': {
    name: 'dry spray',
    tell: 'a rough, dull patch, mostly in corners',
    mend: 'sand',
    risk: 'corners are hard to reach with a stick',
  },
  'burn-through': {
    name: 'a place rubbed through',
    tell: 'colour or primer shows on an edge',
    mend: 'sand',
    risk: 'the colour may not match again from a new cup',
  },
  dull: {
    name: 'a dull place',
    tell: 'the sheen is other than beside it',
    mend: 'sand',
    risk: 'more polish takes more clear',
  },
  mismatch: {
    name: 'a colour that does not match',
    tell: 'beside its reference, in daylight and under the lamp',
    mend: 'sand',
    risk: 'another coat adds film everywhere',
  },
  'tight-fit': {
    name: 'a fit that binds',
    tell: 'it moved bare and does not now',
    mend: 'sand',
    risk: 'a scraped edge shows',
  },
  crooked: {
    name: 'something crooked',
    tell: 'left and right differ, or it rocks on a flat plate',
    mend: 'set-right',
    risk: 'what is glued comes off with paint on it',
  },
  fingerprint: {
    name: 'a fingerprint',
    tell: 'seen when breathed upon',
    mend: 'wipe',
    risk: 'etched into soft paint it has to be sanded',
  },
  other: { name: 'something else', tell: 'as you describe it', mend: 'sand', risk: 'not known' },
};

/** Kinds of step by which something is laid on or stuck on: it is taken off again rather than apart. */
const LAID_ON: ReadonlySet<string> = new Set(['decal', 'marking', 'mask', 'foil']);

/** How a fault that was found after a kind of step is mended. */
export const mendOf = (fault: FaultId, stepKind: string | undefined): MendId =>
  fault === 'crooked' && stepKind !== undefined && LAID_ON.has(stepKind) ? 'wipe' : FAULT_FACTS[fault].mend;
