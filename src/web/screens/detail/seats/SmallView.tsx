import { Table } from '@mantine/core';
import { partLabel, SMALL_CM2, smallBatches } from '../../../../core/kit/index.ts';
import { figure } from '../../../../core/figures.ts';
import type { DetailViewProps } from '../detailView.ts';

/** Small things by colour, so that each bottle is opened once. */
export function SmallView({ kit }: DetailViewProps) {
  const batches = smallBatches(kit);
  return (
    <>
      <section className="column" aria-label="By colour">
        <h2>Small things by colour</h2>
        {batches.length === 0 && (
          <p className="panel soft small">
            No colour has three small things yet: give the parts their finishes.
          </p>
        )}
        {batches.map(({ finish, things, pieces }) => (
          <div key={finish.id} className="panel">
            <h3>
              {finish.name} <span className="soft small">{pieces} pieces</span>
            </h3>
            <Table withRowBorders={false} verticalSpacing={2} aria-label={finish.name}>
              <Table.Tbody>
                {things.map(({ part, zone }) => (
                  <Table.Tr key={`${part.id} ${zone ?? ''}`}>
                    <Table.Td className="mono" w={64}>
                      {partLabel(part)}
                    </Table.Td>
                    <Table.Td>
                      {zone === undefined ? part.name : `${zone} of ${part.name.toLowerCase()}`}
                      {part.count > 1 && <span className="soft"> × {part.count}</span>}
                    </Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
          </div>
        ))}
      </section>
      <section className="column" aria-label="What it is for">
        <h2>One evening each</h2>
        <p className="panel soft">
          Handles, winders, levers, pedals and badges: whatever is up to {figure(SMALL_CM2, 'cm²')} and is not
          joined to something larger of its colour. Line them up on sticks and open each bottle once. Which
          colour each has is decided in the Kit stage, under Roles and finishes; the first step of a colour
          says on its card what can come along.
        </p>
      </section>
    </>
  );
}
