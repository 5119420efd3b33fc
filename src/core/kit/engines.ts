import type { EngineAllocation, EngineQuestion } from '../detail/index.ts';
import { textHash } from '../textHash.ts';
import { partLabel } from './kit.ts';
import type { Engine, EnginePlace, Kit, Part, Spare } from './records/index.ts';
import type { KitChange } from './removal.ts';
import { resolveVersion } from './version.ts';

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

/** Nothing of it goes onto an engine any more. */
const isGone = ({ state }: Part): boolean => state === 'lost';

/** Parts of a build that may go onto an engine of `forId`. Its own all may; of another build those that its version leaves over,
 *  and all where that build has engines of its own to be decided with. */
function partsAtHand({ id, kit }: EngineBuild, forId: string): AtHand[] {
  const { leftOver } = resolveVersion(kit);
  const isOpen = id === forId || kit.engines.some(isAsked);
  return kit.parts.flatMap((part): AtHand[] => {
    const { id: itemId, engineKind, name, count } = part;
    if (engineKind === undefined || isGone(part) || !(isOpen || leftOver.has(itemId))) return [];
    // Glued or painted on another build, it stays there.
    const isFree = part.state === 'on-frame' || part.state === 'cleaned' || part.state === 'from-spares';
    return id === forId || isFree ? [{ kind: kindKey(engineKind), count, name, buildId: id, itemId }] : [];
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

const isAsked = ({ slots }: Engine): boolean => slots.length > 0;

const idOf = (buildId: string, engineId: string): string => `${buildId} ${engineId}`;

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

/** What an engine takes, from where. */
export interface TakenPart {
  place: string;
  kind: string;
  count: number;
  from: AtHand;
}

export interface BuiltEngine {
  build: EngineBuild;
  engine: Engine;
  parts: TakenPart[];
}

/** Which parts make the engines of an answer: those of the engine's own kit first, then the spares box, then other kits. */
export function builtEngines(
  builds: readonly EngineBuild[],
  hand: readonly AtHand[],
  { built }: Pick<EngineAllocation, 'built'>,
): BuiltEngine[] {
  const left = new Map(hand.map((each) => [each, each.count]));
  const wanted = builds.flatMap((build) =>
    build.kit.engines.map((engine) => ({ build, engine, id: idOf(build.id, engine.id) })),
  );
  const placed = built.flatMap(({ engine: id, takes }) => {
    const of = wanted.find((each) => each.id === id);
    return of ? [{ build: of.build, engine: of.engine, takes, parts: [] as TakenPart[] }] : [];
  });
  const take = (isMine: (at: AtHand, buildId: string) => boolean) => {
    for (const { build, takes, parts } of placed) {
      for (const { slot, kind, count } of takes) {
        let open = count - parts.reduce((sum, part) => sum + (part.place === slot ? part.count : 0), 0);
        for (const from of hand) {
          const some = Math.min(open, left.get(from)!);
          if (from.kind !== kind || some === 0 || !isMine(from, build.id)) continue;
          left.set(from, left.get(from)! - some);
          open -= some;
          parts.push({ place: slot, kind, count: some, from });
        }
      }
    }
  };
  // No engine takes from another kit what that kit's own engine needs.
  take(({ buildId }, own) => buildId === own);
  take(({ buildId }) => buildId === null);
  take(() => true);
  return placed.map(({ build, engine, parts }) => {
    const place = new Map(engine.slots.map(({ name }, at) => [name, at]));
    return {
      build,
      engine,
      parts: parts.sort((p, q) => (place.get(p.place) ?? 0) - (place.get(q.place) ?? 0)),
    };
  });
}

/** Parts at hand that an answer leaves. */
export function leftOf(hand: readonly AtHand[], built: readonly BuiltEngine[]): AtHand[] {
  const taken = built.flatMap(({ parts }) => parts);
  return hand.flatMap((each) => {
    const count = each.count - taken.reduce((sum, { from, count: n }) => sum + (from === each ? n : 0), 0);
    return count > 0 ? [{ ...each, count }] : [];
  });
}

const seenPlaces = ({ slots }: Engine): string =>
  slots
    .filter(({ seen }) => seen)
    .map(({ name, kinds, count }: EnginePlace) =>
      [kindKey(name), count, ...kinds.map(kindKey).sort()].join('\t'),
    )
    .sort()
    .join('\n');

/** Engines that look the same once they are built: what is seen of them takes the same kinds. With the places in which they
 *  differ, which nobody sees. */
export function alikeEngines(engines: readonly Engine[]): { one: Engine; other: Engine; hidden: string[] }[] {
  return engines.flatMap((one, at) =>
    engines.slice(at + 1).flatMap((other) => {
      const seen = seenPlaces(one);
      if (seen === '' || seen !== seenPlaces(other)) return [];
      const hidden = [...one.slots, ...other.slots].filter((slot) => !slot.seen).map(({ name }) => name);
      return [{ one, other, hidden: [...new Set(hidden)] }];
    }),
  );
}

/** Changes of a build's kit, or of the stock where `buildId` is null. */
export interface TakenChanges {
  buildId: string | null;
  changes: { kind: KitChange['kind'] | 'spare'; id: string; value: object | null }[];
}

function withoutId(record: object): object {
  const { id: _id, ...value } = record as { id?: string };
  return value;
}

/** What taking the engines of one build changes: its version picks them, what they need comes into its kit, and is gone from
 *  where it lay. `fresh` gives ids that nothing has yet. */
export function changesOfTaking(
  build: EngineBuild,
  built: readonly BuiltEngine[],
  others: readonly EngineBuild[],
  spares: readonly Spare[],
  fresh: () => string,
): TakenChanges[] {
  const mine = built.filter((each) => each.build.id === build.id);
  if (mine.length === 0) return [];
  const own: TakenChanges['changes'] = [];
  const needs = new Set<string>();
  const numbers = new Set(build.kit.parts.map(partLabel));
  const from = new Map<AtHand, number>();
  for (const { engine, parts } of mine) {
    for (const { from: source, count, place } of parts) {
      if (source.buildId === build.id) {
        needs.add(source.itemId);
        continue;
      }
      from.set(source, (from.get(source) ?? 0) + count);
      const origin = others.find(({ id }) => id === source.buildId);
      const part = origin?.kit.parts.find(({ id }) => id === source.itemId);
      const spare = spares.find(({ id }) => id === source.itemId);
      const id = fresh();
      const number = freeNumber(numbers);
      numbers.add(number);
      needs.add(id);
      own.push({
        kind: 'part',
        id,
        value: {
          frame: '',
          number,
          name: source.name,
          count,
          material: part?.material ?? spare?.material ?? 'styrene',
          colour: part?.colour ?? '',
          plated: part?.plated ?? false,
          areaCm2: part?.areaCm2 ?? null,
          lengthMm: part?.lengthMm ?? null,
          needs: part?.needs ?? [],
          state: 'from-spares',
          engineKind: part?.engineKind ?? spare?.engineKind,
          checked: false,
          fragile: part?.fragile ?? false,
          zones: [],
          note: `${place} of ${engine.name}, from ${origin?.name ?? (spare?.origin || 'the spares box')}`,
        },
      });
    }
  }
  return [
    { buildId: build.id, changes: [...own, ...versionChanges(build, mine, needs)] },
    ...goneFrom(build, from, others, spares),
  ].filter(({ changes }) => changes.length > 0);
}

/** The version with the engines picked: the option that they are, or one of its own, for which all holes and cuts of what it is
 *  made of are done. */
function versionChanges(
  { kit }: EngineBuild,
  mine: readonly BuiltEngine[],
  needs: ReadonlySet<string>,
): TakenChanges['changes'] {
  const rulesOut = kit.parts.flatMap(({ id, engineKind }) =>
    engineKind !== undefined && !needs.has(id) ? [id] : [],
  );
  const named = mine.flatMap(({ engine: { optionId } }) => optionId ?? []);
  const known =
    kit.choices.find(({ options }) => options.some(({ id }) => named.includes(id))) ??
    kit.choices.find(({ id }) => id === ENGINE_CHOICE);
  // Two engines in one build are an option of their own.
  const alone = mine.length === 1 ? named[0] : undefined;
  const optionId = alone ?? `engine-${textHash(mine.map(({ engine }) => engine.id).join(' '))}`;
  const before = known?.options.find(({ id }) => id === optionId);
  const option = {
    id: optionId,
    name:
      before?.name ??
      mine
        .map(({ engine }) => engine.name)
        .join(' and ')
        .slice(0, 80),
    needs: [...new Set([...(before?.needs ?? []).filter((id) => !rulesOut.includes(id)), ...needs])],
    rulesOut,
    markings: before?.markings ?? [],
    finishIds: before?.finishIds ?? [],
  };
  const others = (known?.options ?? []).filter(({ id }) => id !== optionId);
  const works = kit.works.filter(
    ({ neededBy }) => !neededBy.includes(optionId) && neededBy.some((id) => named.includes(id)),
  );
  return [
    {
      kind: 'choice',
      id: known?.id ?? ENGINE_CHOICE,
      value: { name: known?.name ?? 'Engine', options: [...others, option], chosen: optionId },
    },
    ...works.map((work) => ({
      kind: 'work' as const,
      id: work.id,
      value: withoutId({ ...work, neededBy: [...work.neededBy, optionId] }),
    })),
  ];
}

const ENGINE_CHOICE = 'engine-choice';

/** Engines are to choose from, and the version picks none of them. */
export function isEngineOpen({ engines, choices }: Pick<Kit, 'engines' | 'choices'>): boolean {
  // One engine is no choice.
  if (engines.length < 2) return false;
  const options = new Set(engines.flatMap(({ optionId }) => optionId ?? []));
  const ofEngines = choices.filter(
    ({ id, options: all }) => id === ENGINE_CHOICE || all.some((option) => options.has(option.id)),
  );
  return !ofEngines.some(({ chosen }) => chosen !== null);
}

function goneFrom(
  build: EngineBuild,
  taken: ReadonlyMap<AtHand, number>,
  others: readonly EngineBuild[],
  spares: readonly Spare[],
): TakenChanges[] {
  const changes = new Map<string | null, TakenChanges['changes']>();
  for (const [{ buildId, itemId }, count] of taken) {
    const list = changes.get(buildId) ?? [];
    changes.set(buildId, list);
    const part = others.find(({ id }) => id === buildId)?.kit.parts.find(({ id }) => id === itemId);
    const spare = buildId === null ? spares.find(({ id }) => id === itemId) : undefined;
    if (spare)
      list.push({ kind: 'spare', id: itemId, value: withoutId({ ...spare, count: spare.count - count }) });
    if (part && part.count > count)
      list.push({ kind: 'part', id: itemId, value: withoutId({ ...part, count: part.count - count }) });
    else if (part) {
      const { engineKind: _kind, ...rest } = part;
      const note = `${part.note}${part.note && '; '}went into ${build.name}`.slice(0, 2000);
      list.push({ kind: 'part', id: itemId, value: withoutId({ ...rest, use: 'left-off' as const, note }) });
    }
  }
  return [...changes].map(([buildId, list]) => ({ buildId, changes: list }));
}

function freeNumber(taken: ReadonlySet<string>): string {
  for (let at = 1; ; at++) if (!taken.has(`S${at}`)) return `S${at}`;
}
