import {
  areaOf,
  mainFinish,
  schoolOf,
  type Joint,
  type JointKind,
  type Kit,
  type KitFinish,
  type Look,
  type Part,
  type School,
} from './kit.ts';

/** One part of what a decision costs, in minutes of work (looks weighed as the minutes it takes to mend them). */
export interface CostTerm {
  id: CostTermId;
  minutes: number;
  words: string;
}

export type CostTermId =
  | 'mask'
  | 'brush'
  | 'spray-access'
  | 'polish-access'
  | 'handling'
  | 'open-seam'
  | 'glue-on-finish'
  | 'scrape'
  | 'film-in-joint'
  | 'one-more-piece';

export interface JointCosts {
  early: CostTerm[];
  late: CostTerm[];
}

/** Working values, minutes. A builder changes them by school, by pins, or by measuring the joint. */
export const COST_DEFAULTS = {
  maskSetUp: 8,
  maskPerMm: 0.12,
  brushSetUp: 5,
  brushPerMm: 0.08,
  /** Spray or polish work lost where a joined part shadows the other altogether. */
  accessWhole: 14,
  polishWhole: 16,
  polishAroundRaised: 4,
  bulky: 5,
  bulkyMm: 180,
  fragile: 8,
  seamSetUp: 30,
  seamPerMm: 0.3,
  glueNearGloss: 6,
  glueNearPolish: 9,
  scrapePaint: 3,
  tightAfterPaint: 10,
  piece: 9,
  /** Film of two painted faces, mm, where nothing is known of the stack. */
  twoFacesMm: 0.15,
} as const;

/** Share of a part that the other shadows from spray and cloth once they are joined. */
const SHADOW: Readonly<Record<JointKind, number>> = {
  cement: 0.08,
  press: 0.2,
  clip: 0.2,
  screw: 0.2,
  hinge: 0.3,
  glass: 1,
  tyre: 0.5,
  'sits-in': 0.35,
};

/** How the two schools weigh the same things. */
const SCHOOL_WEIGHTS: Readonly<
  Record<School, { mask: number; brush: number; piece: number; access: number }>
> = {
  pieces: { mask: 1.8, brush: 2.2, piece: 0.5, access: 1.2 },
  'join-first': { mask: 1, brush: 0.4, piece: 1.6, access: 0.5 },
};

const PAINTED: ReadonlySet<Look> = new Set(['polished', 'gloss', 'satin', 'matt', 'metal', 'chrome-ink']);
const GLOSSY: ReadonlySet<Look> = new Set(['polished', 'gloss', 'metal', 'chrome-ink', 'plating']);

/** Whether a finish lays down paint. */
export function isPaintedLook(look: Look): boolean {
  return PAINTED.has(look);
}

/** Length of the seam of a joint, mm: measured, or half the outline of the smaller part. */
export function seamLength({ edgeMm }: Joint, a: Part, b: Part): number {
  return edgeMm ?? 20 * Math.sqrt(Math.min(areaOf(a), areaOf(b)));
}

/** What making a joint before paint and making it after would cost, term by term, without zero terms.
 *  `neighbours` counts the parts that each part is joined to: a piece kept apart is shared among its joints. */
