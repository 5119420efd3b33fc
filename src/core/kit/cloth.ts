import {
  CARPET_FACTS,
  flockGrams,
  groundFor,
  openFromPatch,
  paintOverFor,
  pileSpectrum,
  planBelt,
  type BeltPlan,
  type CarpetMend,
} from '../cabin/index.ts';
import { ciede2000, DAYLIGHT, possibleSpectrum, spectrumToLab, type Lab } from '../colour/index.ts';
import { colourSaid } from './colourSaid.ts';
import { areaOf } from './kit.ts';
import type { Belt, Carpet, Kit } from './records/index.ts';

export interface CarpetPlan {
  areaCm2: number | undefined;
  /** Flock, g; undefined for other ways and without an area. */
  grams: number | undefined;
  /** As it will look; undefined while the colours of fibres and ground are not both given. */
  shade?: Lab;
  /** Its difference from what is wanted, where that is given. */
  dE00?: number;
  /** It was learnt from a test patch. */
  isLearnt: boolean;
  /** What brings it nearer: a grey under the fibres, or paint over them. */
  under?: CarpetMend;
  over?: CarpetMend;
}

/** What is known of a carpet: how much flock, how it will look, and what brings it to the colour that is wanted. Throws RangeError for
 *  a colour that is none, and for a patch that no pile of these fibres can be. */
export function carpetPlan(carpet: Carpet, kit: Pick<Kit, 'parts'>): CarpetPlan {
  const { way, fibreMm, partId } = carpet;
  const part = kit.parts.find(({ id }) => id === partId);
  const areaCm2 = carpet.areaCm2 ?? (part ? areaOf(part) : undefined);
  const grams = way === 'flock' && areaCm2 !== undefined ? flockGrams(areaCm2, fibreMm) : undefined;
  const fibre = colourSaid(carpet.fibre, 'The colour of its fibres');
  const ground = colourSaid(carpet.ground, 'The colour under them');
  const wanted = colourSaid(carpet.wanted, 'The colour that is wanted');
  const over = colourSaid(carpet.over, 'The paint over them');
  const patch = colourSaid(carpet.patch, 'The test patch');
  if (!fibre || !ground) return { areaCm2, grams, isLearnt: false };
  const { open: usual, cover } = CARPET_FACTS[way];
  const base = { fibre: possibleSpectrum(fibre), ground: possibleSpectrum(ground), cover };
  const learnt = patch && openFromPatch(base, patch);
  if (patch && learnt === undefined)
    throw new RangeError(
      'The test patch is lighter than its fibres or darker than any pile of them: read it again, or the fibres.',
    );
  const pile = { ...base, open: learnt ?? usual };
  const shade = spectrumToLab(pileSpectrum(pile), DAYLIGHT);
  return {
    areaCm2,
    grams,
    shade,
    isLearnt: learnt !== undefined,
    ...(wanted
      ? {
          dE00: ciede2000(wanted, shade),
          // What covers its ground wholly is not lightened from beneath.
          ...(cover < 1 ? { under: groundFor(pile, wanted) } : {}),
          ...(over ? { over: paintOverFor(pile, possibleSpectrum(over), wanted) } : {}),
        }
      : {}),
  };
}

/** Holes, slots and seats on a floor that a carpet would clog: plugged before and opened after. */
export function cloggedBy(
  { partId }: Pick<Carpet, 'partId'>,
  kit: Pick<Kit, 'places' | 'joints' | 'parts'>,
): string[] {
  if (partId === null) return [];
  const nameOf = new Map(kit.parts.map(({ id, name }) => [id, name.toLowerCase()]));
  return [
    ...kit.places.flatMap((place) => (place.partId === partId && place.kind !== 'line' ? [place.name] : [])),
    ...kit.joints.flatMap(({ a, b, kind }) => {
      if ((a !== partId && b !== partId) || kind === 'tyre') return [];
      return [`seat of ${nameOf.get(a === partId ? b : a) ?? 'what goes there'}`];
    }),
  ];
}

/** A belt as it is cut. Throws RangeError where it cannot be. */
export const beltPlan = ({ realMm, cloth, pieces }: Belt, scale: number): BeltPlan =>
  planBelt(realMm, scale, cloth, pieces);
