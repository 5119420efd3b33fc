import type { ChromeRouteId, Curvature, Life } from '../../src/core/finish/index.ts';
import type { RunKind } from '../../src/core/detail/index.ts';
import {
  beltRecord,
  carpetRecord,
  chainRecord,
  cornerRecord,
  dressingRecord,
  effectRecord,
  EMPTY_KIT,
  engineRecord,
  facingRecord,
  gaugeRecord,
  replacementRecord,
  harnessRecord,
  initialOf,
  insertionRecord,
  lampRecord,
  levelRecord,
  liveryAreaRecord,
  markingRecord,
  memberFields,
  newRecord,
  onPanelFields,
  panelRecord,
  paneRecord,
  patternRecord,
  plainPart,
  readSheet,
  seatRecord,
  showingRecord,
  stretchRecord,
  suggestJoints,
  viewRecord,
  wheelRecord,
  type Belt,
  type Carpet,
  type Corner,
  type Dressing,
  type DriveChain,
  type Effect,
  type Engine,
  type Evidence,
  type Facing,
  type FitFeel,
  type Gap,
  type Gauge,
  type Replacement,
  type Harness,
  type HoldingPoint,
  type Insertion,
  type InstrumentPanel,
  type Joint,
  type JointKind,
  type Kit,
  type Lamp,
  type Level,
  type LiveryArea,
  type LiveryView,
  type Look,
  type Marking,
  type Material,
  type MeasuredPlace,
  type Member,
  type Motion,
  type OnPanel,
  type Pane,
  type Part,
  type PartNeed,
  type PartState,
  type PastPart,
  type Pattern,
  type RecordDefinition,
  type Run,
  type RunEnd,
  type School,
  type Seam,
  type Seat,
  type Showing,
  type Stretch,
  type WireWheel,
  type Zone,
} from '../../src/core/kit/index.ts';
import { startingOutline, stretched, type StartingOutlineId } from '../../src/core/livery/index.ts';

/** A record of which only some is said; parts by their numbers. */
type Said<T> = Omit<Partial<T>, 'id'> & { name: string };

/** A marking with its keys; what is not said is as in a new one. */
interface SampleMarking extends Partial<
  Pick<
    Marking,
    'route' | 'sheet' | 'angle' | 'round' | 'count' | 'lettering' | 'surface' | 'film' | 'crossing'
  >
> {
  name: string;
  view?: string;
  part?: string;
  /** Centre and size, mm. */
  at?: [number, number];
  size: [number, number];
  colour?: string;
  option?: string;
  artwork?: Partial<Marking['artwork']>;
}

