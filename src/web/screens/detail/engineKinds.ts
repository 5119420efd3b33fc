import { kindKey, rolesOf, type EngineBuild, type Kit, type Spare } from '../../../core/kit/index.ts';

/** Kinds that are in use on the bench, each once as it was written first. */
export function knownKinds(builds: readonly EngineBuild[], spares: readonly Spare[]): string[] {
  const said = [
    ...builds.flatMap(({ kit }) => [
      ...kit.engines.flatMap(({ slots }) => slots.flatMap(({ kinds }) => kinds)),
      ...kit.parts.flatMap(({ engineKind }) => engineKind ?? []),
    ]),
    ...spares.flatMap(({ engineKind }) => engineKind ?? []),
  ];
  const known = new Map<string, string>();
  for (const kind of said) if (!known.has(kindKey(kind))) known.set(kindKey(kind), kind);
  return [...known.values()].sort((a, b) => a.localeCompare(b));
}

/** What parts of an engine are by their names, where nobody said: "air cleaner" for what its role tells. */
export function guessedKinds(kit: Kit): Map<string, string> {
  const said = new Map(kit.parts.map(({ id, engineKind }) => [id, engineKind]));
  return new Map(
    rolesOf(kit).flatMap(({ partId, system, thing }) =>
      system === 'engine' && thing !== null && said.get(partId) === undefined
        ? [[partId, thing.replaceAll('-', ' ')]]
        : [],
    ),
  );
}
