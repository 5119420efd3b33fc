/** A wheel laced with wire; radii in mm on the model. */
export interface LacedWheel {
  /** To where spokes end at the rim. */
  rimRadius: number;
  /** Circle of the holes in each flange of the hub. */
  flangeRadius: number;
  /** From the middle of the rim to each flange. */
  offset: number;
  /** Of the whole wheel: half of them to each flange. */
  spokes: number;
  /** How many spokes of its own flange each one crosses; 0 for radial ones. */
  crosses: number;
}

export interface Spoke {
  flange: 'left' | 'right';
  leans: 'forward' | 'back' | 'straight';
  /** Angles of its holes, degrees clockwise as seen from the right. */
  hubDeg: number;
  rimDeg: number;
}

export interface Lacing {
  /** Between its two holes, mm. */
  spokeMm: number;
  /** In the order of lacing. */
  spokes: Spoke[];
  /** All of the wire, both ends turned in, mm. */
  wireMm: number;
}

/** Turned into rim and hub, mm for each end. */
const TURNED_IN = 1.5;
const MOST_SPOKES = 120;

/** Lengths and places of the spokes of a wheel, and the order in which they are laced: all that lean back, flange by flange, then
 *  all that lean forward over them. Length by the law of cosines in the plane of the rim, and the offset of the flange across
 *  it. Throws RangeError for a wheel that cannot be laced. */
export function laceWheel({ rimRadius, flangeRadius, offset, spokes, crosses }: LacedWheel): Lacing {
  if (!(flangeRadius > 0) || !(rimRadius > flangeRadius))
    throw new RangeError('The rim must be larger than the hub, and both above zero.');
  if (!(offset >= 0))
    throw new RangeError(`A flange ${offset} mm from the middle cannot be: give 0 or more.`);
  if (!Number.isInteger(spokes) || spokes < 4 || spokes > MOST_SPOKES || spokes % 4 !== 0)
    throw new RangeError(`${spokes} spokes cannot be laced: give a multiple of four up to ${MOST_SPOKES}.`);
  const each = spokes / 2;
  if (!Number.isInteger(crosses) || crosses < 0 || crosses >= each / 4 + 1)
    throw new RangeError(
      `With ${spokes} spokes none can cross ${crosses} others: the holes lie too far round.`,
    );
  const turn = (2 * Math.PI * crosses) / each;
  const inPlane =
    rimRadius * rimRadius + flangeRadius * flangeRadius - 2 * rimRadius * flangeRadius * Math.cos(turn);
  const spokeMm = Math.sqrt(inPlane + offset * offset);
  const round = (degrees: number) => ((degrees % 360) + 360) % 360;
  const step = 360 / each;
  const of = (flange: 'left' | 'right', parity: 0 | 1): Spoke[] =>
    Array.from({ length: each / 2 }, (_, at) => 2 * at + parity).map((hole) => {
      // Holes of the left flange stand between those of the right one.
      const hubDeg = step * hole + (flange === 'left' ? step / 2 : 0);
      const lean = crosses === 0 ? 0 : parity === 0 ? -1 : 1;
      return {
        flange,
        leans: lean === 0 ? 'straight' : lean < 0 ? 'back' : 'forward',
        hubDeg: round(hubDeg),
        rimDeg: round(hubDeg + lean * crosses * step),
      };
    });
  return {
    spokeMm,
    spokes: [...of('right', 0), ...of('left', 0), ...of('right', 1), ...of('left', 1)],
    wireMm: spokes * (spokeMm + 2 * TURNED_IN),
  };
}
