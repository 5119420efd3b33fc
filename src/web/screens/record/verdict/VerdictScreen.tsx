import { Loading } from '../../../components/Loading.tsx';
import { StageNav } from '../../../components/StageNav.tsx';
import { EmptyStage } from '../../../components/EmptyStage.tsx';
import { newRecord, verdictRecord, type Verdict } from '../../../../core/kit/index.ts';
import { taskLabel } from '../../../../core/plan/index.ts';
import { factsOf, goneThings, proposeLessons } from '../../../../core/record/index.ts';
import { useKitChange } from '../../../data/useKitChange.ts';
import { useLogSources } from '../log/useLogSources.ts';
import { useLog, type LogInputs } from '../log/useLog.ts';
import { EndOfIt } from './EndOfIt.tsx';
import { GoneThings } from './GoneThings.tsx';
import { LessonProposals } from './LessonProposals.tsx';
import { Marks } from './Marks.tsx';

/** What is to be said of the kit and of the work, and what they taught. */
export function VerdictScreen() {
  const { sources, isNone, loading } = useLogSources('the verdict');
  if (isNone) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!sources) return <Loading {...loading} />;
  if (sources.build.trays.length === 0)
    return (
      <EmptyStage title="Nothing to judge yet" buildId={sources.build.id}>
        Add sub-assemblies in the Kit stage; once the build is over, kit and work are judged here, beside what
        the log says.
      </EmptyStage>
    );
  return <VerdictOf {...sources} />;
}

function VerdictOf(sources: LogInputs) {
  const { build, kit } = sources;
  const log = useLog(sources, 'tray');
  const { problem, change } = useKitChange(build.id);
  const id = kit.verdicts[0]?.id ?? `${build.id}-verdict`;
  const verdict: Verdict = kit.verdicts[0] ?? { id, ...newRecord(verdictRecord) };
  const put = (said: Partial<Verdict>, label: string) => {
    const { id: _, ...value } = { ...verdict, ...said };
    change([{ kind: 'verdict', id, value }], label);
  };
  const prices = log.paint.map(({ cents }) => cents);
  const facts = factsOf({
    kit,
    steps: log.steps,
    operations: log.operations,
    cups: log.cups,
    paintCents: prices.some((cents) => cents === undefined)
      ? undefined
      : prices.reduce((sum: number, cents) => sum + cents!, 0),
  });
  const proposals = proposeLessons(build, kit, log.steps, log.operations, taskLabel);
  return (
    <div className="columns kit">
      <section className="column" aria-label="How it ended">
        <h2>How it ended</h2>
        <StageNav stage="record" buildId={build.id} open="verdict" />
        {problem && <p role="alert">{problem}</p>}
        <EndOfIt verdict={verdict} hours={log.hours} steps={log.steps} onPut={put} />
      </section>
      <section className="column" aria-label="Verdict">
        <h2>Verdict</h2>
        <Marks of="kit" verdict={verdict} facts={facts} onPut={put} />
        <Marks of="work" verdict={verdict} facts={facts} onPut={put} />
      </section>
      <section className="column" aria-label="What it taught">
        <h2>What it taught</h2>
        <LessonProposals proposals={proposals} verdict={verdict} onPut={put} />
        <GoneThings things={goneThings(log.paint, sources.paints, kit)} />
      </section>
    </div>
  );
}
