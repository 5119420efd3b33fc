import { figure } from '../../figures.ts';
import {
  inSeatColour,
  packingFor,
  packingWords,
  seatOf,
  seatTwins,
  type Kit,
  type Seat,
} from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import { BARE, COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';
import type { Made } from './made.ts';

const MINUTES = { start: 4, sheet: 2, wedge: 4, move: 4 };
const BOUND_WORDS = { roof: 'the roof', wheel: 'the wheel', sill: 'the sill' } as const;
const WHAT = { height: 'mm in height', rake: 'degrees in rake', reach: 'mm in reach' } as const;

/** What is packed or moved under a seat; undefined where it stands right, or where two things contradict. Throws RangeError for
 *  measures that are none. */
export function seatPacked(seat: Seat, kit: Kit, scale: number): Made | undefined {
  const { packMm = 0, wedgeMm = 0, moveMm = 0 } = seatOf(seat, scale);
  if (packMm === 0 && wedgeMm === 0 && moveMm === 0) return undefined;
  const packing = packMm > 0 ? packingFor(packMm, kit) : undefined;
  return {
    title: `Set ${seat.name.toLowerCase()} right`,
    minutes:
      MINUTES.start +
      MINUTES.sheet * (packing?.sheets.length ?? (packMm < 0 ? 2 : 0)) +
      (wedgeMm === 0 ? 0 : MINUTES.wedge) +
      (moveMm === 0 ? 0 : MINUTES.move),
    because: 'Height, rake and reach are set before the seat is glued; a driver would not fit otherwise.',
    details: [
      ...(packing ? [`under it ${figure(packMm, 'mm')}: ${packingWords(packing)}`] : []),
      ...(packMm < 0 ? [`take ${figure(-packMm, 'mm')} off its base, evenly, and try it often`] : []),
      ...(wedgeMm === 0
        ? []
        : [`wedge of ${figure(Math.abs(wedgeMm), 'mm')} under its ${wedgeMm > 0 ? 'front' : 'rear'} edge`]),
      ...(moveMm === 0
        ? []
        : [
            `${figure(Math.abs(moveMm), 'mm')} ${moveMm > 0 ? 'forward' : 'back'}, for the reach to the wheel`,
          ]),
      ...(seat.note === '' ? [] : [seat.note]),
    ],
  };
}

/** A seat that fits at no height. */
function clashes(build: DividedKit): KitAdvice[] {
  return build.kit.seats.flatMap((seat): KitAdvice[] => {
    const { answer } = worked(() => seatOf(seat, build.scale));
    const { partId } = seat;
    if (!answer?.clash || partId === null || !build.version.used.has(partId)) return [];
    const [least, most] = answer.clash;
    const trays = traysOf(build, [partId]);
    return [
      {
        rule: 'seat-no-height',
        subject: seat.id,
        severity: 'warn',
        about: { trays, parts: [partId] },
        text: `No height is right for ${seat.name.toLowerCase()}`,
        why:
          least === most
            ? `Under ${BOUND_WORDS[most.by]} there is no room for a head at any height.`
            : `${cap(BOUND_WORDS[least.by])} asks for ${figure(least.mm, 'mm')} at least, ${BOUND_WORDS[most.by]} allows ${figure(most.mm, 'mm')}.`,
        remedy:
          'Measure both again; then lower the floor, raise the wheel, lean the back, or leave it as the kit has it.',
        stage: 'detail',
        page: 'seats',
        at: { trays, joins: [], kinds: [...BARE, ...COATS], once: true },
      },
    ];
  });
}

/** Two seats of a pair that stand otherwise. */
const unlike = (build: DividedKit): KitAdvice[] =>
  seatTwins(build.kit).flatMap(({ a, b, differ }): KitAdvice[] => {
    const parts = [a.partId!, b.partId!].filter((id) => build.version.used.has(id));
    const trays = traysOf(build, parts);
    if (differ.length === 0 || trays.length === 0) return [];
    return [
      {
        rule: 'seats-differ',
        subject: [a.id, b.id].sort().join(' '),
        severity: 'warn',
        about: { trays, parts },
        text: `A pair of seats that stand otherwise: ${a.name.toLowerCase()} and ${b.name.toLowerCase()}`,
        why: `They differ by ${differ.map(({ what, by }) => `${by.toFixed(1)} ${WHAT[what]}`).join(', ')}.`,
        remedy: 'Pack the lower one, or set both from one block; measure them again side by side.',
        stage: 'detail',
        page: 'seats',
        at: {
          trays,
          joins: [],
          kinds: [...BARE, ...COATS, 'detail'],
          once: true,
        },
      },
    ];
  });

/** Arches and humps in the colour of the seats: said before the tub is sprayed. */
const coloured = (build: DividedKit): KitAdvice[] =>
  inSeatColour(build.kit).flatMap(({ part, zones, finish, seat }): KitAdvice[] => {
    const trays = traysOf(build, [part.id]);
    if (trays.length === 0) return [];
    return [
      {
        rule: 'in-seat-colour',
        subject: part.id,
        severity: 'note',
        topic: 'note',
        about: { trays, parts: [part.id, seat.id] },
        text: `In the seats’ colour, ${finish.name.toLowerCase()}: ${few(zones.map(({ name }) => name.toLowerCase())).join(', ')} of ${part.name.toLowerCase()}`,
        why: `${cap(seat.name)} has it; the rest of ${part.name.toLowerCase()} is another colour.`,
        remedy: 'Spray both from one cup, the lighter colour first, and mask once.',
        stage: 'kit',
        page: 'roles',
        at: { trays, joins: [], kinds: COATS, once: true },
      },
    ];
  });

const cap = (words: string): string => words.replace(/^./, (first) => first.toUpperCase());

/** Seats: what is packed under them, pairs, and what else has their colour. */
export const seats: PlanContribution = {
  id: 'seats',
  kitAdvice: (build) => [...clashes(build), ...unlike(build), ...coloured(build)],
};
