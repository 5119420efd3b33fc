import {
  auditThickness,
  chainFor,
  cone,
  cylinder,
  dome,
  hopper,
  laceWheel,
  mitredPipe,
  planIgnition,
  planStretch,
  roundedBox,
  RUN_FACTS,
  scaledRun,
  type ThicknessAudit,
  type ChainLength,
  type Development,
  type IgnitionPlan,
  type IgnitionQuestion,
  type Lacing,
  type StretchPlan,
  type StretchQuestion,
  type ScaledRun,
} from '../detail/index.ts';
import type {
  DriveChain,
  Gauge,
  Harness,
  Kit,
  Pattern,
  PatternShape,
  Stretch,
  WireWheel,
} from './records/index.ts';

/** What a harness asks for, at a scale of 1 to `scale`. */
export function ignitionQuestion(harness: Harness, scale: number): IgnitionQuestion {
  const { layout, cylinders, pitchMm, reachMm, bankDeg, offsetMm, realMm } = harness;
  const of = { cylinders, reachMm };
  const layouts = {
    'in-line': { kind: 'in-line', ...of, pitchMm },
    v: { kind: 'v', ...of, pitchMm, bankDeg, offsetMm },
    radial: { kind: 'radial', ...of },
  } as const;
  return {
    layout: layouts[layout],
    numbering: harness.numbering,
    ownNumbers: harness.ownNumbers,
    firingOrder: harness.firingOrder,
    source:
      harness.source === 'coil-per-plug'
        ? { kind: harness.source }
        : {
            kind: harness.source,
            lies: harness.lies,
            at: [harness.x, harness.y, harness.z],
            capRadiusMm: harness.capRadiusMm,
            towers: harness.towers ?? cylinders,
            rotor: harness.rotor,
            firstDeg: harness.firstDeg,
            plugs: harness.plugs === 2 ? 2 : 1,
          },
    guides: harness.guides.map(({ x, y, z, cylinders: passing }) => ({ at: [x, y, z], cylinders: passing })),
    slack: harness.slack,
    scale,
    realMm: realMm === null ? RUN_FACTS['ignition-lead'].realMm : [realMm, realMm],
  };
}

/** How thick a part is against the real one. Throws RangeError for sizes that cannot be, and for a part that is gone: of what
 *  it is made is not known. */
export function auditOf(
  { partId, measuredMm, realMm, edgeOnly }: Gauge,
  kit: Pick<Kit, 'parts'>,
  scale: number,
): ThicknessAudit {
  const part = kit.parts.find(({ id }) => id === partId);
  if (!part) throw new RangeError('Name its part: how thin it may be depends on what it is made of.');
  return auditThickness({ measuredMm, realMm, edgeOnly, material: part.material }, scale);
}

/** Throws RangeError that says what is wrong with the harness. */
export const planHarness = (harness: Harness, scale: number): IgnitionPlan =>
  planIgnition(ignitionQuestion(harness, scale));

/** Spokes of real wheels, mm. */
const SPOKE_MM = [2, 4] as const;

/** A wheel's spokes, and the wire for them. Throws RangeError for one that cannot be laced. */
export function laceOf(
  { rimRadiusMm, flangeRadiusMm, offsetMm, spokes, crosses, realMm }: WireWheel,
  scale: number,
): { lacing: Lacing; wire: ScaledRun } {
  return {
    lacing: laceWheel({
      rimRadius: rimRadiusMm,
      flangeRadius: flangeRadiusMm,
      offset: offsetMm,
      spokes,
      crosses,
    }),
    wire: scaledRun(realMm === null ? SPOKE_MM : [realMm, realMm], scale),
  };
}

/** A chain on the model. Throws RangeError for one that cannot run. */
export const chainOf = (
  { pitchMm, frontTeeth, rearTeeth, centresMm }: DriveChain,
  scale: number,
): ChainLength & { pitchMm: number } => ({
  pitchMm: pitchMm / scale,
  ...chainFor({ pitchMm: pitchMm / scale, teeth: [frontTeeth, rearTeeth], centresMm }),
});

type SizeField = {
  [K in keyof Pattern]: Pattern[K] extends number ? K : never;
}[keyof Pattern];

