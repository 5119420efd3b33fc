import type { FamilyId } from './families.ts';
import type { LayerKind, Tool } from './stack.ts';

export const HAZARDS = [
  'isocyanate',
  'vapour',
  'overspray',
  'dust',
  'cyanoacrylate',
  'blades',
  'heat',
  'caustic',
  'bleach',
  'fibres',
] as const;
export type HazardId = (typeof HAZARDS)[number];

/** What can hurt, and how to keep it from doing so. The product's safety sheet and local rules always decide. */
export interface Hazard {
  id: HazardId;
  title: string;
  /** What it does. */
  harm: string;
  protection: string;
  ventilation: string;
  never: string;
  firstAid: string;
}

const SHEET =
  'Follow the first-aid section of the product’s safety sheet and call the local emergency number.';

const FACTS: Readonly<Record<HazardId, Omit<Hazard, 'id' | 'firstAid'> & { firstAid?: string }>> = {
  isocyanate: {
    title: 'Isocyanate in two-part clear',
    harm: 'Breathed in once too often it leaves an asthma for life; it also goes through skin and eyes.',
    protection:
      'Air-fed mask, or the cartridges that its safety sheet names; gloves, sleeves, closed goggles. A dust mask does nothing.',
    ventilation: 'Extraction to the outside; nobody else in the room until the mist is gone.',
    never: 'Never spray it without extraction, and never where others live and breathe.',
  },
  vapour: {
    title: 'Solvent vapour',
    harm: 'Makes dizzy and ill, and burns: the vapour creeps along the floor to any flame or spark.',
    protection: 'Filter mask for organic vapour, gloves.',
    ventilation: 'Extraction or open air; leave the part to dry there, not beside the bed.',
    never: 'Never near a flame, a heater, a soldering iron or a switch that sparks.',
  },
  overspray: {
    title: 'Spray mist',
    harm: 'Mist of any paint, water-based too, settles in the lungs.',
    protection: 'Particle filter mask.',
    ventilation: 'Spray booth with its filter clean.',
    never: 'Never blow out the airbrush into the room.',
  },
  dust: {
    title: 'Sanding dust',
    harm: 'Dust of resin, filler and hardened two-part paint stays in the lungs.',
    protection: 'Sand wet; where that is not possible, a particle filter mask.',
    ventilation: 'Wipe up wet; do not sweep or blow.',
    never: 'Never sand resin dry without a mask.',
  },
  cyanoacrylate: {
    title: 'Cyanoacrylate',
    harm: 'Bonds skin and eyelids in seconds; its fumes sting.',
    protection: 'Goggles, a steady hand, a debonder within reach.',
    ventilation: 'Face not above the joint; a little air from the side.',
    never: 'Never pull bonded skin apart, and never on cotton: it grows hot.',
    firstAid:
      'Soak bonded skin in warm soapy water; with eyes or lips see a doctor. The product’s safety sheet decides.',
  },
  blades: {
    title: 'Blades and drills',
    harm: 'A slipped blade goes deep; small drills break and fly.',
    protection: 'Cut away from the hand that holds, goggles when drilling.',
    ventilation: '',
    never: 'Never catch a falling knife.',
    firstAid: 'Press on the cut, keep it up; a deep one belongs to a doctor.',
  },
  heat: {
    title: 'Heat',
    harm: 'Irons, lighters and hot water burn, and set vapour alight.',
    protection: 'Solvents, cans and rags put away first; a stand for the iron.',
    ventilation: 'Air away from the face: flux and shrink tube smoke.',
    never: 'Never beside open solvent or fresh paint.',
    firstAid: 'Cool a burn with running water for twenty minutes.',
  },
  caustic: {
    title: 'Caustic stripper',
    harm: 'Eats skin and blinds eyes within minutes.',
    protection: 'Goggles, long rubber gloves, apron; lid on the bath.',
    ventilation: 'Open window; it foams on aluminium and gives off hydrogen.',
    never: 'Never mix it with bleach, acid, ammonia or another stripper; never on aluminium or zinc parts.',
    firstAid:
      'Rinse eyes or skin with much water for at least fifteen minutes and get help at once. The safety sheet decides.',
  },
  bleach: {
    title: 'Bleach bath',
    harm: 'Burns eyes and lungs; spoils cloth.',
    protection: 'Goggles, rubber gloves.',
    ventilation: 'Open window; lid on the bath.',
    never: 'Never mix it with acid, ammonia, caustic or any other cleaner: it gives off poison gas.',
    firstAid: 'Fresh air; rinse eyes or skin with much water and get help. The safety sheet decides.',
  },
  fibres: {
    title: 'Loose fibres and powder',
    harm: 'Flock and pigment dust irritate lungs and eyes.',
    protection: 'Dust mask.',
    ventilation: 'No draught, or it goes everywhere; wipe up wet.',
    never: 'Never blow with the mouth.',
  },
};

/** A hazard with everything that is said of it. */
export function hazard(id: HazardId): Hazard {
  return { firstAid: SHEET, ...FACTS[id], id };
}

/** One line for the step itself. */
export function hazardLine(id: HazardId): string {
  const { title, protection, ventilation, never } = hazard(id);
  return [`${title}: ${protection}`, ventilation, never, 'The product’s safety sheet and local rules decide.']
    .filter(Boolean)
    .join(' ');
}

/** What a layer brings with it, worst first. */
export function hazardsOfLayer(kind: LayerKind, tool: Tool, family: FamilyId | undefined): HazardId[] {
  const found: HazardId[] = [];
  const sprayed = tool === 'airbrush' || tool === 'can';
  if (family === 'urethane-2k') found.push('isocyanate');
  if (
    family !== undefined &&
    (['lacquer', 'enamel', 'aerosol', 'metal-lacquer', 'buffing-metal', 'chrome-ink', 'oil-wash'].includes(
      family,
    ) ||
      (sprayed && family === 'alcohol-acrylic'))
  ) {
    found.push('vapour');
  }
  if (sprayed && found.length === 0 && family !== undefined) found.push('overspray');
  if (kind === 'strip') found.push('caustic', 'bleach');
  if (kind === 'flat' || kind === 'polish' || kind === 'key') found.push('dust');
  if (kind === 'powder' || kind === 'flock') found.push('fibres');
  if (kind === 'foil' || kind === 'mask') found.push('blades');
  return found;
}

const WORDS: readonly [RegExp, HazardId][] = [
  [/cyano|\bca\b/i, 'cyanoacrylate'],
  [/solder|lighter|shrink|hot water|heat/i, 'heat'],
  [/caustic/i, 'caustic'],
  [/bleach/i, 'bleach'],
  [/cement|solvent|thinner/i, 'vapour'],
  [/drill|knife|blade|\bcut\b|saw/i, 'blades'],
  [/\bsand(ed|ing)?\b|filler/i, 'dust'],
];

/** What the words of a step give away. */
export function hazardsInWords(...texts: readonly string[]): HazardId[] {
  const all = texts.join(' ');
  return WORDS.filter(([word]) => word.test(all)).map(([, id]) => id);
}
