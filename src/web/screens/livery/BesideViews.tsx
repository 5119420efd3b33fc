import { Link } from 'react-router';
import type { LiveryView } from '../../../core/kit/index.ts';
import type { LiveryAnswer } from '../../../core/livery/index.ts';
import { frameOf, pathOf } from './drawing.ts';

interface BesideViewsProps {
  views: readonly LiveryView[];
  measured: LiveryAnswer['measured'];
  hexOf: (finishId: string | null) => string;
  addressOf: (viewId: string) => string;
}

/** The other views of the same part in their colours, to see all of its sides at once. */
export const BesideViews = ({ views, measured, hexOf, addressOf }: BesideViewsProps) =>
  views.length === 0 ? null : (
    <ul className="besideviews" aria-label="The same part from other sides">
      {views.map((view) => {
        const of = measured.find(({ viewId }) => viewId === view.id)?.measured;
        return (
          <li key={view.id}>
            <Link to={addressOf(view.id)}>
              <svg viewBox={frameOf(view)} aria-hidden>
                {of?.areas.map(({ areaId, finishId, rings }) => (
                  <path key={areaId ?? 'base'} d={pathOf(rings)} fill={hexOf(finishId)} fillRule="evenodd" />
                ))}
                {of && <path className="outline" d={pathOf(of.body)} />}
              </svg>
              <span className="small">{view.name}</span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
