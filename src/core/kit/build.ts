import type { LayerKind, MutedRule, Tool } from '../finish/index.ts';

/** Drops of each paint in a cup, by paint id; one entry for a paint used as it comes. */
export type Mix = Record<string, number>;

/** A layer as the builder chose it: what is in the cup is named, not resolved. */
export interface PlannedLayer {
  id: string;
  kind: LayerKind;
  /** Absent for masks, decals and work by hand, and for paint still to be chosen. */
  mix?: Mix;
  coats: number;
  mistCoats?: number;
  tool: Tool;
  /** Rules silenced on this layer, each with the builder's note. */
  muted?: MutedRule[];
  /** Of a body in several colours: the finish on whose areas it lies; absent where it lies on all of it. */
  finishId?: string;
  /** Share of the body that those areas take up, 0..1. */
  share?: number;
  /** The factory code that it should look like; the last colour is about the sub-assembly's own. */
  codeId?: string;
}

/** A part as far as a list of parts names it. */
export interface KitPart {
  id: string;
  /** Letter of the sprue frame and number on it. */
  frame: string;
  number: string;
  name: string;
  count: number;
}

/** A sub-assembly: parts joined before paint and finished as one. */
export interface Tray {
  id: string;
  name: string;
  parts: KitPart[];
  substrateId: string;
  areaCm2: number;
  layers: PlannedLayer[];
  /** The factory code that the last colour layer should look like. */
  codeId: string | null;
  /** Order among the trays of the build, lowest first. */
  position: number;
}

/** A joint made after paint. */
export interface Join {
  id: string;
  name: string;
  trayIds: string[];
  /** Joins that must be made before this one. */
  afterJoinIds: string[];
  minutes: number;
  adhesive: string;
  /** Minutes until it can be handled. */
  setMinutes: number;
}

export interface Build {
  id: string;
  name: string;
  subject: string;
  /** Denominator of the scale: 24 for 1:24. */
  scale: number;
  trays: Tray[];
  joins: Join[];
}
