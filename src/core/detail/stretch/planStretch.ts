import { nearestStock, STOCK_SIZES, type StockForm } from '../scale/stockSizes.ts';

export const SECTIONS = ['channel', 'bar', 'tube', 'rod', 'sheet'] as const;
/** What a part looks like where it is cut across. */
export type Section = (typeof SECTIONS)[number];

/** A part that runs along the vehicle. Stations are mm on the model, from the front. */
export interface StretchMember {
  id: string;
  name: string;
  count: number;
  /** Station of its front end. */
  fromMm: number;
  lengthMm: number;
  section: Section;
  /** Diameter, or height of the section. */
  outsideMm: number;
  /** Of a tube; null where it is full or not measured. */
  insideMm: number | null;
  /** Part of the stretch that it takes, 0..1. */
  share: number;
  /** Its own place of the cut; null where it is cut with the rest. */
  cutAtMm: number | null;
  /** How much lower its rear end lies than its front end, for what does not run level. */
  dropMm: number;
  /** Parts in a row, such as the pipes of one exhaust, bear one name: together they take the whole. */
  line: string;
}

/** A bracket, cross-member or hanger: nothing is cut there. */
export interface Bracket {
  name: string;
  atMm: number;
  /** To either side of it together. */
  widthMm: number;
}

export interface StretchQuestion {
  /** How much longer the vehicle becomes; negative for shorter. */
  stretchMm: number;
  /** Where it is cut. */
  atMm: number;
  brackets: readonly Bracket[];
  members: readonly StretchMember[];
}

/** Something cut from stock. */
export interface StretchPiece {
  form: StockForm;
  mm: number;
  lengthMm: number;
  count: number;
}

export interface StretchedMember {
  id: string;
  name: string;
  count: number;
  /** cut: it becomes longer or shorter; moved: it goes back as it is; stays: it lies ahead of the cut. */
  becomes: 'cut' | 'moved' | 'stays';
  beforeMm: number;
  afterMm: number;
  /** Put in between, or taken out where it is negative. */
  addMm: number;
  /** Station of the cut before the stretch; null where it is not cut. */
  cutAtMm: number | null;
  /** How far the cut had to go from where it was wanted, to be clear of brackets and ends. */
  shiftedMm: number;
  /** How far its front end goes back. */
  movedMm: number;
  /** Put between the ends; null where nothing is, or nothing in stock is near enough to its size. */
  insert: StretchPiece | null;
  /** What holds the ends together, for each cut: plates, a core or a pin. */
  splice: StretchPiece | null;
  /** Against the level, degrees, before and after; null for what runs level. */
  angleDeg: [before: number, after: number] | null;
}

export interface StretchPlan {
  members: StretchedMember[];
  /** Lines whose parts do not take the whole stretch together: what is missing (or too much where it is negative), mm. */
  gaps: { line: string; missingMm: number }[];
  /** A straight bar to align the longest part on. */
  jigMm: number;
}

/** Splice to each side of a cut, against the height or diameter of the section, and at least; working values of the bench. */
const SPLICE = { times: 1.5, leastMm: 3 };
/** Room in a tube for its core, mm. */
const SLIDE_MM = 0.05;
/** A pin in a rod has a third of its diameter. */
const PIN_SHARE = 1 / 3;
const PLATE_SHARE = 1 / 4;
/** Stock that is further off than this share of the size shows at the joint. */
const NEAR_ENOUGH = 0.15;
const JIG_SPARE_MM = 20;

const spliceHalf = (outsideMm: number): number => Math.max(SPLICE.leastMm, SPLICE.times * outsideMm);

/** What becomes of every part along a vehicle that is made longer or shorter at a station. Throws RangeError, by name, for
 *  sizes that cannot be, a part that is listed twice, and one that has no room for its cut. */
