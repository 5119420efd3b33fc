import { PANEL_ROUTE_FACTS, type OverlayHole, type OverlayWeb } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import {
  hasOverlay,
  lensesMm3,
  overlayOf,
  panelRoutesOf,
  piecesOf,
  trimOf,
  type InstrumentPanel,
} from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { few, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';
import type { Made } from './made.ts';

/** Minutes at the bench; working values. */
const MINUTES = { template: 6, hole: 1.5, opened: 4, cut: 5, outline: 6, lens: 1 };

const HOLE_MINUTES = {
  drill: MINUTES.hole,
  'open-out': MINUTES.opened,
  cut: MINUTES.cut,
  knife: MINUTES.cut,
};

function holeWords({ name, way, drillMm, offMm, pilotsMm }: OverlayHole): string {
  const pilots = pilotsMm.map((mm) => figure(mm, 'mm')).join(', ');
  const off =
    Math.abs(offMm) < 0.005 ? '' : ` (${figure(Math.abs(offMm), 'mm')} ${offMm > 0 ? 'wide' : 'narrow'})`;
  const drilled = `${pilots === '' ? '' : `${pilots}, then `}${figure(drillMm, 'mm')}`;
  if (way === 'knife') return `${name}: too narrow for a drill, cut through with a new blade`;
  if (way === 'cut') return `${name}: ${figure(drillMm, 'mm')} in each corner, sides cut between them`;
  if (way === 'open-out')
    return `${name}: ${drilled}, opened by ${figure(Math.abs(offMm), 'mm')} with a round file`;
  return `${name}: ${drilled}${off}`;
}

/** The overlay of a panel, opened while it is bare; undefined where the way that is taken has none. Throws RangeError where it cannot
 *  be opened. */
export function overlayMade(panel: InstrumentPanel): Made | undefined {
  if (!hasOverlay(panel)) return undefined;
  const { holes, drillFirst } = overlayOf(panel);
  return {
    title: `Open the overlay of ${panel.name.toLowerCase()}`,
    minutes: MINUTES.template + MINUTES.outline + holes.reduce((sum, { way }) => sum + HOLE_MINUTES[way], 0),
    because:
      'Edges of holes are blackened or silvered before the face is painted, and a web that breaks is found now.',
    details: [
      `template glued on at exact size, sheet of ${figure(panel.gaugeMm, 'mm')}`,
      drillFirst
        ? 'all of it before the piece is cut from its sheet: that holds the thin webs'
        : 'what stands free first, close pairs later, rectangles last',
      ...few(holes.map(holeWords)),
      'scrape the template off, edges of the holes black, or silver where a dial has a bright ring',
    ],
  };
}

/** What is done to the panel once it is painted; undefined while no way to it is taken. */
export function panelMade(panel: InstrumentPanel): Made | undefined {
  const { route, on, name, note } = panel;
  if (route === null) return undefined;
  const { name: way, needs, risk } = PANEL_ROUTE_FACTS[route];
  const { minutes } = panelRoutesOf(panel).find(({ id }) => id === route)!;
  const lenses = lensesMm3(panel);
  const trim = trimOf(panel);
  const pieces = piecesOf(panel);
  const called = (ids: readonly string[]) =>
    ids.map((id) => on[Number(id) - 1]!.name.toLowerCase()).join(', ');
  const trimmed = [
    ...(trim && trim.sides > 0 ? [`${figure(trim.sides, 'mm', 1)} off each side`] : []),
    ...(trim && trim.ends > 0 ? [`${figure(trim.ends, 'mm', 1)} off above and below`] : []),
  ];
  return {
    title: `Make ${name.toLowerCase()}`,
    minutes: minutes + (lenses > 0 ? MINUTES.lens * on.length : 0),
    because: 'It is reached and seen best while the dash lies on the bench.',
    details: [
      `${way}; ${needs.join(', ')}`,
      `mind: ${risk}`,
      ...(trimmed.length > 0 ? [`the decal is larger than the recess: ${trimmed.join(', ')}`] : []),
      ...(pieces.length > 1
        ? pieces.map(
            ({ ids, shiftX, shiftY }) =>
              `a piece with ${called(ids)}, moved ${shift(shiftX, 'right', 'left')} and ${shift(shiftY, 'down', 'up')}`,
          )
        : []),
      ...(lenses > 0
        ? [`lenses: ${figure(lenses, 'mm³', 1)} of clear in drops, laid flat until it is hard`]
        : []),
      ...(note === '' ? [] : [note]),
    ],
  };
}

const shift = (mm: number, more: string, less: string): string =>
  `${figure(Math.abs(mm), 'mm')} ${mm >= 0 ? more : less}`;

/** Webs of an overlay that break at the drill, while it can still be drawn otherwise. */
function sayWebs(build: DividedKit, panel: InstrumentPanel): KitAdvice[] {
  if (panel.partId === null || !hasOverlay(panel) || !build.version.used.has(panel.partId)) return [];
  const trays = traysOf(build, [panel.partId]);
  const { answer: plan } = worked(() => overlayOf(panel));
  const breaking = (plan?.webs ?? []).filter(({ verdict }) => verdict === 'breaks');
  if (breaking.length === 0 || trays.length === 0) return [];
  return [
    {
      rule: 'panel-web-breaks',
      subject: panel.id,
      severity: 'warn',
      about: { trays, parts: [panel.partId] },
      text: `It will break: ${few(breaking.map((web) => webWords(panel, web))).join('; ')}`,
      why: `A web of less than two thicknesses of the sheet (${figure(panel.gaugeMm, 'mm')}) does not stand a drill.`,
      remedy:
        'Move them apart, merge them into one opening, or drill before the piece is cut from its sheet.',
      stage: 'detail',
      page: 'panel',
      at: { trays, joins: [], kinds: ['drill', 'clean', 'primer'], once: true, until: ['drill'] },
    },
  ];
}

/** "0.40 mm between speed and revs". */
export function webWords({ on }: InstrumentPanel, { a, b, mm }: OverlayWeb): string {
  const name = (id: string) => on[Number(id) - 1]?.name.toLowerCase() ?? 'an opening';
  return `${figure(mm, 'mm')} between ${name(a)} and ${b === null ? 'the edge' : name(b)}`;
}

/** Instrument panels: what breaks at the drill, and what there must be for them. */
export const panels: PlanContribution = {
  id: 'panels',
  kitAdvice: (build) => build.kit.panels.flatMap((panel) => sayWebs(build, panel)),
  needs: ({ kit, version: { used }, material }) =>
    kit.panels
      .filter((panel) => panel.route !== null && (panel.partId === null || used.has(panel.partId)))
      .flatMap((panel) => [
        ...(hasOverlay(panel)
          ? [
              material(
                `sheet-${panel.gaugeMm}`,
                `plastic sheet, ${panel.gaugeMm} mm`,
                `overlay of ${panel.name.toLowerCase()}, ${figure(panel.widthMm, 'mm', 0)} × ${figure(panel.heightMm, 'mm', 0)}`,
                { substitute: 'the clear side of a package', looks: 'none once it is painted' },
              ),
            ]
          : []),
        ...(panel.route === 'decal-relief'
          ? [
              material(
                'decal-softener',
                'decal softener',
                `decal over the relief of ${panel.name.toLowerCase()}`,
                {
                  substitute: 'hot water on a cotton bud',
                  looks: 'it follows the relief less',
                },
              ),
            ]
          : []),
      ]),
};
