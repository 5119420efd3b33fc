import { textHash } from '../../textHash.ts';
import { partLabel } from '../kit.ts';
import { newRecord, partRecord, type Kit, type Part, type Spare } from '../records/index.ts';
import type { KitChange } from '../removal.ts';
import type { AtHand, EngineBuild } from './atHand.ts';
import type { BuiltEngine } from './builtEngines.ts';

/** What taking engines changes: the build's own kit first, then the kits and the stock that parts are taken from. */
export interface TakenChanges {
  kits: { buildId: string; changes: KitChange[] }[];
  spares: { kind: 'spare'; id: string; value: object }[];
}

/** What the engines of one build take from elsewhere. */
interface TakenElsewhere {
  /** How much of it. */
  from: Map<AtHand, number>;
  /** New parts of the build's own kit. */
  parts: { id: string; value: object }[];
}

/** What taking the engines of one build changes: its version picks them, what they need comes into its kit, and is gone from
 *  where it lay. `fresh` gives ids that nothing has yet. Nothing where none of the engines is of that build. */
export function changesOfTaking(
  build: EngineBuild,
  built: readonly BuiltEngine[],
  others: readonly EngineBuild[],
  spares: readonly Spare[],
  fresh: () => string,
): TakenChanges {
  const mine = built.filter((each) => each.build.id === build.id);
  if (mine.length === 0) return { kits: [], spares: [] };
  const { from, parts } = takenElsewhere(build, mine, others, spares, fresh);
  const own = mine.flatMap((each) =>
    each.parts.flatMap(({ from: { buildId, itemId } }) => (buildId === build.id ? [itemId] : [])),
  );
  const needs = new Set([...own, ...parts.map(({ id }) => id)]);
  return {
    kits: [
      {
        buildId: build.id,
        changes: [
          ...parts.map((part) => ({ kind: 'part' as const, ...part })),
          ...versionChanges(build, mine, needs),
        ],
      },
      ...others.flatMap((other) => {
        const changes = goneFromKit(build, other, from);
        return changes.length > 0 ? [{ buildId: other.id, changes }] : [];
      }),
    ],
    spares: [...from].flatMap(([{ buildId, itemId }, count]) => {
      const spare = buildId === null ? spares.find(({ id }) => id === itemId) : undefined;
      if (!spare) return [];
      const { id, ...value } = spare;
      return [{ kind: 'spare' as const, id, value: { ...value, count: value.count - count } }];
    }),
  };
}

function takenElsewhere(
  build: EngineBuild,
  mine: readonly BuiltEngine[],
  others: readonly EngineBuild[],
  spares: readonly Spare[],
  fresh: () => string,
): TakenElsewhere {
  const taken: TakenElsewhere = { from: new Map(), parts: [] };
  const numbers = new Set(build.kit.parts.map(partLabel));
  for (const { engine, parts } of mine) {
    for (const { from: source, count, place } of parts) {
      if (source.buildId === build.id) continue;
      taken.from.set(source, (taken.from.get(source) ?? 0) + count);
      const other = others.find(({ id }) => id === source.buildId);
      const item =
        other?.kit.parts.find(({ id }) => id === source.itemId) ??
        spares.find(({ id }) => id === source.itemId);
      const origin =
        other?.name ?? (item && 'origin' in item && item.origin ? item.origin : 'the spares box');
      const number = freeNumber(numbers);
      numbers.add(number);
      taken.parts.push({
        id: fresh(),
        value: { ...newPart(item), number, count, note: `${place} of ${engine.name}, from ${origin}` },
      });
    }
  }
  return taken;
}

/** A part as it comes from another kit or from the spares box: what it is stays, where it was and how it was painted does not. */
function newPart(item: Part | Spare | undefined): Omit<Part, 'id'> {
  const { id: _id, note: _note, ...known } = item ?? { id: '', note: '' };
  const fields = Object.entries(known).filter(([key]) => key in partRecord.fields);
  return {
    ...newRecord(partRecord),
    ...(Object.fromEntries(fields) as Partial<Part>),
    frame: '',
    state: 'from-spares',
    use: undefined,
    checked: false,
    zones: [],
  };
}

function freeNumber(taken: ReadonlySet<string>): string {
  for (let at = 1; ; at++) if (!taken.has(`S${at}`)) return `S${at}`;
}

function goneFromKit(
  build: EngineBuild,
  { id: otherId, kit }: EngineBuild,
  from: TakenElsewhere['from'],
): KitChange[] {
  return [...from].flatMap(([{ buildId, itemId }, count]): KitChange[] => {
    const part = buildId === otherId ? kit.parts.find(({ id }) => id === itemId) : undefined;
    if (!part) return [];
    const { id, engineKind, ...value } = part;
    if (value.count > count)
      return [{ kind: 'part', id, value: { ...value, engineKind, count: value.count - count } }];
    const note = `${value.note}${value.note && '; '}went into ${build.name}`.slice(0, 2000);
    return [{ kind: 'part', id, value: { ...value, use: 'left-off', note } }];
  });
}

const ENGINE_CHOICE = 'engine-choice';

/** The version with the engines picked: the option that they are, or one of its own, for which all holes and cuts of what it is
 *  made of are done. */
function versionChanges(
  { kit }: EngineBuild,
  mine: readonly BuiltEngine[],
  needs: ReadonlySet<string>,
): KitChange[] {
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
    ...works.map(({ id, ...work }) => ({
      kind: 'work' as const,
      id,
      value: { ...work, neededBy: [...work.neededBy, optionId] },
    })),
  ];
}

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
