import { Button, NumberInput, SegmentedControl } from '@mantine/core';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { VIEW_SIDES } from '../../../core/kit/index.ts';
import {
  coursePath,
  SCALE_POINTS,
  traced,
  type Point,
  type TraceScale,
  type ViewSource,
} from '../../../core/livery/index.ts';
import { arrowOf } from './useDragged.ts';

interface TracingProps {
  picture: { address: string; name: string; width: number; height: number };
  onDone: (drawn: ViewSource) => void;
}

const MARKS = [
  { value: 'scale', label: 'Scale' },
  { value: 'outline', label: 'Outline' },
  { value: 'openings', label: 'Openings' },
  { value: 'lines', label: 'Moulded lines' },
] as const;
type Mark = (typeof MARKS)[number]['value'];

const KINDS: { value: TraceScale['kind']; label: string }[] = [
  { value: 'line', label: 'two points' },
  { value: 'rectangle', label: 'four corners' },
];
const HINTS: Readonly<Record<TraceScale['kind'] | Exclude<Mark, 'scale'>, string>> = {
  line: 'Mark two points whose distance you know, such as the two axles.',
  rectangle:
    'Mark four corners of something known to be square, clockwise from the upper left: this takes the perspective out.',
  outline: 'Mark points round the outline; where it turns gently they are joined in curves.',
  openings: 'Mark points round a window or an arch; begin another once one is closed.',
  lines: 'Mark points along a panel line or a moulding, from one end to the other.',
};
/** How far an arrow key moves the cross, as a share of the picture; with shift ten times as far. */
const STEP = 0.002;

interface Marked {
  scale: Point[];
  outline: Point[];
  /** Of each the last one is still being marked. */
  openings: Point[][];
  lines: Point[][];
}

/** Some of whose last one alone takes points. */
const MANY = { openings: 'opening', lines: 'line' } as const;
const isMany = (mark: Mark): mark is keyof typeof MANY => mark in MANY;

