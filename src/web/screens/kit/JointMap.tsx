import { useEffect, useMemo, useRef } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import { type JointTime, type Kit, type ProposedTray } from '../../../core/kit/index.ts';
import type { Box } from '../../workers/jointMap.ts';
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
import { MapBar } from './JointMapBar.tsx';
import { useJointMapLayout, ZOOMS } from './useJointMapLayout.ts';

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

/** Parts as tags in the trays in which they are painted; solid where they are joined before paint, dashed where
 *  after. */
export function JointMap(props: JointMapProps) {
  const { kit, trays, codes, when, markedJoint, markedPart, onMarkJoint, onMarkPart } = props;
  const scroll = useRef<HTMLDivElement>(null);
  const { layout, zoom, setZoom, fitted } = useJointMapLayout(kit, trays, when, scroll);
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
      <MapBar zoom={zoom} onZoom={setZoom} wholeMap={layout ? wholeMap : undefined} />
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