export function planStretch({ stretchMm, atMm, brackets, members }: StretchQuestion): StretchPlan {
  if (!Number.isFinite(stretchMm) || stretchMm === 0)
    throw new RangeError('Say by how much it becomes longer; a negative number makes it shorter.');
  if (!Number.isFinite(atMm)) throw new RangeError('Say where it is cut, in mm from the front.');
  const twice = members.find(({ id }, at) => members.findIndex((each) => each.id === id) !== at);
  if (twice)
    throw new RangeError(
      `${twice.name} would be cut twice: list it once, with all that it takes of the stretch.`,
    );
  for (const { name, atMm: at, widthMm } of brackets)
    if (!Number.isFinite(at) || !(widthMm >= 0))
      throw new RangeError(`The bracket ${name} has no place: give mm.`);
  const stretched = members.map((member) => ({
    ...stretchOne(member, stretchMm, atMm, brackets),
    movedMm: movedBy(member, members, stretchMm, atMm),
  }));
  return {
    members: stretched,
    gaps: gapsOf(members, stretched, stretchMm),
    jigMm: Math.max(0, ...stretched.map(({ afterMm }) => afterMm)) + (members.length > 0 ? JIG_SPARE_MM : 0),
  };
}

function stretchOne(
  member: StretchMember,
  stretchMm: number,
  atMm: number,
  brackets: readonly Bracket[],
): Omit<StretchedMember, 'movedMm'> {
  const { id, name, count, fromMm, lengthMm, share, dropMm, cutAtMm } = member;
  requireSizes(member);
  const runMm = Math.sqrt(lengthMm ** 2 - dropMm ** 2);
  const endMm = fromMm + runMm;
  const wanted = cutAtMm ?? atMm;
  const base = { id, name, count, beforeMm: lengthMm };
  const isCut = share > 0 && wanted > fromMm && wanted < endMm;
  if (!isCut) {
    const angle = angleOf(dropMm, lengthMm);
    return {
      ...base,
      becomes: fromMm >= atMm ? 'moved' : 'stays',
      afterMm: lengthMm,
      addMm: 0,
      cutAtMm: null,
      shiftedMm: 0,
      insert: null,
      splice: null,
      angleDeg: angle === null ? null : [angle, angle],
    };
  }
  const longerRun = runMm + stretchMm * share;
  if (longerRun <= 0)
    throw new RangeError(`${name} is ${lengthMm} mm long and would lose ${Math.abs(stretchMm * share)} mm.`);
  // What slopes becomes longer by less than the vehicle.
  const afterMm = Math.hypot(longerRun, dropMm);
  const addMm = afterMm - lengthMm;
  const cut = cutPlace(member, endMm, wanted, addMm, brackets);
  const before = angleOf(dropMm, lengthMm);
  return {
    ...base,
    becomes: 'cut',
    afterMm,
    addMm,
    cutAtMm: cut,
    shiftedMm: cut - wanted,
    insert: addMm > 0 ? insertFor(member, addMm) : null,
    splice: spliceFor(member, addMm),
    angleDeg: before === null ? null : [before, angleOf(dropMm, afterMm)!],
  };
}

/** How far the front end of a part goes back: by the whole stretch behind the cut, in a line by what the parts ahead of it take. */
function movedBy(
  { fromMm, line }: StretchMember,
  members: readonly StretchMember[],
  stretchMm: number,
  atMm: number,
): number {
  if (line.trim() === '') return fromMm >= atMm ? stretchMm : 0;
  const ahead = members.filter((each) => each.line.trim() === line.trim() && each.fromMm < fromMm);
  return ahead.reduce((sum, { share }) => sum + share * stretchMm, 0);
}

function requireSizes({ name, fromMm, lengthMm, outsideMm, insideMm, share, dropMm }: StretchMember): void {
  const fault = (words: string) => new RangeError(`${name}: ${words}`);
  if (!Number.isFinite(fromMm)) throw fault('say where its front end lies.');
  if (!(lengthMm > 0)) throw fault('its length must be above 0 mm.');
  if (!(outsideMm > 0)) throw fault('its height or diameter must be above 0 mm.');
  if (insideMm !== null && !(insideMm > 0 && insideMm < outsideMm))
    throw fault(`it is ${outsideMm} mm outside, so its inside lies between 0 and that.`);
  if (!(share >= 0 && share <= 1)) throw fault('it takes between none and all of the stretch: 0 to 1.');
  if (!(Math.abs(dropMm) < lengthMm)) throw fault(`it cannot drop ${dropMm} mm over ${lengthMm} mm.`);
}

