import { Table } from '@mantine/core';
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
      <Table className="plainlist">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Joint</Table.Th>
            <Table.Th className="num">Film on both faces, µm</Table.Th>
            <Table.Th className="num">Left, mm</Table.Th>
            <Table.Th>What to do</Table.Th>
            <Table.Th>Tested</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {fits.map(({ joint, name, films, forecast: { leftMm, words } }) => (
            <Table.Tr key={joint.id}>
              <Table.Td className="wraps">{name}</Table.Td>
              <Table.Td className="num mono">
                {Math.round(films[0])} + {Math.round(films[1])}
              </Table.Td>
              <Outcome leftMm={leftMm} words={words} />
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      {places.length > 0 && (
        <>
          <h2 className="mt16">Holes, slots and lines</h2>
          <Table className="plainlist">
            <Table.Thead>
              <Table.Tr>
                <Table.Th>Place</Table.Th>
                <Table.Th className="num">Bare, mm</Table.Th>
                <Table.Th className="num">Left, mm</Table.Th>
                <Table.Th>What to do</Table.Th>
                <Table.Th>Tested</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {places.map(({ place, name, forecast: { leftMm, words } }) => (
                <Table.Tr key={place.id}>
                  <Table.Td className="wraps">{name}</Table.Td>
                  <Table.Td className="num mono nowrap">
                    {bare(place.sizeMm, 'mm')}
                    <span className="soft small block">{PLACE_MEASURES[place.kind]}</span>
                  </Table.Td>
                  <Outcome leftMm={leftMm} words={words} />
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </>
      )}
      <p className="small mt10">
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
      <Table.Td className="num mono nowrap">
        {bare(likely, 'mm')}
        <span className="soft small block">
          {bare(least, 'mm')} to {bare(most, 'mm')}
        </span>
      </Table.Td>
      <Table.Td className="wraps">{words}</Table.Td>
      <Table.Td aria-label="to tick by hand" className="mono">
        ☐
      </Table.Td>
    </>
  );
}
