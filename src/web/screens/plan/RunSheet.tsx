import { Table } from '@mantine/core';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { PrintedSheet } from '../../components/PrintedSheet.tsx';
import { clockText, dayText } from '../../components/time.ts';
import { upcomingSteps, usePlan } from '../../data/plan.tsx';
import { useBuildContext } from '../../data/buildContext.ts';

const EVENINGS = 8;

/** The coming evenings of a build on paper, with boxes to tick and room for minutes. */
export function RunSheet() {
  const { build, ready, error } = useBuildContext();
  const { view } = usePlan();
  if (!ready || !view) return <Loading what="the run sheet" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const steps = upcomingSteps(view, build.id);
  const evenings = view.sessions
    .map((session) => ({
      session,
      own: steps.filter(({ start }) => start >= session.start && start < session.end),
    }))
    .filter(({ own }) => own.length > 0)
    .slice(0, EVENINGS);
  if (evenings.length === 0) {
    return (
      <EmptyStage title="Nothing to run" buildId={build.id}>
        The steps of the coming evenings are printed here once there is a plan.
      </EmptyStage>
    );
  }
  return (
    <PrintedSheet
      label="Run sheet"
      back={{ to: `/build/${build.id}/plan`, words: 'back to the plan' }}
      printWords="Print this sheet"
    >
      <div className="stacked g14">
        <header>
          <p>
            {build.name}, 1:{build.scale}
          </p>
          <h2>The next {evenings.length} evenings</h2>
        </header>
        {evenings.map(({ session, own }) => (
          <article key={session.start}>
            <h3>
              {dayText(session.start)}, {clockText(session.start)} to {clockText(session.end)}
              {session.spraying === false && ', no spraying'}
            </h3>
            <Table className="plainlist">
              <Table.Tbody>
                {own.map(({ operation, start }) => (
                  <Table.Tr key={operation.id}>
                    <Table.Td style={{ width: 24 }} aria-label="to tick by hand">
                      ☐
                    </Table.Td>
                    <Table.Td className="mono" style={{ width: 56 }}>
                      {clockText(start)}
                    </Table.Td>
                    <Table.Td className="wraps">
                      <b>{operation.title}</b>
                      <span className="small block">{operation.details.join('; ')}</span>
                      {operation.cautions.map((line) => (
                        <span key={line} className="small block">
                          ! {line}
                        </span>
                      ))}
                    </Table.Td>
                    <Table.Td className="num mono nowrap">{operation.hands} min, took ____</Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
          </article>
        ))}
      </div>
    </PrintedSheet>
  );
}
