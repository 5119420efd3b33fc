import { PATHS, pathTo } from '../../../api/index.ts';
import type { Marking } from '../../../core/kit/index.ts';
import { ringsOfMarking } from '../../../core/livery/index.ts';
import type { DrawnMarking } from '../../workers/liveryWorker.ts';
import { pathOf } from './drawing.ts';

/** What a marking covers, mm on its view. */
export const edgeOf = (marking: Marking): string => pathOf(ringsOfMarking(marking));

/** A marking where it lies on its view, as it is drawn. */
export const MarkingShape = ({ marking, drawn }: Pick<DrawnMarking, 'marking' | 'drawn'>) => (
  <>
    <path d={edgeOf(marking)} className={drawn.shapes.length > 0 ? 'drawn' : 'bare'} />
    <g
      transform={`translate(${marking.x} ${marking.y}) rotate(${marking.angle}) translate(${-marking.width / 2} ${-marking.height / 2})`}
    >
      {marking.artwork.kind === 'picture' && marking.pictureId && (
        <image
          href={pathTo(PATHS.picture, marking.pictureId)}
          width={marking.width}
          height={marking.height}
          preserveAspectRatio="none"
          transform={marking.mirrored ? `translate(${marking.width} 0) scale(-1 1)` : undefined}
        />
      )}
      {drawn.shapes.map(({ d, fill }, at) => (
        <path key={at} d={d} fill={fill} />
      ))}
    </g>
  </>
);
