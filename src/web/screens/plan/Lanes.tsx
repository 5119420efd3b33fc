import { useId, useMemo } from 'react';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import { format } from 'date-fns';
import { formatMinutes } from '../../../core/finish/index.ts';
import { clockText, dayText } from '../../components/time.ts';
import { upcomingSteps } from '../../data/plan.tsx';
import type { PlanView } from '../../workers/planView.ts';
import { timeScale } from './timeScale.ts';

interface LanesProps {
  build: BuildRecord;
  view: PlanView;
  steps: readonly StepRecord[];
  now: number;
  marked: string | undefined;
  onMark: (operationId: string) => void;
}

const ROOMY_LANE = 36;
const CLOSE_LANE = 27;
/** More lanes than this lie closer together. */
const MANY_LANES = 10;
const HEAD = 40;
const LABELS = 148;
/** Cures shorter than this are a matter of minutes at the bench and would only blur the lane. */
const SHOWN_CURE = 20;

/** The plan as lanes by sub-assembly: solid where hands are needed, hatched where paint cures, closed hours
 *  shaded. */
export function Lanes({ build, view, steps, now, marked, onMark }: LanesProps) {
  const id = useId();
  const own = useMemo(() => upcomingSteps(view, build.id), [view, build.id]);
  const last = own.reduce(
    (latest, { operation, start }) => Math.max(latest, start + operation.hands + operation.dry),
    now + 60,
  );
  const scale = useMemo(() => timeScale(view.sessions, now, last), [view.sessions, now, last]);
  const lanes = [
    ...build.trays
      .map(({ id: trayId, name }) => ({
        id: trayId,
        name,
        next: own.find(({ operation }) => operation.trayId === trayId)?.start ?? Infinity,
      }))
      // What comes first stands on top; what is done stands last.
      .sort((p, q) => (p.next === q.next ? 0 : p.next - q.next)),
    { id: undefined, name: 'Final joints' },
  ];
  const lane = lanes.length > MANY_LANES ? CLOSE_LANE : ROOMY_LANE;
  const height = HEAD + lanes.length * lane + 8;
  const laneY = (trayId: string | undefined) => HEAD + lanes.findIndex((each) => each.id === trayId) * lane;
  const cureOf = (operationId: string, dry: number) =>
    Math.max(dry, ...view.arcs.filter(({ from }) => from === operationId).map(({ minLag }) => minLag), 0);
  const others = upcomingSteps(view).filter(
    ({ operation, start }) => operation.buildId !== build.id && start < last,
  );

  const cures = [
    ...own.map(({ operation, start }) => ({ operation, from: start + operation.hands })),
    ...steps.flatMap(({ operationId, endedAt }) => {
      const operation = view.operations.find(
        (other) => other.id === operationId && other.buildId === build.id,
      );
      return operation ? [{ operation, from: endedAt }] : [];
    }),
  ]
    .map(({ operation, from }) => ({
      operation,
      from: Math.max(now, from),
      to: from + cureOf(operation.id, operation.dry),
    }))
    .filter(({ from, to, operation }) => to - from >= SHOWN_CURE && operation.trayId !== undefined);

  return (
    <div style={{ display: 'grid', gridTemplateColumns: `${LABELS}px minmax(0, 1fr)` }} className="panel">
      <div style={{ paddingTop: HEAD }} aria-hidden>
        {lanes.map(({ id: trayId, name }) => (
          <div
            key={name + String(trayId)}
            style={{
              height: lane,
              lineHeight: `${lane}px`,
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              whiteSpace: 'nowrap',
              paddingRight: 8,
            }}
          >
            {name}
          </div>
        ))}
      </div>
      <div
        style={{ overflowX: 'auto' }}
        tabIndex={0}
        role="region"
        aria-label="Lanes by sub-assembly, scrolls sideways"
      >
        <svg width={Math.max(scale.width, 300)} height={height} style={{ display: 'block' }}>
          <defs>
            <pattern
              id={`${id}-cure`}
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line x1="0" y1="0" x2="0" y2="6" stroke="var(--ink-soft)" strokeWidth="1.6" />
            </pattern>
          </defs>
          {scale.stretches.map((stretch) => (
            <g key={stretch.from}>
              <rect
                x={stretch.x}
                y={stretch.session ? 0 : HEAD}
                width={stretch.width}
                height={stretch.session ? height : height - HEAD}
                fill={stretch.session ? 'transparent' : 'var(--runner)'}
              />
              {stretch.session && (
                <>
                  <text
                    x={stretch.x + 4}
                    y={15}
                    fontSize="14"
                    fontFamily="Barlow Condensed"
                    fontWeight="600"
                    fill="var(--ink)"
                  >
                    {dayText(stretch.from)}
                  </text>
                  <text
                    x={stretch.x + 4}
                    y={31}
                    fontSize="11.5"
                    fontFamily="JetBrains Mono"
                    fill="var(--ink-soft)"
                  >
                    {clockText(stretch.from)}–{clockText(stretch.to)}
                  </text>
                  <line x1={stretch.x} x2={stretch.x} y1={4} y2={height} stroke="var(--line)" />
                </>
              )}
            </g>
          ))}
          {others.map(({ operation, start }) => {
            const x = scale.x(start);
            return (
              <rect
                key={operation.id}
                x={x}
                y={HEAD - 5}
                width={Math.max(2, scale.x(start + operation.hands) - x)}
                height={4}
                fill="var(--line-strong)"
              >
                <title>Another build: {operation.title}</title>
              </rect>
            );
          })}
          {lanes.map(({ id: trayId, name }) => (
            <line
              key={name + String(trayId)}
              x1={0}
              x2={scale.width}
              y1={laneY(trayId) + lane}
              y2={laneY(trayId) + lane}
              stroke="var(--line)"
            />
          ))}
          {cures.map(({ operation, from, to }) => {
            const x = scale.x(from);
            return (
              <rect
                key={operation.id}
                x={x}
                y={laneY(operation.trayId) + 12}
                width={Math.max(1, scale.x(Math.min(to, last)) - x)}
                height={lane - 20}
                fill={`url(#${id}-cure)`}
              >
                <title>
                  {operation.title}: cures {formatMinutes(to - from)}, free{' '}
                  {format(to * 60000, 'EEE d MMM HH:mm')}
                </title>
              </rect>
            );
          })}
          {own.map(({ operation, start }) => {
            const x = scale.x(start);
            const active = marked === operation.id;
            return (
              <rect
                key={operation.id}
                x={x + 0.5}
                y={laneY(operation.trayId) + 6}
                width={Math.max(4, scale.x(start + operation.hands) - x - 1)}
                height={lane - 12}
                rx={2}
                fill={active ? 'var(--panel)' : 'var(--ink)'}
                stroke="var(--ink)"
                strokeWidth={active ? 3 : 1}
                style={{ cursor: 'pointer' }}
                onClick={() => onMark(operation.id)}
              >
                <title>
                  {dayText(start)} {clockText(start)}: {operation.title}, {operation.hands} min
                </title>
              </rect>
            );
          })}
        </svg>
      </div>
    </div>
  );
}