export function jointCosts(
  joint: Joint,
  kit: Pick<Kit, 'assembly'>,
  parts: ReadonlyMap<string, Part>,
  finishes: ReadonlyMap<string, KitFinish>,
  neighbours: ReadonlyMap<string, number>,
): JointCosts {
  const d = COST_DEFAULTS;
  const weigh = SCHOOL_WEIGHTS[schoolOf(kit)];
  const a = parts.get(joint.a)!;
  const b = parts.get(joint.b)!;
  const [finishA, finishB] = [mainFinish(a, finishes), mainFinish(b, finishes)];
  const lookA = finishA?.look ?? (a.plated ? 'plating' : a.material === 'clear' ? 'clear' : 'bare');
  const lookB = finishB?.look ?? (b.plated ? 'plating' : b.material === 'clear' ? 'clear' : 'bare');
  const [small, large] = areaOf(a) <= areaOf(b) ? [a, b] : [b, a];
  const edge = seamLength(joint, a, b);
  const painted = [lookA, lookB].filter(isPaintedLook).length;
  const polished = lookA === 'polished' || lookB === 'polished';
  const early: CostTerm[] = [];
  const late: CostTerm[] = [];
  const add = (terms: CostTerm[], id: CostTermId, minutes: number, words: string) => {
    if (minutes > 0) terms.push({ id, minutes: Math.round(minutes * 10) / 10, words });
  };
  const nameOf = (part: Part) => part.name.toLowerCase();

  const unlike = finishA?.id !== finishB?.id && painted > 0 && lookA !== 'bare' && lookB !== 'bare';
  if (unlike) {
    const brushed = areaOf(small) < 6 && lookA !== 'polished' && lookB !== 'polished';
    const names = `${finishA?.name ?? lookA} against ${finishB?.name ?? lookB}`;
    if (brushed)
      add(
        early,
        'brush',
        weigh.brush * (d.brushSetUp + d.brushPerMm * edge),
        `${names}: ${nameOf(small)} picked out by brush along ${Math.round(edge)} mm`,
      );
    else
      add(
        early,
        'mask',
        weigh.mask * (d.maskSetUp + d.maskPerMm * edge),
        `${names}: ${Math.round(edge)} mm to mask`,
      );
  }
  const shadow = joint.seam === 'vanish' ? Math.min(SHADOW[joint.kind], 0.08) : SHADOW[joint.kind];
  if (painted > 0)
    add(
      early,
      'spray-access',
      weigh.access * d.accessWhole * shadow,
      `${nameOf(small)} shadows ${Math.round(shadow * 100)} % of the spray`,
    );
  if (polished) {
    const raised = areaOf(small) < areaOf(large) / 4 && joint.seam !== 'vanish' ? d.polishAroundRaised : 0;
    add(
      early,
      'polish-access',
      weigh.access * d.polishWhole * shadow + raised,
      'cloths cannot reach around it',
    );
  }
  const length = Math.max(a.lengthMm ?? 0, b.lengthMm ?? 0);
  if (small.fragile || large.fragile)
    add(
      early,
      'handling',
      d.fragile,
      `${nameOf(small.fragile ? small : large)} breaks while the tray is handled`,
    );
  else if (length > d.bulkyMm)
    add(early, 'handling', d.bulky, `more to hold on a ${Math.round(length)} mm piece`);

  if (joint.seam === 'vanish')
    add(
      late,
      'open-seam',
      d.seamSetUp + d.seamPerMm * edge,
      `${Math.round(edge)} mm of seam that paint no longer lets you fill`,
    );
  if (GLOSSY.has(lookA) || GLOSSY.has(lookB))
    add(
      late,
      'glue-on-finish',
      polished ? d.glueNearPolish : d.glueNearGloss,
      'glue next to a finished surface',
    );
  if (joint.kind === 'cement' && painted > 0)
    add(late, 'scrape', d.scrapePaint * painted, 'paint to scrape off the faces, or a weaker glue');
  if (joint.clearanceMm !== null && painted > 0) {
    const left = joint.clearanceMm - (d.twoFacesMm * painted) / 2;
    if (left < 0.05)
      add(
        late,
        'film-in-joint',
        d.tightAfterPaint,
        `${joint.clearanceMm} mm of clearance is gone after paint`,
      );
  }
  const share = 1 / Math.max(1, Math.min(neighbours.get(a.id) ?? 1, neighbours.get(b.id) ?? 1));
  add(late, 'one-more-piece', weigh.piece * d.piece * share, 'one more piece to hold, spray and touch in');
  return { early, late };
}

export const sumOf = (terms: readonly CostTerm[]): number =>
  terms.reduce((sum, { minutes }) => sum + minutes, 0);
