/** Something wrong with a division into sub-assemblies, in a builder's words, and how Fanfare reads it all the same. */
export interface DivisionFault {
  /** Of the record at fault. */
  id: string;
  of: 'sub-assembly' | 'join';
  message: string;
  /** What is left out while it is so. */
  readAs: string;
}

interface DividedTray {
  id: string;
  name: string;
  layers: readonly { id: string }[];
}

interface DividedJoin {
  id: string;
  name: string;
  trayIds: string[];
  afterJoinIds: string[];
}

interface Division<T extends DividedTray, J extends DividedJoin> {
  trays: readonly T[];
  joins: readonly J[];
}

/** What is wrong with sub-assemblies and joins, and the division without it: unknown sub-assemblies and joins are
 *  dropped, the order among joins that wait for each other in a circle is dropped, a second layer of one id gets
 *  another. The same check refuses what is to be stored and mends what is read. */
export function soundDivision<T extends DividedTray, J extends DividedJoin>({
  trays,
  joins,
}: Division<T, J>): { trays: T[]; joins: J[]; faults: DivisionFault[] } {
  const faults: DivisionFault[] = [];
  const known = new Set(trays.map(({ id }) => id));
  const names = new Map(joins.map(({ id, name }) => [id, name]));
  const placed = joins.map((join) => withKnownOnly(join, known, names, faults));
  const circle = inCircle(placed);
  if (circle.size > 0) {
    const named = placed.flatMap(({ id, name }) => (circle.has(id) ? [`“${name}”`] : []));
    for (const { id } of placed) {
      if (!circle.has(id)) continue;
      faults.push({
        id,
        of: 'join',
        message: `These joins wait for each other in a circle: ${named.join(', ')}.`,
        readAs: 'Their order is left out.',
      });
    }
  }
  return {
    trays: trays.map((tray) => withOwnLayerIds(tray, faults)),
    joins: placed.map((join) =>
      circle.has(join.id)
        ? { ...join, afterJoinIds: join.afterJoinIds.filter((before) => !circle.has(before)) }
        : join,
    ),
    faults,
  };
}

function withKnownOnly<J extends DividedJoin>(
  join: J,
  trays: ReadonlySet<string>,
  joins: ReadonlyMap<string, string>,
  faults: DivisionFault[],
): J {
  const say = (message: string, readAs: string) =>
    faults.push({ id: join.id, of: 'join', message: `“${join.name}” ${message}`, readAs });
  const trayIds = [...new Set(join.trayIds)].filter((id) => trays.has(id));
  if (trayIds.length < join.trayIds.length) {
    const strange = join.trayIds.filter((id) => !trays.has(id));
    if (strange.length > 0)
      say(
        `joins ${shortList(strange)}, which is no sub-assembly of this build.`,
        'It joins what is left of it.',
      );
    else say('names a sub-assembly twice.', 'It is counted once.');
  }
  const afterJoinIds = [...new Set(join.afterJoinIds)].filter((id) => joins.has(id) && id !== join.id);
  if (afterJoinIds.length < join.afterJoinIds.length) {
    const strange = join.afterJoinIds.filter((id) => !joins.has(id));
    if (join.afterJoinIds.includes(join.id)) say('waits for itself.', 'That wait is left out.');
    else if (strange.length > 0)
      say(
        `waits for ${shortList(strange)}, which is no join of this build.`,
        'That wait is left out; look whether it must wait for another.',
      );
    else say('waits for one join twice.', 'It is counted once.');
  }
  return { ...join, trayIds, afterJoinIds };
}

const LISTED = 3;
function shortList(ids: readonly string[]): string {
  const more = ids.length > LISTED ? ` and ${ids.length - LISTED} more` : '';
  return ids.slice(0, LISTED).join(', ') + more;
}

/** Joins that lie on a circle or wait for one that does and are waited for by one that does. */
function inCircle(joins: readonly DividedJoin[]): ReadonlySet<string> {
  const left = new Map(joins.map((join) => [join.id, join]));
  const peel = (isFree: (join: DividedJoin) => boolean) => {
    for (let removed = true; removed;) {
      removed = false;
      for (const [id, join] of left) {
        if (!isFree(join)) continue;
        left.delete(id);
        removed = true;
      }
    }
  };
  peel(({ afterJoinIds }) => !afterJoinIds.some((before) => left.has(before)));
  peel(({ id }) => ![...left.values()].some(({ afterJoinIds }) => afterJoinIds.includes(id)));
  return new Set(left.keys());
}

function withOwnLayerIds<T extends DividedTray>(tray: T, faults: DivisionFault[]): T {
  const taken = new Set<string>();
  const layers = tray.layers.map((layer) => {
    let { id } = layer;
    for (let count = 2; taken.has(id); count++) id = `${layer.id}~${count}`;
    taken.add(id);
    return id === layer.id ? layer : { ...layer, id };
  });
  const twice = layers.some(({ id }, at) => id !== tray.layers[at]!.id);
  if (!twice) return tray;
  faults.push({
    id: tray.id,
    of: 'sub-assembly',
    message: `Two layers of “${tray.name}” have the same id.`,
    readAs: 'They are read as two layers.',
  });
  return { ...tray, layers };
}

/** A division without one of its joins: nothing waits for it any more. */
export function withoutJoin<J extends DividedJoin>(joins: readonly J[], gone: string): J[] {
  return joins.flatMap((join) =>
    join.id === gone
      ? []
      : join.afterJoinIds.includes(gone)
        ? [{ ...join, afterJoinIds: join.afterJoinIds.filter((id) => id !== gone) }]
        : [join],
  );
}

/** Joins once a sub-assembly is gone: a join that has nothing left to join goes with it. */
export function withoutTray<J extends DividedJoin>(joins: readonly J[], gone: string): J[] {
  const left = joins.map((join) =>
    join.trayIds.includes(gone) ? { ...join, trayIds: join.trayIds.filter((id) => id !== gone) } : join,
  );
  const empty = left.filter((join, at) => join.trayIds.length === 0 && joins[at]!.trayIds.length > 0);
  return empty.reduce<J[]>((rest, { id }) => withoutJoin(rest, id), left);
}
