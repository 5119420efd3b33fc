import {
  inFrameOrder,
  partLabel,
  plainPart,
  type Kit,
  type Part,
  type ReadPart,
} from '../../../core/kit/index.ts';
import type { ItemChange } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

/** The number that a next part of the same frame would have. */
export function nextLabel(parts: readonly Part[]): string {
  const last = inFrameOrder(parts).at(-1);
  if (!last) return 'A1';
  const taken = new Set(parts.map(partLabel));
  for (let number = (Number.parseInt(last.number, 10) || 0) + 1; ; number++) {
    if (!taken.has(`${last.frame}${number}`)) return `${last.frame}${number}`;
  }
}

/** Parts that were read as changes of a kit: known numbers are brought up to date, others are new. */
export function changesFromRead(
  kit: Kit,
  buildId: string,
  read: readonly ReadPart[],
): { changes: ItemChange[]; added: number; updated: number } {
  const known = new Map(kit.parts.map((part) => [partLabel(part), part]));
  const changes = new Map<string, ItemChange>();
  let added = 0;
  let updated = 0;
  for (const part of read) {
    const label = `${part.frame}${part.number}`;
    const old = known.get(label);
    if (old) updated++;
    else added++;
    const value: Part = { ...(old ?? plainPart(newId(buildId))), ...part };
    known.set(label, value);
    changes.set(value.id, { kind: 'part', id: value.id, value });
  }
  return { changes: [...changes.values()], added, updated };
}

/** A part with everything that hangs on it, taken out of the kit. */
export function removalOf(kit: Kit, partId: string): ItemChange[] {
  const gone = kit.joints.filter(({ a, b }) => a === partId || b === partId);
  const goneIds = new Set(gone.map(({ id }) => id));
  return [
    ...kit.joints
      .filter(
        ({ id, captured, closes }) =>
          !goneIds.has(id) && (captured.includes(partId) || closes.some((other) => goneIds.has(other))),
      )
      .map((joint): ItemChange => ({
        kind: 'joint',
        id: joint.id,
        value: {
          ...joint,
          captured: joint.captured.filter((id) => id !== partId),
          closes: joint.closes.filter((id) => !goneIds.has(id)),
        },
      })),
    ...kit.fits
      .filter(({ jointId }) => goneIds.has(jointId))
      .map(({ id }): ItemChange => ({ kind: 'fit', id, value: null })),
    ...gone.map(({ id }): ItemChange => ({ kind: 'joint', id, value: null })),
    ...kit.works
      .filter((work) => work.partId === partId)
      .map(({ id }): ItemChange => ({ kind: 'work', id, value: null })),
    ...kit.runs
      .filter(({ fromPartId, toPartId }) => fromPartId === partId || toPartId === partId)
      .map(({ id }): ItemChange => ({ kind: 'run', id, value: null })),
    { kind: 'part', id: partId, value: null },
  ];
}
