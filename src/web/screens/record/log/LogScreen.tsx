import { memo, useDeferredValue, useMemo, useState } from 'react';
import type { Kit } from '../../../../core/kit/index.ts';
import { EachInTurn } from '../../../components/InTurn.tsx';
import { EmptyStage } from '../../../components/EmptyStage.tsx';
import { Loading } from '../../../components/Loading.tsx';
import { StageNav } from '../../../components/StageNav.tsx';
import { LogFilters } from './LogFilters.tsx';
import { Timeline } from './Timeline.tsx';
import { useLog, type HoursBy, type Log, type LogInputs } from './useLog.ts';
import { useLogSources } from './useLogSources.ts';
import { HoursPanel } from './HoursPanel.tsx';
import { MishapPanel, PacePanel, PaintPanel, TimePanel } from './FollowsPanels.tsx';
import WriteDown from './WriteDown.tsx';
import { filterLog, type LogFilter } from '../../../../core/record/index.ts';

/** Everything that happened to a build, and where its hours and its paint went. */
export function LogScreen() {
  const { sources, isNone, loading } = useLogSources('the log');
  if (isNone) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!sources) return <Loading {...loading} />;
  if (sources.build.trays.length === 0)
    return (
      <EmptyStage title="Nothing in the log yet" buildId={sources.build.id}>
        Add sub-assemblies in the Kit stage; steps that are ticked, cups, pictures and mishaps come here by
        themselves.
      </EmptyStage>
    );
  return <LogOf {...sources} />;
}

const ALL: LogFilter = { kinds: null, trayId: null, search: '' };

function LogOf(sources: LogInputs) {
  const { build, kit } = sources;
  const [filter, setFilter] = useState(ALL);
  const [by, setBy] = useState<HoursBy>('tray');
  const log = useLog(sources, by);
  // What is typed is seen at once, what answers to it a moment later.
  const asked = useDeferredValue(filter);
  const shown = useMemo(() => filterLog(log.events, asked), [log.events, asked]);
  return (
    <div className="columns kit">
      <section className="column" aria-label="What you look for">
        <h2>What you look for</h2>
        <StageNav stage="record" buildId={build.id} open="log" />
        <LogFilters
          build={build}
          events={log.events}
          shown={shown}
          trayNames={log.trayNames}
          filter={filter}
          onFilter={setFilter}
        />
      </section>
      <section className="column" aria-label="What happened">
        <h2>What happened</h2>
        <EachInTurn first={2}>
          <WriteDown buildId={build.id} operationId={null} />
          <Timeline buildId={build.id} events={shown} trayNames={log.trayNames} isFiltered={asked !== ALL} />
        </EachInTurn>
      </section>
      <section className="column" aria-label="What follows from it">
        <h2>What follows from it</h2>
        <Follows log={log} mishaps={kit.mishaps} by={by} onBy={setBy} />
      </section>
    </div>
  );
}

interface FollowsProps {
  log: Log;
  mishaps: Kit['mishaps'];
  by: HoursBy;
  onBy: (by: HoursBy) => void;
}

const Follows = memo(({ log, mishaps, by, onBy }: FollowsProps) => (
  <EachInTurn first={0}>
    <HoursPanel hours={log.hours} by={by} onBy={onBy} />
    <PacePanel trends={log.trends} />
    <TimePanel elapsed={log.elapsed} />
    <MishapPanel costs={log.mishaps} mishaps={mishaps} />
    <PaintPanel paint={log.paint} />
  </EachInTurn>
));
