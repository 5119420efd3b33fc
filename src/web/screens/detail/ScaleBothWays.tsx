import { Group, NumberInput, Table } from '@mantine/core';
import { useState } from 'react';
import { nearestStock, STOCK_FORMS } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';

const SPAN = { min: 0, max: 100_000 } as const;

/** A real size at the scale of the build and back, with what is sold nearest to it. */
export function ScaleBothWays({ scale }: { scale: number }) {
  const [realMm, setRealMm] = useState<number>(25);
  const modelMm = realMm / scale;
  const typed = (set: (mm: number) => void) => (value: number | string) => {
    if (typeof value === 'number' && value >= 0) set(value);
  };
  return (
    <section className="panel" aria-label="A size at scale">
      <h3>A size at 1:{scale}</h3>
      <Group gap="xs">
        <NumberInput
          size="xs"
          label="Real, mm"
          decimalScale={2}
          {...SPAN}
          value={Number(realMm.toFixed(2))}
          onChange={typed(setRealMm)}
        />
        <NumberInput
          size="xs"
          label="On the model, mm"
          decimalScale={3}
          step={0.1}
          {...SPAN}
          value={Number(modelMm.toFixed(3))}
          onChange={typed((mm) => setRealMm(mm * scale))}
        />
      </Group>
      {modelMm > 0 && (
        <Table className="plainlist" aria-label="Nearest that is sold">
          <Table.Thead>
            <Table.Tr>
              {STOCK_FORMS.map((form) => (
                <Table.Th key={form} className="num">
                  {form}
                </Table.Th>
              ))}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            <Table.Tr>
              {STOCK_FORMS.map((form) => {
                const { mm, off } = nearestStock(modelMm, form);
                return (
                  <Table.Td key={form} className="num mono small">
                    {/* What is further off than half of it is not that size. */}
                    {Math.abs(off) > 0.5 ? '–' : `${mm} mm`}
                    <br />
                    <span className="soft">
                      {Math.abs(off) > 0.5
                        ? 'none'
                        : `${off >= 0 ? '+' : '−'}${figure(100 * Math.abs(off), '%')}`}
                    </span>
                  </Table.Td>
                );
              })}
            </Table.Tr>
          </Table.Tbody>
        </Table>
      )}
      <p className="soft small">
        Sheet and foil by thickness, strip by width, mesh by its opening, the rest by diameter.
      </p>
    </section>
  );
}
