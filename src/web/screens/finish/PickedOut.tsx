import { Button, Select, Stack } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { BuildRecord, CodeRecord, PaintRecord, TrayRecord } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import type { Conditions } from '../../../core/finish/index.ts';
import type { PlannedLayer, ProductIndex } from '../../../core/kit/index.ts';
import { useKit } from '../../data/kit.ts';
import { openPickOuts, pickOutPaints, withPickOut, type OpenPickOut } from './pickOut.ts';

interface PickedOutProps {
  build: BuildRecord;
  tray: TrayRecord;
  paints: readonly PaintRecord[];
  bench: { products: ProductIndex; codes: readonly CodeRecord[]; conditions: Conditions };
  onSave: (layers: PlannedLayer[], label: string) => void;
}

/** Colours that share a piece with the main one and have no paint yet. */
export function PickedOut({ build, tray, paints, bench, onSave }: PickedOutProps) {
  const { kit } = useKit(build.id);
  const open = useMemo(() => (kit ? openPickOuts(kit, tray, bench.codes) : []), [kit, tray, bench.codes]);
  if (open.length === 0) return null;
  return (
    <Stack className="panel" component="section" gap="xs" aria-label="Picked out, without a paint">
      <h3>Picked out, without a paint</h3>
      <p className="soft small">
        They share a piece with the main colour, so a brush follows once that is dry. With a layer of its own
        each has its coats, waits and warnings, and its paint is on the list of what to buy.
      </p>
      {open.map((second) => (
        <PickOutRow
          key={second.finishId}
          second={second}
          paints={paints}
          onTake={(paintId) =>
            onSave(
              withPickOut(tray, second, paintId, build.scale, bench),
              `${second.name.toLowerCase()} on ${tray.name}`,
            )
          }
        />
      ))}
    </Stack>
  );
}

interface PickOutRowProps {
  second: OpenPickOut;
  paints: readonly PaintRecord[];
  onTake: (paintId: string | null) => void;
}

function PickOutRow({ second, paints, onTake }: PickOutRowProps) {
  const fitting = useMemo(() => pickOutPaints(second, paints), [second, paints]);
  const nearest = fitting[0]?.dE00 === undefined ? null : fitting[0].paint.id;
  const [chosen, setChosen] = useState<string | null>(nearest);
  const group = (name: string, isOwned: boolean) => ({
    group: name,
    items: fitting
      .filter(({ paint }) => (paint.levelMl !== null) === isOwned)
      .map(({ paint, dE00 }) => ({
        value: paint.id,
        label: `${paint.name} (${paint.range})${dE00 === undefined ? '' : `, ${figure(dE00, 'dE')} from the code`}`,
      })),
  });
  const taped = second.places.reduce((sum, { tapeMm = 0 }) => sum + tapeMm, 0);
  return (
    <Stack gap={6}>
      <p>
        <b>{second.name}</b>: {second.places.map(({ name }) => name).join(', ')}, {figure(second.cm2, 'cm²')}
        {taped > 0 && `, ${figure(taped, 'mm', 0)} of its edge along tape`}
      </p>
      <Select
        label={`Paint for ${second.name.toLowerCase()}`}
        searchable
        clearable
        limit={80}
        placeholder={second.code ? 'choose' : 'choose; no code says what it should look like'}
        data={[group('On the shelf', true), group('To buy', false)].filter(({ items }) => items.length > 0)}
        value={chosen}
        onChange={setChosen}
      />
      <Button variant="default" onClick={() => onTake(chosen)}>
        {chosen === null ? 'Add its layer, paint to be chosen' : 'Add its layer to the stack'}
      </Button>
    </Stack>
  );
}
