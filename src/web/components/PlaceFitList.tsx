import { bare } from '../../core/figures.ts';
import type { PlaceFit } from '../../core/kit/index.ts';

export const PLACE_MEASURES = { hole: 'across', slot: 'wide', line: 'deep' } as const;

/** Holes, slots and lines with what paint leaves of them, each with its way out. */
export function PlaceFitList({ fits }: { fits: readonly PlaceFit[] }) {
  return (
    <>
      {fits.map(({ place, name, forecast: { leftMm, verdict, words } }) => (
        <div
          key={place.id}
          className={`finding ${verdict === 'stays' ? 'note' : 'warn'}`}
          style={{ marginTop: 8 }}
        >
          <b>{name}</b>
          <p>{words}</p>
          <p className="soft small">
            <span className="mono">{bare(place.sizeMm, 'mm')}</span> mm {PLACE_MEASURES[place.kind]} bare,{' '}
            <span className="mono">
              {bare(leftMm[0], 'mm')} to {bare(leftMm[2], 'mm')}
            </span>{' '}
            mm after paint
          </p>
        </div>
      ))}
    </>
  );
}
