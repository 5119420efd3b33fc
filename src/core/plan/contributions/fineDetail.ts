import { figure } from '../../figures.ts';
import {
  auditOf,
  chainOf,
  counted,
  flatOf,
  laceOf,
  PATTERN_FACTS,
  type DriveChain,
  type Gauge,
  type Kit,
  type Pattern,
  type WireWheel,
} from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { trayTask, type DividedKit, type PlanContribution, type TrayTask } from '../contribution.ts';
import { faultOf } from './harnesses.ts';

/** Minutes at the bench; working values. */
const MINUTES = { wheel: 10, spoke: 1.5, chain: 8, link: 0.4, pattern: 6, piece: 4 };
/** Work that takes longer than a sitting is put down and taken up again. */
const SITTING = 90;

interface Detail {
  /** The drawer in which it is made. */
  page: 'wheels' | 'chains' | 'patterns' | 'thickness';
  id: string;
  name: string;
  partId: string | null;
  /** Null where it is still to be decided. */
  way?: string | null;
}

/** What is made of wire, links and foil in a kit. */
const detailsOf = (kit: Kit): (Detail & { work: (scale: number) => unknown })[] => [
  ...kit.wheels.map((wheel) => ({
    ...wheel,
    page: 'wheels' as const,
    work: (scale: number) => laceOf(wheel, scale),
  })),
  ...kit.chains.map((chain) => ({
    ...chain,
    page: 'chains' as const,
    work: (scale: number) => chainOf(chain, scale),
  })),
  ...kit.patterns.map((pattern) => ({ ...pattern, page: 'patterns' as const, work: () => flatOf(pattern) })),
  ...kit.gauges.map((gauge) => ({
    ...gauge,
    page: 'thickness' as const,
    work: (scale: number) => auditOf(gauge, kit, scale),
  })),
];

/** What of it is open: it names no part, cannot be made as it stands, or nobody decided it. */
export const openDetails = ({ kit, scale }: Pick<DividedKit, 'kit' | 'scale'>): number =>
  detailsOf(kit).filter(
    ({ partId, way, work }) => partId === null || way === null || faultOf(() => work(scale)) !== undefined,
  ).length;

type Made = Pick<TrayTask, 'title' | 'minutes' | 'because' | 'details'>;

function laced(wheel: WireWheel, scale: number): Made {
  const { lacing, wire } = laceOf(wheel, scale);
  const crossed = wheel.crosses === 0 ? 'radial' : `${wheel.crosses}-cross`;
  return {
    title: `Lace ${wheel.count > 1 ? `${wheel.count} × ` : ''}${wheel.name.toLowerCase()}`,
    minutes: wheel.count * (MINUTES.wheel + MINUTES.spoke * wheel.spokes),
    because: 'Moulded spokes are thicker than wire, and laced ones go in once rim and hub are finished.',
    details: [
      `${wheel.spokes} spokes each, ${crossed}, of ${figure(wire.wireMm, 'mm')} wire`,
      `each ${figure(lacing.spokeMm, 'mm', 1)} between its holes, both ends turned in`,
      ...(wire.drillMm === undefined ? [] : [`holes ${figure(wire.drillMm, 'mm')}`]),
      'on the printed jig: those that lean back first, then those that cross over them',
    ],
  };
}

function chained(chain: DriveChain, scale: number): Made {
  const { links, sagMm, pitchMm } = chainOf(chain, scale);
  return {
    title: `Fit ${chain.name.toLowerCase()}`,
    minutes: chain.count * (MINUTES.chain + MINUTES.link * links),
    because: 'A chain goes on once both sprockets sit where they stay.',
    details: [
      `${links} links of ${figure(pitchMm, 'mm')}, one of them the joining link, its closed end forward`,
      `hangs ${figure(sagMm, 'mm', 1)} in the middle of its slack run`,
    ],
  };
}

function wrapped(pattern: Pattern): Made {
  const { pieces } = flatOf(pattern);
  return {
    title: `Cut and lay ${pattern.count > 1 ? `${pattern.count} × ` : ''}${pattern.name.toLowerCase()}`,
    minutes:
      pattern.count * (MINUTES.pattern + MINUTES.piece * pieces.reduce((sum, { count }) => sum + count, 0)),
    because: 'Laid in the flat it is cut once and meets at its seam.',
    details: [
      `${PATTERN_FACTS[pattern.shape].name} from ${pattern.material}: ${pieces.map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)).join(', ')}`,
      'print at exact size and measure the bar; the seam goes to the side that nobody sees',
      ...(pattern.material === 'foil' ? ['burnish from the middle outward'] : []),
    ],
  };
}

const THINNING = { start: 6, perTenth: 4, replace: 15 };

