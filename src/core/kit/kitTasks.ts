import { CHROME_ROUTE_TABLE, type ChromeRouteId } from '../finish/index.ts';
import { isPaintedLook } from './jointCosts.ts';
import { areaOf, mainFinish, type Joint, type Kit, type Part } from './kit.ts';

export const TASK_KINDS = [
  'straighten',
  'true',
  'fill',
  'drill',
  'dry-fit',
  'glass',
  'bright',
  'wire',
  'plumb',
  'refit',
] as const;
export type TaskKind = (typeof TASK_KINDS)[number];

/** Work on one sub-assembly that its parts and joints ask for, beside cleaning, joining and paint. */
export interface TrayTask {
  id: string;
  kind: TaskKind;
  trayId: string;
  title: string;
  minutes: number;
  /** Minutes to leave it be before what comes next, and why. */
  waitMinutes: number;
  waitBecause: string;
  because: string;
  details: string[];
}

const STRAIGHTEN = { start: 8, perPart: 6, cool: 60 };
const TRUE = { start: 6, perPart: 5 };
const FILL = { start: 10, perSeam: 6, perSink: 4, hard: 6 * 60 };
const FIT = { start: 3, each: 3 };
const GLASS = { start: 6, each: 4 };
const DAY = 24 * 60;
/** Gap, mm, below which film can make a joint bind. */
const CLOSE_FIT = 0.3;
/** What a pin needs to slip through a hole, mm. */
const SLIP_MM = 0.05;
const SHOWN = 6;

/** Names in a list that stays short. */
const few = (names: readonly string[]): string[] =>
  names.length > SHOWN ? [...names.slice(0, SHOWN), `and ${names.length - SHOWN} more`] : [...names];

/** The tasks of every sub-assembly, in the order of work: what is bent, what is filled, what must fit bare, glass,
 *  bright parts on their own way, wires and pipes, what must fit again. `lateJointIds`: joints left for after paint;
 *  `runs`: what wires and pipes ask for. */
