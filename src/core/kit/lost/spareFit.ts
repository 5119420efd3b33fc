import { isSameThing } from '../../words.ts';
import type { Part, Spare } from '../records/index.ts';
import { readName } from '../roles/readName.ts';

/** Whether a spare stands in for a part: it does; it may, once something was looked at; it does not. */
export type SpareVerdict = 'fits' | 'may' | 'no';

export interface SpareFit {
  spare: Spare;
  verdict: SpareVerdict;
  /** Why not, or what to look at first; empty where nothing is open. */
  why: string[];
}

/** Sizes that differ by less go unseen; by more than the second it shows at a glance. Shares of the part's. */
const ALIKE = 0.05;
const NEAR = 0.15;

type LostPart = Pick<Part, 'name' | 'material' | 'engineKind' | 'lengthMm'>;

function sameKind(part: LostPart, spare: Spare): SpareVerdict {
  if (part.engineKind !== undefined && spare.engineKind !== undefined)
    return part.engineKind === spare.engineKind ? 'fits' : 'no';
  const [wanted, offered] = [readName(part.name).thing, readName(spare.name).thing];
  if (wanted && offered) return wanted.id === offered.id ? 'fits' : 'no';
  return isSameThing(part.name, spare.name) || isSameThing(spare.name, part.name) ? 'may' : 'no';
}

function sizeFit(
  wanted: number | null,
  offered: number | undefined,
): { verdict: SpareVerdict; why: string } | null {
  if (wanted === null || offered === undefined)
    return {
      verdict: 'may',
      why: `${wanted === null ? 'the size of what is lost' : 'the size of the spare'} is not known: hold it to its place`,
    };
  const off = Math.abs(offered - wanted) / wanted;
  if (off <= ALIKE) return null;
  const words = `${offered} mm against ${wanted} mm`;
  return off <= NEAR ? { verdict: 'may', why: words } : { verdict: 'no', why: words };
}

/** Whether a spare really fits the role of a part: what it is, on which side and end, of what it is made, and how long. `lengthMm`:
 *  of the part, where it is known better than by the part itself. */
export function spareFit(part: LostPart, spare: Spare, lengthMm: number | null = part.lengthMm): SpareFit {
  const why: string[] = [];
  let verdict: SpareVerdict = 'fits';
  const lower = (to: SpareVerdict, because: string) => {
    if (to === 'no' || verdict === 'fits') verdict = to;
    why.push(because);
  };
  const kind = sameKind(part, spare);
  if (kind === 'no') return { spare, verdict: 'no', why: ['it is another kind of thing'] };
  if (kind === 'may') lower('may', 'by its name alone: look whether it is the same kind of thing');
  if (spare.count < 1) lower('no', 'none of it is left');
  const [wanted, offered] = [readName(part.name), readName(spare.name)];
  if (wanted.side && offered.side && wanted.side !== offered.side)
    lower('no', `it is the ${offered.side} one`);
  if (wanted.end && offered.end && wanted.end !== offered.end)
    lower('may', `it is the ${offered.end} one: compare them`);
  if ((part.material === 'clear') !== (spare.material === 'clear'))
    lower('no', part.material === 'clear' ? 'it is not clear' : 'it is clear');
  else if (part.material !== spare.material)
    lower(
      'may',
      `${spare.material.replace('-', ' ')} for ${part.material.replace('-', ' ')}: glue and primer differ`,
    );
  const size = sizeFit(lengthMm, spare.lengthMm);
  if (size) lower(size.verdict, size.why);
  return { spare, verdict, why };
}

const ORDER: Readonly<Record<SpareVerdict, number>> = { fits: 0, may: 1, no: 2 };

/** Spares that fit or may fit a part, the surest first. */
export const sparesFor = (part: LostPart, spares: readonly Spare[], lengthMm?: number | null): SpareFit[] =>
  spares
    .map((spare) => spareFit(part, spare, lengthMm ?? part.lengthMm))
    .filter(({ verdict }) => verdict !== 'no')
    .sort((p, q) => ORDER[p.verdict] - ORDER[q.verdict] || p.why.length - q.why.length);
