import type { Conditions, Product, Stack, StackLayer } from '../../finish/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import type { Kit, PlannedLayer } from '../../kit/index.ts';
import { planBench } from '../bench/planBench.ts';
import type { BenchPaint, LoggedStep, PlanRequest, PlanView } from '../bench/request.ts';
import type { BenchCalendar } from '../calendar.ts';
import type { Join } from '../../kit/index.ts';
import { summariseKit } from '../kitSummary.ts';

/** A small bench on which one mistake waits: one build, as few parts as show it. */
export interface TrapBench {
  kit: Partial<Kit>;
  trays: {
    id: string;
    name: string;
    partIds: string[];
    layers?: StackLayer[];
    substrateId?: string;
    areaCm2?: number;
    pieces?: number;
  }[];
  joins?: (Pick<Join, 'id' | 'name' | 'trayIds'> & Partial<Join>)[];
  conditions?: Conditions;
  /** Evenings, where not every one of two hours and a half. */
  sessions?: BenchCalendar['sessions'];
  forecast?: BenchCalendar['forecast'];
  lessons?: PlanRequest['snapshot']['lessons'];
  materials?: PlanRequest['snapshot']['materials'];
  steps?: LoggedStep[];
  /** What is left of every paint, ml; null for none on the shelf. */
  levelMl?: number | null;
  scale?: number;
}

/** A Tuesday at 19:00 by the local clock, minutes since 1970. */
export const TRAP_NOW = new Date(2026, 4, 12, 19).getTime() / 60000;
export const EVERY_EVENING = Array.from({ length: 7 }, (_, day) => ({
  day,
  start: 19 * 60,
  end: 21 * 60 + 30,
}));

const paintOf = (
  { id, name, family, sheen, flakeUm, optics }: Product,
  levelMl: number | null,
): BenchPaint => ({
  id,
  name,
  family,
  sheen,
  flakeUm: flakeUm ?? null,
  k: optics.k,
  s: optics.s,
  range: 'shelf',
  levelMl,
});

/** The layer as a builder chose it, with the paints that it takes; a cup of two chemistries takes two. */
function chosen(layer: StackLayer, levelMl: number | null): { planned: PlannedLayer; paints: BenchPaint[] } {
  const { product, ...rest } = layer;
  if (!product) return { planned: rest, paints: [] };
  const families = [...new Set(product.cupFamilies ?? [product.family])];
  const paints =
    families.length > 1
      ? families.map((family) => paintOf({ ...product, id: `${product.id} ${family}`, family }, levelMl))
      : product.id.startsWith('generic-')
        ? []
        : [paintOf(product, levelMl)];
  const ids = paints.length > 0 ? paints.map(({ id }) => id) : [product.id];
  return { planned: { ...rest, mix: Object.fromEntries(ids.map((id) => [id, 1])) }, paints };
}

/** The plan of such a bench, with all that is said of it. */
export const planOfTrap = (bench: TrapBench): PlanView => planBench(requestOfTrap(bench));

/** What is asked of the plan of such a bench. */
export function requestOfTrap(bench: TrapBench): PlanRequest {
  const { levelMl = 100, joins = [], scale = 24 } = bench;
  const kit = kitWith(bench.kit);
  const paints = new Map<string, BenchPaint>();
  const trays = bench.trays.map((tray, position) => {
    const { id, name, partIds, layers = [], substrateId = 'styrene-white', areaCm2 = 40, pieces = 1 } = tray;
    const parts = partIds.map((part, at) => ({
      id: part,
      frame: 'A',
      number: part,
      name: kit.parts.find((each) => each.id === part)?.name ?? part,
      count: at === 0 ? pieces : 1,
    }));
    const planned = layers.map((layer) => {
      const of = chosen(layer, levelMl);
      for (const paint of of.paints) paints.set(paint.id, paint);
      return of.planned;
    });
    return { id, name, parts, substrateId, areaCm2, layers: planned, codeId: null, position };
  });
  const whole = joins.map((join): Join => ({
    afterJoinIds: [],
    minutes: 10,
    adhesive: '',
    setMinutes: 60,
    ...join,
  }));
  const division = whole.map(({ id, trayIds }) => ({ id, trayIds, jointIds: [] }));
  const build = {
    id: 'b',
    name: 'A build',
    subject: '',
    position: 0,
    scale,
    trays,
    joins: whole,
    kit: summariseKit(kit, bench.trays, division, scale),
  };
  return {
    now: TRAP_NOW,
    brief: true,
    paints: [...paints.values()],
    codes: [],
    snapshot: {
      settings: {
        conditions: bench.conditions ?? { temperatureC: 20, humidity: 50 },
        calendar: {
          sessions: bench.sessions ?? EVERY_EVENING,
          closed: [],
          ...(bench.forecast ? { forecast: bench.forecast } : {}),
        },
        preferences: {},
      },
      builds: [build],
      lessons: bench.lessons ?? [],
      materials: bench.materials ?? [],
      steps: bench.steps ?? [],
      plan: { fingerprint: '', starts: {}, finish: 0, bound: 0, setupMinutes: 0, proved: false },
    },
  };
}

/** A bench whose only trouble is in one stack. */
export const benchOfStack = ({ layers, substrate, areaCm2, scale, pieces = 1 }: Stack): TrapBench => ({
  kit: {},
  scale,
  trays: [{ id: 't', name: 'Panel', partIds: ['A1'], layers, substrateId: substrate.id, areaCm2, pieces }],
});

/** The same bench in other words and another order: names by some rule, lists backwards. */
export function reworded(bench: TrapBench, nameOf: (name: string, at: number) => string): TrapBench {
  const { parts = [], joints = [] } = bench.kit;
  return {
    ...bench,
    kit: {
      ...bench.kit,
      parts: parts.map((part, at) => ({ ...part, name: nameOf(part.name, at) })).reverse(),
      joints: [...joints].reverse(),
    },
    trays: bench.trays.map((tray, at) => ({ ...tray, name: nameOf(tray.name, at + 50) })).reverse(),
    ...(bench.joins
      ? { joins: bench.joins.map((join, at) => ({ ...join, name: nameOf(join.name, at + 80) })).reverse() }
      : {}),
  };
}
