import { Button, Checkbox, NumberInput, Select, Table, TextInput, UnstyledButton } from '@mantine/core';
import { EachInTurn } from '../../components/InTurn.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { textLimits } from '../../components/limits.ts';
import { figure } from '../../../core/figures.ts';
import { hardenerOf } from '../../../core/finish/index.ts';
import {
  ADHESIVES,
  chooseAdhesive,
  glueJob,
  jointName,
  MATERIALS,
  layerUses,
  type Material,
  spareRecord,
} from '../../../core/kit/index.ts';
import { kitNeeds, type Need } from '../../../core/plan/index.ts';
import { changeStock } from '../../data/kit.ts';
import { saveFile } from '../../data/saveFile.ts';
import { newId } from '../../data/newId.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { WantEditor } from './WantEditor.tsx';
import { AddByName } from './AddByName.tsx';
import type { KitViewProps } from './kitView.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

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
          <div className="panel">
            <h3>Glue, filler, tape in stock</h3>
            <Table className="plainlist">
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>Material</Table.Th>
                  <Table.Th>Stands for</Table.Th>
                  <Table.Th>Left</Table.Th>
                  <Table.Th>On hand</Table.Th>
                  <Table.Th className="num">Days to get</Table.Th>
                  <SpokenHead>Remove</SpokenHead>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {stock.materials.map((material) => (
                  <Table.Tr key={material.id}>
                    <Table.Td>{material.name}</Table.Td>
                    <Table.Td className="soft">
                      {MATERIAL_KINDS.find(({ value }) => value === material.kind)?.label}
                    </Table.Td>
                    <Table.Td>{material.amount}</Table.Td>
                    <Table.Td>
                      <Checkbox
                        aria-label={`${material.name} on hand`}
                        checked={material.have}
                        onChange={(event) =>
                          void changeStock(
                            [
                              {
                                kind: 'material',
                                id: material.id,
                                value: { ...material, have: event.currentTarget.checked },
                              },
                            ],
                            material.name,
                          )
                        }
                      />
                    </Table.Td>
                    <Table.Td className="num mono">{material.leadDays}</Table.Td>
                    <Table.Td>
                      <RemoveButton
                        name={`Remove ${material.name}`}
                        onRemove={() =>
                          void changeStock(
                            [{ kind: 'material', id: material.id, value: null }],
                            `remove ${material.name}`,
                          )
                        }
                      />
                    </Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
            <NewMaterial />
          </div>
          <div className="panel">
            <h3>Spares box</h3>
            <Table className="plainlist">
              <Table.Tbody>
                {stock.spares.map((spare) => (
                  <Table.Tr key={spare.id}>
                    <Table.Td>{spare.name}</Table.Td>
                    <Table.Td className="soft">
                      from {spare.origin || 'somewhere'}
                      {spare.lengthMm !== undefined && `, ${figure(spare.lengthMm, 'mm', 1)}`}
                    </Table.Td>
                    <Table.Td className="num mono">×{spare.count}</Table.Td>
                    <Table.Td>
                      <RemoveButton
                        name={`Remove the spare ${spare.name}`}
                        onRemove={() =>
                          void changeStock(
                            [{ kind: 'spare', id: spare.id, value: null }],
                            `remove ${spare.name}`,
                          )
                        }
                      />
                    </Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
            <NewSpare />
          </div>
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

const MATERIAL_KINDS = [
  ...Object.entries(ADHESIVES)
    .filter(([id]) => id !== 'none')
    .map(([value, { name }]) => ({ value, label: name })),
  { value: 'filler', label: 'two-part putty' },
  { value: 'edge-tape', label: 'thin edge tape' },
  { value: 'bare-metal-foil', label: 'adhesive metal foil' },
  { value: 'reamer', label: 'reamer or drill' },
  { value: 'other', label: 'something else' },
];

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

function NewMaterial() {
  const [kind, setKind] = useState('cement-thin');
  return (
    <AddByName
      label="New material"
      placeholder="what it says on the bottle"
      button="Add"
      onAdd={(name) => {
        const value = { name, kind, amount: 'full', have: true, leadDays: 4 };
        void changeStock([{ kind: 'material', id: newId('stock'), value }], name);
      }}
    >
      <Select
        size="xs"
        aria-label="Kind of material"
        data={MATERIAL_KINDS}
        value={kind}
        onChange={(value) => value && setKind(value)}
      />
    </AddByName>
  );
}

function NewSpare() {
  const [origin, setOrigin] = useState('');
  const [material, setMaterial] = useState<Material>('styrene');
  const [length, setLength] = useState<number | string>('');
  return (
    <AddByName
      label="New spare"
      placeholder="mirrors, round"
      button="Add"
      onAdd={(name) => {
        const value = {
          name,
          origin: origin.trim(),
          material,
          count: 1,
          note: '',
          ...(typeof length === 'number' ? { lengthMm: length } : {}),
        };
        void changeStock([{ kind: 'spare', id: newId('spare'), value }], name);
        setOrigin('');
        setLength('');
      }}
    >
      <TextInput
        size="xs"
        aria-label="Where it came from"
        placeholder="from which kit"
        value={origin}
        {...textLimits(spareRecord.fields.origin)}
        onChange={(event) => setOrigin(event.currentTarget.value)}
      />
      <NumberInput
        size="xs"
        w={110}
        aria-label="Its longest side, mm"
        placeholder="length, mm"
        hideControls
        min={0.1}
        max={5000}
        value={length}
        onChange={setLength}
      />
      <Select
        size="xs"
        w={110}
        aria-label="Material of the spare"
        data={MATERIALS.map((value) => ({ value, label: value }))}
        value={material}
        onChange={(value) => value && setMaterial(value)}
      />
    </AddByName>
  );
}
