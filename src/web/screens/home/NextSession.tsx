import { Link } from 'react-router';
import { counted } from '../../../core/kit/index.ts';
import { clockText, dayText, whenText } from '../../components/time.ts';
import { useBench } from '../../data/bench.ts';
import { benchNow } from '../../data/clock.ts';
import { sessionSteps, usePlan } from '../../data/plan.tsx';

const SHOWN = 8;

/** What the next evening holds over all builds, and the way to it. */
export function NextSession() {
  const { data } = useBench();
  const { view } = usePlan();
  const tonight = view && sessionSteps(view);
  if (view?.problem)
    return (
      <div className="panel warned mt16" role="alert">
        <h3>There is no plan</h3>
        <p>
          {view.problem} <Link to="/bench">Change the bench evenings</Link>
        </p>
      </div>
    );
  if (!tonight) return null;
  const running = tonight.session.start <= benchNow() / 60000 + 1;
  const minutes = tonight.steps.reduce((sum, { operation }) => sum + operation.hands, 0);
  return (
    <section
      className="panel"
      style={{
        marginTop: 16,
        display: 'flex',
        flexWrap: 'wrap',
        gap: '8px 24px',
        alignItems: 'center',
      }}
      aria-label="Next session"
    >
      <div style={{ flex: '1 1 300px', minWidth: 0 }}>
        <h3 style={{ fontSize: 20 }}>
          {running ? 'Tonight' : dayText(tonight.session.start)}, {clockText(tonight.session.start)}–
          {clockText(tonight.session.end)}
          <span className="soft" style={{ font: '400 15px Barlow' }}>
            {' '}
            · {counted(tonight.steps.length, 'step')}, {minutes} min of work
          </span>
        </h3>
        <ol style={{ columns: '2 260px', columnGap: 32, listStyle: 'none', padding: 0, margin: '6px 0 0' }}>
          {tonight.steps.slice(0, SHOWN).map(({ operation, start }) => (
            <li
              key={operation.id}
              style={{
                breakInside: 'avoid',
                whiteSpace: 'nowrap',
                overflow: 'hidden',
                textOverflow: 'ellipsis',
              }}
              title={operation.title}
            >
              <span className="mono">{whenText(start)}</span> {operation.title}{' '}
              <span className="soft small">
                {data?.builds.find(({ id }) => id === operation.buildId)?.name.split(' ')[0]}
              </span>
            </li>
          ))}
        </ol>
        {tonight.steps.length > SHOWN && (
          <p className="soft small">and {tonight.steps.length - SHOWN} more</p>
        )}
      </div>
      <Link to="/tonight" className="action unstretched">
        {running ? 'Go to the bench' : 'Look at that evening'}
      </Link>
    </section>
  );
}
