import { Button, Select } from '@mantine/core';
import { useMemo } from 'react';
import { KIT_ITEMS } from '../../../../api/index.ts';
import { PAIR_KINDS, pairRecord, pairsOf, type PartPair } from '../../../../core/kit/index.ts';
import { useRecordForm } from '../../../components/form/useRecordForm.tsx';
import type { KitViewProps } from '../kitView.ts';
import { partOptions } from '../partNames.ts';
import { useWritten, WrittenRows } from '../WrittenRows.tsx';

const KIND_WORDS: Readonly<Record<PartPair['kind'], string>> = {
  mirrored: 'mirrored',
  alike: 'alike',
  'no-pair': 'no pair',
};

/** What is made in pairs: found from the names, named, or told apart. */
export function PairsPanel({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { problem, add, addNow, remove } = useWritten(build.id, 'pair', 'a pair');
  const found = useMemo(() => pairsOf(kit), [kit]);
  const nameOf = (id: string) => kit.parts.find((part) => part.id === id)?.name ?? 'a part that is gone';
  const isSaid = (a: string, b: string) => kit.pairs.some((pair) => pair.a === a && pair.b === b);
  return (
    <div className="panel">
      <h3>Pairs</h3>
      {problem}
      <p className="soft small">
        {found.length === 0
          ? 'None is known. What is left and right of one thing is taken for a pair; name others here.'
          : 'Warned of where one is painted, drilled or cut and the other is not.'}
      </p>
      {found
        .filter(({ a, b }) => !isSaid(a, b))
        .map(({ a, b, kind, because }) => (
          <p key={`${a} ${b}`} className="small pairline">
            {nameOf(a)} and {nameOf(b).toLowerCase()}: {KIND_WORDS[kind]}{' '}
            <span className="soft">({because})</span>{' '}
            <Button size="compact-xs" onClick={() => addNow({ a, b, kind: 'no-pair' })}>
              They are no pair
            </Button>
          </p>
        ))}
      {kit.pairs.length > 0 && (
        <WrittenRows
          heads={[{ name: 'You said' }, { name: 'Pair' }]}
          rows={kit.pairs.map(({ id, a, b, kind }) => ({
            id,
            name: `${nameOf(a)}, ${nameOf(b)}`,
            cells: [`${nameOf(a)}, ${nameOf(b)}`, KIND_WORDS[kind]],
          }))}
          onRemove={remove}
        />
      )}
      <NewPair kit={kit} onAdd={add} />
    </div>
  );
}

function NewPair({
  kit,
  onAdd,
}: Pick<KitViewProps, 'kit'> & { onAdd: (pair: Omit<PartPair, 'id'>) => Promise<void> }) {
  const parts = partOptions(kit);
  const { pick, problem, submit } = useRecordForm(pairRecord.fields, KIT_ITEMS.pair, {
    asks: { a: 'Say which part.', b: 'Say which other.' },
    wholeAt: 'b',
  });
  const part = { size: 'xs', className: 'grow', searchable: true, data: parts } as const;
  return (
    <form className="toolrow mt10" onSubmit={submit(onAdd, ['a', 'b'])}>
      <Select {...part} label="One of a pair" placeholder="which part" {...pick('a')} />
      <Select {...part} label="The other" placeholder="which other" {...pick('b')} />
      <Select
        size="xs"
        w={104}
        label="They are"
        data={PAIR_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        {...pick('kind')}
      />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Say so
      </Button>
      {problem}
    </form>
  );
}
