import { Table } from '@mantine/core';
import { drawCaps, drawEngine } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { ignitionQuestion, planHarness, type Harness, type Kit } from '../../../core/kit/index.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';
import { worked } from '../../../core/worked.ts';

interface HarnessFollowsProps {
  harness: Harness;
  kit: Kit;
  scale: number;
}

/** Which tower feeds which plug, how long to cut, and in what order to glue; or what is wrong. */
export function HarnessFollows({ harness, kit, scale }: HarnessFollowsProps) {
  const { answer, fault } = worked(() => planHarness(harness, scale));
  if (fault !== undefined)
    return (
      <Fault
        name={harness.name}
        fault={fault}
        after="What was typed is kept. Until it is mended the plan leaves these leads out."
      />
    );
  const { leads, wire, apart, gluing, bentAside, totalMm } = answer;
  const { source } = ignitionQuestion(harness, scale);
  const caps = drawCaps(answer, source);
  const engine = drawEngine(answer);
  const turnOf = new Map(gluing.map((at, turn) => [at, turn + 1]));
  const rows = leads
    .map((lead, at) => ({ ...lead, turn: turnOf.get(at)!, isBent: bentAside.includes(at) }))
    .sort((p, q) => p.turn - q.turn);
  const isTwin = leads.some(({ cap }) => cap === 2);
  return (
    <div className="panel">
      <h3>{harness.name}</h3>
      {caps ? (
        <div className="flatdrawings">
          <DrawingPicture drawing={caps} label={`The cap of ${harness.name}, towers by cylinder`} />
          <DrawingPicture drawing={engine} label={`${harness.name} with every lead, enlarged`} />
        </div>
      ) : (
        <>
          <DrawingPicture drawing={engine} label={`${harness.name}, its plugs by number`} />
          <p>A coil sits on every plug: there is no lead to cut.</p>
        </>
      )}
      {wire && (
        <p>
          Take <span className="mono">{figure(wire.wireMm, 'mm')}</span> wire
          {wire.drillMm === undefined ? '' : ', drill plugs and cap '}
          {wire.drillMm !== undefined && <span className="mono">{figure(wire.drillMm, 'mm')}</span>};{' '}
          <span className="mono">{Math.ceil(totalMm)} mm</span> in all.
        </p>
      )}
      {rows.length > 0 && (
        <Table className="plainlist" aria-label={`Leads of ${harness.name}, in the order of gluing`}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th className="num">Glue</Table.Th>
              <Table.Th className="num">Cylinder</Table.Th>
              {isTwin && <Table.Th className="num">Cap</Table.Th>}
              <Table.Th className="num">Tower</Table.Th>
              <Table.Th className="num">Cut, mm</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {rows.map(({ turn, cylinder, cap, towerDeg, lengthMm, isBent }) => (
              <Table.Tr key={turn}>
                <Table.Td className="num mono">{turn}</Table.Td>
                <Table.Td className="num mono">
                  {cylinder}
                  {isBent && <span className="soft small"> bent aside</span>}
                </Table.Td>
                {isTwin && <Table.Td className="num mono">{cap}</Table.Td>}
                <Table.Td className="num mono">{Math.round(towerDeg)}°</Table.Td>
                <Table.Td className="num mono">{lengthMm.toFixed(1)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {apart.length > 0 && (
        <p className="small">
          Kept apart by a separator, since they run side by side and fire one after the other:{' '}
          {apart.map((two) => two.join(' and ')).join('; ')}.
        </p>
      )}
      <p className="soft small">
        Towers are in degrees clockwise from {harness.lies ? 'the top' : 'the front'}; walking round the cap
        the way its rotor turns gives the firing order. Each length has 1 mm in the hole at either end and the
        slack. The circle round a tower marks the one that fires first.
      </p>
      <SaveDrawings
        enlarged
        kit={kit}
        title={`Harness of ${harness.name}`}
        drawings={caps ? [caps, engine] : [engine]}
      />
    </div>
  );
}
