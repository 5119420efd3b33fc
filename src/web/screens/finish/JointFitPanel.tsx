import { useMemo } from 'react';
import { Link } from 'react-router';
import type { BuildRecord, TrayRecord } from '../../../api/index.ts';
import { JointFitList } from '../../components/JointFitList.tsx';
import { PlaceFitList } from '../../components/PlaceFitList.tsx';
import { fitsOfBuild } from '../../data/fits.ts';
import { useKit } from '../../data/kit.ts';
import { useBuildContext } from '../../data/buildContext.ts';

const SHOWN = 4;

/** What this film does to the joints, holes and lines of the sub-assembly. */
export function JointFitPanel({ build, tray }: { build: BuildRecord; tray: TrayRecord }) {
  const { kit } = useKit(build.id);
  const { products, codes, conditions } = useBuildContext();
  const { fits, places } = useMemo(() => {
    if (!kit) return { fits: [], places: [] };
    const held = new Set(tray.parts.map(({ id }) => id));
    const all = fitsOfBuild(build, kit, { products, codes, conditions });
    return {
      fits: all.joints.filter(({ joint: { a, b } }) => held.has(a) || held.has(b)),
      places: all.places.filter(
        ({ place: { partId, matingPartId } }) =>
          held.has(partId) || (matingPartId !== null && held.has(matingPartId)),
      ),
    };
  }, [build, tray, kit, products, codes, conditions]);
  if (fits.length === 0 && places.length === 0) return null;
  const worst = fits[0]?.forecast.verdict;
  const closes = places.some(({ forecast: { verdict } }) => verdict !== 'stays');
  return (
    <div className={`panel${worst === 'tight' || worst === 'will not go' || closes ? ' warned' : ''}`}>
      <h3>Fit after paint</h3>
      <JointFitList fits={fits.slice(0, SHOWN)} />
      <PlaceFitList fits={places.slice(0, SHOWN)} />
      <Link
        className="small soft block mt8"

        to={`/build/${build.id}/kit/fit`}
      >
        {fits.length > SHOWN
          ? `all ${fits.length} joints, dry fits, holes and stance`
          : 'dry fits, holes and stance'}
      </Link>
    </div>
  );
}
