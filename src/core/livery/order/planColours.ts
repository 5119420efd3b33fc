import {
  byHandMinutes,
  edgeMask,
  edgeMinutes,
  LIVERY_RATES,
  PRIMER,
  sprayMinutes,
  type ColourBorder,
  type EdgeMask,
  type LiveryColour,
  type LiveryRates,
  type Way,
} from './colourCosts.ts';

export interface ColourQuestion {
  colours: readonly LiveryColour[];
  borders: readonly ColourBorder[];
  rates?: Partial<LiveryRates>;
}

/** One stage: a colour is sprayed, then it is masked for all that still come. */
export interface ColourStage {
  colour: string;
  /** What it goes over: the colour sprayed before it, or the primer. */
  over: string;
  coats: number;
  /** An undercoat goes on first: it would not hide what lies there. */
  undercoat: boolean;
  /** Coats are counted as usual, since nobody knows how it hides. */
  guessed: boolean;
  /** Hours before tape may touch it. */
  waitHours: number;
  /** Its mask for what still comes; empty for the last. */
  mask: { border: string; lengthMm: number; kind: EdgeMask }[];
  coverCm2: number;
  /** How often the mask is laid, since tape may not stay for all that comes. */
  renewals: number;
  minutes: number;
}

export interface ColourPlan {
  stages: ColourStage[];
  /** Colours that come on by hand once the others are done. */
  byHand: { colour: string; way: Way; minutes: number }[];
  minutes: number;
  /** What each colour would add if it came on the other way; null where there is none. */
  otherWay: { colour: string; way: Way; more: number | null }[];
}

/** Most colours of one body. */
export const MOST_COLOURS = 14;

/** A colour plan in small whole numbers: colours by place, sets as bits. */
interface Indexed {
  colours: readonly LiveryColour[];
  rates: LiveryRates;
  /** Minutes of all borders between two colours. */
  edges: number[][];
  /** Spraying a colour over another; the last column is the primer. */
  spray: number[][];
  byHand: { way: Way; minutes: number }[];
}

function indexed({ colours, borders, rates: own }: ColourQuestion): Indexed {
  const rates = { ...LIVERY_RATES, ...own };
  requireSound(colours, borders, rates);
  const at = new Map(colours.map(({ id }, place) => [id, place]));
  const edges = colours.map(() => colours.map(() => 0));
  const edgeMm = colours.map(() => 0);
  for (const border of borders) {
    const [a, b] = [at.get(border.a)!, at.get(border.b)!];
    const minutes = edgeMinutes(border, rates);
    edges[a]![b]! += minutes;
    edges[b]![a]! += minutes;
    edgeMm[a]! += border.lengthMm;
    edgeMm[b]! += border.lengthMm;
  }
  return {
    colours,
    rates,
    edges,
    spray: colours.map((colour) =>
      [...colours.map(({ id }) => id), PRIMER].map((under) => sprayMinutes(colour, under, rates)),
    ),
    byHand: colours.map((colour, place) => byHandMinutes(colour, edgeMm[place]!, rates)),
  };
}

function requireSound(
  colours: readonly LiveryColour[],
  borders: readonly ColourBorder[],
  rates: LiveryRates,
): void {
  if (colours.length > MOST_COLOURS)
    throw new RangeError(`${colours.length} colours on one body are more than ${MOST_COLOURS}.`);
  const ids = new Set(colours.map(({ id }) => id));
  if (ids.size < colours.length) throw new RangeError('A colour is named twice.');
  for (const { id, areaCm2, ways } of colours) {
    if (!(areaCm2 >= 0 && Number.isFinite(areaCm2)))
      throw new RangeError(`The area of “${id}” is ${areaCm2} cm²: give 0 or more.`);
    if (ways.length === 0) throw new RangeError(`“${id}” can come on in no way: allow one.`);
  }
  for (const { a, b, lengthMm } of borders) {
    if (!ids.has(a) || !ids.has(b) || a === b)
      throw new RangeError(`A border lies between two colours; “${a}” and “${b}” are not two of these.`);
    if (!(lengthMm >= 0 && Number.isFinite(lengthMm)))
      throw new RangeError(`The border of “${a}” and “${b}” is ${lengthMm} mm long: give 0 or more.`);
  }
  if (!(rates.tapeStaysHours > 0)) throw new RangeError('Tape may stay for some hours: give more than 0.');
}

