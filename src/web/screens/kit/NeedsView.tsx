import { Button, Table, UnstyledButton } from '@mantine/core';
import { EachInTurn } from '../../components/InTurn.tsx';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { hardenerOf } from '../../../core/finish/index.ts';
import { chooseAdhesive, glueJob, jointName, layerUses } from '../../../core/kit/index.ts';
import { kitNeeds, type Need } from '../../../core/plan/index.ts';
import { saveFile } from '../../data/saveFile.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { MaterialsPanel, SparesPanel } from './StockPanels.tsx';
import { WantEditor } from './WantEditor.tsx';
import type { KitViewProps } from './kitView.ts';

const STATES = { buy: 'to buy', short: 'runs short', 'from spares': 'from spares', have: 'on hand' } as const;

/** What the build will ask for, against shelf, spares and stock. */
export function NeedsView({ build, kit, stock, proposals }: KitViewProps) {
  const { paints, products } = useBuildContext();
  const [said, setSaid] = useState('');
  const needs = useMemo(() => {
    const use = new Map<string, number>();
    for (const { paintId, ml } of layerUses(build.trays, build.scale, products))
      use.set(paintId, (use.get(paintId) ?? 0) + ml);
    const parts = new Map(kit.parts.map((part) => [part.id, part]));
    const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
    const decided = new Map(proposals.newest?.decisions.map(({ jointId, when }) => [jointId, when]));
    return kitNeeds({
      kit,
      paints: paints
        .filter(({ id }) => use.has(id))
        .flatMap(({ id, name, levelMl }) => [
          { id, name: `${name} (${id})`, needMl: use.get(id)!, levelMl },
          ...(use.has(hardenerOf(id))
            ? [
                {
                  id: hardenerOf(id),
                  name: `Hardener for ${name} (${id})`,
                  needMl: use.get(hardenerOf(id))!,
                  levelMl: null,
                },
              ]
            : []),
        ]),
      adhesives: kit.joints.flatMap((joint) => {
        const when = decided.get(joint.id);
        if (!when) return [];
        return [
          {
            adhesive: chooseAdhesive(glueJob(joint, when, parts, finishes)).adhesive,
            joint: jointName(joint, parts),
          },
        ];
      }),
      spares: stock.spares,
      materials: stock.materials,
      scale: build.scale,
    });
  }, [build, kit, stock, proposals.newest, paints, products]);
  const shopping = needs.filter(({ state }) => state === 'buy' || state === 'short');
  const longest = shopping.reduce((most, { leadDays }) => Math.max(most, leadDays), 0);
  const asCsv = () =>
    Papa.unparse(
      shopping.map(({ what, group, why, leadDays, substitute, looks }) => ({
        what,
        kind: group,
        why,
        'days to wait': leadDays,
        substitute,
        'costs in looks': looks,
      })),
    );
  const download = () => {
    saveFile(`shopping-${build.id}.csv`, asCsv());
    setSaid('The list was saved as a file.');
  };
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What the build asks for</h2>
        <EachInTurn first={1}>
          <NeedTable needs={needs} />
          <WantEditor build={build} kit={kit} />
          <MaterialsPanel materials={stock.materials} />
          <SparesPanel spares={stock.spares} />
        </EachInTurn>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>
            {shopping.length === 0
              ? 'Nothing to buy'
              : `${shopping.length} ${shopping.length === 1 ? 'thing' : 'things'} to buy`}
          </h3>
          {longest > 0 && (
            <p>
              Order now what takes longest:{' '}
              <b>{shopping.find(({ leadDays }) => leadDays === longest)!.what}</b>,{' '}
              <span className="mono">{longest} days</span>.
            </p>
          )}
          {shopping.length > 0 && (
            <div className="toolrow noprint mt10">
              <Button onClick={download}>Save the list</Button>
              <Button
                onClick={() =>
                  void navigator.clipboard
                    .writeText(shopping.map(({ what, why }) => `${what}: ${why}`).join('\n'))
                    .then(() => setSaid('The list was copied.'))
                    .catch(() => setSaid('This browser does not let the list be copied; save it instead.'))
                }
              >
                Copy it
              </Button>
              <Button onClick={() => window.print()}>Print</Button>
            </div>
          )}
          {said && (
            <p className="soft small" role="status">
              {said}
            </p>
          )}
        </div>
      </section>
    </>
  );
}

function NeedTable({ needs }: { needs: readonly Need[] }) {
  const [all, setAll] = useState(false);
  const missing = needs.filter(({ state }) => state !== 'have');
  return (
    <div className="panel">
      {needs.length === 0 ? (
        <p className="soft">
          List parts, joints and stacks first: what they need shows here, with what is missing on top.
        </p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>What</Table.Th>
              <Table.Th>Why</Table.Th>
              <Table.Th>State</Table.Th>
              <Table.Th className="num">Days</Table.Th>
              <Table.Th>Instead</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {(all ? needs : missing).map(({ id, what, why, state, leadDays, substitute, looks }) => (
              <Table.Tr key={id}>
                <Table.Td>{what}</Table.Td>
                <Table.Td className="soft small">{why}</Table.Td>
                <Table.Td>{state === 'have' ? STATES[state] : <b>{STATES[state]}</b>}</Table.Td>
                <Table.Td className="num mono">{leadDays > 0 ? leadDays : ''}</Table.Td>
                <Table.Td className="small">
                  {substitute && (
                    <>
                      {substitute} <span className="soft">{looks && `(looks: ${looks})`}</span>
                    </>
                  )}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {needs.length > missing.length && (
        <UnstyledButton className="why mt6" onClick={() => setAll((now) => !now)}>
          {all
            ? 'show only what is missing'
            : `show the ${needs.length - missing.length} that are on hand too`}
        </UnstyledButton>
      )}
    </div>
  );
}
