import { bare } from '../../core/figures.ts';
import type { JointFit } from '../../core/kit/index.ts';

/** Joints with what paint leaves of their clearance, each with its way out. */
export function JointFitList({ fits }: { fits: readonly JointFit[] }) {
  return (
    <>
      {fits.map(({ joint, name, films, forecast: { leftMm, verdict, words } }) => (
        <div
          key={joint.id}
          className={`finding ${verdict === 'goes' || verdict === 'snug' ? 'note' : 'warn'}`}
          style={{ marginTop: 8 }}
        >
          <b>{name}</b>
          <p>{words}</p>
          <p className="soft small">
            <span className="mono">
              {bare(leftMm[0], 'mm')} to {bare(leftMm[2], 'mm')}
            </span>{' '}
            mm left under{' '}
            <span className="mono">
              {Math.round(films[0])} + {Math.round(films[1])}
            </span>{' '}
            µm of film
          </p>
        </div>
      ))}
    </>
  );
}