/** What was decided about a part that is too thick; undefined where it is left as it is. */
function thinned(gauge: Gauge, kit: Kit, scale: number): Made | undefined {
  const { takeOffMm, trueMm, instead } = auditOf(gauge, kit, scale);
  const name = gauge.name.toLowerCase();
  const because = 'Thick edges give the scale away, and bare plastic is the only time to take them down.';
  if (gauge.way === 'replace')
    return {
      title: `Make thinner: ${name}`,
      minutes: THINNING.replace,
      because,
      details: [
        `true to scale ${figure(trueMm, 'mm')}`,
        instead
          ? `from ${instead.clear ? 'clear ' : ''}${instead.form}, ${instead.mm} mm; the old part is its template`
          : 'from what is thin enough; the old part is its template',
      ],
    };
  if (gauge.way !== 'thin' && gauge.way !== 'edges') return undefined;
  return {
    title: `${gauge.way === 'edges' ? 'Thin the edges' : 'Thin'}: ${name}`,
    minutes: THINNING.start + THINNING.perTenth * 10 * takeOffMm,
    because,
    details: [
      `take off ${figure(takeOffMm, 'mm')} from behind, of ${figure(gauge.measuredMm, 'mm')}`,
      gauge.way === 'edges'
        ? 'bevel towards the edge that is seen'
        : 'scrape crosswise, hold it to the light often',
    ],
  };
}

/** Fine work on a sub-assembly, cut into sittings. */
function tasksOn(
  kind: 'detail' | 'thin',
  trayId: string,
  id: string,
  { minutes, title, ...made }: Made,
): TrayTask[] {
  const sittings = Math.max(1, Math.ceil(minutes / SITTING));
  return Array.from({ length: sittings }, (_, at) =>
    trayTask(kind, trayId, {
      ...made,
      id: sittings === 1 ? id : `${id}-${at + 1}`,
      title: sittings === 1 ? title : `${title} (${at + 1} of ${sittings})`,
      minutes: minutes / sittings,
    }),
  );
}

/** All of it that names its part and can be made as it stands. */
export function madeOf(
  kit: Kit,
  scale: number,
): (Made & { id: string; partId: string; kind: 'detail' | 'thin' })[] {
  const of = <T extends { id: string; partId: string | null }>(
    kind: 'detail' | 'thin',
    word: string,
    all: readonly T[],
    make: (each: T) => Made | undefined,
  ) =>
    all.flatMap((each) => {
      const { id, partId } = each;
      if (partId === null || faultOf(() => make(each)) !== undefined) return [];
      const made = make(each);
      return made ? [{ ...made, id: `${word}-${id}`, partId, kind }] : [];
    });
  return [
    ...of('thin', 'thin', kit.gauges, (gauge) => thinned(gauge, kit, scale)),
    ...of('detail', 'wheel', kit.wheels, (wheel) => laced(wheel, scale)),
    ...of('detail', 'chain', kit.chains, (chain) => chained(chain, scale)),
    ...of('detail', 'pattern', kit.patterns, wrapped),
  ];
}

const trayTasks = ({ kit, scale, trayOf, version: { used } }: DividedKit): TrayTask[] =>
  madeOf(kit, scale).flatMap(({ id, partId, kind, ...made }): TrayTask[] => {
    const trayId = used.has(partId) ? trayOf.get(partId) : undefined;
    return trayId === undefined ? [] : tasksOn(kind, trayId, id, made);
  });

/** Wheels that are laced, chains, what is cut in the flat, and what is thinned. */
export const fineDetail: PlanContribution = {
  id: 'fine-detail',
  trayTasks,

  needs({ kit, scale, version: { used }, material }) {
    const isBuilt = ({ partId }: { partId: string | null }) => partId === null || used.has(partId);
    const wheels = kit.wheels.filter(
      (wheel) => isBuilt(wheel) && faultOf(() => laceOf(wheel, scale)) === undefined,
    );
    const patterns = new Set(kit.patterns.filter(isBuilt).map((pattern) => pattern.material));
    return [
      ...wheels.map((wheel) => {
        const { lacing, wire } = laceOf(wheel, scale);
        return material(
          `wire-${wire.wireMm}`,
          `wire, ${wire.wireMm} mm`,
          `${counted(wheel.count * wheel.spokes, 'spoke')} of ${wheel.name.toLowerCase()}: ${Math.ceil(wheel.count * lacing.wireMm)} mm in all`,
          { substitute: 'stretched sprue of that diameter', looks: 'it sags in warm light' },
        );
      }),
      ...(patterns.has('foil')
        ? [
            material('bare-metal-foil', 'adhesive metal foil', 'patterns in the flat', {
              substitute: 'kitchen foil with a thin adhesive',
              looks: 'it creases sooner',
            }),
          ]
        : []),
    ];
  },

  kitAdvice: ({ kit, scale, trayOf }) =>
    detailsOf(kit).flatMap(({ page, id, name, partId, work }): KitAdvice[] => {
      const fault = faultOf(() => work(scale));
      const trayId = partId === null ? undefined : trayOf.get(partId);
      if (fault === undefined || trayId === undefined) return [];
      return [
        {
          rule: 'detail-wrong',
          subject: `${page} ${id}`,
          severity: 'warn',
          about: { trays: [trayId], parts: [partId!] },
          text: `Cannot be made as it stands: ${name}`,
          why: fault,
          remedy: 'Mend its sizes; until then the plan leaves it out.',
          stage: 'detail',
          page,
          at: { trays: [trayId], joins: [], kinds: ['clean', 'primer', 'colour', 'metal'], once: true },
        },
      ];
    }),
};