const angleOf = (dropMm: number, lengthMm: number): number | null =>
  dropMm === 0 ? null : (Math.asin(dropMm / lengthMm) * 180) / Math.PI;

/** The place nearest to the wanted one with room for the splice to either side, clear of brackets and ends. Where a piece is
 *  taken out, it too must be clear. */
function cutPlace(
  { name, fromMm, outsideMm }: StretchMember,
  endMm: number,
  wanted: number,
  addMm: number,
  brackets: readonly Bracket[],
): number {
  const half = spliceHalf(outsideMm);
  const out = Math.max(0, -addMm);
  const taken = brackets
    .map(({ atMm, widthMm }) => [atMm - widthMm / 2 - half - out, atMm + widthMm / 2 + half] as const)
    .sort((p, q) => p[0] - q[0]);
  let from = fromMm + half;
  const until = endMm - half - out;
  const free: [number, number][] = [];
  for (const [left, right] of taken) {
    if (left > from) free.push([from, Math.min(left, until)]);
    from = Math.max(from, right);
  }
  free.push([from, until]);
  const places = free.flatMap(([left, right]) =>
    left <= right ? [Math.min(right, Math.max(left, wanted))] : [],
  );
  const best = places.sort((p, q) => Math.abs(p - wanted) - Math.abs(q - wanted))[0];
  if (best === undefined)
    throw new RangeError(
      `${name} has nowhere ${Math.ceil(2 * half + out)} mm of even section clear of its ends and brackets: use a new piece over its whole length, or move a bracket.`,
    );
  return best;
}

const largestUpTo = (mm: number, form: StockForm): number | undefined =>
  (STOCK_SIZES[form] as readonly number[]).filter((size) => size <= mm + 1e-9).at(-1);

/** What is put between the ends: the same section from stock; null where none is near. */
function insertFor({ section, outsideMm, count }: StretchMember, addMm: number): StretchPiece | null {
  const { mm, form, off } = nearestStock(outsideMm, INSERTS[section]);
  return Math.abs(off) > NEAR_ENOUGH ? null : { form, mm, lengthMm: addMm, count };
}

const INSERTS = { channel: 'strip', bar: 'strip', sheet: 'sheet', tube: 'tube', rod: 'rod' } as const;

/** A core in a tube, a pin in a rod, plates on the rest: to both sides of every cut, and through the insert. */
function spliceFor(
  { section, outsideMm, insideMm, count }: StretchMember,
  addMm: number,
): StretchPiece | null {
  const lengthMm = 2 * spliceHalf(outsideMm) + Math.max(0, addMm);
  if (section === 'tube') {
    const core = insideMm === null ? undefined : largestUpTo(insideMm - SLIDE_MM, 'rod');
    return core === undefined ? null : { form: 'rod', mm: core, lengthMm, count };
  }
  if (section === 'rod') {
    const pin = largestUpTo(outsideMm * PIN_SHARE, 'wire');
    return pin === undefined ? null : { form: 'wire', mm: pin, lengthMm, count };
  }
  // A board is held by a plate as thick as itself beneath it.
  const plate = section === 'sheet' ? outsideMm : Math.min(1, Math.max(0.25, outsideMm * PLATE_SHARE));
  const { mm } = nearestStock(plate, 'sheet');
  return { form: 'sheet', mm, lengthMm, count: section === 'sheet' ? count : 2 * count };
}

function gapsOf(
  members: readonly StretchMember[],
  stretched: readonly StretchedMember[],
  stretchMm: number,
): StretchPlan['gaps'] {
  const taken = new Map<string, number>();
  members.forEach(({ line, share }, at) => {
    const key = line.trim();
    if (key !== '') taken.set(key, (taken.get(key) ?? 0) + (stretched[at]!.becomes === 'cut' ? share : 0));
  });
  return [...taken].flatMap(([line, share]) => {
    const missingMm = (1 - share) * stretchMm;
    return Math.abs(missingMm) < 0.05 ? [] : [{ line, missingMm }];
  });
}
