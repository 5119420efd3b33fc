import { UnstyledButton } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import {
  partLabel,
  type Joint,
  type JointTime,
  type Kit,
  type ProposedTray,
} from '../../../core/kit/index.ts';
import type { Box, JointMapLayout, JointMapQuestion } from '../../workers/jointMap.ts';
import { finishHex } from './finishColour.ts';
import { kitWorker } from './useProposal.ts';

interface JointMapProps {
  kit: Kit;
  trays: readonly Pick<ProposedTray, 'key' | 'name' | 'partIds'>[];
  codes: readonly CodeRecord[];
  when: ReadonlyMap<string, JointTime>;
  markedJoint: string | undefined;
  markedPart: string | undefined;
  onMarkJoint: (id: string) => void;
  onMarkPart: (id: string) => void;
}

const ZOOMS = [0.35, 0.5, 0.6, 0.7, 0.85, 1, 1.3];
/** A small kit is not blown up beyond its usual size. */
const ROOMY = 5;
/** Below this the names on the tags can no longer be read at first sight. */
const READABLE = 4;

/** Parts as tags in the trays in which they are painted; solid where they are joined before paint, dashed where
 *  after. */
export function JointMap(props: JointMapProps) {
  const { kit, trays, codes, when, markedJoint, markedPart, onMarkJoint, onMarkPart } = props;
  const [layout, setLayout] = useState<{ question: JointMapQuestion; layout: JointMapLayout } | null>(null);
  const [zoom, setZoom] = useState(2);
  const [fitted, setFitted] = useState(false);
  const scroll = useRef<HTMLDivElement>(null);
  const question = useMemo<JointMapQuestion>(() => {
    const widths: Record<string, number> = {};
    for (const part of kit.parts)
      widths[part.id] = Math.min(210, 40 + partLabel(part).length * 7.4 + part.name.length * 6.6);
    return {
      trays: trays.map(({ key, name, partIds }) => ({ key, name, partIds })),
      joints: kit.joints.filter(({ id }) => when.has(id)).map(({ id, a, b }) => ({ id, a, b })),
      widths,
    };
  }, [kit, trays, when]);
  useEffect(() => {
    let asked = true;
    void kitWorker()
      .layOutJointMap(question)
      .then((made) => {
        if (!asked) return;
        setLayout({ question, layout: made });
        const room = scroll.current?.clientWidth;
        if (fitted || room === undefined) return;
        const fits = ZOOMS.findLastIndex((each) => each * made.width <= room);
        setZoom(Math.max(READABLE, Math.min(ROOMY, fits)));
        setFitted(true);
      });
    return () => {
      asked = false;
    };
  }, [question, fitted]);

  const scale = ZOOMS[zoom]!;
  const drawing = useMemo(() => {
    if (!layout) return null;
    const { parts } = layout.layout;
    const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
    return (
      <>
        {layout.question.trays.map(({ key, name, partIds }) => (
          <TrayShape key={key} box={layout.layout.trays[key]!} name={name} count={partIds.length} />
        ))}
        {kit.joints.map((joint) => {
          const [a, b] = [parts[joint.a], parts[joint.b]];
          const time = when.get(joint.id);
          return a && b && time ? (
            <JointLine
              key={joint.id}
              joint={joint}
              a={a}
              b={b}
              late={time === 'after'}
              onMark={() => onMarkJoint(joint.id)}
            />
          ) : null;
        })}
        {kit.parts.map((part) => {
          const box = parts[part.id];
          if (!box) return null;
          const finish = finishes.get(part.zones[0]?.finishId ?? '');
          return (
            <g key={part.id} className="tagbox" onClick={() => onMarkPart(part.id)}>
              <title>{`${partLabel(part)} ${part.name}${finish ? `, ${finish.name}` : ''}`}</title>
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
              <circle
                cx={box.x + 17}
                cy={box.y + 13}
                r={5.5}
                fill={finishHex(finish, codes)}
                stroke="#00000060"
              />
              <text x={box.x + 28} y={box.y + 17.5} fontSize={12} fill="#161616">
                <tspan fontFamily="JetBrains Mono, monospace" fontSize={11}>
                  {partLabel(part)}
                </tspan>{' '}
                {part.name.slice(0, Math.floor((box.width - 38) / 6.4 - partLabel(part).length))}
              </text>
            </g>
          );
        })}
      </>
    );
  }, [layout, kit, codes, when, onMarkJoint, onMarkPart]);

  useEffect(() => {
    if (!fitted || !layout) return;
    // Begin where most of the build is.
    const largest = Object.values(layout.layout.trays).reduce<Box | undefined>(
      (most, box) => (!most || box.width * box.height > most.width * most.height ? box : most),
      undefined,
    );
    const frame = scroll.current;
    if (!frame || !largest) return;
    const { x, y } = centre(largest);
    frame.scrollTo(x * scale - frame.clientWidth / 2, y * scale - frame.clientHeight / 2);
    // Only when the map is first laid out; later the builder moves it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [fitted]);
  useEffect(() => {
    const frame = scroll.current;
    if (!frame || !layout) return;
    const [target] = marksOf(layout.layout, kit.joints, markedJoint, undefined).boxes;
    if (!target) return;
    const { x, y } = centre(target);
    const inside =
      x * scale > frame.scrollLeft &&
      x * scale < frame.scrollLeft + frame.clientWidth &&
      y * scale > frame.scrollTop &&
      y * scale < frame.scrollTop + frame.clientHeight;
    if (!inside) frame.scrollTo(x * scale - frame.clientWidth / 2, y * scale - frame.clientHeight / 2);
  }, [layout, kit.joints, markedJoint, scale]);

  const marks = layout && marksOf(layout.layout, kit.joints, markedJoint, markedPart);
  return (
    <div className="mapwell">
      <div className="mapbar">
        <span>
          <svg width={34} height={10} aria-hidden>
            <line x1={0} y1={5} x2={34} y2={5} stroke="#161616" strokeWidth={3} />
          </svg>{' '}
          before paint
        </span>
        <span>
          <svg width={34} height={10} aria-hidden>
            <line x1={0} y1={5} x2={34} y2={5} stroke="#161616" strokeWidth={1.6} strokeDasharray="5 4" />
          </svg>{' '}
          after
        </span>
        <span>
          <svg width={14} height={12} aria-hidden>
            <circle cx={7} cy={6} r={4} fill="#efefef" stroke="#161616" strokeWidth={1.6} />
          </svg>{' '}
          moves
        </span>
        <span style={{ marginLeft: 'auto', display: 'flex', gap: 6 }}>
          <UnstyledButton
            aria-label="Smaller"
            disabled={zoom === 0}
            onClick={() => setZoom((now) => Math.max(0, now - 1))}
          >
            −
          </UnstyledButton>
          <UnstyledButton
            aria-label="Larger"
            disabled={zoom === ZOOMS.length - 1}
            onClick={() => setZoom((now) => Math.min(ZOOMS.length - 1, now + 1))}
          >
            +
          </UnstyledButton>
        </span>
      </div>
      <div className="scroll" ref={scroll} tabIndex={0} role="group" aria-label="Joint map, scrolls">
        {layout ? (
          <svg
            width={layout.layout.width * scale}
            height={layout.layout.height * scale}
            viewBox={`0 0 ${layout.layout.width} ${layout.layout.height}`}
            role="img"
            aria-label={`Joint map: ${kit.parts.length} parts in ${trays.length} trays; the list shows the same`}
          >
            {drawing}
            {marks?.lines.map(([a, b], index) => (
              <path
                key={index}
                d={pathBetween(a, b)}
                fill="none"
                stroke="#000"
                strokeWidth={4}
                pointerEvents="none"
              />
            ))}
            {marks?.boxes.map((box, index) => (
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
            ))}
          </svg>
        ) : (
          <p className="loading">Laying out the map…</p>
        )}
      </div>
    </div>
  );
}

function TrayShape({ box, name, count }: { box: Box; name: string; count: number }) {
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
      <text x={x + 10} y={y + 18} fontSize={13.5} fontWeight={600} fill="#161616">
        {name} {count > 1 && <tspan fontWeight={400}>· {count}</tspan>}
      </text>
    </g>
  );
}

const centre = ({ x, y, width, height }: Box) => ({ x: x + width / 2, y: y + height / 2 });

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

function JointLine({
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

function marksOf(
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
