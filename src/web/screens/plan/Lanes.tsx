import { useElementSize, useMergedRef } from '@mantine/hooks';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { clockText, dayText, fullText, shortDay } from '../../components/time.ts';
import { upcomingSteps } from '../../data/plan.tsx';
import type { PlanView } from '../../../core/plan/index.ts';
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
const LABELS = 216;
/** Beyond this the lanes scroll by themselves, beneath the days. */
const MOST_HIGH = '66vh';
/** Drawn beyond what is seen on either side, pixels, so that scrolling does not outrun it. */
const MARGIN = 600;
/** Scrolling draws anew after so many pixels. */
const SCROLL_STEP = 300;
/** Cures shorter than this are a matter of minutes at the bench and would only blur the lane. */
const SHOWN_CURE = 20;
/** A session narrower than this says only on hover that one cannot spray in it. */
const NO_SPRAYING_PX = 115;

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
    {
      id: undefined,
      name: 'Final joints',
      next: own.find(({ operation }) => operation.trayId === undefined)?.start ?? Infinity,
    },
  ];
  const lane = lanes.length > MANY_LANES ? CLOSE_LANE : ROOMY_LANE;
  const height = lanes.length * lane + 8;
  const laneAt = new Map(lanes.map((each, at) => [each.id, at]));
  const laneY = (trayId: string | undefined) => (laneAt.get(trayId) ?? lanes.length - 1) * lane;
  const longestLag = useMemo(() => {
    const lags = new Map<string, number>();
    for (const { from, minLag } of view.arcs) lags.set(from, Math.max(lags.get(from) ?? 0, minLag));
    return lags;
  }, [view.arcs]);
  const cureOf = (operationId: string, dry: number) => Math.max(dry, longestLag.get(operationId) ?? 0);
  const others = useMemo(
    () =>
      upcomingSteps(view).filter(({ operation, start }) => operation.buildId !== build.id && start < last),
    [view, build.id, last],
  );
  // Only what can be seen is drawn: a long plan has thousands of bars.
  const [scrolled, setScrolled] = useState(0);
  const [down, setDown] = useState(0);
  const { ref: sized, width: shown, height: shownHigh } = useElementSize<HTMLDivElement>();
  const frame = useRef<HTMLDivElement>(null);
  const seen = useMergedRef(sized, frame);
  const isSeen = (x: number, width: number) =>
    x + width >= scrolled - MARGIN && x <= scrolled + (shown || 1280) + MARGIN;
  // A step marked elsewhere is brought into sight; the first one is where the lanes begin.
  const shownFirst = useRef(marked);
  useEffect(() => {
    const bar = own.find(({ operation }) => operation.id === marked);
    const { current } = frame;
    if (!bar || !current || shownFirst.current === marked) return;
    shownFirst.current = undefined;
    const x = scale.x(bar.start);
    const y = laneY(bar.operation.trayId);
    const { scrollLeft, scrollTop, clientWidth, clientHeight } = current;
    const isBeside = x < scrollLeft || x > scrollLeft + clientWidth - LABELS - 40;
    const isBelow = y < scrollTop || y > scrollTop + clientHeight - HEAD - lane;
    current.scrollTo({
      left: isBeside ? Math.max(0, x - 120) : scrollLeft,
      top: isBelow ? Math.max(0, y - 3 * lane) : scrollTop,
    });
    // Only a step that is marked anew moves the lanes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [marked]);
  const isHeightSeen = (y: number) => y + lane >= down - MARGIN && y <= down + (shownHigh || 800) + MARGIN;
  const isLaneSeen = (trayId: string | undefined) => isHeightSeen(laneY(trayId));
  const inSight = lanes.filter(({ id: trayId }) => isLaneSeen(trayId));
  const drawn = Math.max(scale.width, 300);
  const shut = new Set(view.sessions.flatMap(({ start, spraying }) => (spraying === false ? [start] : [])));
  const sessions = scale.stretches.filter(({ x, width, session }) => session && isSeen(x, width));
  const placeOf = (from: number, to: number, least: number) => {
    const x = scale.x(from);
    return { x, width: Math.max(least, scale.x(to) - x) };
  };
  const byId = useMemo(() => new Map(view.operations.map((operation) => [operation.id, operation])), [view]);

  const cures = [
    ...own.map(({ operation, start }) => ({ operation, from: start + operation.hands })),
    ...steps.flatMap(({ operationId, endedAt }) => {
      const operation = byId.get(operationId);
      return operation?.buildId === build.id ? [{ operation, from: endedAt }] : [];
    }),
  ]
    .map(({ operation, from }) => ({
      operation,
      from: Math.max(now, from),
      to: from + cureOf(operation.id, operation.dry),
    }))
    .filter(({ from, to, operation }) => to - from >= SHOWN_CURE && operation.trayId !== undefined);

  return (
    <div
      ref={seen}
      className="panel lanes"
      style={{ gridTemplateColumns: `${LABELS}px max-content`, maxHeight: MOST_HIGH }}
      onScroll={({ currentTarget: { scrollLeft, scrollTop } }) => {
        setScrolled(SCROLL_STEP * Math.round(scrollLeft / SCROLL_STEP));
        setDown(SCROLL_STEP * Math.round(scrollTop / SCROLL_STEP));
      }}
      tabIndex={0}
      role="region"
      aria-label="Lanes by sub-assembly, scroll sideways and down"
    >
      <div className="corner" style={{ height: HEAD }} />
      <svg className="days" width={drawn} height={HEAD}>
        {sessions.map((stretch) => (
          <g key={stretch.from}>
            <text
              x={stretch.x + 4}
              y={15}
              fontSize="14"
              fontFamily="Barlow Condensed"
              fontWeight="600"
              fill="var(--ink)"
            >
              {dayText(stretch.from)}
              {shut.has(stretch.from) && stretch.width >= NO_SPRAYING_PX && (
                <tspan dx="6" fontSize="13" fontWeight="500" fill="var(--ink-soft)">
                  no spraying
                </tspan>
              )}
            </text>
            <text x={stretch.x + 4} y={31} fontSize="11.5" fontFamily="JetBrains Mono" fill="var(--ink-soft)">
              {clockText(stretch.from)}–{clockText(stretch.to)}
            </text>
            <line x1={stretch.x} x2={stretch.x} y1={4} y2={HEAD} stroke="var(--line)" />
            {shut.has(stretch.from) && <title>No spraying in this session</title>}
          </g>
        ))}
        {others.map(({ operation, start }) => {
          const { x, width } = placeOf(start, start + operation.hands, 2);
          if (!isSeen(x, width)) return null;
          return (
            <rect key={operation.id} x={x} y={HEAD - 5} width={width} height={4} fill="var(--line-strong)">
              <title>Another build: {operation.title}</title>
            </rect>
          );
        })}
      </svg>
      <div className="names" style={{ height }} aria-hidden>
        {inSight.map(({ id: trayId, name, next }) => (
          <div
            key={name + String(trayId)}
            style={{ top: laneY(trayId), height: lane, lineHeight: `${lane}px` }}
            title={name}
          >
            <span>{name}</span>
            <span className="soft small">{next === Infinity ? 'done' : shortDay(next)}</span>
          </div>
        ))}
      </div>
      <svg width={drawn} height={height} style={{ display: 'block' }}>
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
        {scale.stretches
          .filter(({ x, width }) => isSeen(x, width))
          .map(({ from, x, width, session }) =>
            session ? (
              <line key={from} x1={x} x2={x} y1={0} y2={height} stroke="var(--line)" />
            ) : (
              <rect key={from} x={x} y={0} width={width} height={height} fill="var(--runner)" />
            ),
          )}
        {inSight.map(({ id: trayId, name }) => (
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
          const { x, width } = placeOf(from, Math.min(to, last), 1);
          if (!isSeen(x, width) || !isLaneSeen(operation.trayId)) return null;
          return (
            <rect
              key={operation.id}
              x={x}
              y={laneY(operation.trayId) + 12}
              width={width}
              height={lane - 20}
              fill={`url(#${id}-cure)`}
            >
              <title>
                {operation.title}: cures {formatMinutes(to - from)}, free {fullText(to)}
              </title>
            </rect>
          );
        })}
        {own.map(({ operation, start }) => {
          const { x, width } = placeOf(start, start + operation.hands, 5);
          if (!isSeen(x, width) || !isLaneSeen(operation.trayId)) return null;
          const active = marked === operation.id;
          return (
            <rect
              key={operation.id}
              x={x + 0.5}
              y={laneY(operation.trayId) + 6}
              width={width - 1}
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
  );
}
