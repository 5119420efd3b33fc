import { dayText } from '../../components/time.ts';
import { Table } from '@mantine/core';
import { bare, figure } from '../../../core/figures.ts';
import { useParams } from 'react-router';
import { ciede2000, DAYLIGHT, spectrumToDisplay, spectrumToLab } from '../../../core/colour/index.ts';
import { FAMILIES } from '../../../core/finish/index.ts';
import { resolveMix, targetLayer } from '../../../core/kit/index.ts';
import { dropsInCup } from '../../../core/match/index.ts';
import { opaqueSpectrum, seenSurface } from '../../../core/paint/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { PrintedSheet } from '../../components/PrintedSheet.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { benchNow } from '../../data/clock.ts';
import { useCups } from '../../data/cups.ts';
import { finishOf, useBuildContext } from '../../data/buildContext.ts';
import { targetUncertainty } from './candidates.ts';

const DROPS_PER_ML = 20;

/** One page for the bench: what goes into the cup, on what, how often, and how near it came. */
export function RecipeCard() {
  const { build, paints, codes, products, conditions, ready, error } = useBuildContext();
  const { trayId } = useParams();
  const cups = useCups();
  if (!ready || !cups.data) return <Loading what="the recipe" error={error ?? cups.error} />;
  const tray = build?.trays.find(({ id }) => id === trayId);
  if (!build || !tray)
    return <Loading what="the recipe" error={new Error('There is no sub-assembly at this address.')} />;
  const about = targetLayer(tray.layers);
  const cup = cups.data.findLast((one) => one.trayId === tray.id && !one.thrown);
  const mix = cup ? dropsInCup(cup) : about?.mix;
  const product = mix && resolveMix(mix, products);
  if (!about || !mix || !product) {
    return (
      <EmptyStage title="No recipe yet" buildId={build.id}>
        Choose a paint or a recipe in Match, or mix a cup; its card is printed here.
      </EmptyStage>
    );
  }
  const code = codes.find(({ id }) => id === tray.codeId);
  const target = code && spectrumToLab(code.spectrum, DAYLIGHT);
  const spectrum = opaqueSpectrum(product.optics, seenSurface(code?.gloss));
  const family = FAMILIES[product.family];
  const { evaluation } = finishOf(
    { ...tray, layers: tray.layers.map((layer) => (layer.id === about.id ? { ...layer, mix } : layer)) },
    build.scale,
    products,
    codes,
    conditions,
  );
  const layer = evaluation?.layers.find(({ id }) => id === about.id);
  const parts = Object.entries(mix).map(([id, drops]) => ({
    id,
    drops,
    name: paints.find((paint) => paint.id === id)?.name ?? 'no longer in the catalogue',
  }));
  const all = parts.reduce((sum, { drops }) => sum + drops, 0);
  const paintMl = 2 * (layer?.volume.paintMl ?? 0);
  const times = Math.max(1, Math.ceil((paintMl * DROPS_PER_ML) / all));
  const under = tray.layers
    .slice(
      0,
      tray.layers.findIndex(({ id }) => id === about.id),
    )
    .filter(({ kind }) => kind === 'primer' || kind === 'undercoat' || kind === 'metal' || kind === 'colour');
  const spoon = cup?.readings.findLast(({ aside }) => !aside);
  return (
    <PrintedSheet
      label="Recipe card"
      back={{ to: `/build/${build.id}/colour/${tray.id}`, words: 'back to Match' }}
      printWords="Print this card"
    >
      <header style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 16 }}>
        <div>
          <p>
            {build.name}, 1:{build.scale}
          </p>
          <h2>{tray.name}</h2>
          <p>
            {code ? (
              <>
                <span className="mono">{code.code}</span> {code.name}, {code.maker} {code.years}; known to{' '}
                <span className="mono">±{figure(targetUncertainty(code), 'dE')}</span>
              </>
            ) : (
              'no code'
            )}
          </p>
        </div>
        <span className="coatground">
          <Spoon
            hex={spectrumToDisplay(spectrum).hex}
            flakeUm={product.flakeUm ?? null}
            width={60}
            label="As mixed, in daylight"
          />
        </span>
      </header>
      <Table className="plainlist mt12">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Paint</Table.Th>
            <Table.Th className="num">One cup, drops</Table.Th>
            <Table.Th className="num">For the job, drops</Table.Th>
            <Table.Th className="num">ml</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {parts.map(({ id, name, drops }) => (
            <Table.Tr key={id}>
              <Table.Td>
                <span className="mono">{id}</span> {name}
              </Table.Td>
              <Table.Td className="num mono">{drops}</Table.Td>
              <Table.Td className="num mono">{drops * times}</Table.Td>
              <Table.Td className="num mono">{bare((drops * times) / DROPS_PER_ML, 'ml')}</Table.Td>
            </Table.Tr>
          ))}
          <Table.Tr>
            <Table.Td>Together</Table.Td>
            <Table.Td className="num mono">{all}</Table.Td>
            <Table.Td className="num mono">{all * times}</Table.Td>
            <Table.Td className="num mono">{bare((all * times) / DROPS_PER_ML, 'ml')}</Table.Td>
          </Table.Tr>
        </Table.Tbody>
      </Table>
      <dl className="rows" style={{ marginTop: 12, gridTemplateColumns: 'auto 1fr' }}>
        <dt>Thinner</dt>
        <dd>
          {family.name}: <span className="mono">{Math.round(100 * family.thinner)} %</span> of the paint,{' '}
          <span className="mono">{figure((family.thinner * all * times) / DROPS_PER_ML, 'ml')}</span>; what
          the label says goes first
        </dd>
        <dt>Under it</dt>
        <dd>
          {under.length === 0
            ? 'nothing: straight on the plastic'
            : under
                .map(
                  ({ kind, mix: below, coats }) =>
                    `${(below && resolveMix(below, products)?.name) ?? kind}, ${coats} ${coats === 1 ? 'coat' : 'coats'}`,
                )
                .join('; ')}
        </dd>
        <dt>Coats</dt>
        <dd>
          <span className="mono">{about.coats}</span>,{' '}
          <span className="mono">{figure(layer?.film.usual ?? NaN, 'µm')}</span> dry; closes over what is
          under it in <span className="mono">{layer?.coatsToClose ?? 'more than 40'}</span>
        </dd>
        <dt>For</dt>
        <dd>
          <span className="mono">{figure(tray.areaCm2, 'cm²')}</span>, twice over for repairs:{' '}
          <span className="mono">{figure(paintMl, 'ml')}</span>
        </dd>
        {target && (
          <>
            <dt>Expected</dt>
            <dd>
              <span className="mono">
                {figure(ciede2000(target, spectrumToLab(spectrum, DAYLIGHT)), 'dE')}
              </span>{' '}
              from the code in daylight
            </dd>
          </>
        )}
        {spoon && target && (
          <>
            <dt>Spoon read</dt>
            <dd>
              <span className="mono">
                {figure(ciede2000(target, spectrumToLab(spoon.spectrum, DAYLIGHT)), 'dE')}
              </span>{' '}
              on {dayText(spoon.at)}, over {spoon.over},{' '}
              <span className="mono">{figure(spoon.filmUm, 'µm')}</span>
            </dd>
          </>
        )}
        <dt>Batch</dt>
        <dd>
          {cup
            ? `${cup.name}, mixed ${dayText(cup.mixedAt)}${cup.additions.length > 0 ? `, put right ${cup.additions.length} times` : ''}`
            : 'not mixed yet'}
        </dd>
        <dt>Card of</dt>
        <dd>{dayText(benchNow() / 60000)}</dd>
      </dl>
      <p className="small mt12">
        Spray with air drawn off and a mask for solvent; the product&apos;s safety sheet and local rules go
        before this card.
      </p>
    </PrintedSheet>
  );
}
