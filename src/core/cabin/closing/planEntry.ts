import type { ShellStuff } from '../choices.ts';

/** How wide a unit is at a place along its length, and how wide the opening is there; null where there is none of it. */
export interface EntryStation {
  /** From the front, mm. */
  atMm: number;
  unitMm: number | null;
  openMm: number | null;
}

/** Strain of the outer fibre that a side takes when it is spread slowly at 20 C. Working values well below the strain at
 *  which moulded sheet breaks in data sheets of general-purpose styrene (2 to 4 %) and of casting resin (1 to 3 %). */
export const SAFE_STRAIN: Readonly<Record<Exclude<ShellStuff, 'other'>, number>> = {
  styrene: 0.012,
  resin: 0.006,
  metal: 0.002,
};
/** Below this plastic is brittle: half of the strain. Working value. */
export const COLD_C = 15;

export interface EntryQuestion {
  stations: readonly EntryStation[];
  /** Room inside the shell ahead of the opening's front edge, and behind its rear edge, mm. */
  frontRoomMm: number;
  rearRoomMm: number;
  /** From the fold of roof or deck down to the sill, mm; null where nobody measured. */
  sideMm: number | null;
  /** Thickness of a side, mm; null where nobody measured. */
  gaugeMm: number | null;
  stuff: ShellStuff;
  temperatureC: number;
  /** Film on a side of the unit and on the inside of the shell, together, mm. */
  filmMm: number;
}

export const WAYS_IN = ['straight', 'front', 'rear'] as const;
/** Which end goes first; straight: both at once. */
export type WayInEnd = (typeof WAYS_IN)[number];

export interface WayIn {
  end: WayInEnd;
  /** How far it is pushed on before the other end drops in, mm. */
  shiftMm: number;
  /** How far each side must give way, mm; 0 where it drops in. */
  spreadMm: number;
  /** Where on the unit that is, mm from the front. */
  atMm: number;
  /** Of the outer fibre at the fold; null where it is not known. */
  strain: number | null;
  verdict: 'drops in' | 'spreads' | 'strains' | 'breaks' | 'not known';
}

export interface EntryPlan {
  /** The ways that lead in, the gentlest first. */
  ways: WayIn[];
  /** Why an end cannot go first. */
  shut: { end: WayInEnd; because: string }[];
  /** Places where the two rub, mm from the front, on the gentlest way. */
  rubsMm: number[];
}

type Profile = { from: number; to: number; width: (at: number) => number; knots: number[] };

/** A width along the length, straight between the stations at which it is known. */
function profile(stations: readonly EntryStation[], key: 'unitMm' | 'openMm', what: string): Profile {
  const known = stations
    .flatMap((station) => (station[key] === null ? [] : [{ at: station.atMm, mm: station[key] }]))
    .sort((p, q) => p.at - q.at);
  if (known.length < 2 || known[0]!.at === known.at(-1)!.at)
    throw new RangeError(`Give the width of the ${what} at two places at least, one near each end.`);
  if (known.some(({ mm }) => !(mm > 0)))
    throw new RangeError(
      `The ${what} has a width of nothing somewhere: leave it empty where there is none of it.`,
    );
  return {
    from: known[0]!.at,
    to: known.at(-1)!.at,
    knots: known.map(({ at }) => at),
    width(at) {
      const next = known.findIndex((each) => each.at >= at);
      if (next === 0 || next < 0) return known.at(next === 0 ? 0 : -1)!.mm;
      const [p, q] = [known[next - 1]!, known[next]!];
      return q.at === p.at ? Math.max(p.mm, q.mm) : p.mm + ((at - p.at) / (q.at - p.at)) * (q.mm - p.mm);
    },
  };
}

/** How far each side must give way where a unit passes the opening, moved forward by a shift (towards 0); what lies beyond an
 *  edge of the opening goes under it and meets no side. */
function spreadAt(unit: Profile, open: Profile, shift: number, filmMm: number): { mm: number; at: number } {
  const from = Math.max(unit.from, open.from + shift);
  const to = Math.min(unit.to, open.to + shift);
  // Between their knots both widths are straight: the most is at one of them.
  const places = [from, to, ...unit.knots, ...open.knots.map((at) => at + shift)].filter(
    (at) => at >= from - 1e-9 && at <= to + 1e-9,
  );
  let most = { mm: -Infinity, at: from };
  for (const at of places.sort((p, q) => p - q)) {
    const mm = (unit.width(at) - open.width(at - shift)) / 2 + filmMm;
    if (mm > most.mm + 1e-9) most = { mm, at };
  }
  return most;
}

