import type { EngineQuestion } from '../../detail/index.ts';
import type { Engine, Kit, Part, Spare } from '../records/index.ts';
import { resolveVersion } from '../version.ts';

/** A build on the bench, as far as engines ask. */
export interface EngineBuild {
  id: string;
  name: string;
  kit: Kit;
}

/** Parts of a kind that may go onto an engine, and where they lie. */
export interface AtHand {
  kind: string;
  count: number;
  name: string;
  /** Null for the spares box. */
  buildId: string | null;
  itemId: string;
}

/** Kinds are the same whatever their capitals and spaces. */
export const kindKey = (kind: string): string => kind.trim().toLowerCase().replace(/\s+/g, ' ');

/** Neither glued nor painted yet, it can still go elsewhere. */
const isFree = ({ state }: Part): boolean =>
  state === 'on-frame' || state === 'cleaned' || state === 'from-spares';

/** Parts of a build that may go onto an engine of `forId`. Its own all may; of another build those that its version leaves over,
 *  and all where that build has engines of its own to be decided with. */
function partsAtHand({ id, kit }: EngineBuild, forId: string): AtHand[] {
  const { leftOver } = resolveVersion(kit);
  const isOpen = kit.engines.some(({ slots }) => slots.length > 0);
  return kit.parts.flatMap((part): AtHand[] => {
    const { id: itemId, engineKind, name, count } = part;
    if (engineKind === undefined || part.state === 'lost') return [];
    // What another build has glued or painted stays there.
    if (id !== forId && !(isFree(part) && (isOpen || leftOver.has(itemId)))) return [];
    return [{ kind: kindKey(engineKind), count, name, buildId: id, itemId }];
  });
}

/** All parts that may go onto an engine of `forId`, of the kits on the bench and of the spares box. */
export const engineParts = (
  builds: readonly EngineBuild[],
  spares: readonly Spare[],
  forId: string,
): AtHand[] => [
  ...builds.flatMap((build) => partsAtHand(build, forId)),
  ...spares.flatMap(({ id, engineKind, name, count }) =>
    engineKind === undefined || count === 0
      ? []
      : [{ kind: kindKey(engineKind), count, name, buildId: null, itemId: id }],
  ),
];

/** Of an engine, among those of all builds. */
export const idOf = (buildId: string, engineId: string): string => `${buildId} ${engineId}`;

/** What is wrong with an engine as it was typed; null where it can be asked. */
export function engineFault({ name, slots }: Engine): string | null {
  if (slots.length === 0) return 'It has no places yet: say what it is put together from.';
  const names = slots.map((slot) => kindKey(slot.name));
  const twice = slots.find((_, at) => names.indexOf(names[at]!) !== at);
  if (twice) return `“${twice.name}” is there twice: give each place a name of its own.`;
  const empty = slots.find(({ kinds }) => kinds.length === 0);
  if (empty) return `Nothing fits “${empty.name}” yet: say which kinds do.`;
  const own = slots.find(({ kinds }) => kinds.some((kind) => kindKey(kind) === kindKey(name)));
  if (own) return `It needs itself for “${own.name}”: say what that is put together from.`;
  return null;
}

/** Which engines can stand at once, over all builds that want one. */
export function enginesQuestion(builds: readonly EngineBuild[], hand: readonly AtHand[]): EngineQuestion {
  const supply = new Map<string, number>();
  for (const { kind, count } of hand) supply.set(kind, (supply.get(kind) ?? 0) + count);
  return {
    parts: [...supply].map(([kind, count]) => ({ kind, count })),
    engines: builds.flatMap(({ id, kit }) =>
      kit.engines
        .filter((engine) => engineFault(engine) === null)
        .map((engine) => ({
          id: idOf(id, engine.id),
          value: engine.worth,
          most: engine.most,
          needs: engine.slots.map(({ name, kinds, count }) => ({
            slot: name,
            anyOf: kinds.map(kindKey),
            count,
          })),
          not: engine.apart.map(({ one, other }) => [kindKey(one), kindKey(other)] as const),
        })),
    ),
  };
}