export function kitTasks(
  kit: Kit,
  trays: readonly { id: string; partIds: readonly string[] }[],
  lateJointIds: ReadonlySet<string>,
  runs: readonly TrayTask[] = [],
): TrayTask[] {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const name = (id: string) => parts.get(id)?.name ?? id;
  const jointWords = ({ a, b }: Joint) => `${name(a)} to ${name(b).toLowerCase()}`;
  return trays.flatMap(({ id: trayId, partIds }) => {
    const held = partIds.flatMap((id) => parts.get(id) ?? []);
    const ids = new Set(partIds);
    const tasks: TrayTask[] = [];
    const add = (kind: TaskKind, task: Partial<TrayTask> & Pick<TrayTask, 'title' | 'minutes' | 'because'>) =>
      tasks.push({
        id: kind,
        kind,
        trayId,
        waitMinutes: 0,
        waitBecause: 'follows at once',
        details: [],
        ...task,
        minutes: Math.min(90, Math.max(5, Math.round(task.minutes))),
      });

    const bent = held.filter(({ needs }) => needs.includes('warp'));
    if (bent.length > 0) {
      add('straighten', {
        title: 'Straighten',
        minutes: STRAIGHTEN.start + STRAIGHTEN.perPart * bent.length,
        waitMinutes: STRAIGHTEN.cool,
        waitBecause: 'straightened parts must cool, held down, before they are trusted',
        because:
          'A bent part will not lie against its neighbour, and glue only holds the strain for a while.',
        details: [
          ...few(bent.map((part) => part.name)),
          'hot water, not a flame: bend a little past true, hold under cold water, look again on a flat plate',
        ],
      });
    }

    const shifted = held.filter(({ needs }) => needs.includes('pins'));
    if (shifted.length > 0) {
      add('true', {
        title: 'Cut pins, true the faces',
        minutes: TRUE.start + TRUE.perPart * shifted.length,
        because:
          'Pins and holes of worn tools no longer meet: halves slide into register on flat faces instead.',
        details: [
          ...few(shifted.map((part) => part.name)),
          'cut the pins, rub both faces flat on a sheet of abrasive, then look again at what sits on them',
        ],
      });
    }

    const seams = kit.joints.filter(
      ({ id, a, b, seam }) => seam === 'vanish' && ids.has(a) && ids.has(b) && !lateJointIds.has(id),
    );
    const sunk = held.filter(({ needs }) => needs.includes('sink'));
    if (seams.length + sunk.length > 0) {
      add('fill', {
        title: 'Fill and sand',
        minutes: FILL.start + FILL.perSeam * seams.length + FILL.perSink * sunk.length,
        waitMinutes: FILL.hard,
        waitBecause: 'filler shrinks until it is hard; primer over soft filler sinks with it',
        because: 'Seams and sink marks show through every coat, and cannot be mended beneath colour.',
        details: [
          ...few([
            ...seams.map(jointWords),
            ...sunk.map((part) => `sink marks of ${part.name.toLowerCase()}`),
          ]),
          'thin layers; sand 400, 800, 1000 and scribe lines anew where they were lost',
        ],
      });
    }

    const touching = kit.joints.filter(({ id, a, b }) => lateJointIds.has(id) && (ids.has(a) || ids.has(b)));
    const close = touching.filter(
      ({ motion, clearanceMm }) => motion !== 'none' || (clearanceMm !== null && clearanceMm < CLOSE_FIT),
    );
    const places = kit.places.filter(({ partId, throughMm }) => throughMm !== null && ids.has(partId));
    const placeWords = places.map((place) => `${place.name} of ${name(place.partId)}`);
    const fits = [...close.map(jointWords), ...placeWords];
    const untried = close.filter(({ id }) => !kit.fits.some(({ jointId }) => jointId === id));
    // A hole that was measured wide enough need not be tried before paint.
    const unsure = places.filter(({ sizeMm, throughMm }) => sizeMm - throughMm! < SLIP_MM);
    const bare = [
      ...untried.map(jointWords),
      ...unsure.map((place) => `${place.name} of ${name(place.partId)}`),
    ];
    if (bare.length > 0) {
      add('dry-fit', {
        title: 'Dry fit, bare',
        minutes: FIT.start + FIT.each * bare.length,
        because: 'What moves, encloses or aligns is tried bare: every coat thickens both faces.',
        details: [...few(bare), 'tape it together; write down how it fits in the Kit stage'],
      });
    }

    const clear = held.filter((part) => part.material === 'clear');
    if (clear.length > 0 && clear.length === held.length) {
      add('glass', {
        title: 'Polish and dust off',
        minutes: GLASS.start + GLASS.each * clear.reduce((sum, { count }) => sum + count, 0),
        because: 'Dust and prints on the inside are shut in once the glass is fitted.',
        details: [
          ...few(clear.map((part) => part.name)),
          'polish on a soft cloth, wash, dry under a cover; gloves from here on',
        ],
      });
    }

    const ownRuns = runs.filter((task) => task.trayId === trayId);
    tasks.push(...ownRuns.filter(({ kind }) => kind === 'drill'));
    tasks.push(...brightTasks(trayId, held, kit));
    tasks.push(...ownRuns.filter(({ kind }) => kind !== 'drill'));
    // Film on either of two faces is enough.
    const met = [
      ...ids,
      ...close.flatMap(({ a, b }) => [a, b]),
      ...places.flatMap(({ matingPartId }) => matingPartId ?? []),
    ];
    const isPainted = met.some((id) => {
      const part = parts.get(id);
      return part !== undefined && isPaintedLook(mainFinish(part, finishes)?.look ?? 'bare');
    });
    if (fits.length > 0 && isPainted) {
      add('refit', {
        title: 'Fit again after paint',
        minutes: FIT.start + FIT.each * fits.length,
        because: 'Paint has thickened the faces; what binds is scraped now, while it can still be reached.',
        details: [...few(fits), 'no glue yet; the fits sheet says what should be left'],
      });
    }
    return tasks;
  });
}

/** Bright parts that share a sub-assembly with parts of another kind, or go several ways in it: each pinned way is a
 *  step of its own after the paint. Where all parts go one way, that is the stack's business. */
function brightTasks(trayId: string, held: readonly Part[], kit: Kit): TrayTask[] {
  const pinned = new Map(
    kit.brightwork.flatMap(({ partId, route }) => (route ? [[partId, route] as const] : [])),
  );
  const byRoute = new Map<ChromeRouteId, Part[]>();
  for (const part of held) {
    const route = pinned.get(part.id);
    if (route) byRoute.set(route, [...(byRoute.get(route) ?? []), part]);
  }
  const bright = [...byRoute.values()].reduce((sum, { length }) => sum + length, 0);
  if (bright === held.length && byRoute.size < 2) return [];
  return [...byRoute].flatMap(([routeId, parts]): TrayTask[] => {
    const route = CHROME_ROUTE_TABLE.find(({ id }) => id === routeId)!;
    const area = parts.reduce((sum, part) => sum + areaOf(part) * part.count, 0);
    if (routeId === 'keep-plating') return [];
    return [
      {
        id: `bright-${routeId}`,
        kind: 'bright',
        trayId,
        title: `${route.name[0]!.toUpperCase()}${route.name.slice(1)}`,
        minutes: Math.min(120, Math.round(route.minutes[0] + (route.minutes[1] * area) / 10)),
        waitMinutes: Math.round(route.days * DAY),
        waitBecause: `${route.name}: not to be touched for ${route.days} days`,
        because: 'These parts become bright on a way of their own, beside the paint of the rest.',
        details: [...few(parts.map(({ name }) => name)), ...route.cautions],
      },
    ];
  });
}