const STEPS = 200;

/** Ways of a unit into the opening of a shell: which end goes first, how far each side must spread, and what that asks of the
 *  plastic. An end may go first where there is room under the shell ahead of the opening, so that the other end clears its own
 *  edge; each shift of that room is tried. The sides bend like cantilevers from the fold of the roof: the strain of the outer
 *  fibre is 3 t d / (2 h h) for a thickness t, a spread d and a side h. Throws RangeError for widths that are missing and for
 *  measures below zero. */
export function planEntry(question: EntryQuestion): EntryPlan {
  const { stations, frontRoomMm, rearRoomMm, sideMm, gaugeMm, filmMm } = question;
  if (
    Math.min(frontRoomMm, rearRoomMm, filmMm) < 0 ||
    (gaugeMm !== null && gaugeMm <= 0) ||
    (sideMm !== null && sideMm <= 0)
  )
    throw new RangeError('Room, film, side and thickness are measures: none of them is below zero.');
  const unit = profile(stations, 'unitMm', 'unit');
  const open = profile(stations, 'openMm', 'opening');
  const [over, behind] = [Math.max(0, open.from - unit.from), Math.max(0, unit.to - open.to)];
  const shut: EntryPlan['shut'] = [];
  const ways = WAYS_IN.flatMap((end): WayIn[] => {
    const span = shiftsOf(end, { over, behind, frontRoomMm, rearRoomMm });
    if (typeof span === 'string') {
      shut.push({ end, because: span });
      return [];
    }
    let best: { shift: number; mm: number; at: number } | undefined;
    for (let step = 0; step <= STEPS; step++) {
      const shift = span[0] + ((span[1] - span[0]) * step) / STEPS;
      const spread = spreadAt(unit, open, shift, filmMm);
      if (!best || spread.mm < best.mm - 1e-9) best = { shift, ...spread };
    }
    const spreadMm = Math.max(0, best!.mm);
    return [
      {
        end,
        shiftMm: Math.abs(best!.shift),
        spreadMm,
        atMm: best!.at,
        ...bending(spreadMm, sideMm, gaugeMm, question),
      },
    ];
  }).sort((p, q) => p.spreadMm - q.spreadMm || WAYS_IN.indexOf(p.end) - WAYS_IN.indexOf(q.end));
  const [gentlest] = ways;
  const shift = gentlest === undefined ? 0 : gentlest.end === 'rear' ? -gentlest.shiftMm : gentlest.shiftMm;
  const rubsMm =
    gentlest === undefined || gentlest.spreadMm === 0
      ? []
      : unit.knots.filter(
          (at) =>
            at >= open.from + shift &&
            at <= open.to + shift &&
            (unit.width(at) - open.width(at - shift)) / 2 + filmMm > 0,
        );
  return { ways, shut, rubsMm };
}

/** Least and most shift with which an end goes first, forward above zero; or why it cannot. */
function shiftsOf(
  end: WayInEnd,
  { over, behind, frontRoomMm, rearRoomMm }: Record<'over' | 'behind' | 'frontRoomMm' | 'rearRoomMm', number>,
): [number, number] | string {
  if (end === 'straight')
    return over > 0 || behind > 0
      ? `it is longer than the opening by ${(over + behind).toFixed(1)} mm, so that one end must go under first`
      : [0, 0];
  const [under, other, room] = end === 'front' ? [over, behind, frontRoomMm] : [behind, over, rearRoomMm];
  const most = room - under;
  if (most < other)
    return `the shell has ${room.toFixed(1)} mm of room there, and it takes ${(under + other).toFixed(1)} mm until the other end clears its edge`;
  return end === 'front' ? [other, most] : [-other, -most];
}

function bending(
  spreadMm: number,
  sideMm: number | null,
  gaugeMm: number | null,
  { stuff, temperatureC }: Pick<EntryQuestion, 'stuff' | 'temperatureC'>,
): Pick<WayIn, 'strain' | 'verdict'> {
  if (spreadMm === 0) return { strain: 0, verdict: 'drops in' };
  if (sideMm === null || gaugeMm === null) return { strain: null, verdict: 'not known' };
  const strain = (3 * gaugeMm * spreadMm) / (2 * sideMm * sideMm);
  if (stuff === 'other') return { strain, verdict: 'not known' };
  const share = strain / (SAFE_STRAIN[stuff] * (temperatureC < COLD_C ? 0.5 : 1));
  return { strain, verdict: share <= 0.5 ? 'spreads' : share <= 1 ? 'strains' : 'breaks' };
}
