import { areaOf, mainFinish, type Joint, type JointTime, type KitFinish, type Part } from './kit.ts';

/** What a glue meets. */
export const SURFACES = [
  'bare',
  'plated',
  'primed',
  'painted',
  'clear-coated',
  'clear-plastic',
  'etch',
  'resin',
  'white-metal',
  'vinyl',
  'poly',
  'card',
] as const;
export type Surface = (typeof SURFACES)[number];

export const ADHESIVES = {
  'cement-thin': { name: 'thin solvent cement', minutes: 5 },
  'cement-gel': { name: 'slow solvent cement', minutes: 8 },
  'ca-thin': { name: 'thin cyanoacrylate', minutes: 5 },
  'ca-gel': { name: 'cyanoacrylate gel', minutes: 6 },
  'ca-clear': { name: 'odourless, non-fogging cyanoacrylate', minutes: 8 },
  epoxy: { name: 'slow epoxy', minutes: 12 },
  pva: { name: 'PVA or canopy glue', minutes: 8 },
  none: { name: 'no glue', minutes: 4 },
} as const;
export type AdhesiveId = keyof typeof ADHESIVES;

/** Two faces to be joined and what bears on the choice. */
export interface GlueJob {
  surfaces: readonly [Surface, Surface];
  kind: Joint['kind'];
  seam: Joint['seam'];
  /** Carries a load in the finished model: axles, posts, heavy pieces. */
  loaded: boolean;
  /** So light that a weak bond is enough. */
  light: boolean;
  moves: boolean;
  /** Clear parts, bright metal, plating or polished gloss close by. */
  near: readonly ('clear' | 'bright' | 'gloss')[];
  /** A former owner glued it before. */
  oldGlue: boolean;
}

export interface AdhesiveRule {
  id: string;
  applies: (job: GlueJob) => boolean;
  adhesive: AdhesiveId;
  preparation: string;
  /** Coats and plating are scraped off where it goes. */
  scrapes?: true;
  /** Until it can be let go of, and until it bears load, minutes at 20 C. */
  setMinutes: number;
  strongMinutes: number;
  reason: string;
}

export interface GlueRisk {
  id: string;
  severity: 'stop' | 'warn' | 'note' | 'caution';
  applies: (job: GlueJob, adhesive: AdhesiveId) => boolean;
  words: string;
  remedy: string;
}

const has = ({ surfaces }: GlueJob, ...kinds: Surface[]) =>
  surfaces.some((surface) => kinds.includes(surface));
const both = ({ surfaces }: GlueJob, ...kinds: Surface[]) =>
  surfaces.every((surface) => kinds.includes(surface));
const COATED: Surface[] = ['primed', 'painted', 'clear-coated'];
const isCyano = (adhesive: AdhesiveId) => adhesive.startsWith('ca-');
const blooms = (adhesive: AdhesiveId) => adhesive === 'ca-thin' || adhesive === 'ca-gel';
const isSolvent = (adhesive: AdhesiveId) => adhesive.startsWith('cement');
const DAY = 24 * 60;