/** Points marked over a picture, by pointer or by keyboard, until they make a view. */
export function Tracing({ picture, onDone }: TracingProps) {
  const { name, width, height } = picture;
  const [mark, setMark] = useState<Mark>('scale');
  const [kind, setKind] = useState<TraceScale['kind']>('line');
  const [mm, setMm] = useState<{ long: number | string; wide: number | string; tall: number | string }>({
    long: '',
    wide: '',
    tall: '',
  });
  const [points, setPoints] = useState<Marked>({
    scale: [],
    outline: [],
    openings: [[]],
    lines: [[]],
  });
  const [cross, setCross] = useState<Point>([width / 2, height / 2]);
  const [problem, setProblem] = useState<string | null>(null);
  const put = (change: (now: Point[]) => Point[]) =>
    setPoints({
      ...points,
      ...(isMany(mark)
        ? { [mark]: [...points[mark].slice(0, -1), change(points[mark].at(-1)!)] }
        : { [mark]: change(points[mark]).slice(mark === 'scale' ? -SCALE_POINTS[kind] : 0) }),
    });
  const add = (point: Point) => put((now) => [...now, point]);
  const size = Math.max(width, height);
  const onKeyDown = (event: KeyboardEvent) => {
    const arrow = arrowOf(event.key);
    if (event.key === 'Enter') add(cross);
    else if (event.key === 'Backspace') put((now) => now.slice(0, -1));
    else if (arrow) {
      const step = STEP * size * (event.shiftKey ? 10 : 1);
      setCross(([x, y]) => [
        Math.min(width, Math.max(0, x + arrow[0] * step)),
        Math.min(height, Math.max(0, y + arrow[1] * step)),
      ]);
    } else return;
    event.preventDefault();
  };
  const use = () => {
    const scale: TraceScale =
      kind === 'line'
        ? { kind, points: points.scale, mm: Number(mm.long) }
        : { kind, points: points.scale, widthMm: Number(mm.wide), heightMm: Number(mm.tall) };
    try {
      onDone({ ...traced(points.outline, points, scale), name, sides: VIEW_SIDES, slope: 1 });
    } catch (failure) {
      setProblem((failure as Error).message);
    }
  };
  const figureInput = (key: keyof typeof mm, label: string) => (
    <NumberInput
      size="xs"
      w={150}
      label={label}
      decimalScale={2}
      value={mm[key]}
      onChange={(value) => setMm({ ...mm, [key]: value })}
    />
  );
  return (
    <div className="livery">
      <div className="toolrow">
        <SegmentedControl
          aria-label="What is marked"
          data={[...MARKS]}
          value={mark}
          onChange={(value) => setMark(value)}
        />
        {mark === 'scale' && (
          <SegmentedControl
            aria-label="What the scale is known by"
            data={KINDS}
            value={kind}
            onChange={(value) => setKind(value)}
          />
        )}
        {mark === 'scale' && kind === 'line' && figureInput('long', 'Between them on the model, mm')}
        {mark === 'scale' && kind === 'rectangle' && (
          <>
            {figureInput('wide', 'Its width on the model, mm')}
            {figureInput('tall', 'Its height on the model, mm')}
          </>
        )}
        {isMany(mark) && points[mark].at(-1)!.length > 1 && (
          <Button onClick={() => setPoints({ ...points, [mark]: [...points[mark], []] })}>
            Begin another {MANY[mark]}
          </Button>
        )}
      </div>
      <p className="small">
        {HINTS[mark === 'scale' ? kind : mark]}{' '}
        <span className="soft">Keys: arrows move the cross, Enter marks, Backspace takes one back.</span>
      </p>
      <TracedPicture
        picture={picture}
        points={points}
        kind={kind}
        cross={cross}
        onKeyDown={onKeyDown}
        onMark={(at) => {
          setCross(at);
          add(at);
        }}
      />
      {problem && (
        <p role="alert" className="finding warn">
          {problem}
        </p>
      )}
      <div className="toolrow">
        <Button variant="action" onClick={use}>
          Use the tracing
        </Button>
        <Button onClick={() => put((now) => now.slice(0, -1))}>Take the last point back</Button>
      </div>
    </div>
  );
}

interface TracedPictureProps {
  picture: TracingProps['picture'];
  points: Marked;
  kind: TraceScale['kind'];
  cross: Point;
  onKeyDown: (event: KeyboardEvent) => void;
  onMark: (at: Point) => void;
}

/** The picture with what is marked over it. */
function TracedPicture({ picture, points, kind, cross, onKeyDown, onMark }: TracedPictureProps) {
  const { address, name, width, height } = picture;
  const size = Math.max(width, height);
  const [x, y] = cross;
  const arm = size / 50;
  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onMark([
      ((event.clientX - box.left) / box.width) * width,
      ((event.clientY - box.top) / box.height) * height,
    ]);
  };
  return (
    <div
      className="tracing"
      role="group"
      tabIndex={0}
      aria-label="The picture to trace"
      onKeyDown={onKeyDown}
    >
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={name} onPointerDown={onPointerDown}>
        <image href={address} width={width} height={height} />
        <g strokeWidth={size / 400}>
          {points.scale.length > 0 && (
            <path className="scaleline" d={`${coursePath(points.scale)}${kind === 'rectangle' ? 'Z' : ''}`} />
          )}
          {[points.outline, ...points.openings].map(
            (ring, at) => ring.length > 0 && <path key={at} className="traced" d={`${coursePath(ring)}Z`} />,
          )}
          {points.lines.map(
            (line, at) => line.length > 0 && <path key={at} className="scaleline" d={coursePath(line)} />,
          )}
          {[...points.scale, ...points.outline, ...points.openings.flat(), ...points.lines.flat()].map(
            ([cx, cy], at) => (
              <circle key={at} cx={cx} cy={cy} r={size / 200} />
            ),
          )}
          <path className="cross" d={`M${x - arm} ${y}h${2 * arm}M${x} ${y - arm}v${2 * arm}`} />
        </g>
      </svg>
    </div>
  );
}
