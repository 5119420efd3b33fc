import { useMemo } from 'react';
import { Link } from 'react-router';
import type { BuildRecord, CodeRecord, PaintRecord } from '../../../api/index.ts';
import { counted, productIndex } from '../../../core/kit/index.ts';
import { adviceAhead } from '../../../core/plan/index.ts';
import { Spoon } from '../../components/Spoon.tsx';
import { dayText, whenText } from '../../components/time.ts';
import { useBench } from '../../data/bench.ts';
import { problemOf, upcomingSteps, usePlan } from '../../data/plan.tsx';
import { trayHex } from '../../data/buildContext.ts';

interface BuildCardProps {
  build: BuildRecord;
  paints: PaintRecord[];
  codes: CodeRecord[];
}

/** One build: its colours as spoons, how far it is, what dries, what comes next. */
export function BuildCard({ build, paints, codes }: BuildCardProps) {
  const { data } = useBench();
  const { view, operations, improving } = usePlan();
  const products = useMemo(() => productIndex(paints), [paints]);
  const left = view ? upcomingSteps(view, build.id) : [];
  const all = view?.operations.filter(({ buildId }) => buildId === build.id).length ?? 0;
  const done =
    data?.steps.filter(({ buildId, operationId }) => buildId === build.id && operations.has(operationId))
      .length ?? 0;
  const curing =
    view?.curing.filter(({ operationId }) => operations.get(operationId)?.buildId === build.id) ?? [];
  const last = left.reduce(
    (latest, { operation, start }) => Math.max(latest, start + operation.hands + operation.dry),
    0,
  );
  const next = left[0];
  const ahead = view ? adviceAhead(view.advice, build.id).length : 0;
  return (
    <article className="panel" style={{ display: 'flex', flexDirection: 'column', gap: 10 }}>
      <div>
        <h3 style={{ fontSize: 21 }}>
          <Link
            to={`/build/${build.id}/${build.trays.length === 0 ? 'kit' : 'colour'}`}
            style={{ textDecoration: 'none' }}
          >
            {build.name}
          </Link>
        </h3>
        <p
          className="soft small"
          style={{ whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}
          title={build.subject}
        >
          {build.subject || 'no subject noted'} · 1:{build.scale}
        </p>
      </div>
      <div
        className="booth"
        style={{ display: 'flex', justifyContent: 'center', padding: '12px 8px 8px', minHeight: 130 }}
      >
        {build.trays.slice(0, 7).map((tray) => (
          <figure key={tray.id} className="namedspoon">
            <Spoon hex={trayHex(tray, products, codes)} width={44} label={tray.name} />
            <figcaption title={tray.name}>{tray.name}</figcaption>
          </figure>
        ))}
        {build.trays.length === 0 && <span style={{ alignSelf: 'center' }}>no sub-assemblies yet</span>}
      </div>
      <div>
        <div className="in-row apart">
          <span>
            {done} of {all} steps done
          </span>
          <span>
            {build.kit.end
              ? build.kit.end.replace('-', ' ')
              : left.length > 0
                ? `ready ${dayText(last)}${improving === null ? '' : ' so far'}`
                : view && problemOf(view, build.id)
                  ? 'no plan'
                  : all > 0
                    ? 'finished'
                    : 'nothing planned'}
          </span>
        </div>
        <div style={{ height: 6, background: 'var(--line)', borderRadius: 3, marginTop: 4 }} aria-hidden>
          <div
            style={{
              height: 6,
              width: `${all > 0 ? (100 * done) / all : 0}%`,
              background: 'var(--ink)',
              borderRadius: 3,
            }}
          />
        </div>
      </div>
      <dl className="rows">
        <dt>Curing</dt>
        <dd>
          {curing.length === 0 && 'nothing'}
          {curing.map(({ operationId, until }) => {
            const tray = build.trays.find(({ id }) => id === operations.get(operationId)?.trayId);
            return (
              <div key={operationId}>
                {tray?.name ?? 'joint'}, free <span className="mono">{whenText(until)}</span>
              </div>
            );
          })}
        </dd>
        <dt>Ahead</dt>
        <dd>
          {ahead === 0 ? (
            'nothing to clear'
          ) : (
            <Link to={`/build/${build.id}/plan`}>{counted(ahead, 'thing')} to clear</Link>
          )}
        </dd>
        <dt>Next</dt>
        <dd>
          {next ? (
            <>
              {next.operation.title}
              <br />
              <span className="mono">{whenText(next.start)}</span>, {next.operation.hands} min
            </>
          ) : (
            'nothing waiting'
          )}
        </dd>
      </dl>
      <Link
        className="quiet"
        style={{ marginTop: 'auto', textAlign: 'center' }}
        to={`/build/${build.id}/${build.trays.length === 0 ? 'kit' : 'colour'}`}
      >
        Open {build.name.split(' ').slice(0, 2).join(' ')}
      </Link>
    </article>
  );
}
