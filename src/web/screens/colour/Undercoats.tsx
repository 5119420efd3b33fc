import { Table } from '@mantine/core';
import { bare } from '../../../core/figures.ts';
import { useMemo } from 'react';
import {
  ciede2000,
  spectrumToDisplay,
  spectrumToLab,
  type ViewingCondition,
} from '../../../core/colour/index.ts';
import { FAMILIES, GENERIC_PRODUCTS, mirrorOf } from '../../../core/finish/index.ts';
import {
  coatByCoat,
  coatsToClose,
  GLOSSY,
  innerLight,
  opaqueSpectrum,
  type Surface,
} from '../../../core/paint/index.ts';
import type { Candidate } from './candidates.ts';

const OFFERED = [
  'generic-primer-white',
  'generic-primer-grey',
  'generic-primer-pink',
  'generic-silver',
  'generic-primer-black',
  'generic-black-gloss',
];
const SHOWN_COATS = 5;
const MOST = 20;

interface UndercoatsProps {
  chosen: Candidate;
  wanted: readonly number[];
  /** The face that the target is seen with. */
  surface: Surface;
  view: ViewingCondition;
}

/** The answer coat by coat over each undercoat: how it looks if one stops early, and when it is closed. */
export function Undercoats({ chosen, wanted, surface, view }: UndercoatsProps) {
  const film = FAMILIES[chosen.product.family].filmPerCoat.usual;
  const rows = useMemo(() => {
    const target = spectrumToLab(wanted, view);
    return OFFERED.flatMap((id) => {
      const undercoat = GENERIC_PRODUCTS.find((product) => product.id === id);
      if (!undercoat) return [];
      const under = innerLight(opaqueSpectrum(undercoat.optics), GLOSSY, mirrorOf(undercoat));
      const closes = coatsToClose(chosen.product.optics, under, film, MOST);
      const steps = coatByCoat(chosen.product.optics, under, film, SHOWN_COATS, surface).slice(1);
      return [
        {
          id,
          name: undercoat.name,
          closes,
          steps: steps.map(({ coats, spectrum }) => ({
            coats,
            spectrum,
            dE: ciede2000(spectrumToLab(spectrum, view), target),
          })),
        },
      ];
    });
  }, [chosen, wanted, surface, view, film]);
  const best = Math.min(...rows.map(({ closes }) => closes ?? Infinity));
  return (
    <figure className="well" style={{ margin: '12px 0 0' }}>
      <figcaption className="small">
        Over which undercoat: each coat of {film} µm as it looks if you stop there, with its dE from the
        target
      </figcaption>
      <Table className="board mt4">
        <Table.Thead>
          <Table.Tr>
            <Table.Th scope="col" className="small">
              undercoat
            </Table.Th>
            {rows[0]?.steps.map(({ coats }) => (
              <Table.Th key={coats} scope="col" className="small">
                {coats === 1 ? '1 coat' : coats}
              </Table.Th>
            ))}
            <Table.Th scope="col" className="small">
              closed after, coats
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map(({ id, name, closes, steps }) => (
            <Table.Tr key={id}>
              <Table.Th scope="row" className="small">
                {name}
              </Table.Th>
              {steps.map(({ coats, spectrum, dE }) => (
                <Table.Td key={coats}>
                  <span className="coat" style={{ background: spectrumToDisplay(spectrum, view).hex }} />
                  <span className="mono small">{bare(dE, 'dE')}</span>
                </Table.Td>
              ))}
              <Table.Td className="mono small">
                {closes === undefined ? `over ${MOST}` : closes}
                {closes === best && ' ✓'}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </figure>
  );
}
