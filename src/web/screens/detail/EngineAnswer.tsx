import { Button, Table } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { BuildRecord } from '../../../api/index.ts';
import type { EngineAllocation } from '../../../core/detail/index.ts';
import {
  builtEngines,
  changesOfTaking,
  counted,
  enginesQuestion,
  leftOf,
  type AtHand,
  type BuiltEngine,
  type EngineBuild,
  type Spare,
} from '../../../core/kit/index.ts';
import { useBench } from '../../data/bench.ts';
import { changeKit, changeStock, refetchOtherKits } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { useTask } from '../../data/useTask.ts';
import type { DetailWorker } from '../../workers/detailWorker.ts';
import { newDetailWorker } from './newDetailWorker.ts';

interface EngineAnswerProps {
  build: BuildRecord;
  builds: readonly EngineBuild[];
  hand: readonly AtHand[];
  spares: readonly Spare[];
}

/** Which engines can stand at once, what each takes from where, what is short and what is left. */
export function EngineAnswer({ build, builds, hand, spares }: EngineAnswerProps) {
  const question = useMemo(() => enginesQuestion(builds, hand), [builds, hand]);
  const isAsked = question.engines.length > 0;
  const { state, newest } = useTask<DetailWorker, EngineAllocation>({
    question: isAsked ? question : undefined,
    worker: newDetailWorker,
    work: (remote) => remote.allocateEngines(question),
    keeps: true,
  });
  if (!isAsked)
    return <p className="panel soft small">No engine is told whole yet, so nothing can be counted.</p>;
  if (state.kind === 'failed') return <p role="alert">It cannot be counted: {state.message}</p>;
  if (!newest) return <p role="status">Counting what can stand at once…</p>;
  const built = builtEngines(builds, hand, newest);
  const whose = (from: AtHand) =>
    from.buildId === null
      ? 'spares box'
      : from.buildId === build.id
        ? 'this kit'
        : (builds.find(({ id }) => id === from.buildId)?.name ?? 'another kit');
  return (
    <>
      {built.length === 0 && (
        <p className="panel warned">
          No engine can stand yet: each lacks something. What is missing is listed below.
        </p>
      )}
      {built.map((each, at) => (
        <BuiltPanel key={at} built={each} isMine={each.build.id === build.id} whose={whose} />
      ))}
      {built.some((each) => each.build.id === build.id) && (
        <TakeThem build={build} builds={builds} built={built} spares={spares} />
      )}
      <Short allocation={newest} builds={builds} />
      <LeftOver left={leftOf(hand, built)} whose={whose} />
      <p className="soft small">
        {newest.proved
          ? 'Nothing that can stand at once is wanted more.'
          : 'The best found; a better one is not ruled out.'}
      </p>
    </>
  );
}

interface BuiltPanelProps {
  built: BuiltEngine;
  isMine: boolean;
  whose: (from: AtHand) => string;
}

