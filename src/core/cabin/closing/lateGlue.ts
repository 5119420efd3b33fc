/** A small thing that is fixed last, on a finish. */
export interface LateThing {
  /** Its longest measure, mm; null where nobody measured. */
  lengthMm: number | null;
  clear: boolean;
  /** Plated, foiled or of bright metal: no finger touches it. */
  bright: boolean;
  fragile: boolean;
  adhesive: 'none' | 'pva' | 'epoxy' | 'ca-thin' | 'ca-gel' | 'ca-clear' | 'cement-thin' | 'cement-gel';
  /** What it is set down on is a gloss or polished finish. */
  onGloss: boolean;
}

export interface LateAnswer {
  /** Dots of glue and how large each is, mm across and microlitres; none where nothing is glued. */
  dots?: { count: number; mm: number; ul: number };
  holdBy: string;
  /** How long it is held by hand or tape before it may be let go of, minutes; undefined where nothing is glued. */
  heldMinutes?: number;
  /** What a slip does, and how it is wiped off. */
  slip: string;
}

/** A dot for so much length; of so much of the length, within limits. Working values. */
const PER_DOT_MM = 8;
const DOT_SHARE = 0.08;
const [LEAST_DOT, MOST_DOT] = [0.4, 1.2];
const MOST_DOTS = 6;
/** Of a thing that nobody measured. */
const USUAL_MM = 8;
/** Too small for fingers, mm. */
const SMALL_MM = 12;

const HELD: Readonly<Record<Exclude<LateThing['adhesive'], 'none'>, number>> = {
  pva: 10,
  epoxy: 30,
  'ca-thin': 0.5,
  'ca-gel': 1,
  'ca-clear': 1.5,
  'cement-thin': 2,
  'cement-gel': 5,
};

/** How a small thing is fixed on a finish: in dots, since a bead is squeezed out; a dot is a cap as high as a third of its width. */
export function lateGlue(thing: LateThing): LateAnswer {
  const { adhesive } = thing;
  const length = thing.lengthMm ?? USUAL_MM;
  const mm = Math.min(MOST_DOT, Math.max(LEAST_DOT, DOT_SHARE * length));
  const count = Math.min(MOST_DOTS, Math.max(1, Math.round(length / PER_DOT_MM)));
  return {
    ...(adhesive === 'none' ? {} : { dots: { count, mm, ul: capUl(mm) }, heldMinutes: HELD[adhesive] }),
    holdBy: holdBy(thing, length),
    slip: slipOf(thing),
  };
}

/** Volume of a cap a third as high as it is wide, microlitres: pi h (3 a a + h h) / 6. */
function capUl(mm: number): number {
  const [h, a] = [mm / 3, mm / 2];
  return (Math.PI * h * (3 * a * a + h * h)) / 6;
}

function holdBy({ clear, bright, fragile }: LateThing, length: number): string {
  if (clear) return 'a handle of tape on its outer face, gloves on';
  if (bright) return 'tweezers with taped tips at its foot, or a wax stick; no finger on the bright face';
  if (length < SMALL_MM)
    return fragile ? 'a wax stick, set down without pressure' : 'fine tweezers, crosswise';
  return fragile ? 'two fingers at its strongest place, gloves on' : 'gloved fingers at its edges';
}

function slipOf({ adhesive, onGloss, clear }: LateThing): string {
  switch (adhesive) {
    case 'none':
      return 'nothing is glued: take it off and press it on again';
    case 'pva':
      return 'lift it off; a damp swab wipes the spill away before it skins, and the finish stays as it is';
    case 'epoxy':
      return 'within minutes a swab with spirit takes it off; try that on the spare piece of this finish first';
    case 'cement-thin':
    case 'cement-gel':
      return 'do not wipe: it has softened the paint. Leave it a day, then flat and polish the spot';
    default:
      return clear || onGloss
        ? 'do not wipe: let it set, shave the bead with a new blade, then polish; it leaves a mark on gloss'
        : 'do not wipe: let it set, cut it off, touch in';
  }
}