/** A sample kit as it is written by hand; `kitFrom` makes the records of it. */
export interface SampleKit {
  school: School;
  /** "key; name; look; factory code". */
  finishes: string[];
  /** A part a line: "A1; name; count; cm2; mm; finish[+finish:share:edge:mm]; needs". */
  parts: string;
  materials: Record<string, Material>;
  fragile: string[];
  /** Moulded colour by frame. */
  colours: Record<string, string>;
  /** Plated frames or parts. */
  plated: string[];
  states: Record<string, PartState>;
  /** A joint a line: "A2 A1 cement vanish [motion]; option value; ...". */
  joints: string;
  choices: {
    id: string;
    name: string;
    chosen: string | null;
    options: { id: string; name: string; needs?: string[]; rulesOut?: string[]; markings?: string[] }[];
  }[];
  /** "kind; part; name; option or always". */
  works: string[];
  evidence: {
    title: string;
    parts: string[];
    step: string | null;
    sheet: string;
    evidence: string;
    source: string;
    confidence: Evidence['confidence'];
    verdict: Evidence['verdict'];
    decision?: string;
  }[];
  /** Steps of the instruction sheet, a line each as they are read aloud. */
  sheet?: string;
  box: string[];
  unchecked: string[];
  fits: { joint: string; feel: FitFeel; clearance?: number; motion?: boolean; done: string }[];
  /** "part; hole, slot or line; name; size; width of a line; what goes through; part that goes through", mm. */
  places: string[];
  /** "part; part; where; mm; what moves in it". */
  gaps?: string[];
  /** "part; where it is held; hidden, shows or not-known". */
  holdings?: string[];
  /** "key; name; side; part; starting outline; length; height" in mm, and areas on them: "view; finish; name; shape; x; y;
   *  width; height; angle; path", the lowest first. */
  views?: string[];
  areas?: string[];
  /** "view; part; path": what of a view belongs to another part. */
  regions?: string[];
  /** "view; name; path": moulded lines. */
  mouldings?: string[];
  markings?: SampleMarking[];
  /** "kind; from; to; how many; name; real mm; length mm; note; begins with and ends with". */
  runs: string[];
  /** How some of them are led and look, by their places in that list; "part side; part side" for what they go past. */
  led?: Readonly<
    Record<number, Pick<Partial<Run>, 'slackMm' | 'bundle' | 'look' | 'cover' | 'make'> & { past?: string }>
  >;
  dressings?: Said<Dressing>[];
  panels?: (Omit<Said<InstrumentPanel>, 'on'> & { on: (Partial<OnPanel> & Pick<OnPanel, 'name'>)[] })[];
  carpets?: Said<Carpet>[];
  belts?: Said<Belt>[];
  /** Parts by their numbers, views by their keys. */
  panes?: Said<Pane>[];
  seats?: Said<Seat>[];
  effects?: Said<Effect>[];
  lamps?: Said<Lamp>[];
  insertions?: Said<Insertion>[];
  levels?: Said<Level>[];
  /** What is worked out beyond the kit's own parts; parts by their numbers. */
  harnesses?: Said<Harness>[];
  wheels?: Said<WireWheel>[];
  corners?: Said<Corner>[];
  chains?: Said<DriveChain>[];
  patterns?: Said<Pattern>[];
  gauges?: Said<Gauge>[];
  replacements?: Said<Replacement>[];
  engines?: Said<Engine>[];
  /** "part; what it is on an engine". */
  engineKinds?: string[];
  stretches?: (Omit<Said<Stretch>, 'members' | 'optionId'> & {
    optionId: string;
    members: (Partial<Member> & Pick<Member, 'partId'>)[];
  })[];
  facings?: (Partial<Facing> & Pick<Facing, 'partId' | 'what'>)[];
  showing?: Partial<Omit<Showing, 'id'>>;
  /** "part; behind the front; to the left; above the lowest; long; wide; high", mm. */
  partBoxes?: string[];
  stance: { heights: [number, number, number, number]; rake: number; shims: number[]; note: string };
  wants: {
    name: string;
    why: string;
    option?: string;
    lead: number;
    have: boolean;
    substitute: string;
    looks: string;
  }[];
  /** Day by which it must be ready. */
  deadline?: string;
  /** How hard a life it had; tidy where nothing is said. */
  life?: Life;
  /** "part; curvature; route". */
  brightwork: string[];
  /** "key; name; L a b; film or ink; code". */
  decals: string[];
}

/** A kit without the lists in which there is nothing: what is checked in names only what a sample has. */
export const withoutEmptyLists = (kit: Kit): Partial<Kit> =>
  Object.fromEntries(Object.entries(kit).filter(([, list]) => list.length > 0));

