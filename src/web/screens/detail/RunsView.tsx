import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { numberLimits } from '../../components/limits.ts';
import { bare, figure } from '../../../core/figures.ts';
import { Button, Group, NativeSelect, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { RUN_FACTS, RUN_KINDS } from '../../../core/detail/index.ts';
import { RUN_ENDS, type Run, type RunEnd, runRecord } from '../../../core/kit/index.ts';
import { endLines, runAtScale, runName } from '../../../core/plan/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { partOptions } from '../kit/partNames.ts';
import type { DetailViewProps } from './detailView.ts';

/** Wires, cables, pipes and hoses that the builder adds: from where to where, how thick at scale, and which steps of the
 *  plan they make. */
export function RunsView({ build, kit }: DetailViewProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = (id: string, value: Run | null, label: string) =>
    changeKit(build.id, [{ kind: 'run', id, value }], label).then(() => setProblem(null));
  const save = (id: string, value: Run | null, label: string) =>
    void put(id, value, label).catch((error: unknown) => setProblem((error as Error).message));
  const change = (run: Run, part: Partial<Run>, label: string) => save(run.id, { ...run, ...part }, label);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Wires and pipes</h2>
        {problem && <p role="alert">{problem}</p>}
        <div className="panel">
          {kit.runs.length === 0 ? (
            <p className="soft">
              Name what is led from one part to another: ignition leads, cables, pipes, hoses. Fanfare scales
              the real diameter, names the wire and the drill, and plans the holes before paint and the work
              after it.
            </p>
          ) : (
            <Table className="plainlist">
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>Run</Table.Th>
                  <Table.Th className="num">How many</Table.Th>
                  <Table.Th className="num">Real, mm</Table.Th>
                  <Table.Th className="num">Length, mm</Table.Th>
                  <SpokenHead>Remove</SpokenHead>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {kit.runs.map((run) => {
                  const { realMm } = RUN_FACTS[run.kind];
                  const name = runName({ ...run, count: 1 }, kit);
                  return (
                    <Table.Tr key={run.id}>
                      <Table.Td>
                        {name}
                        {run.note && <span className="soft small"> {run.note}</span>}
                        <Group gap={6} wrap="nowrap" mt={4}>
                          <EndSelect
                            label="Begins with"
                            of={name}
                            value={run.fromEnd}
                            onChange={(fromEnd) => change(run, { fromEnd }, 'fitting of a run')}
                          />
                          <EndSelect
                            label="Ends with"
                            of={name}
                            value={run.toEnd}
                            onChange={(toEnd) => change(run, { toEnd }, 'fitting of a run')}
                          />
                        </Group>
                      </Table.Td>
                      <Table.Td className="num">
                        <Edit
                          label={`How many: ${name}`}
                          value={run.count}
                          {...numberLimits(runRecord.fields.count)}
                          whole
                          onChange={(count) => change(run, { count: count ?? 1 }, 'count of a run')}
                        />
                      </Table.Td>
                      <Table.Td className="num">
                        <Edit
                          label={`Real diameter, mm: ${name}`}
                          value={run.realMm}
                          usual={realMm[0] === realMm[1] ? `${realMm[0]}` : `${realMm[0]} to ${realMm[1]}`}
                          {...numberLimits(runRecord.fields.realMm)}
                          onChange={(value) => change(run, { realMm: value }, 'diameter of a run')}
                        />
                      </Table.Td>
                      <Table.Td className="num">
                        <Edit
                          label={`Length on the model, mm: ${name}`}
                          value={run.lengthMm}
                          usual="not yet"
                          {...numberLimits(runRecord.fields.lengthMm)}
                          onChange={(value) => change(run, { lengthMm: value }, 'length of a run')}
                        />
                      </Table.Td>
                      <Table.Td>
                        <RemoveButton
                          name={`Take out ${name}`}
                          onRemove={() => save(run.id, null, 'take out a run')}
                        />
                      </Table.Td>
                    </Table.Tr>
                  );
                })}
              </Table.Tbody>
            </Table>
          )}
          <NewRun
            kit={kit}
            onAdd={(run) => {
              const id = newId(build.id);
              return put(id, { ...run, id }, 'add a wire or pipe');
            }}
          />
        </div>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>At 1:{build.scale}</h3>
          {kit.runs.length === 0 && <p className="soft small">Nothing to scale yet.</p>}
          {kit.runs.map((run) => {
            const { scaleMm, wireMm, drillMm, off } = runAtScale(run, build.scale);
            const [least, most] = scaleMm.map((mm) => bare(mm, 'mm'));
            return (
              <div key={run.id} className="finding note mt8">
                <b>{runName(run, kit)}</b>
                <p>
                  Take <span className="mono">{wireMm} mm</span> wire or tube
                  {drillMm === undefined ? '' : ', drill '}
                  {drillMm !== undefined && <span className="mono">{figure(drillMm, 'mm')}</span>}.
                </p>
                <p className="soft small">
                  True to scale{' '}
                  <span className="mono">{least === most ? least : `${least} to ${most}`} mm</span>
                  {Math.abs(off) >= 0.05 &&
                    `; that wire is ${Math.round(100 * Math.abs(off))} % ${off > 0 ? 'thicker' : 'thinner'} than the middle`}
                  .
                </p>
                {endLines(run, wireMm).map((line) => (
                  <p key={line} className="small">
                    {line}
                  </p>
                ))}
              </div>
            );
          })}
        </div>
        {kit.runs.length > 0 && (
          <div className="panel">
            <h3>In the plan</h3>
            <p>
              Holes are drilled before primer. Wires and pipes go in once both ends are painted, and before
              anything shuts them in. <Link to={`/build/${build.id}/plan`}>See the plan</Link>
            </p>
            <p className="soft small mt6">
              Diameters are usual ones of real vehicles; a measured one wins. What wire is missing stands
              under <Link to={`/build/${build.id}/kit/needs`}>Needs and stock</Link>.
            </p>
          </div>
        )}
      </section>
    </>
  );
}