/** The first rule that applies decides. Ordinary workshop practice; the product's label wins. */
export const ADHESIVE_RULES: readonly AdhesiveRule[] = [
  {
    id: 'held-by-shape',
    applies: ({ kind, moves, surfaces }) =>
      kind === 'press' ||
      kind === 'clip' ||
      kind === 'screw' ||
      (kind === 'hinge' && moves) ||
      surfaces.includes('poly'),
    adhesive: 'none',
    preparation: 'scrape paint out of the hole and off the pin',
    setMinutes: 0,
    strongMinutes: 0,
    reason: 'It is held by its shape, and glue would fix what has to turn or come off.',
  },
  {
    id: 'tyre',
    applies: (job) => job.kind === 'tyre' || has(job, 'vinyl'),
    adhesive: 'none',
    preparation: 'stretch it over the rim; paint or plating between vinyl and bare plastic',
    setMinutes: 0,
    strongMinutes: 0,
    reason: 'A tyre grips by itself; only one that must not creep gets a dot of cyanoacrylate.',
  },
  {
    id: 'clear-part',
    applies: (job) => has(job, 'clear-plastic') || job.kind === 'glass',
    adhesive: 'pva',
    preparation: 'clean with a dry cloth, gloves on; run it into the edge with a fine brush',
    setMinutes: 30,
    strongMinutes: DAY,
    reason: 'It dries clear, fills a thin gap and cannot fog or craze; a spill wipes off with water.',
  },
  {
    id: 'bare-styrene-visible',
    applies: (job) => both(job, 'bare') && job.seam === 'vanish',
    adhesive: 'cement-thin',
    preparation: 'true both faces flat; flood, squeeze until a bead comes up along the seam',
    setMinutes: 20,
    strongMinutes: DAY,
    reason: 'It welds, and the bead of softened plastic fills the seam that is to vanish.',
  },
  {
    id: 'bare-styrene-heavy',
    applies: (job) => both(job, 'bare') && job.loaded,
    adhesive: 'cement-gel',
    preparation: 'scrape both faces to bare plastic',
    scrapes: true,
    setMinutes: 30,
    strongMinutes: DAY,
    reason: 'It welds over the whole face and leaves time to set the alignment.',
  },
  {
    id: 'bare-styrene',
    applies: (job) => both(job, 'bare'),
    adhesive: 'cement-thin',
    preparation: 'hold together dry, touch the brush to the joint',
    setMinutes: 10,
    strongMinutes: DAY,
    reason: 'It runs in by itself and welds bare plastic.',
  },
  {
    id: 'loaded',
    applies: ({ loaded }) => loaded,
    adhesive: 'epoxy',
    preparation: 'scrape both faces to bare material and key them with 400',
    scrapes: true,
    setMinutes: 60,
    strongMinutes: DAY,
    reason: 'It carries load between any two materials and does not shock loose.',
  },
  {
    id: 'light-on-gloss',
    applies: (job) => job.light && has(job, 'clear-coated', 'painted') && !has(job, 'etch', 'white-metal'),
    adhesive: 'pva',
    preparation: 'degrease the spot; dabs, not beads',
    setMinutes: 30,
    strongMinutes: DAY,
    reason: 'A light part needs no more, and a spill wipes off with the gloss unharmed.',
  },
  {
    id: 'etch-on-finish',
    applies: (job) => has(job, 'etch') && has(job, ...COATED, 'plated'),
    adhesive: 'ca-clear',
    preparation: 'degrease the metal; touch the glue to the part, never to the paint',
    setMinutes: 2,
    strongMinutes: DAY,
    reason: 'Metal needs cyanoacrylate, and this one leaves no bloom on the paint beside it.',
  },
  {
    id: 'thin-metal',
    applies: (job) => has(job, 'etch'),
    adhesive: 'ca-thin',
    preparation: 'degrease; anneal what has to bend; wick in from the edge',
    setMinutes: 1,
    strongMinutes: 4 * 60,
    reason: 'It wicks under thin metal that is already in place.',
  },
  {
    id: 'bright-near',
    applies: ({ near }) => near.includes('clear') || near.includes('bright'),
    adhesive: 'ca-clear',
    preparation: 'scrape plating and paint off the two spots that touch',
    scrapes: true,
    setMinutes: 3,
    strongMinutes: DAY,
    reason: 'Plating and bright metal beside it would bloom from ordinary cyanoacrylate.',
  },
  {
    id: 'plated',
    applies: (job) => has(job, 'plated'),
    adhesive: 'ca-gel',
    preparation: 'scrape the plating off the faces, or glue on the scars of the gates',
    scrapes: true,
    setMinutes: 2,
    strongMinutes: DAY,
    reason: 'Solvent cement does not bond plating.',
  },
  {
    id: 'resin-or-white-metal',
    applies: (job) => has(job, 'resin', 'white-metal'),
    adhesive: 'ca-gel',
    preparation: 'key with 400, wash off release agent, degrease',
    setMinutes: 2,
    strongMinutes: 4 * 60,
    reason: 'Solvent cement does nothing to resin or metal; the gel fills the gap.',
  },
  {
    id: 'card',
    applies: (job) => has(job, 'card'),
    adhesive: 'pva',
    preparation: 'seal the back with varnish first',
    setMinutes: 15,
    strongMinutes: 4 * 60,
    reason: 'It wets paper without staining it.',
  },
  {
    id: 'painted',
    applies: () => true,
    adhesive: 'ca-gel',
    preparation: 'scrape paint off both faces, or off the one that does not show',
    scrapes: true,
    setMinutes: 2,
    strongMinutes: DAY,
    reason: 'Solvent cement would only soften the paint; glue on paint holds no better than the paint.',
  },
];

