import {
  inFrameOrder,
  partLabel,
  plainPart,
  lookInWords,
  type Kit,
  type KitChange,
  type Part,
  type ReadPart,
  type System,
} from '../../../core/kit/index.ts';
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

/** What the builder says of where a part belongs, as changes; null takes back what was said, if anything. */
export function roleChanges(
  { roles }: Pick<Kit, 'roles'>,
  { id: partId }: Part,
  system: System | null,
  freshId: () => string,
): (KitChange & { kind: 'role' })[] {
  const said = roles.find((role) => role.partId === partId);
  if (system === null) return said ? [{ kind: 'role', id: said.id, value: null }] : [];
  const id = said?.id ?? freshId();
  return [{ kind: 'role', id, value: { id, partId, system } }];
}

/** Parts that were read as changes of a kit: known numbers are brought up to date, others are new. */
export function changesFromRead(
  kit: Kit,
  buildId: string,
  read: readonly ReadPart[],
): { changes: KitChange[]; added: number; updated: number } {
  const known = new Map(kit.parts.map((part) => [partLabel(part), part]));
  const changes = new Map<string, KitChange>();
  const finishes = new Map(kit.finishes.map(({ id, name }) => [name.toLowerCase(), id]));
  /** The finish with a name; a new name becomes one. */
  const finishIdOf = (name: string): string => {
    const there = finishes.get(name.toLowerCase());
    if (there !== undefined) return there;
    const id = newId(buildId);
    finishes.set(name.toLowerCase(), id);
    changes.set(id, { kind: 'finish', id, value: { id, name, look: lookInWords(name), codeId: null } });
    return id;
  };
  let added = 0;
  let updated = 0;
  for (const { finish, ...part } of read) {
    const label = `${part.frame}${part.number}`;
    const old = known.get(label);
    if (old) updated++;
    else added++;
    const value: Part = { ...(old ?? plainPart(newId(buildId))), ...part };
    if (finish !== undefined) {
      const [, ...others] = value.zones;
      value.zones = [
        {
          id: 'zone-1',
          name: '',
          share: 1,
          boundary: 'moulded',
          edgeMm: null,
          ...value.zones[0],
          finishId: finishIdOf(finish),
        },
        ...others,
      ];
    }
    known.set(label, value);
    changes.set(value.id, { kind: 'part', id: value.id, value });
  }
  return { changes: [...changes.values()], added, updated };
}
