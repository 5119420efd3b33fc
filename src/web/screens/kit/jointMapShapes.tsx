import { partLabel, type Joint } from '../../../core/kit/index.ts';
import type { Part } from '../../../core/kit/index.ts';
import type { Box, JointMapLayout } from '../../workers/jointMap.ts';

export function TrayShape({ box }: { box: Box }) {
  const { x, y, width, height } = box;
  return (
    <g>
      <path
        d={`M${x},${y} h${width} v${height - 8} q0,8 -8,8 h${16 - width} q-8,0 -8,-8 z`}
        fill="#b4b4b4"
        stroke="#5c5c5c"
      />
      <path
        d={`M${x},${y + height - 6} q0,6 8,6 h${width - 16} q8,0 8,-6`}
        fill="none"
        stroke="#3a3a3a"
        strokeWidth={3}
      />
    </g>
  );
}

/** The name of a tray, over the lines and with a rim in the tray's grey, so that none runs through its letters. */
export function TrayName({ box: { x, y }, name, count }: { box: Box; name: string; count: number }) {
  return (
    <text
      x={x + 10}
      y={y + 18}
      fontSize={13.5}
      fontWeight={600}
      fill="#161616"
      stroke="#b4b4b4"
      strokeWidth={5}
      strokeLinejoin="round"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {name} {count > 1 && <tspan fontWeight={400}>· {count}</tspan>}
    </text>
  );
}

/** A part as a tag cut from its frame, with the dot of its finish. */
export function PartTag({
  part,
  box,
  finishName,
  hex,
  onMark,
}: {
  part: Part;
  box: Box;
  finishName: string | undefined;
  hex: string;
  onMark: () => void;
}) {
  return (
    <g className="tagbox" onClick={onMark}>
      <title>{`${partLabel(part)} ${part.name}${finishName === undefined ? '' : `, ${finishName}`}`}</title>
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        rx={3}
        fill="#efefef"
        stroke="#4a4a4a"
      />
      <rect x={box.x} y={box.y} width={6} height={box.height} fill="#4a4a4a" />
      <circle cx={box.x + 17} cy={box.y + 13} r={5.5} fill={hex} stroke="#00000060" />
      <text x={box.x + 28} y={box.y + 17.5} fontSize={12} fill="#161616">
        <tspan fontFamily="JetBrains Mono, monospace" fontSize={11}>
          {partLabel(part)}
        </tspan>{' '}
        {part.name.slice(0, Math.floor((box.width - 38) / 6.4 - partLabel(part).length))}
      </text>
    </g>
  );
}

/** The lines of what is marked, beneath the tags as all lines are. */
export function MarkedLines({ lines }: { lines: readonly (readonly [Box, Box])[] }) {
  return lines.map(([a, b], index) => (
    <path key={index} d={pathBetween(a, b)} fill="none" stroke="#000" strokeWidth={4} pointerEvents="none" />
  ));
}

export function MarkedTags({ boxes }: { boxes: readonly Box[] }) {
  return boxes.map((box, index) => (
    <rect
      key={index}
      x={box.x - 2}
      y={box.y - 2}
      width={box.width + 4}
      height={box.height + 4}
      rx={4}
      fill="none"
      stroke="#000"
      strokeWidth={3}
      pointerEvents="none"
    />
  ));
}

export const centre = ({ x, y, width, height }: Box) => ({ x: x + width / 2, y: y + height / 2 });

/** From edge to edge of two tags, bowed a little so that lines over one another can be told apart. */
function pathBetween(a: Box, b: Box): string {
  const [p, q] = [centre(a), centre(b)];
  const from = edgeTowards(a, q);
  const to = edgeTowards(b, p);
  const bow = 0.08;
  const middle = {
    x: (from.x + to.x) / 2 + (to.y - from.y) * bow,
    y: (from.y + to.y) / 2 - (to.x - from.x) * bow,
  };
  return `M${from.x.toFixed(1)},${from.y.toFixed(1)} Q${middle.x.toFixed(1)},${middle.y.toFixed(1)} ${to.x.toFixed(1)},${to.y.toFixed(1)}`;
}

function edgeTowards(box: Box, target: { x: number; y: number }): { x: number; y: number } {
  const { x, y } = centre(box);
  const [dx, dy] = [target.x - x, target.y - y];
  const reach = Math.min(
    dx === 0 ? Infinity : box.width / 2 / Math.abs(dx),
    dy === 0 ? Infinity : box.height / 2 / Math.abs(dy),
    1,
  );
  return { x: x + dx * reach, y: y + dy * reach };
}

export function JointLine({
  joint,
  a,
  b,
  late,
  onMark,
}: {
  joint: Joint;
  a: Box;
  b: Box;
  late: boolean;
  onMark: () => void;
}) {
  const path = pathBetween(a, b);
  const from = edgeTowards(a, centre(b));
  return (
    <g className="jointline" onClick={onMark}>
      <path d={path} fill="none" stroke="transparent" strokeWidth={12} />
      <path
        className="stroke"
        d={path}
        fill="none"
        stroke="#161616"
        strokeOpacity={late ? 0.55 : 1}
        strokeWidth={late ? 1.6 : 3}
        strokeDasharray={late ? '5 4' : undefined}
      />
      {joint.motion !== 'none' && (
        <circle cx={from.x} cy={from.y} r={4} fill="#efefef" stroke="#161616" strokeWidth={1.6} />
      )}
    </g>
  );
}

/** What is drawn thick: a joint with its two parts, or a part with all its joints. */
export function marksOf(
  { parts }: JointMapLayout,
  joints: readonly Joint[],
  jointId: string | undefined,
  partId: string | undefined,
): { lines: [Box, Box][]; boxes: Box[] } {
  const shown = joints.filter(
    ({ id, a, b }) => id === jointId || (jointId === undefined && (a === partId || b === partId)),
  );
  const lines = shown.flatMap(({ a, b }): [Box, Box][] =>
    parts[a] && parts[b] ? [[parts[a], parts[b]]] : [],
  );
  const marked = jointId === undefined ? [partId] : shown.flatMap(({ a, b }) => [a, b]);
  return { lines, boxes: marked.flatMap((id) => (id && parts[id]) || []) };
}
