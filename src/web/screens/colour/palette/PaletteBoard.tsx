import { Table, UnstyledButton } from '@mantine/core';
import { bare, figure } from '../../../../core/figures.ts';
import type { PaintRecord } from '../../../../api/index.ts';
import { spectrumToDisplay, type IlluminantId } from '../../../../core/colour/index.ts';
import { resolveMix, type ProductIndex } from '../../../../core/kit/index.ts';
import type { PaletteAim } from '../../../../core/match/index.ts';
import { opaqueSpectrum, seenSurface } from '../../../../core/paint/index.ts';
import { hasFlake } from '../../../data/mixable.ts';
import { LightSwitch } from '../../../components/LightSwitch.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { GLOSS } from '../boothStyle.ts';
import { differenceIn } from '../candidates.ts';
import { rangeText } from '../doubts.ts';
import type { LiveryColour } from './paletteTargets.ts';
import type { usePalette } from './usePalette.ts';

const AIMS: [PaletteAim, string][] = [
  ['fewest-bottles', 'Fewest bottles'],
  ['cheapest', 'Least to buy'],
  ['nearest', 'Nearest colours'],
];

interface PaletteBoardProps {
  colours: readonly LiveryColour[];
  palette: ReturnType<typeof usePalette>;
  /** There is nothing to plan with. */
  empty: boolean;
  aim: PaletteAim;
  onAim: (aim: PaletteAim) => void;
  light: IlluminantId;
  onLight: (light: IlluminantId) => void;
  paints: readonly PaintRecord[];
  products: ProductIndex;
}

/** The mixing board: colours across, bottles down, drops where they meet; target and mixture side by side. */
export function PaletteBoard({
  colours,
  palette: { state, cancel, again },
  empty,
  aim,
  onAim,
  light,
  onLight,
  paints,
  products,
}: PaletteBoardProps) {
  const seen = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  const answer = state.kind === 'answered' ? state.answer : undefined;
  const planned = answer?.kind === 'planned' ? answer : undefined;
  const bottles = planned?.plan.bottles.flatMap((id) => paints.find((paint) => paint.id === id) ?? []) ?? [];
  const recipeOf = (id: string) => planned?.plan.recipes.findIndex(({ colourId }) => colourId === id) ?? -1;
  return (
    <>
      <div className="in-row apart g12 breaks">
        <h2>One palette for the build</h2>
        <LightSwitch light={light} onChange={onLight} />
      </div>
      <div
        className="lights"
        role="group"
        aria-label="What the palette is for"
        style={{ marginTop: 10, width: 'fit-content' }}
      >
        {AIMS.map(([id, name]) => (
          <UnstyledButton key={id} aria-pressed={aim === id} onClick={() => onAim(id)}>
            {name}
          </UnstyledButton>
        ))}
      </div>
      <p role="status" className="small" style={{ margin: '8px 0', minHeight: 22 }}>
        {empty && 'There is no mixable paint to choose from: put paints on the shelf, or take everything.'}
        {state.kind === 'working' && (
          <>
            {(state.progress ?? 0) < 1 ? (
              <>
                Looking through every mixture:{' '}
                <span className="mono">{Math.round(100 * (state.progress ?? 0))} %</span>
              </>
            ) : (
              'Choosing the bottles'
            )}{' '}
            <UnstyledButton className="why same-ink" onClick={cancel}>
              cancel
            </UnstyledButton>
          </>
        )}
        {state.kind === 'cancelled' && (
          <>
            Cancelled; nothing was changed.{' '}
            <UnstyledButton className="why same-ink" onClick={again}>
              plan again
            </UnstyledButton>
          </>
        )}
        {planned && state.kind === 'answered' && (
          <>
            {bottles.length} {bottles.length === 1 ? 'bottle holds' : 'bottles hold'} {colours.length}{' '}
            {colours.length === 1 ? 'colour' : 'colours'}; {AIM_PROVED[aim]} (proved,{' '}
            {figure(state.seconds, 's')}).
          </>
        )}
        {answer?.kind === 'out-of-reach' &&
          'Some colours are out of reach from here; what is missing stands on the right.'}
        {answer?.kind === 'too-few-bottles' && 'The limits on bottles leave no palette; see on the right.'}
      </p>
      {state.kind === 'failed' && <p role="alert">{state.message}</p>}
      <div className="scrolls-x">
        <Table className="board">
          <Table.Thead>
            <Table.Tr>
              <Table.Th scope="col">
                <span className="small">wanted and mixed; drops in a cup</span>
              </Table.Th>
              {colours.map((colour) => {
                const recipe = planned?.plan.recipes[recipeOf(colour.id)];
                const product = recipe && resolveMix(recipe.drops, products);
                return (
                  <Table.Th key={colour.id} scope="col">
                    <span style={{ display: 'flex', justifyContent: 'center' }}>
                      <Spoon
                        hex={seen(colour.spectrum)}
                        flakeUm={hasFlake(colour.kind) ? 12 : null}
                        width={44}
                        label={`${colour.name}, wanted`}
                      />
                      {product && (
                        <Spoon
                          hex={seen(opaqueSpectrum(product.optics, seenSurface(colour.gloss)))}
                          gloss={GLOSS[product.sheen]}
                          flakeUm={product.flakeUm}
                          width={44}
                          label={`${colour.name}, as mixed`}
                        />
                      )}
                    </span>
                    <span className="mono block">{colour.label}</span>
                    <span className="small" style={{ display: 'block', fontWeight: 400 }}>
                      {colour.name}
                    </span>
                  </Table.Th>
                );
              })}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {bottles.map((paint) => (
              <Table.Tr key={paint.id}>
                <Table.Th scope="row">
                  <span className="mono small">{paint.id}</span> {paint.name}
                  {paint.levelMl === null && <span className="small"> (to buy)</span>}
                </Table.Th>
                {colours.map(({ id }) => {
                  const drops = planned?.plan.recipes[recipeOf(id)]?.drops[paint.id];
                  return (
                    <Table.Td key={id} className="mono">
                      {drops ?? ''}
                    </Table.Td>
                  );
                })}
              </Table.Tr>
            ))}
          </Table.Tbody>
          {planned && (
            <Table.Tfoot>
              <Table.Tr>
                <Table.Th scope="row">
                  dE in this light
                  <span className="small" style={{ display: 'block', fontWeight: 400 }}>
                    nine in ten, daylight
                  </span>
                </Table.Th>
                {colours.map((colour) => {
                  const at = recipeOf(colour.id);
                  const recipe = planned.plan.recipes[at];
                  const product = recipe && resolveMix(recipe.drops, products);
                  return (
                    <Table.Td key={colour.id} className="mono">
                      {product &&
                        bare(
                          differenceIn(
                            { illuminant: light, observer: '2deg' },
                            opaqueSpectrum(product.optics, seenSurface(colour.gloss)),
                            colour.spectrum,
                          ),
                          'dE',
                        )}
                      <span className="small block">{planned.bands[at] && rangeText(planned.bands[at])}</span>
                    </Table.Td>
                  );
                })}
              </Table.Tr>
            </Table.Tfoot>
          )}
        </Table>
      </div>
    </>
  );
}

const AIM_PROVED: Record<PaletteAim, string> = {
  'fewest-bottles': 'fewer cannot',
  cheapest: 'nothing costs less',
  nearest: 'no choice has a smaller worst difference',
};
