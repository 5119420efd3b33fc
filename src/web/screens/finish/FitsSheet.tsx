import { bare } from '../../../core/figures.ts';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import type { FitForecast } from '../../../core/kit/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { PrintedSheet } from '../../components/PrintedSheet.tsx';
import { PLACE_MEASURES } from '../../components/PlaceFitList.tsx';
import { fitsOfBuild } from '../../data/fits.ts';
import { useKit } from '../../data/kit.ts';
import { useBuildContext } from '../../data/buildContext.ts';

/** Every fit to test after paint, on one sheet to print and tick. */
export function FitsSheet() {
  const { build, products, codes, conditions, ready, error } = useBuildContext();
  const { buildId } = useParams();
  const { kit, error: kitError } = useKit(buildId);
  const { joints: fits, places } = useMemo(
    () =>
      build && kit ? fitsOfBuild(build, kit, { products, codes, conditions }) : { joints: [], places: [] },
    [build, kit, products, codes, conditions],
  );
  if (!ready || !kit) return <Loading what="the fits" error={error ?? kitError} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (fits.length === 0 && places.length === 0) {
    return (
      <EmptyStage title="No fit is measured yet" buildId={build.id}>
        Enter what a dry fit feels like, or its clearance in mm, for the joints made after paint, or measure a
        hole, a slot or a line; what paint leaves of it is then listed here.
      </EmptyStage>
    );
  }
  return (
    <PrintedSheet
      label="Fits sheet"
      back={{ to: `/build/${build.id}/finish`, words: 'back to the stacks' }}
      printWords="Print this sheet"
    >
      <header>
        <p>
          {build.name}, 1:{build.scale}
        </p>
        <h2>To test after paint, tightest first</h2>
      </header>
      <table className="plainlist">
        <thead>
          <tr>
            <th>Joint</th>
            <th className="num">Film on both faces, µm</th>
            <th className="num">Left, mm</th>
            <th>What to do</th>
            <th>Tested</th>
          </tr>
        </thead>
        <tbody>
          {fits.map(({ joint, name, films, forecast: { leftMm, words } }) => (
            <tr key={joint.id}>
              <td style={{ whiteSpace: 'normal' }}>{name}</td>
              <td className="num mono">
                {Math.round(films[0])} + {Math.round(films[1])}
              </td>
              <Outcome leftMm={leftMm} words={words} />
            </tr>
          ))}
        </tbody>
      </table>
      {places.length > 0 && (
        <>
          <h2 style={{ marginTop: 16 }}>Holes, slots and lines</h2>
          <table className="plainlist">
            <thead>
              <tr>
                <th>Place</th>
                <th className="num">Bare, mm</th>
                <th className="num">Left, mm</th>
                <th>What to do</th>
                <th>Tested</th>
              </tr>
            </thead>
            <tbody>
              {places.map(({ place, name, forecast: { leftMm, words } }) => (
                <tr key={place.id}>
                  <td style={{ whiteSpace: 'normal' }}>{name}</td>
                  <td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                    {bare(place.sizeMm, 'mm')}
                    <span className="soft small" style={{ display: 'block' }}>
                      {PLACE_MEASURES[place.kind]}
                    </span>
                  </td>
                  <Outcome leftMm={leftMm} words={words} />
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <p className="small" style={{ marginTop: 10 }}>
        Edges carry about half the film of flats. A slide or hinge that is tight when bare stays tight: scrape
        its faces, or mask them before primer.
      </p>
    </PrintedSheet>
  );
}

/** What is left, what to do about it, and a box to tick by hand. */
function Outcome({ leftMm: [least, likely, most], words }: Pick<FitForecast, 'leftMm' | 'words'>) {
  return (
    <>
      <td className="num mono" style={{ whiteSpace: 'nowrap' }}>
        {bare(likely, 'mm')}
        <span className="soft small" style={{ display: 'block' }}>
          {bare(least, 'mm')} to {bare(most, 'mm')}
        </span>
      </td>
      <td style={{ whiteSpace: 'normal' }}>{words}</td>
      <td aria-label="to tick by hand" className="mono">
        ☐
      </td>
    </>
  );
}
