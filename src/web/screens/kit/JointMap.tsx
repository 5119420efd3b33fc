import { UnstyledButton } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import { partLabel, type JointTime, type Kit, type ProposedTray } from '../../../core/kit/index.ts';
import type { Box, JointMapLayout, JointMapQuestion } from '../../workers/jointMap.ts';
import { finishHex } from './finishColour.ts';
import { JointOverview } from './JointOverview.tsx';
import {
  centre,
  JointLine,
  MarkedLines,
  MarkedTags,
  marksOf,
  PartTag,
  TrayName,
  TrayShape,
} from './jointMapShapes.tsx';
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

const ZOOMS = [0.15, 0.25, 0.35, 0.5, 0.6, 0.7, 0.85, 1, 1.3];
/** A small kit is not blown up beyond its usual size. */
const ROOMY = 7;
/** Below this the names on the tags can no longer be read at first sight. */
const READABLE = 6;

/** Parts as tags in the trays in which they are painted; solid where they are joined before paint, dashed where
 *  after. */
export function JointMap(props: JointMapProps) {
  const { kit, trays, codes, when, markedJoint, markedPart, onMarkJoint, onMarkPart } = props;
  const [layout, setLayout] = useState<{ question: JointMapQuestion; layout: JointMapLayout } | null>(null);
  const [zoom, setZoom] = useState(4);
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
    return (
      <>
        {layout.question.trays.map(({ key }) => (
          <TrayShape key={key} box={layout.layout.trays[key]!} />
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
      </>
    );
  }, [layout, kit, when, onMarkJoint]);
  const tags = useMemo(() => {
    if (!layout) return null;
    const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
    return (
      <>
        {layout.question.trays.map(({ key, name, partIds }) => (
          <TrayName key={key} box={layout.layout.trays[key]!} name={name} count={partIds.length} />
        ))}
        {kit.parts.map((part) => {
          const box = layout.layout.parts[part.id];
          if (!box) return null;
          const finish = finishes.get(part.zones[0]?.finishId ?? '');
          return (
            <PartTag
              key={part.id}
              part={part}
              box={box}
              finishName={finish?.name}
              hex={finishHex(finish, codes)}
              onMark={() => onMarkPart(part.id)}
            />
          );
        })}
      </>
    );
  }, [layout, kit, codes, onMarkPart]);

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

  const wholeMap = () => {
    const frame = scroll.current;
    if (!frame || !layout) return zoom;
    const { width, height } = layout.layout;
    const fits = ZOOMS.findLastIndex(
      (each) => each * width <= frame.clientWidth && each * height <= frame.clientHeight,
    );
    return Math.max(0, fits);
  };
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
        <span className="ml-auto in-row g6">
          <UnstyledButton disabled={!layout} onClick={() => setZoom(wholeMap())}>
            Whole map
          </UnstyledButton>
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
            {marks && <MarkedLines lines={marks.lines} />}
            {tags}
            {marks && <MarkedTags boxes={marks.boxes} />}
          </svg>
        ) : (
          <p className="loading">Laying out the map…</p>
        )}
      </div>
      {layout && <JointOverview layout={layout.layout} scale={scale} frame={scroll} />}
    </div>
  );
}
