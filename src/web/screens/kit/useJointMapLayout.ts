import { useEffect, useMemo, useState, type RefObject } from 'react';
import { partLabel, type JointTime, type Kit, type ProposedTray } from '../../../core/kit/index.ts';
import type { JointMapLayout, JointMapQuestion } from '../../workers/jointMap.ts';
import { kitWorker } from './useProposal.ts';

export const ZOOMS = [0.15, 0.25, 0.35, 0.5, 0.6, 0.7, 0.85, 1, 1.3];
/** A small kit is not blown up beyond its usual size. */
const ROOMY = 7;
/** Below this the names on the tags can no longer be read at first sight. */
const READABLE = 6;

/** The map of a kit's joints, laid out away from the page, and how large it is shown: at first so that its width fits, as far as
 *  names can then be read. */
export function useJointMapLayout(
  kit: Kit,
  trays: readonly Pick<ProposedTray, 'key' | 'name' | 'partIds'>[],
  when: ReadonlyMap<string, JointTime>,
  scroll: RefObject<HTMLDivElement | null>,
) {
  const [layout, setLayout] = useState<{ question: JointMapQuestion; layout: JointMapLayout } | null>(null);
  const [zoom, setZoom] = useState(4);
  const [fitted, setFitted] = useState(false);
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
  }, [question, fitted, scroll]);

  return { layout, zoom, setZoom, fitted };
}
