import { partLabel } from '../kit.ts';
import type { Joint, Kit, Part } from '../records/index.ts';
import { readName } from '../roles/readName.ts';

/** What a lost part was, as far as the kit still tells. */
export interface LostFacts {
  /** Parts that it joins, and how the joint is seen. */
  joins: { partId: string; name: string; seam: Joint['seam'] }[];
  /** The same part on the other side, or others of its count: its size can be taken from them. */
  twins: string[];
  /** Its longest side, mm; null where nobody measured it or a twin. */
  lengthMm: number | null;
  /** From where that length comes, in words. */
  from: string;
}

/** What a lost part joins, what is like it, and how long it was. */
export function lostFacts(part: Part, { parts, joints }: Pick<Kit, 'parts' | 'joints'>): LostFacts {
  const byId = new Map(parts.map((each) => [each.id, each]));
  const own = readName(part.name);
  const alike = parts.filter((each) => {
    if (each.id === part.id || each.state === 'lost' || each.material !== part.material) return false;
    const read = readName(each.name);
    return read.stem !== '' && read.stem === own.stem && read.end === own.end && read.level === own.level;
  });
  const measured = alike.find(({ lengthMm }) => lengthMm !== null);
  const lengthMm = part.lengthMm ?? measured?.lengthMm ?? null;
  return {
    joins: joints.flatMap(({ a, b, seam }) => {
      if (a !== part.id && b !== part.id) return [];
      const other = byId.get(a === part.id ? b : a);
      return other ? [{ partId: other.id, name: `${partLabel(other)} ${other.name}`, seam }] : [];
    }),
    twins: [
      ...alike.map((each) => `${partLabel(each)} ${each.name}`),
      ...(part.count > 1 ? [`the others of ${part.count} ${part.name.toLowerCase()}`] : []),
    ],
    lengthMm,
    from:
      part.lengthMm !== null
        ? 'as it was measured'
        : measured
          ? `like ${partLabel(measured)} ${measured.name}`
          : 'not known',
  };
}

/** The size of something in a picture, mm, by something beside it whose size is known; null where a figure is missing. */
export function sizeByPicture(known: { mm: number; inPicture: number }, inPicture: number): number | null {
  const all = [known.mm, known.inPicture, inPicture];
  if (!all.every((value) => Number.isFinite(value) && value > 0)) return null;
  return (known.mm * inPicture) / known.inPicture;
}
