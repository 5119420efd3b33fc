import { Autocomplete, Button, Table } from '@mantine/core';
import type { BuildRecord } from '../../../api/index.ts';
import { engineKind, partLabel, type Kit, type Part, type Spare } from '../../../core/kit/index.ts';
import { InTurn } from '../../components/InTurn.tsx';
import { changeKit, changeStock } from '../../data/kit.ts';
import { textLimits } from '../../components/limits.ts';
import { guessedKinds } from './engineKinds.ts';

const KIND_LIMIT = textLimits(engineKind(''));

interface EngineKindsProps {
  build: BuildRecord;
  kit: Kit;
  spares: readonly Spare[];
  kinds: readonly string[];
}

/** What each part of this kit and of the spares box is on an engine. */
export function EngineKinds({ build, kit, spares, kinds }: EngineKindsProps) {
  const guessed = guessedKinds(kit);
  const parts = kit.parts.filter(({ id, engineKind }) => engineKind !== undefined || guessed.has(id));
  const save = (part: Part, kind: string) => {
    const { id, engineKind: _was, ...rest } = part;
    const value = kind === '' ? rest : { ...rest, engineKind: kind };
    void changeKit(build.id, [{ kind: 'part', id, value }], `kind of ${part.name}`).catch(() => undefined);
  };
  const saveSpare = (spare: Spare, kind: string) => {
    const { id, engineKind: _was, ...rest } = spare;
    const value = kind === '' ? rest : { ...rest, engineKind: kind };
    void changeStock([{ kind: 'spare', id, value }], `kind of ${spare.name}`).catch(() => undefined);
  };
  const takeGuesses = () =>
    void changeKit(
      build.id,
      parts.flatMap(({ id, ...part }) => {
        const engineKind = guessed.get(id);
        return engineKind === undefined
          ? []
          : [{ kind: 'part' as const, id, value: { ...part, engineKind } }];
      }),
      `kinds of ${guessed.size} parts`,
    ).catch(() => undefined);
  return (
    <section className="panel" aria-label="What each part is on an engine">
      <h3>What each part is on an engine</h3>
      {parts.length === 0 && spares.length === 0 ? (
        <p className="soft small">
          No part of an engine is known by its name. Say under Kit, Roles and finishes, which parts belong to
          it.
        </p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Part</Table.Th>
              <Table.Th className="num">How many</Table.Th>
              <Table.Th>Kind</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {parts.map((part, at) => (
              <InTurn key={part.id} at={at} first={0}>
                {() => (
                  <KindRow
                    name={`${partLabel(part)} ${part.name}`}
                    count={part.count}
                    kind={part.engineKind}
                    guess={guessed.get(part.id)}
                    kinds={kinds}
                    onSave={(kind) => save(part, kind)}
                  />
                )}
              </InTurn>
            ))}
            {spares.map((spare, at) => (
              <InTurn key={spare.id} at={at} first={0}>
                {() => (
                  <KindRow
                    name={`Spares box: ${spare.name}`}
                    count={spare.count}
                    kind={spare.engineKind}
                    guess={undefined}
                    kinds={kinds}
                    onSave={(kind) => saveSpare(spare, kind)}
                  />
                )}
              </InTurn>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {guessed.size > 0 && (
        <Button size="xs" variant="default" mt={8} onClick={takeGuesses}>
          Take the kinds that the names tell ({guessed.size})
        </Button>
      )}
    </section>
  );
}

interface KindRowProps {
  name: string;
  count: number;
  kind: string | undefined;
  guess: string | undefined;
  kinds: readonly string[];
  onSave: (kind: string) => void;
}

const KindRow = ({ name, count, kind = '', guess, kinds, onSave }: KindRowProps) => (
  <Table.Tr>
    <Table.Td>{name}</Table.Td>
    <Table.Td className="num mono">{count}</Table.Td>
    <Table.Td>
      <Autocomplete
        size="xs"
        key={kind}
        aria-label={`Kind of ${name}`}
        placeholder={guess === undefined ? 'not on an engine' : `${guess}?`}
        data={[...kinds]}
        {...KIND_LIMIT}
        defaultValue={kind}
        onOptionSubmit={(picked) => picked !== kind && onSave(picked)}
        onBlur={({ currentTarget }) => {
          const typed = currentTarget.value.trim();
          if (typed !== kind) onSave(typed);
        }}
      />
    </Table.Td>
  </Table.Tr>
);