/** How often the mask of a colour is laid while the colours of a set are sprayed after it: tape may stay only so long, and
 *  each of them is waited for before tape touches it. */
function renewalsFor({ colours, rates }: Indexed, later: number): number {
  let hours = 0;
  for (let j = 0; j < colours.length; j++) if (later & (1 << j)) hours += colours[j]!.tapeAfterHours;
  return later === 0 ? 0 : Math.max(1, Math.ceil(hours / rates.tapeStaysHours - 1e-9));
}

/** Minutes of a colour that is sprayed over another, and masked for a set of colours that come after it. */
function stageMinutes(of: Indexed, j: number, under: number, later: number): number {
  const { colours, rates, edges, spray } = of;
  const { areaCm2, tapeAfterHours } = colours[j]!;
  const minutes = spray[j]![under]!;
  if (later === 0) return minutes;
  let edge = 0;
  for (let k = 0; k < colours.length; k++) if (later & (1 << k)) edge += edges[j]![k]!;
  const once = edge + rates.beginCover + rates.cover * areaCm2;
  return minutes + renewalsFor(of, later) * once + rates.waitHour * tapeAfterHours;
}

/** The way of least work to bring several colours onto one body: which are sprayed and in what order, and which come on by
 *  hand at the end. Exact over all orders and ways by dynamic programming over the set of colours still to come and the one
 *  that lies uppermost (Held and Karp 1962). Each colour is sprayed over everything that is not masked; it is then masked
 *  for what still comes. Minutes of hands; throws RangeError for what cannot be. */
export function planColours(question: ColourQuestion): ColourPlan {
  const of = indexed(question);
  const { colours, byHand } = of;
  const n = colours.length;
  const full = (1 << n) - 1;
  const { cost, next } = leastFrom(of);
  const handOf = (sprayed: number): number => {
    let sum = 0;
    for (let j = 0; j < n; j++) if (!(sprayed & (1 << j))) sum += byHand[j]!.minutes;
    return sum;
  };
  const total = (sprayed: number) => cost[sprayed * (n + 1) + n]! + handOf(sprayed);
  const least = (where: (sprayed: number) => boolean): number => {
    let best = -1;
    for (let sprayed = 0; sprayed <= full; sprayed++)
      if (where(sprayed) && (best < 0 || total(sprayed) < total(best) - 1e-9)) best = sprayed;
    return best;
  };
  const chosen = least(() => true);
  const minutes = total(chosen);
  if (!Number.isFinite(minutes))
    throw new RangeError('Some colour can come on in no way that is open to it.');
  const order: number[] = [];
  for (let left = chosen, under = n; left > 0;) {
    const j = next[left * (n + 1) + under]!;
    order.push(j);
    left &= ~(1 << j);
    under = j;
  }
  return {
    stages: stagesOf(of, question.borders, order),
    byHand: colours.flatMap(({ id }, j) => (chosen & (1 << j) ? [] : [{ colour: id, ...byHand[j]! }])),
    minutes,
    otherWay: colours.map(({ id, ways }, j) => {
      const isSprayed = (chosen & (1 << j)) !== 0;
      const other = least((sprayed) => ((sprayed & (1 << j)) !== 0) !== isSprayed);
      const more = other < 0 ? Infinity : total(other) - minutes;
      const way = isSprayed ? byHand[j]!.way : 'spray';
      const isOpen = ways.includes(way) && Number.isFinite(more);
      return { colour: id, way, more: isOpen ? more : null };
    }),
  };
}

