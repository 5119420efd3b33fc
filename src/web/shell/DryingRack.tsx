import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { formatMinutes } from '../../core/finish/index.ts';
import { whenText } from '../components/time.ts';
import { useBench } from '../data/bench.ts';
import { benchNow } from '../data/clock.ts';
import { upcomingSteps, usePlan } from '../data/plan.tsx';

/** With its popover it is not needed to see what cures. */
const CureFelt = lazy(async () => ({ default: (await import('./CureFelt.tsx')).CureFelt }));
const SHOWN = 4;

/** What is curing now and until when, and the next thing to do. */
export function DryingRack() {
  const { data } = useBench();
  const { view, operations } = usePlan();
  const now = benchNow() / 60000;
  const next = view ? upcomingSteps(view)[0] : undefined;
  const curing = view?.curing ?? [];
  const nameOf = (operationId: string) => {
    const operation = operations.get(operationId);
    const build = data?.builds.find(({ id }) => id === operation?.buildId);
    const tray = build?.trays.find(({ id }) => id === operation?.trayId);
    return `${tray?.name ?? operation?.title ?? 'Joint'}, ${build?.name.split(' ')[0] ?? ''}`;
  };
  return (
    <footer className="rack" aria-label="Drying rack">
      <div className="head">
        <b>Curing now</b>
        <span className="mono">
          {data
            ? `${data.settings.conditions.temperatureC} °C, ${data.settings.conditions.humidity} % RH`
            : ''}
        </span>
      </div>
      <ul>
        {curing.slice(0, SHOWN).map(({ operationId, since, until, canBeFelt }) => (
          <li key={operationId} title={operations.get(operationId)?.title}>
            <div className="line">
              <Suspense fallback={<span className="what">{nameOf(operationId)}</span>}>
                <CureFelt
                  curing={{ operationId, since, until, canBeFelt }}
                  operation={operations.get(operationId)}
                >
                  {nameOf(operationId)}
                </CureFelt>
              </Suspense>
              <span className="mono" title={`free in ${formatMinutes(until - now)}`}>
                free {whenText(until)}
              </span>
            </div>
            <div className="bar" aria-hidden>
              <i
                style={{ width: `${Math.min(100, Math.max(2, (100 * (now - since)) / (until - since)))}%` }}
              />
            </div>
          </li>
        ))}
        {view && curing.length === 0 && (
          <li className="plain" style={{ borderTop: 0, maxWidth: 'none' }}>
            Nothing is drying: the rack is free.
          </li>
        )}
        {curing.length > SHOWN && (
          <li className="plain" style={{ flex: 'none', minWidth: 0 }}>
            <div className="line">+{curing.length - SHOWN} more</div>
          </li>
        )}
      </ul>
      {next && (
        <Link className="next" to={`/build/${next.operation.buildId}/tonight`}>
          <small>Next, {whenText(next.start)}</small>
          <span title={next.operation.title}>
            {next.operation.title}, {next.operation.hands} min
          </span>
        </Link>
      )}
    </footer>
  );
}
