import { Table } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import { useMemo } from 'react';
import type { PaintRecord, TrayRecord } from '../../../api/index.ts';
import {
  FAMILIES,
  formatMinutes,
  hardenerOf,
  stackQuantities,
  type Stack,
  type Supply,
} from '../../../core/finish/index.ts';
import { Why } from '../../components/Why.tsx';
import { useBench } from '../../data/bench.ts';

interface QuantitiesPanelProps {
  tray: TrayRecord;
  stack: Stack;
  paints: readonly PaintRecord[];
}

const CONTAINER = {
  bottle: ['bottle', 'bottles'],
  can: ['can', 'cans'],
  marker: ['marker', 'markers'],
} as const;
const HARDENER = hardenerOf('');
const euros = (cents: number) => figure(cents, 'euro');

/** What has to be opened, mixed and bought for a stack. */
export function QuantitiesPanel({ tray, stack, paints }: QuantitiesPanelProps) {
  const { data } = useBench();
  const own = data?.settings.preferences.tools;
  const conditions = data?.settings.conditions;
  const quantities = useMemo(() => {
    const supplies = new Map(paints.map((paint): [string, Supply] => [paint.id, paint]));
    const mixes = new Map(tray.layers.map(({ id, mix }) => [id, mix]));
    return stackQuantities(
      stack.layers,
      stack.areaCm2,
      ({ id, product }) => mixes.get(id) ?? { [product?.id ?? id]: 1 },
      supplies,
      own,
      conditions,
    );
  }, [tray, stack, paints, own, conditions]);
  if (quantities.products.length === 0) return null;
  const thinners = Object.entries(quantities.thinnerMl).filter(([, ml]) => ml > 0.05);
  const twoPart = quantities.layers.filter(({ hardenerMl }) => hardenerMl > 0);
  return (
    <div className="panel" role="region" aria-label="Quantities">
      <h3>
        To open{' '}
        <Why about="the quantities">
          Dry film × {stack.areaCm2} cm² ÷ solids ÷ what reaches the part (airbrush 40 %, can 25 %, brush 90
          %), and half a millilitre that stays in cup and tip each time. The area is the sub-assembly’s, from
          the Kit stage.
        </Why>
      </h3>
      <Table className="plainlist">
        <Table.Tbody>
          {quantities.products.map(
            ({ productId, name, paintMl, container, containers, lacksMl, toBuy, costCents }) => (
              <Table.Tr key={productId}>
                <Table.Td className="wraps">
                  {name}
                  <span className="soft small block">
                    {container === undefined
                      ? productId.startsWith(HARDENER)
                        ? 'comes apart from the clear: buy the two together'
                        : 'a plain product: choose yours to see what the shelf lacks'
                      : lacksMl <= 0
                        ? 'enough on the shelf'
                        : `lacks ${figure(lacksMl, 'ml')}: buy ${toBuy} ${CONTAINER[container][toBuy === 1 ? 0 : 1]}, ${euros(costCents ?? 0)}`}
                    {container === 'can' && containers > 1 ? `; ${containers} cans in all` : ''}
                  </span>
                </Table.Td>
                <Table.Td className="num mono nowrap">{figure(paintMl, 'ml')}</Table.Td>
              </Table.Tr>
            ),
          )}
          {thinners.map(([family, ml]) => (
            <Table.Tr key={family}>
              <Table.Td>thinner for {FAMILIES[family as keyof typeof FAMILIES].name}</Table.Td>
              <Table.Td className="num mono nowrap">{figure(ml, 'ml')}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      {twoPart.map(({ layerId, ratio, hardenerMl, paintMl, batches, potLifeMinutes }) => (
        <p key={layerId} className="small mt6">
          Two-part: {ratio}; {figure(paintMl - hardenerMl, 'ml')} of clear with {figure(hardenerMl, 'ml')}
          of hardener
          {batches > 1 ? `, in ${batches} batches` : ''}, sprayed within {formatMinutes(potLifeMinutes!)} of
          mixing at {figure(conditions?.temperatureC ?? 20, '°C', 0)} (half as long for every 10 °C more). Mix
          no more than the evening sprays; the label’s ratio and pot life win.
        </p>
      ))}
      {quantities.buyCents > 0 && (
        <p className="mt6">
          To buy: <span className="mono">{euros(quantities.buyCents)}</span>
        </p>
      )}
    </div>
  );
}
