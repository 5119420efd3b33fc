import { KIT_RECORDS, referencesOf, withReferences, type RecordDefinition } from '../../core/kit/index.ts';
import type { BuildDocument } from './buildDocument.ts';

type Rename = (id: string) => string;

/** Every id that belongs to a build alone, and that others refer to it by. */
function ownIds({ build, trays, joins, kit, cups, pictures }: BuildDocument): Set<string> {
  const ids = new Set([build.id]);
  for (const { id } of [
    ...trays,
    ...joins,
    ...cups,
    ...pictures,
    ...cups.flatMap(({ readings }) => readings),
  ])
    ids.add(id);
  for (const definition of KIT_RECORDS as readonly RecordDefinition[])
    for (const value of kit[definition.list] ?? []) {
      ids.add(value.id);
      for (const { id } of referencesOf(definition, value).holds) ids.add(id);
    }
  return ids;
}

const isOfWord = (letter: string | undefined): boolean => letter !== undefined && /[A-Za-z0-9]/.test(letter);

/** Renames ids inside a name that is put together from them, like that of a step: where several fit, the longest. */
function renamedWithin(text: string, ids: ReadonlySet<string>, longest: number, rename: Rename): string {
  let made = '';
  let at = 0;
  while (at < text.length) {
    let found: string | undefined;
    if (!isOfWord(text[at - 1]))
      for (let length = Math.min(longest, text.length - at); length > 0 && !found; length--) {
        if (isOfWord(text[at + length])) continue;
        const part = text.slice(at, at + length);
        if (ids.has(part)) found = part;
      }
    made += found === undefined ? text[at]! : rename(found);
    at += found?.length ?? 1;
  }
  return made;
}

/** Text fields of records that name other records, or what was made of them. */
const NAMING_TEXTS: readonly string[] = ['mendId', 'adviceId', 'workId', 'pleasure'];

/** A document whose own ids are all others, so that it comes in beside the build that it came from: everything in it
 *  still leads where it led. Codes and paints keep theirs. */
export function renamedDocument(document: BuildDocument, suffix: string): BuildDocument {
  const ids = ownIds(document);
  const longest = Math.max(...[...ids].map(({ length }) => length));
  const rename: Rename = (id) => (ids.has(id) ? `${id}${suffix}` : id);
  const within: Rename = (text) => renamedWithin(text, ids, longest, rename);
  const record = (definition: RecordDefinition, value: { id: string }) => {
    const moved =
      withReferences(definition, value, (id, to) =>
        to === 'code' ? id : to === 'step' ? within(id) : rename(id),
      ) ?? value;
    return { ...(inNamingTexts(moved, within) as { id: string }), id: rename(value.id) };
  };
  return {
    ...document,
    build: { ...document.build, id: rename(document.build.id) },
    trays: document.trays.map((tray) => ({
      ...tray,
      id: rename(tray.id),
      partIds: tray.partIds.map(rename),
      layers: tray.layers.map((layer) =>
        layer.finishId === undefined ? layer : { ...layer, finishId: rename(layer.finishId) },
      ),
    })),
    joins: document.joins.map((join) => ({
      ...join,
      id: rename(join.id),
      trayIds: join.trayIds.map(rename),
      afterJoinIds: join.afterJoinIds.map(rename),
      jointIds: join.jointIds.map(rename),
    })),
    kit: Object.fromEntries(
      (KIT_RECORDS as readonly RecordDefinition[]).map((definition) => [
        definition.list,
        (document.kit[definition.list] ?? []).map((value) => record(definition, value)),
      ]),
    ),
    steps: document.steps.map((step) => ({
      ...step,
      operationId: within(step.operationId),
      trayId: step.trayId === null ? null : rename(step.trayId),
    })),
    cups: document.cups.map((cup) => ({
      ...cup,
      id: rename(cup.id),
      trayId: cup.trayId === null ? null : rename(cup.trayId),
      readings: cup.readings.map((reading) => ({ ...reading, id: rename(reading.id) })),
    })),
    pictures: document.pictures.map((picture) => ({ ...picture, id: rename(picture.id) })),
  };
}

function inNamingTexts(value: unknown, within: Rename): unknown {
  if (Array.isArray(value)) return value.map((each) => inNamingTexts(each, within));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => {
      if (!NAMING_TEXTS.includes(key)) return [key, inNamingTexts(each, within)];
      if (typeof each === 'string') return [key, within(each)];
      return [key, Array.isArray(each) ? (each as string[]).map(within) : each];
    }),
  );
}
