import { MAKE_FACTS, nearestStock, RUN_FACTS, twistFor, type RouteBend } from '../../detail/index.ts';
import { figure } from '../../figures.ts';
import {
  bundlesOf,
  makeOfRun,
  routeOfRun,
  runAtScale,
  runName,
  type Kit,
  type Run,
} from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { traysOf, type DividedKit } from '../contribution.ts';
import type { LedRun } from './harnesses.ts';

export const PAST_WORDS = {
  over: 'over',
  under: 'under',
  left: 'to the left of',
  right: 'to the right of',
  ahead: 'ahead of',
  behind: 'behind',
} as const;

const partName = (kit: Pick<Kit, 'parts'>, id: string) =>
  kit.parts.find((part) => part.id === id)?.name.toLowerCase() ?? 'a part that is gone';

/** "at 16.0 mm by 90°; turned 45° about itself, at 31.2 mm by 30°": what is done to a straight piece. */
const bendWords = ({ startMm, angleDeg, turnedDeg }: RouteBend): string =>
  `${Math.abs(turnedDeg) >= 1 ? `turned ${Math.abs(turnedDeg).toFixed(0)}° to the ${turnedDeg > 0 ? 'left' : 'right'}, ` : ''}at ${figure(startMm, 'mm', 1)} by ${angleDeg.toFixed(0)}°`;

/** What lies about it: how a braid is twisted, or what is wound round it. */
function coverLine(run: Run, scale: number): string | undefined {
  const { wireMm } = runAtScale(run, scale);
  if (run.cover === 'wrap')
    return 'wound with tape cut narrow, half over half, its end to the side that nobody sees';
  if (run.cover !== 'braid') return undefined;
  const { strandMm, times } = twistFor(wireMm);
  return `braid: three strands of ${figure(nearestStock(strandMm, 'wire').mm, 'mm')} wire twisted evenly, each cut ${figure(times, 'times', 2)} the length of the braid; dry-brushed bright`;
}

/** How a run is led, bent and covered, as far as it is known. */
export function routeLines(run: LedRun, kit: Kit, scale: number): string[] {
  const { past = [], slackMm = 0 } = run;
  const { route, leastMm } = routeOfRun(run, kit, scale);
  const make = makeOfRun(run);
  const cover = coverLine(run, scale);
  const bends = route?.bends ?? [];
  return [
    ...(past.length > 0
      ? [`led ${past.map(({ partId, side }) => `${PAST_WORDS[side]} ${partName(kit, partId)}`).join(', ')}`]
      : []),
    ...(bends.length > 0 && make === 'rod'
      ? [
          `bends, radius ${figure(leastMm, 'mm', 1)}, from where it begins: ${bends.map(bendWords).join('; ')}`,
        ]
      : bends.length > 0
        ? [`no bend tighter than ${figure(leastMm, 'mm', 1)}`]
        : []),
    ...(slackMm > 0 ? [`${figure(slackMm, 'mm', 1)} of slack`] : []),
    ...(cover === undefined ? [] : [cover]),
  ];
}

/** How it looks: as the builder says, or as usual. Leads of a harness say it themselves. */
export const lookLine = ({ kind, look = '', lines }: LedRun): string | undefined =>
  lines === undefined ? `${RUN_FACTS[kind].name}: ${look || RUN_FACTS[kind].look}` : undefined;

/** How wires of a group are tied together. */
export const bundleLines = (runs: readonly LedRun[], scale: number): string[] =>
  bundlesOf(runs, scale).flatMap(({ name, count, mm }) =>
    count < 2
      ? []
      : [
          `${name}: ${count} tied together are ${figure(mm, 'mm', 1)} thick; the longest laid first, one let go where it leaves`,
        ],
  );

/** Of a route: parts in its way, and bends for which there is no room. */
export function routeAdvice(build: DividedKit, run: LedRun): KitAdvice[] {
  const { kit, scale } = build;
  const { through, route, fault, leastMm } = routeOfRun(run, kit, scale);
  const ends = [run.fromPartId, run.toPartId];
  const trays = traysOf(build, ends);
  const base = {
    subject: run.id,
    severity: 'warn' as const,
    stage: 'detail' as const,
    page: 'runs',
    at: { trays, joins: [], between: true as const, kinds: ['drill', 'wire', 'plumb'] as const, once: true },
  };
  const name = runName({ ...run, count: 1 }, kit);
  const blocking = through.filter((id) => build.version.used.has(id));
  const tight = (route?.bends ?? []).filter(({ isTight }) => isTight);
  return [
    ...(blocking.length > 0
      ? [
          {
            ...base,
            rule: 'run-goes-through',
            about: { trays, parts: [...ends, ...blocking] },
            text: `In the way of ${name}: ${blocking.map((id) => partName(kit, id)).join(', ')}`,
            why: 'By the places that were said, its route goes through what is there.',
            remedy: 'Say on which side it goes past; its length follows.',
          },
        ]
      : []),
    ...(tight.length > 0
      ? [
          {
            ...base,
            rule: 'run-bends-tight',
            about: { trays, parts: ends },
            text: `No room for a bend of ${name}`,
            why: `${MAKE_FACTS[makeOfRun(run)].name} bends round ${figure(leastMm, 'mm', 1)}; there is room for ${figure(Math.min(...tight.map(({ radiusMm }) => radiusMm)), 'mm', 1)}.`,
            remedy: `Lead it wider, or ${MAKE_FACTS[makeOfRun(run)].tight}.`,
          },
        ]
      : []),
    ...(fault === undefined
      ? []
      : [
          {
            ...base,
            rule: 'run-has-no-route',
            about: { trays, parts: ends },
            text: `No route for ${name}`,
            why: fault,
            remedy: 'Mend the places of its parts, or measure its length.',
          },
        ]),
  ];
}