/** The records of a sample kit, every id led by the build's. Throws Error for a slip of the pen. */
export function kitFrom(buildId: string, sample: SampleKit): Kit {
  const own = (id: string) => `${buildId}-${id}`;
  const made = <T extends { id: string; name: string }>(
    record: RecordDefinition,
    word: string,
    all: readonly Said<T>[] = [],
  ): T[] =>
    all.map((said, index) => {
      const parts: [string, string][] = Object.entries(said as Record<string, unknown>).flatMap(
        ([key, value]) =>
          /(part|option)id$/i.test(key) && value !== null ? [[key, own(value as string)]] : [],
      );
      const id = own(`${word}-${index + 1}`);
      const whole: object = { ...newRecord(record), ...said, ...(Object.fromEntries(parts) as object), id };
      return whole as T;
    });
  const finishes = sample.finishes.map((line) => {
    const [key, name, look, code] = line.split(';').map((cell) => cell.trim());
    return { id: own(`finish-${key!}`), name: name!, look: look as Look, codeId: code ?? null };
  });
  const knownFinish = new Set(finishes.map(({ id }) => id));
  const zonesOf = (text: string): Zone[] =>
    text.split('+').map((zone, index) => {
      const [finish, share, boundary, edge] = zone.split(':');
      if (!knownFinish.has(own(`finish-${finish!}`)) && finish !== 'bare')
        throw new Error(`No finish ${finish!}.`);
      return {
        id: `zone-${index + 1}`,
        name: index === 0 ? '' : 'second colour',
        finishId: own(`finish-${finish!}`),
        share: share === undefined ? 1 : Number(share),
        boundary: (boundary ?? 'moulded') as Zone['boundary'],
        edgeMm: edge === undefined ? null : Number(edge),
      };
    });
  const engineKinds = new Map(
    (sample.engineKinds ?? []).map((line) => line.split('; ') as [label: string, kind: string]),
  );
  const parts = sample.parts
    .trim()
    .split('\n')
    .map((line): Part => {
      const [label, name, count, area, length, finish, needs = ''] = line
        .split(';')
        .map((cell) => cell.trim());
      const frame = /^[A-Z]+/.exec(label!)![0];
      const zones = finish === 'bare' ? [] : zonesOf(finish!);
      if (zones[0] && zones.length > 1)
        zones[0].share = 1 - zones.slice(1).reduce((sum, { share }) => sum + share, 0);
      const engineKind = engineKinds.get(label!);
      return plainPart(own(label!), {
        ...(engineKind === undefined ? {} : { engineKind }),
        frame,
        number: label!.slice(frame.length),
        name: name!,
        count: Number(count),
        areaCm2: Number(area),
        lengthMm: Number(length),
        zones,
        needs: needs.split(' ').filter(Boolean) as PartNeed[],
        material: sample.materials[label!] ?? 'styrene',
        colour: sample.colours[frame] ?? '',
        plated: sample.plated.includes(frame) || sample.plated.includes(label!),
        state: sample.states[label!] ?? 'on-frame',
        checked: !sample.unchecked.some((name) => name.startsWith(`Frame ${frame}`)),
        fragile: sample.fragile.includes(label!),
      });
    });
  const joints = sample.joints
    .trim()
    .split('\n')
    .map((line): Joint => {
      const [head, ...options] = line.split(';').map((cell) => cell.trim());
      const [a, b, kind, seam, motion] = head!.split(' ');
      const joint: Joint = {
        id: own(`${a!}-${b!}`),
        a: own(a!),
        b: own(b!),
        kind: kind as JointKind,
        seam: seam as Seam,
        clearanceMm: null,
        captured: [],
        entry: 'any',
        motion: (motion ?? 'none') as Motion,
        closes: [],
        edgeMm: null,
        pin: null,
        note: '',
      };
      for (const option of options) {
        const [word, ...values] = option.split(' ');
        if (word === 'edge') joint.edgeMm = Number(values[0]);
        else if (word === 'clearance') joint.clearanceMm = Number(values[0]);
        else if (word === 'captures') joint.captured = values.map(own);
        else if (word === 'closes') joint.closes = values.map(own);
        else if (word === 'entry') joint.entry = values[0] as Joint['entry'];
        else if (word === 'id') joint.id = own(values[0]!);
        else throw new Error(`No such word in a sample joint: ${option}.`);
      }
      return joint;
    });
  const suggested = suggestJoints({ parts, joints }).map(({ joint }) => ({
    ...joint,
    id: joint.id.replace('~', '-to-'),
  }));
  const all = [...joints, ...suggested];
  const jointIds = new Set(all.map(({ id }) => id));
  const stray = all.flatMap(({ closes }) => closes).find((id) => !jointIds.has(id));
  if (stray) throw new Error(`A sample joint closes off ${stray}, which is none.`);
  return {
    ...EMPTY_KIT,
    assembly: [{ id: own('assembly'), school: sample.school }],
    parts,
    finishes,
    joints: all,
    choices: sample.choices.map(({ options, ...choice }) => ({
      ...choice,
      id: own(choice.id),
      chosen: choice.chosen === null ? null : own(choice.chosen),
      options: options.map(({ id, name, needs = [], rulesOut = [], markings = [] }) => ({
        id: own(id),
        name,
        needs: needs.map(own),
        rulesOut: rulesOut.map(own),
        markings,
        finishIds: [],
      })),
    })),
    works: sample.works.map((line, index) => {
      const [kind, part, name, option] = line.split(';').map((cell) => cell.trim());
      return {
        id: own(`work-${index + 1}`),
        kind: kind as Kit['works'][number]['kind'],
        partId: own(part!),
        name: name!,
        neededBy: option && option !== 'always' ? [own(option)] : [],
        always: option === 'always',
      };
    }),
    evidence: sample.evidence.map(({ parts: about, step, decision = '', ...rest }, index) => ({
      ...rest,
      id: own(`evidence-${index + 1}`),
      partIds: about.map(own),
      stepKind: step,
      pictureId: null,
      decision,
    })),
    sheetSteps: readSheet(sample.sheet ?? '', parts).map(({ reading: { step } }) => ({
      id: own(`sheet-${step.number}`),
      ...step,
    })),
    box: sample.box.map((name, index) => ({
      id: own(`box-${index + 1}`),
      name,
      checked: !sample.unchecked.includes(name),
      note: '',
    })),
    fits: sample.fits.map(({ joint, feel, clearance = null, motion = false, done }, index) => ({
      id: own(`fit-${index + 1}`),
      jointId: own(joint),
      stage: 'bare',
      feel,
      clearanceMm: clearance,
      motionChecked: motion,
      done,
    })),
    places: sample.places.map((line, index) => {
      const [part, kind, name, size, width, through, mating] = line.split(';').map((cell) => cell.trim());
      return {
        id: own(`place-${index + 1}`),
        partId: own(part!),
        matingPartId: mating ? own(mating) : null,
        name: name!,
        kind: kind as MeasuredPlace['kind'],
        sizeMm: Number(size),
        widthMm: width ? Number(width) : null,
        throughMm: through ? Number(through) : null,
      };
    }),
    gaps: (sample.gaps ?? []).map((line, index) => {
      const [a, b, where, mm, motion] = line.split(';').map((cell) => cell.trim());
      return {
        id: own(`gap-${index + 1}`),
        a: own(a!),
        b: own(b!),
        where: where!,
        gapMm: Number(mm),
        motion: motion as Gap['motion'],
      };
    }),
    holdings: (sample.holdings ?? []).map((line, index) => {
      const [part, where, shows] = line.split(';').map((cell) => cell.trim());
      return {
        id: own(`holding-${index + 1}`),
        partId: own(part!),
        where: where!,
        shows: shows as HoldingPoint['shows'],
      };
    }),
    views: (sample.views ?? []).map((line): LiveryView => {
      const [key, name, side, part, outline, length, height] = line.split(';').map((cell) => cell.trim());
      const source = startingOutline(outline as StartingOutlineId);
      return {
        ...newRecord(viewRecord),
        ...stretched(source, Number(length), Number(height), side as LiveryView['side']),
        id: own(`view-${key!}`),
        name: name!,
        side: side as LiveryView['side'],
        partId: part ? own(part) : null,
        regions: (sample.regions ?? []).flatMap((each, index) => {
          const [of, held, path] = each.split(';').map((cell) => cell.trim());
          return of === key ? [{ id: `region-${index + 1}`, partId: own(held!), path: path! }] : [];
        }),
        mouldings: (sample.mouldings ?? []).flatMap((each, index) => {
          const [of, named, path] = each.split(';').map((cell) => cell.trim());
          return of === key ? [{ id: `line-${index + 1}`, name: named!, path: path! }] : [];
        }),
      };
    }),
    markings: (sample.markings ?? []).map(
      ({ view, part, at = [0, 0], size, colour, option, artwork, ...said }, index): Marking => {
        const plain = newRecord(markingRecord);
        return {
          ...plain,
          ...said,
          id: own(`marking-${index + 1}`),
          order: index,
          viewId: view ? own(`view-${view}`) : null,
          partId: part ? own(part) : null,
          x: at[0],
          y: at[1],
          width: size[0],
          height: size[1],
          colourId: colour ? own(`decal-${colour}`) : null,
          optionId: option === undefined ? null : own(option),
          artwork: { ...plain.artwork, ...artwork },
        };
      },
    ),
    liveryAreas: (sample.areas ?? []).map((line, index): LiveryArea => {
      const [view, finish, name, shape, x, y, width, height, angle, path] = line
        .split(';')
        .map((cell) => cell.trim());
      if (!knownFinish.has(own(`finish-${finish!}`))) throw new Error(`No finish ${finish!}.`);
      return {
        ...newRecord(liveryAreaRecord),
        id: own(`area-${index + 1}`),
        viewId: own(`view-${view!}`),
        finishId: own(`finish-${finish!}`),
        name: name!,
        order: index,
        shape: shape as LiveryArea['shape'],
        x: Number(x),
        y: Number(y),
        width: Number(width || 20),
        height: Number(height || 10),
        angle: Number(angle ?? 0),
        path: path ?? '',
      };
    }),
    runs: sample.runs.map((line, index) => {
      const [kind, from, to, count, name, real, length, note, ends] = line
        .split(';')
        .map((cell) => cell.trim());
      const [fromEnd, toEnd] = (ends ?? '').split(' ') as RunEnd[];
      const known = new Set(parts.map(({ id }) => id));
      if (!known.has(own(from!)) || !known.has(own(to!))) throw new Error(`No such part: ${line}.`);
      return {
        id: own(`run-${index + 1}`),
        name: name!,
        kind: kind as RunKind,
        fromPartId: own(from!),
        toPartId: own(to!),
        count: Number(count),
        realMm: real ? Number(real) : null,
        lengthMm: length ? Number(length) : null,
        note: note ?? '',
        ...(fromEnd && toEnd ? { fromEnd, toEnd } : {}),
        ...ledAs(sample.led?.[index + 1], own),
      };
    }),
    harnesses: made(harnessRecord, 'harness', sample.harnesses),
    wheels: made(wheelRecord, 'wheel', sample.wheels),
    carpets: made(carpetRecord, 'carpet', sample.carpets),
    belts: made(beltRecord, 'belt', sample.belts),
    panels: made(
      panelRecord,
      'panel',
      sample.panels?.map(({ on, ...said }) => ({
        ...said,
        on: on.map((each) => ({ ...initialOf(onPanelFields), ...each })),
      })),
    ),
    panes: made(
      paneRecord,
      'pane',
      sample.panes?.map(({ behind = [], coveredBy = [], viewId, ...said }) => ({
        ...said,
        behind: behind.map(own),
        coveredBy: coveredBy.map(own),
        ...(viewId ? { viewId: own(`view-${viewId}`) } : {}),
      })),
    ),
    seats: made(seatRecord, 'seat', sample.seats),
    effects: made(effectRecord, 'effect', sample.effects),
    lamps: made(lampRecord, 'lamp', sample.lamps),
    insertions: made(insertionRecord, 'insertion', sample.insertions),
    levels: made(levelRecord, 'level', sample.levels),
    dressings: made(dressingRecord, 'dressing', sample.dressings),
    corners: made(cornerRecord, 'corner', sample.corners),
    chains: made(chainRecord, 'chain', sample.chains),
    patterns: made(patternRecord, 'pattern', sample.patterns),
    gauges: made(gaugeRecord, 'gauge', sample.gauges),
    replacements: made(replacementRecord, 'replacement', sample.replacements),
    engines: made(engineRecord, 'engine', sample.engines),
    stretches: (sample.stretches ?? []).map(({ members, optionId, ...said }, index) => ({
      ...newRecord(stretchRecord),
      ...said,
      id: own(`stretch-${index + 1}`),
      optionId: own(optionId),
      members: members.map(({ partId, ...member }) => ({
        ...initialOf(memberFields),
        ...member,
        partId: own(partId),
      })),
    })),
    facings: (sample.facings ?? []).map(({ partId, ...said }) => ({
      ...newRecord(facingRecord),
      ...said,
      id: own(`facing-${partId}`),
      partId: own(partId),
    })),
    partBoxes: (sample.partBoxes ?? []).map((line) => {
      const [label, ...figures] = line.split(';').map((cell) => cell.trim());
      const [behindMm, leftMm, upMm, lengthMm, widthMm, heightMm] = figures.map(Number);
      return {
        id: own(`box-${label!}`),
        partId: own(label!),
        behindMm: behindMm!,
        leftMm: leftMm!,
        upMm: upMm!,
        lengthMm: lengthMm!,
        widthMm: widthMm!,
        heightMm: heightMm!,
      };
    }),
    showings: sample.showing ? [{ ...newRecord(showingRecord), ...sample.showing, id: own('showing') }] : [],
    stances: [
      {
        id: own('stance'),
        heightsMm: sample.stance.heights,
        rakeMm: sample.stance.rake,
        shimsMm: sample.stance.shims,
        note: sample.stance.note,
      },
    ],
    wants: sample.wants.map(({ option, lead, ...want }, index) => ({
      ...want,
      id: own(`want-${index + 1}`),
      optionId: option === undefined ? null : own(option),
      leadDays: lead,
    })),
    mishaps: [],
    ownSteps: [],
    pins: [],
    aims: sample.deadline ? [{ id: own('aim'), deadline: sample.deadline }] : [],
    weathering: sample.life ? [{ id: own('weathering'), life: sample.life, places: {} }] : [],
    brightwork: sample.brightwork.map((line) => {
      const [label, curvature, route] = line.split(';').map((cell) => cell.trim());
      return {
        id: own(`bright-${label!}`),
        partId: own(label!),
        curvature: curvature as Curvature,
        route: route as ChromeRouteId,
      };
    }),
    decals: sample.decals.map((line) => {
      const [key, name, lab, sort, code] = line.split(';').map((cell) => cell.trim());
      const [L, a, b] = lab!.split(' ').map(Number);
      return {
        id: own(`decal-${key!}`),
        name: name!,
        lab: { L: L!, a: a!, b: b! },
        transparent: sort === 'ink',
        codeId: code ?? null,
      };
    }),
  };
}

/** How a run is led, with its parts by their numbers. */
function ledAs(
  led: NonNullable<SampleKit['led']>[number] | undefined,
  own: (id: string) => string,
): Partial<Run> {
  if (!led) return {};
  const { past = '', ...said } = led;
  const parts = past
    .split(';')
    .map((cell) => cell.trim().split(' '))
    .filter(([id]) => id !== '')
    .map(([id, side]) => ({ partId: own(id!), side: side as PastPart['side'] }));
  return { ...said, ...(parts.length > 0 ? { past: parts } : {}) };
}
