import { BELT_CLOTH_FACTS, BELT_METAL_FACTS, CARPET_FACTS } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import { beltPlan, carpetPlan, cloggedBy, type Belt, type Carpet, type Kit } from '../../kit/index.ts';
import { few, type PlanContribution } from '../contribution.ts';
import type { Made } from './made.ts';

/** Minutes for a hole that is plugged before and opened after; a working value. */
const PLUG = 1.5;
/** For minutes where no area is known, cm2. */
const FLOOR_CM2 = 40;

/** A carpet as it is laid. Throws RangeError for colours that are none. */
export function carpetMade(carpet: Carpet, kit: Kit): Made {
  const { areaCm2, grams, under, over, dE00 } = carpetPlan(carpet, kit);
  const { name, how, minutes } = CARPET_FACTS[carpet.way];
  const clogged = cloggedBy(carpet, kit);
  const [start, per] = minutes;
  return {
    title: `Lay ${carpet.name.toLowerCase()}`,
    minutes: start + (per * (areaCm2 ?? FLOOR_CM2)) / 10 + PLUG * clogged.length,
    because: 'Once seats and levers sit, no brush and no fibre comes between them.',
    details: [
      `${name}: ${how}`,
      ...(grams === undefined ? [] : [`${figure(grams, 'g')} of fibres, a third of them shaken off again`]),
      ...(clogged.length > 0 ? [`plugged before, opened after: ${few(clogged).join(', ')}`] : []),
      ...(dE00 === undefined || dE00 < 2
        ? []
        : [
            `as it is it comes out ${figure(dE00, 'dE')} from what is wanted${under ? `; nearest over a grey of ${figure(100 * under.share, '%')}` : ''}${over && over.share > 0 ? `; or ${figure(100 * over.share, '%')} painted over` : ''}`,
          ]),
      ...(carpet.note === '' ? [] : [carpet.note]),
    ],
  };
}

/** Belts as they are cut and laid. Throws RangeError where they cannot be. */
export function beltMade(belt: Belt, scale: number): Made {
  const { widthMm, pieces } = beltPlan(belt, scale);
  const { cloth, metal, count, colour, name, note } = belt;
  return {
    title: `Lay ${count > 1 ? `${count} × ` : ''}${name.toLowerCase()}`,
    minutes: count * (BELT_CLOTH_FACTS[cloth].minutes + BELT_METAL_FACTS[metal].minutes),
    because: 'Belts are laid on the seat while it lies on the bench, their ends tucked where it is glued.',
    details: [
      `${cloth} ${figure(widthMm, 'mm')} wide${colour === '' ? '' : `, ${colour.toLowerCase()}`}; buckles ${metal}`,
      ...pieces.map(
        (piece) =>
          `${piece.name.toLowerCase()}: ${figure(piece.cutMm, 'mm', 1)}${piece.fittings > 0 ? `, ${piece.fittings} threaded before its second end is glued` : ''}`,
      ),
      'first what lies beneath, the buckle last; a drop of glue where it bends, none where it lies',
      ...(note === '' ? [] : [note]),
    ],
  };
}

/** Carpets and belts: what there must be for them, known weeks before. */
export const cloth: PlanContribution = {
  id: 'cloth',
  needs: ({ kit, version: { used }, scale, material }) => {
    const isUsed = ({ partId }: { partId: string | null }) => partId === null || used.has(partId);
    const flocked = kit.carpets.filter((carpet) => carpet.way === 'flock' && isUsed(carpet));
    const belts = kit.belts.filter((belt) => isUsed(belt) && belt.pieces.length > 0);
    return [
      ...(flocked.length > 0
        ? [
            material('flock', 'flock', few(flocked.map(({ name }) => name.toLowerCase())).join(', '), {
              substitute: 'paper tape, painted',
              looks: 'it has grain, and no depth',
            }),
          ]
        : []),
      ...belts.flatMap((belt) => [
        material(
          `belt-${belt.cloth}`,
          `${belt.cloth} for belts, ${(belt.realMm / scale).toFixed(1)} mm`,
          belt.name.toLowerCase(),
          { substitute: 'tape, painted matt', looks: BELT_CLOTH_FACTS.tape.looks },
        ),
        ...(belt.metal === 'etched'
          ? [
              material('etched-buckles', 'etched buckles', belt.name.toLowerCase(), {
                substitute: 'bright film, cut small',
                looks: BELT_METAL_FACTS.film.looks,
              }),
            ]
          : []),
      ]),
    ];
  },
};
