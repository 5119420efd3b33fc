import type { Hole, Panel } from '../../detail/index.ts';
import type { LiveryView } from '../../kit/index.ts';
import { boxAround, readOutline, type Box, type Ring } from '../geometry/readOutline.ts';

/** x forward from the front, y left from the middle, z up from the lowest of the side view; mm on the model. */
export interface ModelSize {
  lengthMm: number;
  widthMm: number;
  heightMm: number;
}

export interface Shell {
  size: ModelSize;
  panels: Panel[];
  /** What no view shows, and is taken as closed or guessed. */
  unknown: ('top' | 'width')[];
}

/** A shell is cut into so many slices along its length. */
const SLICES = 16;
/** What stands upright at the edge of a slice belongs to the next one, mm. */
const INSIDE = 1e-6;
/** A vehicle of which no view shows the width is taken as so wide, by its length. */
const USUAL_WIDTH = 0.4;

interface Through {
  rings: Ring[];
  /** How much light comes through. */
  clear: number;
}

/** What a view lets through: its openings, and parts of it that stand open. */
function holesOf(
  { openings, regions = [] }: LiveryView,
  openPartIds: ReadonlySet<string>,
  glass: number,
): Through[] {
  const through = (path: string, clear: number) => ({ rings: readOutline(path).rings, clear });
  return [
    ...openings.map(({ path }) => through(path, glass)),
    ...regions.flatMap(({ partId, path }) => (openPartIds.has(partId) ? [through(path, 1)] : [])),
  ];
}

/** The span across which rings lie between two places along; undefined where they do not. */
export function spanBetween(
  rings: readonly Ring[],
  from: number,
  to: number,
): readonly [number, number] | undefined {
  const across: number[] = [];
  for (const ring of rings)
    ring.forEach(([x, y], at) => {
      const [nx, ny] = ring[(at + 1) % ring.length]!;
      const [low, high] = [Math.min(x, nx), Math.max(x, nx)];
      if (high < from || low > to) return;
      if (nx === x) {
        across.push(y, ny);
        return;
      }
      for (const place of [Math.max(low, from), Math.min(high, to)])
        across.push(y + ((place - x) / (nx - x)) * (ny - y));
    });
  if (across.length === 0) return undefined;
  return [Math.min(...across), Math.max(...across)];
}

const turned = (rings: readonly Ring[], place: (x: number) => number, rise: (y: number) => number): Ring[] =>
  rings.map((ring) => ring.map(([x, y]) => [place(x), rise(y)] as const));

/** What lets light through from above, laid over the length of the side. */
const lidsOf = (
  view: LiveryView,
  box: Box,
  { lengthMm, widthMm }: ModelSize,
  openPartIds: ReadonlySet<string>,
  glass: number,
): Through[] =>
  holesOf(view, openPartIds, glass).map(({ rings, clear }) => ({
    clear,
    rings: turned(
      rings,
      (x) => ((x - box.x) * lengthMm) / box.width,
      (y) => ((y - box.y - box.height / 2) * widthMm) / box.height,
    ),
  }));

/** A slice of the model along its length, from the front, and how low and high its outline is there. */
interface Slice {
  from: number;
  to: number;
  low: number;
  high: number;
}

function slicesOf(outline: readonly Ring[], lengthMm: number): Slice[] {
  const step = lengthMm / SLICES;
  return Array.from({ length: SLICES }, (_, at) => {
    const [from, to] = [at * step, (at + 1) * step];
    const span = spanBetween(outline, from + INSIDE, to - INSIDE);
    return { from, to, low: span?.[0] ?? 0, high: span?.[1] ?? 0 };
  });
}

/** What of some holes lies in a slice. */
const holesIn = ({ from, to }: Slice, holes: readonly Through[]): Hole[] =>
  holes.flatMap(({ rings, clear }) => {
    const span = spanBetween(rings, from, to);
    return span ? [{ from: [-to, span[0]], to: [-from, span[1]], clear }] : [];
  });

const wallsOf = (slice: Slice, half: number, holes: readonly Through[]): Panel[] =>
  slice.high > slice.low
    ? [-half, half].map((at) => ({
        axis: 'y',
        at,
        from: [-slice.to, slice.low],
        to: [-slice.from, slice.high],
        holes: holesIn(slice, holes),
      }))
    : [];

const roofOf = (slice: Slice, half: number, lids: readonly Through[]): Panel[] =>
  slice.high > slice.low
    ? [
        {
          axis: 'z',
          at: slice.high,
          from: [-slice.to, -half],
          to: [-slice.from, half],
          holes: holesIn(slice, lids),
        },
      ]
    : [];

/** Steps of the roof, and both ends: what stands higher than its neighbour. */
function risersOf(slices: readonly Slice[], half: number): Panel[] {
  const heights = [0, ...slices.map(({ high }) => high), 0];
  const places = [0, ...slices.map(({ to }) => -to)];
  return places.flatMap((at, place): Panel[] => {
    const [before, behind] = [heights[place]!, heights[place + 1]!];
    const [low, high] = [Math.min(before, behind), Math.max(before, behind)];
    return high > low ? [{ axis: 'x', at, from: [-half, low], to: [half, high], holes: [] }] : [];
  });
}

/** The shell of a model as opaque panels with holes, from the views of its livery: sides and roof in slices along its length,
 *  each as high as the side view is there, with the openings of the side and of the top. In a view from the left, and from
 *  above, the front lies to the left. What no view shows is closed. `glass`: the light that openings let through, 0..1; parts
 *  that stand open let all of it through. Undefined where no view shows a side. */
export function shellOf(
  views: readonly LiveryView[],
  {
    openPartIds,
    glass,
    widthMm,
    open = null,
  }: {
    openPartIds: ReadonlySet<string>;
    glass: number;
    widthMm: number | null;
    /** Behind the front, where there is no roof, mm. */
    open?: readonly [number, number] | null;
  },
): Shell | undefined {
  const sideView = views.find(({ side }) => side === 'left') ?? views.find(({ side }) => side === 'right');
  const side = sideView && readOutline(sideView.outline).rings;
  const box = side && boxAround(side);
  if (!sideView || !box || box.width <= 0 || box.height <= 0) return undefined;
  const topView = views.find((view) => view.side === 'top');
  const topBox = topView && boxAround(readOutline(topView.outline).rings);
  const width = widthMm ?? topBox?.height ?? USUAL_WIDTH * box.width;
  const size = { lengthMm: box.width, widthMm: width, heightMm: box.height };
  // From the right the front lies to the right.
  const along = (x: number) => (sideView.side === 'left' ? x - box.x : box.x + box.width - x);
  const up = (y: number) => box.y + box.height - y;
  const outline = turned(side, along, up);
  const holes = holesOf(sideView, openPartIds, glass).map(({ rings, clear }) => ({
    rings: turned(rings, along, up),
    clear,
  }));
  const lids = topView && topBox ? lidsOf(topView, topBox, size, openPartIds, glass) : [];
  const slices = slicesOf(outline, box.width);
  const panels = [
    ...slices.flatMap((slice) => wallsOf(slice, width / 2, holes)),
    ...slices
      .filter(({ from, to }) => !open || (from + to) / 2 <= open[0] || (from + to) / 2 >= open[1])
      .flatMap((slice) => roofOf(slice, width / 2, lids)),
    ...risersOf(slices, width / 2),
  ];
  return {
    size,
    panels,
    unknown: [
      ...(topView ? [] : (['top'] as const)),
      ...(widthMm === null && !topBox ? (['width'] as const) : []),
    ],
  };
}
