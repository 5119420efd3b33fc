import { figure } from '../../figures.ts';
import { counted, finsOfCore, ringOf, springOf, tubeTint, type Dressing, type Kit } from '../../kit/index.ts';
import type { Made } from './made.ts';

/** Minutes at the bench; working values. */
const MINUTES = {
  tube: 4,
  pass: 3,
  spring: 6,
  core: 8,
  colour: 6,
  disc: 5,
  mark: 0.15,
  drill: 0.6,
  template: 5,
  strap: 6,
  step: 4,
};

const titled = (verb: string, { name, count }: Dressing) =>
  `${verb} ${count > 1 ? `${count} × ` : ''}${name.toLowerCase()}`;

/** What is done to a fork, a radiator or a disc once it is painted. */
export function dressed(dressing: Dressing, kit: Kit, scale: number): Made {
  const { what, count, note } = dressing;
  const { minutes, because, details } = { fork, radiator, disc, strap, step }[what](dressing, kit, scale);
  return {
    title: titled('Finish', dressing),
    minutes: count * minutes,
    because,
    details: [...details, ...(note === '' ? [] : [note])],
  };
}

/** The same as lines, for where it is decided. */
export const dressedLines = (dressing: Dressing, kit: Kit, scale: number): string[] =>
  dressed(dressing, kit, scale).details;

type Work = Pick<Made, 'minutes' | 'because' | 'details'>;

function fork(dressing: Dressing): Work {
  const tint = tubeTint(dressing);
  const spring = springOf(dressing);
  const { tubeMm, tubeLengthMm, coils, springWireMm } = dressing;
  return {
    minutes:
      MINUTES.tube +
      (tint && tint.passes > 0 ? MINUTES.pass * tint.passes : 0) +
      (spring ? MINUTES.spring : 0),
    because:
      'Tubes that slide are bright and clean, whatever the legs are: a smear of paint on them is seen at once.',
    details: [
      `tube of ${figure(tubeMm, 'mm', 1)}, ${figure(tubeLengthMm, 'mm', 1)} of it seen: degrease it, touch it with gloves only`,
      ...(tint && tint.passes > 0
        ? [
            `${tint.passes} dusted ${tint.passes === 1 ? 'pass' : 'passes'} of ${tint.name} over the bright tube, each dry before the next (ΔE ${tint.dE00.toFixed(1)} from the real one)`,
          ]
        : []),
      ...(spring
        ? [
            `spring: ${coils} coils of ${figure(springWireMm, 'mm')} wire wound close on ${figure(spring.windOnMm, 'mm')}, drawn out to ${figure(spring.pitchMm, 'mm')} from coil to coil, ${figure(spring.wireLengthMm, 'mm', 0)} of wire for one`,
          ]
        : []),
    ],
  };
}

function radiator(dressing: Dressing, kit: Kit, scale: number): Work {
  const fins = finsOfCore(dressing, scale);
  const zones = kit.parts.find(({ id }) => id === dressing.partId)?.zones ?? [];
  const nameOf = new Map(kit.finishes.map(({ id, name }) => [id, name.toLowerCase()]));
  const colours = zones.map(({ name, finishId }) =>
    `${name || 'the rest'} ${nameOf.get(finishId) ?? ''}`.trim(),
  );
  return {
    minutes: MINUTES.core + MINUTES.colour * Math.max(0, zones.length - 1),
    because: 'It is one moulding in several colours, and its fins read only once they are dark between.',
    details: [
      ...(colours.length > 1 ? [`colours, the largest first: ${colours.join(', ')}`] : []),
      'flood the fins with a thin dark wash, wipe across them while it is wet, so that it stays between',
      ...(fins
        ? [
            `${fins.fins} fins where the real one has ${fins.realFins}: ${fins.timesTooCoarse >= 2 ? 'a thin wash, or they look coarser still' : 'near enough'}`,
          ]
        : []),
    ],
  };
}

function disc(dressing: Dressing, _: Kit, scale: number): Work {
  const drilled = ringOf(dressing, scale);
  const isMarked = drilled?.ring.way === 'mark';
  return {
    minutes: MINUTES.disc + (isMarked ? MINUTES.template + MINUTES.mark * dressing.holes : 0),
    because: 'The swept ring is bare and bright, its middle is painted, and its holes are dark.',
    details: [
      'ring bare metal: turn it against fine cloth, so that the scratches run round',
      ...(isMarked
        ? [
            `${dressing.holes} holes are too fine to drill: prick them through the template, and wash them dark`,
          ]
        : drilled
          ? ['dark wash into the holes, wiped off the face']
          : []),
      'caliper and its bolts in their own colour, before the wheel hides them',
    ],
  };
}

function strap({ bandMm, bandLengthMm }: Dressing): Work {
  return {
    minutes: MINUTES.strap,
    because:
      'A strap lies bright on a dark bed of rubber; one colour over both and it is a bulge of the tank.',
    details: [
      'the bed satin black, over its edges',
      `the band of foil, ${figure(bandMm, 'mm')} × ${figure(bandLengthMm, 'mm', 1)}, burnished down, its ends beneath; or brushed along its edge`,
    ],
  };
}

function step(): Work {
  return {
    minutes: MINUTES.step,
    because: 'Pockets of a step are dark and its treads worn bright.',
    details: [
      'a dark wash into every pocket, wiped off the treads',
      'treads dry-brushed bright once it is dry',
    ],
  };
}

/** Holes that are drilled while a disc is bare; undefined where there are none, or they are only marked. */
export function drilledDisc(dressing: Dressing, scale: number): Made | undefined {
  const drilled = ringOf(dressing, scale);
  if (!drilled || drilled.ring.drillMm === undefined) return undefined;
  const { holes, rows, count } = dressing;
  const { webMm, drillMm } = drilled.ring;
  return {
    title: titled('Drill', dressing),
    minutes: count * (MINUTES.template + MINUTES.drill * holes),
    because: 'Holes are drilled while the disc is bare; paint would lift round them.',
    details: [
      `${counted(holes, 'hole')} ${figure(drillMm, 'mm')} on ${counted(rows, 'circle')}, ${figure(webMm, 'mm')} between them at the thinnest`,
      'stick the printed template on, prick every cross with a needle, drill by hand from the face, scrape the paper off',
    ],
  };
}