/** What each shape asks for, and how it is laid out flat. */
export const PATTERN_FACTS: Readonly<
  Record<PatternShape, { name: string; asks: readonly SizeField[]; flat: (of: Pattern) => Development }>
> = {
  cylinder: {
    name: 'tube or round tank',
    asks: ['radiusMm', 'lengthMm'],
    flat: (of) => cylinder({ radius: of.radiusMm, length: of.lengthMm, ends: of.ends }, sheetOf(of)),
  },
  'rounded-box': {
    name: 'tank with rounded edges',
    asks: ['widthMm', 'heightMm', 'lengthMm', 'radiusMm'],
    flat: (of) =>
      roundedBox(
        { width: of.widthMm, height: of.heightMm, length: of.lengthMm, radius: of.radiusMm },
        sheetOf(of),
      ),
  },
  cone: {
    name: 'cone',
    asks: ['radiusMm', 'topRadiusMm', 'heightMm'],
    flat: (of) => cone({ bottom: of.radiusMm, top: of.topRadiusMm, height: of.heightMm }, sheetOf(of)),
  },
  'mitred-pipe': {
    name: 'pipe with a mitre',
    asks: ['radiusMm', 'lengthMm', 'degrees'],
    flat: (of) => mitredPipe({ radius: of.radiusMm, length: of.lengthMm, degrees: of.degrees }, sheetOf(of)),
  },
  dome: {
    name: 'domed end',
    asks: ['radiusMm', 'heightMm', 'petals'],
    flat: (of) => dome({ radius: of.radiusMm, rise: of.heightMm, petals: of.petals }, sheetOf(of)),
  },
  hopper: {
    name: 'hopper',
    asks: ['lengthMm', 'widthMm', 'bottomLengthMm', 'bottomWidthMm', 'heightMm'],
    flat: (of) =>
      hopper(
        {
          top: [of.lengthMm, of.widthMm],
          bottom: [of.bottomLengthMm, of.bottomWidthMm],
          height: of.heightMm,
        },
        sheetOf(of),
      ),
  },
};

const sheetOf = ({ thicknessMm, lapMm }: Pattern) => ({ thickness: thicknessMm, lap: lapMm });

/** A pattern laid out flat. Throws RangeError for what cannot be made. */
export const flatOf = (pattern: Pattern): Development => PATTERN_FACTS[pattern.shape].flat(pattern);

/** What a stretch asks for. Throws RangeError for a part whose length nobody knows, and for parts that are gone. */
export function stretchQuestion(
  { stretchMm, atMm, brackets, members }: Stretch,
  { parts }: Pick<Kit, 'parts'>,
): StretchQuestion {
  const byId = new Map(parts.map((part) => [part.id, part]));
  return {
    stretchMm,
    atMm,
    brackets,
    members: members.map(({ partId, lengthMm, ...member }) => {
      const part = byId.get(partId);
      if (!part) throw new RangeError('One of its parts is gone: pick another, or take it out.');
      const length = lengthMm ?? part.lengthMm;
      if (length === null)
        throw new RangeError(`${part.name}: its length is not known. Measure it, here or in the parts list.`);
      return { ...member, id: partId, name: part.name, count: part.count, lengthMm: length };
    }),
  };
}

/** Throws RangeError that says what is wrong with the stretch. */
export const stretchOf = (stretch: Stretch, kit: Pick<Kit, 'parts'>): StretchPlan =>
  planStretch(stretchQuestion(stretch, kit));

/** The wheelbase before and after, and what the real one is at scale, mm on the model; undefined where an axle or the real one is
 *  not known. The rear axle goes back where it lies behind the cut. */
export function wheelbaseOf(
  { stretchMm, atMm, frontAxleMm, rearAxleMm, realWheelbaseMm }: Stretch,
  scale: number,
): { beforeMm: number; afterMm: number; wantedMm: number | undefined } | undefined {
  if (frontAxleMm === null || rearAxleMm === null) return undefined;
  const moved = (at: number) => (at >= atMm ? at + stretchMm : at);
  return {
    beforeMm: rearAxleMm - frontAxleMm,
    afterMm: moved(rearAxleMm) - moved(frontAxleMm),
    wantedMm: realWheelbaseMm === null ? undefined : realWheelbaseMm / scale,
  };
}