/** Least minutes from each set of colours still to spray and each one lying uppermost, and the colour to begin with. */
function leastFrom(of: Indexed): { cost: Float64Array; next: Int8Array } {
  const n = of.colours.length;
  const size = (1 << n) * (n + 1);
  const cost = new Float64Array(size).fill(Infinity);
  const next = new Int8Array(size).fill(-1);
  for (let under = 0; under <= n; under++) cost[under] = 0;
  for (let left = 1; left < 1 << n; left++)
    for (let j = 0; j < n; j++) {
      if (!(left & (1 << j)) || !of.colours[j]!.ways.includes('spray')) continue;
      const later = left & ~(1 << j);
      const after = cost[later * (n + 1) + j]!;
      // What lies under it changes only how it is sprayed.
      const masked = stageMinutes(of, j, n, later) - of.spray[j]![n]! + after;
      for (let under = 0; under <= n; under++) {
        if (under < n && left & (1 << under)) continue;
        const minutes = masked + of.spray[j]![under]!;
        const at = left * (n + 1) + under;
        if (minutes < cost[at]! - 1e-12) {
          cost[at] = minutes;
          next[at] = j;
        }
      }
    }
  return { cost, next };
}

function stagesOf(of: Indexed, borders: readonly ColourBorder[], order: readonly number[]): ColourStage[] {
  const { colours, rates } = of;
  return order.map((j, at) => {
    const { id, areaCm2, tapeAfterHours, over } = colours[j]!;
    const under = at === 0 ? colours.length : order[at - 1]!;
    const underId = colours[under]?.id ?? PRIMER;
    const laterIds = new Set(order.slice(at + 1).map((k) => colours[k]!.id));
    const later = order.slice(at + 1).reduce((bits, k) => bits | (1 << k), 0);
    const known = over[underId];
    // What is masked alike towards the same colour is told once.
    const mask = new Map<string, ColourStage['mask'][number]>();
    for (const border of borders) {
      const other = border.a === id ? border.b : border.b === id ? border.a : undefined;
      if (other === undefined || !laterIds.has(other)) continue;
      const kind = edgeMask(border, rates);
      const key = `${other} ${kind}`;
      mask.set(key, { border: other, kind, lengthMm: (mask.get(key)?.lengthMm ?? 0) + border.lengthMm });
    }
    return {
      colour: id,
      over: underId,
      coats: known?.coats ?? rates.usualCoats,
      undercoat: known?.undercoat ?? false,
      guessed: !known,
      waitHours: later === 0 ? 0 : tapeAfterHours,
      mask: [...mask.values()],
      coverCm2: later === 0 ? 0 : areaCm2,
      renewals: renewalsFor(of, later),
      minutes: stageMinutes(of, j, under, later),
    };
  });
}

/** Minutes of a builder's own order; colours that it does not name come on by hand. Throws RangeError for a colour that is
 *  not one of these, is named twice, or cannot be sprayed. */
export function minutesOfOrder(question: ColourQuestion, order: readonly string[]): number {
  const of = indexed(question);
  const places = order.map((id) => of.colours.findIndex((colour) => colour.id === id));
  const wrong = order.find(
    (id, at) =>
      places[at]! < 0 || order.indexOf(id) !== at || !of.colours[places[at]!]!.ways.includes('spray'),
  );
  if (wrong !== undefined) throw new RangeError(`“${wrong}” is no colour to spray here, or is named twice.`);
  const sprayed = places.reduce((sum, j, at) => {
    const later = places.slice(at + 1).reduce((bits, k) => bits | (1 << k), 0);
    return sum + stageMinutes(of, j, at === 0 ? of.colours.length : places[at - 1]!, later);
  }, 0);
  return of.byHand.reduce((sum, { minutes }, j) => (places.includes(j) ? sum : sum + minutes), sprayed);
}
