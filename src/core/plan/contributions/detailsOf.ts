import { figure } from '../../figures.ts';
import {
  auditOf,
  chainOf,
  flatOf,
  laceOf,
  PATTERN_FACTS,
  type Belt,
  type Carpet,
  type Dressing,
  type DriveChain,
  type Effect,
  type Gauge,
  type InstrumentPanel,
  type Kit,
  type Lamp,
  type Pattern,
  type Seat,
  type WireWheel,
} from '../../kit/index.ts';
import { worked, type Worked } from '../../worked.ts';
import { beltMade, carpetMade } from './cloth.ts';
import { dressed, drilledDisc } from './dressed.ts';
import { effectMade, lampMade } from './effects.ts';
import type { Made } from './made.ts';
import { overlayMade, panelMade } from './panels.ts';
import { seatPacked } from './seats.ts';

/** Minutes at the bench; working values. */
const MINUTES = { wheel: 10, spoke: 1.5, chain: 8, link: 0.4, pattern: 6, piece: 4 };

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

/** Something made of wire, links, foil or sheet, or thinned, as far as it can be made. */
export interface Detail {
  /** The drawer in which it is decided. */
  page:
    | 'wheels'
    | 'chains'
    | 'patterns'
    | 'thickness'
    | 'dressed'
    | 'panel'
    | 'carpet'
    | 'belts'
    | 'seats'
    | 'effects'
    | 'lamps';
  kind: 'detail' | 'thin' | 'drill';
  /** Of its step. */
  id: string;
  /** Of what it is made from; one may ask for two steps. */
  recordId: string;
  name: string;
  partId: string | null;
  isDecided: boolean;
  /** Its step, undefined where none is wanted; or what is wrong with it. */
  made: Worked<Made | undefined>;
}

/** Worked out once for each kit: steps, words and counts of one plan all ask for it. A kit is never changed in place. */
const kept = new WeakMap<Kit, { scale: number; details: readonly Detail[] }>();

/** All of it in a kit, at a scale of 1 to `scale`. */
export function detailsOf(kit: Kit, scale: number): readonly Detail[] {
  const known = kept.get(kit);
  if (known?.scale === scale) return known.details;
  const details = madeFrom(kit, scale);
  kept.set(kit, { scale, details });
  return details;
}

function madeFrom(kit: Kit, scale: number): Detail[] {
  const of =
    <T extends { id: string; name: string; partId: string | null }>(
      page: Detail['page'],
      word: string,
      make: (each: T) => Made | undefined,
      kind: Detail['kind'] = 'detail',
    ) =>
    (each: T): Detail => ({
      page,
      kind,
      id: `${word}-${each.id}`,
      recordId: each.id,
      name: each.name,
      partId: each.partId,
      isDecided: true,
      made: worked(() => make(each)),
    });
  return [
    ...kit.gauges.map((gauge) => ({
      ...of('thickness', 'thin', (each: Gauge) => thinned(each, kit, scale), 'thin')(gauge),
      isDecided: gauge.way !== null,
    })),
    ...kit.wheels.map(of('wheels', 'wheel', (wheel: WireWheel) => laced(wheel, scale))),
    ...kit.chains.map(of('chains', 'chain', (chain: DriveChain) => chained(chain, scale))),
    ...kit.patterns.map(of('patterns', 'pattern', wrapped)),
    ...kit.carpets.map(of('carpet', 'carpet', (carpet: Carpet) => carpetMade(carpet, kit))),
    ...kit.belts.map(of('belts', 'belt', (belt: Belt) => beltMade(belt, scale))),
    ...kit.seats.map(of('seats', 'seat', (seat: Seat) => seatPacked(seat, kit, scale))),
    ...kit.effects.map(of('effects', 'effect', (effect: Effect) => effectMade(effect, kit, scale))),
    ...kit.lamps.map(of('lamps', 'lamp', (lamp: Lamp) => lampMade(lamp))),
    ...kit.panels.flatMap((panel) => [
      { ...of('panel', 'panel', panelMade)(panel), isDecided: panel.route !== null },
      of('panel', 'overlay', (each: InstrumentPanel) => overlayMade(each), 'drill')(panel),
    ]),
    ...kit.dressings.flatMap((dressing) => [
      of('dressed', 'dress', (each: Dressing) => dressed(each, kit, scale))(dressing),
      ...(dressing.what === 'disc'
        ? [of('dressed', 'drill-disc', (each: Dressing) => drilledDisc(each, scale), 'drill')(dressing)]
        : []),
    ]),
  ];
}
