import { Link } from 'react-router';
import { byLikeness, counted, lessonsOfLike } from '../../../core/kit/index.ts';
import { useBench } from '../../data/bench.ts';
import type { KitViewProps } from './kitView.ts';

const SHOWN = 6;

/** What a kit that is begun opens with: what builds like it taught. */
export function TaughtBefore({ build, stock }: Pick<KitViewProps, 'build' | 'stock'>) {
  const { data: bench } = useBench();
  const like = byLikeness(build, bench?.builds.filter(({ id }) => id !== build.id) ?? []).filter(
    ({ likeness }) => likeness !== 'other',
  );
  const taught = lessonsOfLike(stock.lessons, `${build.name} ${build.subject}`, like);
  if (like.length === 0 && taught.length === 0) return null;
  return (
    <div className="panel stacked g8">
      <h3>Before you begin</h3>
      {like.length > 0 && (
        <p className="small">
          Like this kit:{' '}
          {like.map(({ id, name, kit }, at) => (
            <span key={id}>
              {at > 0 && ', '}
              <Link to={`/build/${id}/record/verdict`}>{name}</Link>
              {kit.end !== null && ` (${kit.end === 'finished' ? 'finished' : 'given up'})`}
            </span>
          ))}
          .
        </p>
      )}
      {taught.length === 0 ? (
        <p className="soft small">No lesson was kept of it.</p>
      ) : (
        <ul>
          {taught.slice(0, SHOWN).map(({ id, text, origin }) => (
            <li key={id} className="small">
              {text} {origin && <span className="soft">From {origin}.</span>}
            </li>
          ))}
        </ul>
      )}
      {taught.length > SHOWN && (
        <p className="small">
          <Link to={`/build/${build.id}/kit/lessons`}>{counted(taught.length - SHOWN, 'more lesson')}</Link>
        </p>
      )}
    </div>
  );
}
