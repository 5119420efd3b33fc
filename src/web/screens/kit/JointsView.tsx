import { Button, Select, Table, TextInput, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import {
  counted,
  JOINT_KINDS,
  jointName,
  jointRecord,
  suggestJoints,
  takeProposal,
  type Joint,
} from '../../../core/kit/index.ts';
import { useCodes } from '../../data/bench.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { JointMap } from './JointMap.tsx';
import { JointPanel, SEAM_WORDS } from './JointPanel.tsx';
import type { KitViewProps } from './kitView.ts';
import { SuggestedJoints } from './SuggestedJoints.tsx';
import { labelled, partOptions } from './partNames.ts';

const NO_CODES: never[] = [];
const MOST_ROWS = 150;

/** Where parts meet: the map, the list, and one joint in full. */
export function JointsView({ build, kit, proposals }: KitViewProps) {
  const { data: codes = NO_CODES } = useCodes();
  const [shape, setShape] = useState<'map' | 'list'>('map');
  const [jointId, setJointId] = useState<string>();
  const [partId, setPartId] = useState<string>();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { newest: proposal, state } = proposals;
  const decisions = useMemo(
    () => new Map(proposal?.decisions.map((decision) => [decision.jointId, decision])),
    [proposal],
  );
  const when = useMemo(
    () => new Map([...decisions].map(([id, decision]) => [id, decision.when])),
    [decisions],
  );
  const parts = useMemo(() => new Map(kit.parts.map((part) => [part.id, part])), [kit]);
  const trays = useMemo(() => {
    if (!proposal) return [];
    const names = new Map(
      takeProposal(proposal, kit, build.trays).trays.map(({ key, tray }) => [key, tray.name]),
    );
    return proposal.trays.map(({ key, name, partIds }) => ({ key, name: names.get(key) ?? name, partIds }));
  }, [proposal, kit, build.trays]);
  const suggestions = useMemo(() => suggestJoints(kit), [kit]);
  const joint = kit.joints.find(({ id }) => id === jointId);
  const part = partId === undefined ? undefined : parts.get(partId);
  const mark = (id: string) => {
    setJointId(id);
    setPartId(undefined);
  };
  const markPart = (id: string) => {
    setPartId(id);
    setJointId(undefined);
  };
  const add = (joints: Joint[], label: string) =>
    void changeKit(
      build.id,
      joints.map((value) => ({ kind: 'joint', id: value.id, value })),
      label,
    )
      .then(() => {
        setProblem(null);
        if (joints.length === 1) mark(joints[0]!.id);
      })
      .catch((error: unknown) => setProblem((error as Error).message));
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const listed = kit.joints.filter((each) =>
    words.every((word) => jointName(each, parts).toLowerCase().includes(word)),
  );
  return (
    <>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 className="grows">Where parts meet</h2>
          <div className="chips">
            {(['map', 'list'] as const).map((name) => (
              <UnstyledButton
                key={name}
                className="chip"
                aria-pressed={shape === name}
                onClick={() => setShape(name)}
              >
                {name}
              </UnstyledButton>
            ))}
          </div>
        </div>
        {problem && (
          <p role="alert" className="panel warned">
            {problem}
          </p>
        )}
        {state.kind === 'failed' && (
          <p role="alert" className="panel warned">
            {state.message}
          </p>
        )}
        {suggestions.length > 0 && (
          <SuggestedJoints
            suggestions={suggestions}
            parts={parts}
            onTake={(taken) =>
              add(
                taken.map(({ joint: each }) => ({ ...each, id: newId(build.id) })),
                counted(taken.length, 'suggested joint'),
              )
            }
          />
        )}
        {kit.parts.length === 0 ? (
          <p className="panel">List the parts first; joints are suggested from what they are.</p>
        ) : shape === 'map' && proposal ? (
          <JointMap
            kit={kit}
            trays={trays}
            codes={codes}
            when={when}
            markedJoint={jointId}
            markedPart={partId}
            onMarkJoint={mark}
            onMarkPart={markPart}
          />
        ) : (
          <div className="panel">
            <TextInput
              aria-label="Find a joint"
              placeholder="find a joint by its parts"
              value={text}
              onChange={(event) => setText(event.currentTarget.value)}
            />
            <div style={{ maxHeight: '56vh', overflow: 'auto', marginTop: 8 }}>
              <Table className="plainlist">
                <Table.Thead>
                  <Table.Tr>
                    <Table.Th>Joint</Table.Th>
                    <Table.Th>Kind</Table.Th>
                    <Table.Th>Seam</Table.Th>
                    <Table.Th>When</Table.Th>
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {listed.slice(0, MOST_ROWS).map((each) => (
                    <Table.Tr
                      key={each.id}
                      style={{ background: each.id === jointId ? 'var(--runner)' : undefined }}
                    >
                      <Table.Td>
                        <UnstyledButton
                          className="plain left"

                          aria-pressed={each.id === jointId}
                          onClick={() => mark(each.id)}
                        >
                          {jointName(each, parts)}
                        </UnstyledButton>
                      </Table.Td>
                      <Table.Td>{each.kind}</Table.Td>
                      <Table.Td>{SEAM_WORDS[each.seam]}</Table.Td>
                      <Table.Td>
                        {each.pin !== null && '⊙ '}
                        {decisions.get(each.id)?.when ?? 'not in this version'}
                      </Table.Td>
                    </Table.Tr>
                  ))}
                </Table.Tbody>
              </Table>
              {listed.length > MOST_ROWS && (
                <p className="soft small">
                  The first {MOST_ROWS} of {listed.length}: type a name to see others.
                </p>
              )}
            </div>
          </div>
        )}
        <NewJoint
          key={partId}
          kit={kit}
          from={partId ?? null}
          onAdd={(each) => add([{ ...each, id: newId(build.id) }], 'new joint')}
        />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {joint ? (
          <JointPanel
            key={joint.id}
            buildId={build.id}
            kit={kit}
            joint={joint}
            decision={decisions.get(joint.id)}
            onProblem={setProblem}
          />
        ) : part ? (
          <div className="panel">
            <h3>{labelled(part)}</h3>
            {kit.joints
              .filter(({ a, b }) => a === part.id || b === part.id)
              .map((each) => (
                <UnstyledButton
                  key={each.id}
                  className="plain small block left"

                  onClick={() => mark(each.id)}
                >
                  {jointName(each, parts)}, {decisions.get(each.id)?.when ?? 'not in this version'}
                </UnstyledButton>
              ))}
          </div>
        ) : (
          <div className="panel">
            <h3>Pick a joint</h3>
            <p className="soft">
              On the map or in the list: when it is made and why, what the other way would cost, its glue, and
              what it shuts in.
            </p>
          </div>
        )}
      </section>
    </>
  );
}

function NewJoint({
  kit,
  from,
  onAdd,
}: {
  kit: KitViewProps['kit'];
  from: string | null;
  onAdd: (joint: Omit<Joint, 'id'>) => void;
}) {
  const { values, pick, submit } = useRecordForm(jointRecord.fields, KIT_ITEMS.joint, {
    start: { a: from },
    asks: { a: 'Say which part is joined.', b: 'Say to which part.' },
  });
  if (kit.parts.length < 2) return null;
  const options = partOptions(kit);
  return (
    <form className="toolrow" onSubmit={submit(onAdd, ['b'])}>
      <Select
        size="xs"
        className="grow"
        searchable
        label="New joint: this part"
        data={options}
        {...pick('a')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="to this one"
        data={options.filter(({ value }) => value !== values.a)}
        {...pick('b')}
      />
      <Select size="xs" w={100} label="kind" data={[...JOINT_KINDS]} {...pick('kind')} />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Join them
      </Button>
    </form>
  );
}
