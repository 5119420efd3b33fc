import { Button, Checkbox, NumberInput, Select, SimpleGrid, Table, TextInput } from '@mantine/core';
import { useState } from 'react';
import { STOCK_ITEMS } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import { BAR_FORMS, barRecord, type StockLength } from '../../../core/kit/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { changeStock } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

interface StockLengthsProps {
  bars: readonly StockLength[];
  /** Diameters that are wanted, mm. */
  wanted: readonly number[];
}

/** Wire, rod, tube and strip on the bench, and what is sold. */
export function StockLengths({ bars, wanted }: StockLengthsProps) {
  return (
    <section className="panel" aria-label="Wire, rod and tube in stock">
      <h3>Wire, rod and tube</h3>
      {bars.length === 0 ? (
        <p className="soft small">Nothing written down yet. What is here serves every build on the bench.</p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>What</Table.Th>
              <Table.Th className="num">mm</Table.Th>
              <Table.Th className="num">Long, mm</Table.Th>
              <Table.Th className="num">There</Table.Th>
              <SpokenHead>Remove</SpokenHead>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {bars.map((bar) => (
              <Table.Tr key={bar.id}>
                <Table.Td>{bar.name}</Table.Td>
                <Table.Td className="num mono">{bar.diameterMm}</Table.Td>
                <Table.Td className="num mono">{bar.lengthMm}</Table.Td>
                <Table.Td className="num mono">
                  {bar.count === null ? `buy, ${figure(bar.priceCents, 'euro')}` : bar.count}
                </Table.Td>
                <Table.Td>
                  <RemoveButton
                    name={`Take out ${bar.name}`}
                    onRemove={() =>
                      void changeStock(
                        [{ kind: 'bar', id: bar.id, value: null }],
                        `take out ${bar.name}`,
                      ).catch(() => undefined)
                    }
                  />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <NewLength wanted={wanted} />
    </section>
  );
}

function NewLength({ wanted }: { wanted: readonly number[] }) {
  const [isSold, setIsSold] = useState(false);
  const { text, number, pick, problem, submit } = useRecordForm(barRecord.fields, STOCK_ITEMS.bar, {
    start: { diameterMm: wanted[0] ?? 0.3, count: 1 },
    asks: { name: 'Say what it is.' },
    prepare: (bar) =>
      isSold
        ? { ...bar, count: null, priceCents: Math.round(100 * bar.priceCents) }
        : { ...bar, priceCents: 0 },
  });
  return (
    <form
      aria-label="New wire, rod or tube"
      onSubmit={submit(
        (value) => changeStock([{ kind: 'bar', id: newId('bar'), value }], value.name),
        ['name'],
      )}
    >
      <SimpleGrid cols={2} spacing="xs" mt={8}>
        <TextInput size="xs" label="What it is" placeholder="brass rod" {...text('name')} />
        <Select size="xs" label="Form" allowDeselect={false} data={[...BAR_FORMS]} {...pick('form')} />
        <NumberInput size="xs" label="Diameter, mm" decimalScale={2} {...number('diameterMm')} />
        <NumberInput size="xs" label="Length of one, mm" decimalScale={1} {...number('lengthMm')} />
        {isSold ? (
          <NumberInput size="xs" label="Price of one, €" decimalScale={2} {...number('priceCents', 100)} />
        ) : (
          <NumberInput size="xs" label="How many there are" allowDecimal={false} {...number('count')} />
        )}
      </SimpleGrid>
      <Checkbox
        size="xs"
        mt={8}
        label="Not here: bought as needed"
        checked={isSold}
        onChange={({ currentTarget: { checked } }) => setIsSold(checked)}
      />
      {problem}
      <Button type="submit" size="xs" variant="default" mt={8}>
        Write it down
      </Button>
    </form>
  );
}
