import { Table } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { NARROW_MM, type NarrowArea, type Way } from '../../../core/livery/index.ts';

interface NarrowAreasProps {
  narrow: readonly NarrowArea[];
  nameOf: (area: NarrowArea) => string;
}

const WORDS: Readonly<Record<Way, string>> = {
  spray: 'mask and spray',
  brush: 'brush',
  marker: 'marker',
  decal: 'decal',
  foil: 'foil',
};

/** Rubbers, trims and surrounds: every way of bringing each on, side by side. */
export const NarrowAreas = ({ narrow, nameOf }: NarrowAreasProps) =>
  narrow.length === 0 ? null : (
    <div>
      <h4>Narrower than {NARROW_MM} mm</h4>
      <Table className="plainlist">
        <Table.Tbody>
          {narrow.map((area) => {
            const { areaId, widthMm, lengthMm, offers } = area;
            return (
              <Table.Tr key={areaId}>
                <Table.Td>
                  {nameOf(area)}
                  <span className="soft small">
                    {' '}
                    {figure(widthMm, 'mm', 1)} wide, {figure(lengthMm, 'mm', 0)} long
                  </span>
                </Table.Td>
                <Table.Td className="small">
                  {offers.map(({ way, minutes }, at) => (
                    <span key={way}>
                      {at > 0 && ', '}
                      {at === 0 ? <b>{WORDS[way]}</b> : WORDS[way]}{' '}
                      <span className="mono">{formatMinutes(minutes)}</span>
                    </span>
                  ))}
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
    </div>
  );
