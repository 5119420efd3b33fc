import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { KIT_ITEMS } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import { gapRecord, MOTIONS, type Gap } from '../../../core/kit/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import type { KitViewProps } from './kitView.ts';
import { partOptions } from './partNames.ts';
import { useWritten, WrittenRows } from './WrittenRows.tsx';

const MOTION_OPTIONS = MOTIONS.map((value) => ({
  value,
  label: value === 'none' ? 'nothing' : value === 'comes-off' ? 'comes off' : value,
}));

/** Room between parts that are near and do not touch. */
export function GapsPanel({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { problem, add, remove } = useWritten(build.id, 'gap', 'a gap');
  const nameOf = (id: string) => kit.parts.find((part) => part.id === id)?.name ?? 'a part that is gone';
  return (
    <div className="panel">
      {problem}
      {kit.gaps.length === 0 ? (
        <p className="soft">
          Measure where parts come near and must not touch: tyre and arch, door and frame, fan and radiator.
        </p>
      ) : (
        <WrittenRows
          heads={[{ name: 'Gap' }, { name: 'Between' }, { name: 'Bare', num: true }, { name: 'Moves in it' }]}
          rows={kit.gaps.map(({ id, a, b, where, gapMm, motion }) => ({
            id,
            name: where,
            cells: [
              where,
              `${nameOf(a)}, ${nameOf(b)}`,
              figure(gapMm, 'mm'),
              MOTION_OPTIONS.find(({ value }) => value === motion)!.label,
            ],
          }))}
          onRemove={remove}
        />
      )}
      <NewGap kit={kit} onAdd={add} />
    </div>
  );
}

function NewGap({
  kit,
  onAdd,
}: Pick<KitViewProps, 'kit'> & { onAdd: (gap: Omit<Gap, 'id'>) => Promise<void> }) {
  const parts = partOptions(kit);
  const { text, number, pick, problem, submit } = useRecordForm(gapRecord.fields, KIT_ITEMS.gap, {
    start: { gapMm: '' },
    asks: {
      a: 'Say between which parts it lies.',
      b: 'Say between which parts it lies.',
      gapMm: 'Give the gap in millimetres; 0 where they touch.',
    },
    prepare: ({ where, ...gap }) => ({ ...gap, where: where || 'gap' }),
    wholeAt: 'b',
  });
  return (
    <form
      className="toolrow mt10"

      onSubmit={submit(onAdd, ['where', 'gapMm', 'a', 'b'])}
    >
      <Select
        size="xs"
        className="grow"
        searchable
        label="Between"
        placeholder="which part"
        data={parts}
        {...pick('a')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="And"
        placeholder="which other"
        data={parts}
        {...pick('b')}
      />
      <TextInput size="xs" className="grow" label="Where" placeholder="front arch" {...text('where')} />
      <NumberInput size="xs" w={86} label="Bare, mm" step={0.05} decimalScale={2} {...number('gapMm')} />
      <Select size="xs" w={110} label="Moves in it" data={MOTION_OPTIONS} {...pick('motion')} />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Write the gap down
      </Button>
      {problem}
    </form>
  );
}