const BuiltPanel = ({ built: { build, engine, parts }, isMine, whose }: BuiltPanelProps) => (
  <section className="panel" aria-label={`${engine.name} can stand`}>
    <h3>
      {engine.name}
      {isMine ? '' : ` of ${build.name}`} can stand
    </h3>
    <Table className="plainlist small">
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Place</Table.Th>
          <Table.Th>takes</Table.Th>
          <Table.Th>from</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {parts.map(({ place, kind, count, from }) => (
          <Table.Tr key={`${place} ${from.itemId}`}>
            <Table.Td>{place}</Table.Td>
            <Table.Td>
              {count > 1 ? `${count} × ` : ''}
              {from.name}
              {from.name.toLowerCase() === kind ? '' : ` (${kind})`}
            </Table.Td>
            <Table.Td className="nowrap">
              {!isMine && from.buildId === build.id ? 'its kit' : whose(from)}
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  </section>
);

interface TakeThemProps {
  build: BuildRecord;
  builds: readonly EngineBuild[];
  built: readonly BuiltEngine[];
  spares: readonly Spare[];
}

/** Takes engines of this build: the version picks them, and parts from elsewhere come into this kit. */
function TakeThem({ build, builds, built, spares }: TakeThemProps) {
  const { data: bench } = useBench();
  const [said, setSaid] = useState('');
  const [taking, setTaking] = useState(false);
  const [own, ...others] = builds;
  const mine = built.filter((each) => each.build.id === build.id);
  const ways = [...mine.map((each) => [each]), ...(mine.length > 1 ? [mine] : [])];
  const take = async (some: readonly BuiltEngine[]) => {
    setTaking(true);
    const { kits, spares: less } = changesOfTaking(own!, some, others, spares, () => newId(build.id));
    try {
      for (const { buildId, changes } of kits) await changeKit(buildId, changes, `take ${namesOf(some)}`);
      await changeStock(less, `spares for ${namesOf(some)}`);
      setSaid(`${namesOf(some)} taken: the version picks ${some.length > 1 ? 'them' : 'it'}.`);
    } catch (error) {
      setSaid(`${(error as Error).message} What was taken so far is kept; undo takes it back.`);
    }
    await refetchOtherKits(bench?.builds, build.id);
    setTaking(false);
  };
  return (
    <div className="panel stacked g8">
      <p>
        What you take, the version picks: parts from elsewhere come into this kit and are gone from where they
        lie; other parts of engines in this kit are left over.
      </p>
      {ways.map((some) => (
        <Button
          key={some.map(({ engine }) => engine.id).join(' ')}
          variant={some === ways[0] ? 'action' : 'default'}
          className="unstretched self-start"
          disabled={taking}
          onClick={() => void take(some)}
        >
          Take {namesOf(some)}
          {fromElsewhere(some, build.id)}
        </Button>
      ))}
      {said && (
        <p role="status" className="small">
          {said}
        </p>
      )}
    </div>
  );
}

const namesOf = (some: readonly BuiltEngine[]): string => some.map(({ engine }) => engine.name).join(' and ');

function fromElsewhere(some: readonly BuiltEngine[], buildId: string): string {
  const elsewhere = some.flatMap(({ parts }) => parts.filter(({ from }) => from.buildId !== buildId));
  return elsewhere.length === 0 ? '' : `, with ${counted(elsewhere.length, 'part')} from elsewhere`;
}

/** What is missing for one more of each engine. */
function Short({ allocation, builds }: { allocation: EngineAllocation; builds: readonly EngineBuild[] }) {
  const wanted = builds.flatMap(({ id, name, kit }, at) =>
    kit.engines.map((engine) => ({
      id: `${id} ${engine.id}`,
      words: at === 0 ? engine.name : `${engine.name} of ${name}`,
    })),
  );
  const lacks = wanted.flatMap(({ id, words }) => {
    const missing = allocation.short.filter(({ engine }) => engine === id);
    return missing.length === 0 ? [] : [{ id, words, missing }];
  });
  if (lacks.length === 0) return null;
  return (
    <section className="panel" aria-label="What is short for one more">
      <h3>Short for one more, beside these</h3>
      {lacks.map(({ id, words, missing }) => (
        <p key={id} className="small">
          <b>{words}</b>: {missing.map(({ slot, missing: count }) => `${count} for ${slot}`).join(', ')}
        </p>
      ))}
    </section>
  );
}

/** What no engine of the answer takes. */
function LeftOver({ left, whose }: { left: readonly AtHand[]; whose: (from: AtHand) => string }) {
  if (left.length === 0) return null;
  return (
    <section className="panel" aria-label="Left over">
      <h3>Left over</h3>
      <ul className="plainbullets small">
        {left.map(({ itemId, buildId, name, count, ...from }) => (
          <li key={`${buildId} ${itemId}`}>
            {count > 1 ? `${count} × ` : ''}
            {name}, {whose({ itemId, buildId, name, count, ...from })}
          </li>
        ))}
      </ul>
    </section>
  );
}
