import { drawFacing } from '../../../core/detail/index.ts';
import { facingWords } from '../../../core/kit/index.ts';
import type { Advice } from '../../../core/plan/index.ts';
import { useKit } from '../../data/kit.ts';
import { partOptions } from '../kit/partNames.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import './detail.css';

/** More drawings than these would push the step's own words away; all are told in words. */
const MOST_DRAWN = 4;

/** Which way round the parts of a step sit, drawn: those of which its advice speaks. */
export default function StepFacings({ buildId, advice }: { buildId: string; advice: readonly Advice[] }) {
  const { kit } = useKit(buildId);
  if (!kit) return null;
  const parts = new Set(advice.flatMap(({ about }) => about.parts));
  const facings = kit.facings.filter(({ partId }) => parts.has(partId)).slice(0, MOST_DRAWN);
  const names = new Map(partOptions(kit).map(({ value, label }) => [value, label]));
  return (
    <div className="flatdrawings stepfacings">
      {facings.map((facing) => (
        <figure key={facing.id}>
          <DrawingPicture drawing={drawFacing(facing)} label={facingWords(facing)} />
          <figcaption className="small">
            <b>{names.get(facing.partId)}</b>: {facingWords(facing)}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
