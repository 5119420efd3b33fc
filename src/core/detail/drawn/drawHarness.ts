import type { Place } from '../ignition/cylinders.ts';
import type { IgnitionPlan, IgnitionSource } from '../ignition/planIgnition.ts';
import { circleLine, framed, type DrawnPoint, type FlatDrawing } from './flatDrawing.ts';

/** A drawing to read by is so wide, mm; a cap so large. */
const READABLE_MM = 110;
const CAP_MM = 22;
/** A plug, and how far from it its number stands. */
const PLUG_MM = 1.6;
const NUMBER_MM = 6;

/** The caps, numbered as their towers feed the cylinders, as seen from outside: front (or top) upward. */
export function drawCaps({ leads }: IgnitionPlan, source: IgnitionSource): FlatDrawing | undefined {
  if (source.kind === 'coil-per-plug') return undefined;
  const caps = [...new Set(leads.map(({ cap }) => cap))];
  const lines: FlatDrawing['lines'] = [];
  const labels: FlatDrawing['labels'] = [];
  for (const [place, cap] of caps.entries()) {
    const centre: DrawnPoint = [place * 3.2 * CAP_MM, 0];
    const at = (degrees: number, radius: number): DrawnPoint => {
      const turn = (degrees * Math.PI) / 180;
      return [centre[0] + radius * Math.sin(turn), centre[1] - radius * Math.cos(turn)];
    };
    lines.push(circleLine('line', centre, CAP_MM));
    for (const { cylinder, towerDeg, tower } of leads.filter((lead) => lead.cap === cap)) {
      lines.push(circleLine('line', at(towerDeg, 0.72 * CAP_MM), 3));
      labels.push({ at: at(towerDeg, 0.72 * CAP_MM), text: String(cylinder), mm: 3 });
      if (tower === 0) lines.push(circleLine('thin', at(towerDeg, 0.72 * CAP_MM), 3.8));
    }
    const sense = source.rotor === 'clockwise' ? 1 : -1;
    const sweep = Array.from({ length: 25 }, (_, step) => at(source.firstDeg + sense * (20 + step * 8), 8));
    const end = source.firstDeg + sense * 212;
    lines.push(
      { kind: 'thin', points: sweep },
      { kind: 'thin', points: [at(end - sense * 14, 10.5), at(end, 8), at(end - sense * 14, 5.5)] },
    );
    labels.push({ at: [centre[0], -CAP_MM - 5], text: source.lies ? 'top' : 'front', mm: 3 });
    if (caps.length > 1) labels.push({ at: [centre[0], CAP_MM + 5], text: `cap ${cap}`, mm: 3 });
  }
  return framed({ id: 'cap', lines, labels }, 3);
}

/** The engine with its plugs by number and every lead along its way, enlarged: from above with the front upward, or from the
 *  front where the cylinders stand in a ring. */
export function drawEngine({ cylinders, leads }: IgnitionPlan): FlatDrawing {
  const isRing =
    cylinders.length > 1 && new Set(cylinders.map(({ plug }) => plug[0])).size === 1 && isRound(cylinders);
  // From above the engine's left is to the left; from the front it is to the right.
  const seen = ([x, y, z]: Place): DrawnPoint => (isRing ? [y, -z] : [-y, -x]);
  const points = [...cylinders.map(({ plug }) => plug), ...leads.flatMap(({ route }) => route)].map(seen);
  const span = (axis: 0 | 1) =>
    Math.max(...points.map((each) => each[axis])) - Math.min(...points.map((each) => each[axis]));
  const zoom = READABLE_MM / Math.max(span(0), span(1), 1e-6);
  const scaled = (place: Place): DrawnPoint => {
    const [x, y] = seen(place);
    return [x * zoom, y * zoom];
  };
  const plugs = cylinders.flatMap(({ plug }) => circleLine('line', scaled(plug), PLUG_MM));
  const routes = leads.map(({ route }) => ({ kind: 'line' as const, points: route.map(scaled) }));
  const top = Math.min(...points.map(([, y]) => y * zoom));
  const middle = points.reduce((sum, [x]) => sum + x * zoom, 0) / points.length;
  return framed(
    {
      id: 'engine',
      lines: [...plugs, ...routes],
      labels: [
        ...cylinders.map(({ number, plug }) => ({
          at: beyond(scaled(plug), leads.find(({ cylinder }) => cylinder === number)?.route.at(-2), scaled),
          text: String(number),
          mm: 4,
        })),
        {
          at: [middle, top - 2 * NUMBER_MM - 3],
          text: isRing ? 'from the front, top up' : 'from above, front up',
          mm: 3,
        },
      ],
    },
    3,
  );
}

/** Beside a plug, on the side away from its lead. */
function beyond(
  [x, y]: DrawnPoint,
  from: Place | undefined,
  scaled: (place: Place) => DrawnPoint,
): DrawnPoint {
  const [fx, fy] = from ? scaled(from) : [x - 1, y];
  const length = Math.hypot(x - fx, y - fy) || 1;
  return [x + (NUMBER_MM * (x - fx)) / length, y + (NUMBER_MM * (y - fy)) / length];
}

const isRound = (cylinders: IgnitionPlan['cylinders']) => cylinders.every(({ bank }) => bank === 'only');