export const GLUE_RISKS: readonly GlueRisk[] = [
  {
    id: 'fogging',
    severity: 'warn',
    applies: ({ near, surfaces }, adhesive) =>
      blooms(adhesive) &&
      (near.includes('clear') || near.includes('bright') || surfaces.includes('clear-plastic')),
    words: 'Its vapour leaves a white bloom on clear parts and bright metal close by.',
    remedy: 'Fan the air away for an hour, fit clear parts later, or use the odourless kind.',
  },
  {
    id: 'dulls-gloss',
    severity: 'note',
    applies: ({ near, surfaces }, adhesive) =>
      blooms(adhesive) && (near.includes('gloss') || surfaces.includes('clear-coated')),
    words: 'Its vapour can leave a bloom on gloss close by.',
    remedy: 'Fan the air away for an hour, or use the odourless kind.',
  },
  {
    id: 'crazing',
    severity: 'stop',
    applies: ({ near, surfaces }, adhesive) =>
      isSolvent(adhesive) && (surfaces.includes('clear-plastic') || near.includes('clear')),
    words: 'Solvent runs under clear plastic and crazes it for good.',
    remedy: 'Use PVA, and cement nothing beside glass that is already in.',
  },
  {
    id: 'squeeze-out',
    severity: 'note',
    applies: ({ surfaces, near }, adhesive) =>
      adhesive !== 'none' &&
      adhesive !== 'pva' &&
      (surfaces.includes('clear-coated') || near.includes('gloss')),
    words: 'Squeeze-out on a finished body cannot be undone.',
    remedy: 'Test the fit dry; dabs, not beads.',
  },
  {
    id: 'plasticiser',
    severity: 'warn',
    applies: (job) => has(job, 'vinyl') && has(job, 'bare'),
    words: 'Soft vinyl melts into bare styrene over the years.',
    remedy: 'Paint or foil the rim first.',
  },
  {
    id: 'slides-on-poly',
    severity: 'note',
    applies: (job, adhesive) => has(job, 'poly') && adhesive !== 'none',
    words: 'Nothing sticks to a soft bushing.',
    remedy: 'Shut it in between two parts instead.',
  },
  {
    id: 'old-glue',
    severity: 'warn',
    applies: ({ oldGlue }, adhesive) => oldGlue && adhesive !== 'none',
    words: 'Old glue and paint hold badly.',
    remedy: 'Scrape down to bare plastic first; break the old joint where it gives.',
  },
  {
    id: 'cyanoacrylate-hazard',
    severity: 'caution',
    applies: (_, adhesive) => isCyano(adhesive),
    words: 'It glues skin and eyes, and its fumes irritate.',
    remedy: 'Glasses on, air moving; its safety sheet decides.',
  },
  {
    id: 'solvent-hazard',
    severity: 'caution',
    applies: (_, adhesive) => isSolvent(adhesive),
    words: 'Solvent vapour.',
    remedy: 'Lid on the bottle, window open, no flame; its safety sheet decides.',
  },
  {
    id: 'epoxy-hazard',
    severity: 'caution',
    applies: (_, adhesive) => adhesive === 'epoxy',
    words: 'Uncured epoxy sensitises skin.',
    remedy: 'Gloves; its safety sheet decides.',
  },
];

export interface AdhesiveChoice {
  adhesive: AdhesiveId;
  name: string;
  preparation: string;
  /** Coats and plating are scraped off where it goes. */
  scrapes: boolean;
  setMinutes: number;
  strongMinutes: number;
  reason: string;
  ruleId: string;
  risks: Pick<GlueRisk, 'id' | 'severity' | 'words' | 'remedy'>[];
}

/** The right adhesive for two surfaces, how to prepare them, and what could go wrong. */
export function chooseAdhesive(job: GlueJob): AdhesiveChoice {
  const {
    id: ruleId,
    adhesive,
    preparation,
    setMinutes,
    strongMinutes,
    reason,
    scrapes = false,
  } = ADHESIVE_RULES.find(({ applies }) => applies(job))!;
  return {
    adhesive,
    name: ADHESIVES[adhesive].name,
    preparation,
    scrapes,
    setMinutes,
    strongMinutes,
    reason,
    ruleId,
    risks: GLUE_RISKS.filter(({ applies }) => applies(job, adhesive)).map(
      ({ id, severity, words, remedy }) => ({
        id,
        severity,
        words,
        remedy,
      }),
    ),
  };
}

/** What a part's face is when the joint is made. */
export function surfaceOf(part: Part, finish: KitFinish | undefined, when: JointTime): Surface {
  if (part.material === 'clear') return 'clear-plastic';
  if (part.material === 'vinyl' || part.material === 'rubber') return 'vinyl';
  if (part.material === 'metal') return 'white-metal';
  if (when === 'after' && finish) {
    if (finish.look === 'polished' || finish.look === 'gloss') return 'clear-coated';
    if (['satin', 'matt', 'metal', 'chrome-ink'].includes(finish.look)) return 'painted';
  }
  if (part.plated) return 'plated';
  if (part.material !== 'styrene') return part.material;
  return part.state === 'painted-before' ? 'painted' : 'bare';
}

const LIGHT_CM2 = 5;
const LOADED_CM2 = 60;

/** A joint of the kit as a job for the glue. */
export function glueJob(
  joint: Joint,
  when: JointTime,
  parts: ReadonlyMap<string, Part>,
  finishes: ReadonlyMap<string, KitFinish>,
): GlueJob {
  const [a, b] = [parts.get(joint.a)!, parts.get(joint.b)!];
  const looks = [a, b].map((part) => mainFinish(part, finishes)?.look);
  const near = new Set<GlueJob['near'][number]>();
  if (a.material === 'clear' || b.material === 'clear') near.add('clear');
  if (a.plated || b.plated) near.add('bright');
  if (when === 'after') {
    if (looks.some((look) => look === 'metal' || look === 'chrome-ink')) near.add('bright');
    if (looks.some((look) => look === 'polished' || look === 'gloss')) near.add('gloss');
  }
  const smaller = Math.min(areaOf(a), areaOf(b));
  return {
    surfaces: [surfaceOf(a, mainFinish(a, finishes), when), surfaceOf(b, mainFinish(b, finishes), when)],
    kind: joint.kind,
    seam: joint.seam,
    loaded: smaller >= LOADED_CM2 || /\b(axle|post|boss)\b/i.test(`${a.name} ${b.name}`),
    light: smaller <= LIGHT_CM2,
    moves: joint.motion !== 'none',
    near: [...near],
    oldGlue: a.state === 'joined-before' || b.state === 'joined-before',
  };
}