const END_WORDS: Readonly<Record<RunEnd, string>> = {
  plain: 'nothing',
  boot: 'a boot',
  clip: 'a clip of foil',
  banjo: 'a banjo fitting',
  plug: 'a connector',
};

interface EndSelectProps {
  label: string;
  of: string;
  value: RunEnd | undefined;
  onChange: (end: RunEnd) => void;
}

/** What is at an end of a wire or hose. */
const EndSelect = ({ label, of, value = 'plain', onChange }: EndSelectProps) => (
  <NativeSelect
    size="xs"
    label={label}
    aria-label={`${label}: ${of}`}
    data={RUN_ENDS.map((end) => ({ value: end, label: END_WORDS[end] }))}
    value={value}
    onChange={({ currentTarget }) => onChange(currentTarget.value as RunEnd)}
  />
);

/** A number in a table, stored when it is left; null where it is empty. */
function Edit({
  label,
  value,
  usual,
  min,
  max,
  whole = false,
  onChange,
}: {
  label: string;
  value: number | null;
  usual?: string;
  min?: number;
  max?: number;
  whole?: boolean;
  onChange: (value: number | null) => void;
}) {
  return (
    <NumberInput
      size="xs"
      w={92}
      aria-label={label}
      key={value}
      defaultValue={value ?? ''}
      placeholder={usual}
      min={min}
      max={max}
      decimalScale={whole ? 0 : 2}
      hideControls
      styles={{ input: { textAlign: 'right' } }}
      onBlur={(event) => {
        const text = event.currentTarget.value.trim();
        const next = text === '' ? null : Number(text);
        if (next !== value && (next === null || next > 0)) onChange(next);
      }}
    />
  );
}

function NewRun({
  kit,
  onAdd,
}: Pick<DetailViewProps, 'kit'> & { onAdd: (run: Omit<Run, 'id'>) => Promise<void> }) {
  const { values, text, number, pick, problem, submit } = useRecordForm(runRecord.fields, KIT_ITEMS.run, {
    asks: { fromPartId: 'Say from which part it leads.', toPartId: 'Say to which part it leads.' },
    check: ({ fromPartId, toPartId }) =>
      fromPartId === toPartId
        ? { toPartId: 'It leads from a part to itself: pick another for one end.' }
        : {},
  });
  const parts = partOptions(kit);
  return (
    <form
      className="toolrow mt10"

      onSubmit={submit(onAdd, ['name', 'note', 'toPartId', 'count'])}
    >
      <Select
        size="xs"
        w={140}
        label="What it is"
        data={RUN_KINDS.map((value) => ({ value, label: RUN_FACTS[value].name }))}
        {...pick('kind')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="From which part"
        placeholder="distributor"
        data={parts}
        {...pick('fromPartId')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="To which part"
        placeholder="cylinder head"
        data={parts}
        {...pick('toPartId')}
      />
      <NumberInput size="xs" w={86} label="How many" {...number('count')} />
      <TextInput
        size="xs"
        className="grow"
        label="Called"
        placeholder={RUN_FACTS[values.kind ?? RUN_KINDS[0]].name}
        {...text('name')}
      />
      <TextInput size="xs" className="grow" label="Note" placeholder="colour, routing" {...text('note')} />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Add it
      </Button>
      {problem}
    </form>
  );
}
