import { Button } from '@mantine/core';
import { bare, figure } from '../../../core/figures.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { CodeRecord, PaintRecord, TrayRecord } from '../../../api/index.ts';
import { spectrumToDisplay, type ViewingCondition } from '../../../core/colour/index.ts';
import { FAMILIES, type Conditions } from '../../../core/finish/index.ts';
import { targetLayer, type ProductIndex } from '../../../core/kit/index.ts';
import { opaqueSpectrum } from '../../../core/paint/index.ts';
import { Drops } from '../../components/Drops.tsx';
import { FindingList } from '../../components/FindingList.tsx';
import { Why } from '../../components/Why.tsx';
import { finishOf } from '../../data/buildContext.ts';
import { useBench } from '../../data/bench.ts';
import type { Candidate } from './candidates.ts';
import { DriesTo } from './DriesTo.tsx';
import { amountText, type MatchChoices } from './matchChoices.ts';
import { OnTheModel } from './OnTheModel.tsx';
import type { AnswerBand } from '../../workers/recipeWorker.ts';

interface CupPanelProps {
  tray: TrayRecord;
  scale: number;
  code: CodeRecord;
  chosen: Candidate;
  band: AnswerBand | undefined;
  view: ViewingCondition;
  unit: MatchChoices['unit'];
  paints: readonly PaintRecord[];
  codes: readonly CodeRecord[];
  products: ProductIndex;
  conditions: Conditions;
  onUse: () => void;
}

const DROPS_PER_ML = 20;

/** What an answer means: drops, amounts, coats, money, other lights, warnings; and the button that takes it. */
export function CupPanel({
  tray,
  scale,
  code,
  chosen,
  band,
  view,
  unit,
  paints,
  codes,
  products,
  conditions,
  onUse,
}: CupPanelProps) {
  const { data } = useBench();
  const about = targetLayer(tray.layers)!;
  const tried = useMemo<TrayRecord>(
    () => ({
      ...tray,
      layers: tray.layers.map((layer) => (layer.id === about.id ? { ...layer, mix: chosen.mix } : layer)),
    }),
    [tray, about.id, chosen.mix],
  );
  const { evaluation, error } = useMemo(
    () => finishOf(tried, scale, products, codes, conditions),
    [tried, scale, products, codes, conditions],
  );
  const layer = evaluation?.layers.find(({ id }) => id === about.id);
  const at = tried.layers.findIndex(({ id }) => id === about.id);
  const used = Object.entries(chosen.mix).flatMap(([id, drops]) => {
    const paint = paints.find((other) => other.id === id);
    return paint ? [{ paint, drops }] : [];
  });
  const toBuy = used.filter(({ paint }) => paint.levelMl === null);
  const paintMl = layer?.volume.paintMl ?? 0;
  const perMl = unit === 'drops' ? DROPS_PER_ML : 10;
  const batches = Math.max(1, Math.ceil((2 * paintMl * perMl) / chosen.drops));
  const inUse = JSON.stringify(about.mix ?? {}) === JSON.stringify(chosen.mix);
  const inDrops = data?.settings.preferences.volume === 'drops';
  const findings =
    evaluation?.findings.filter(({ layerId, severity }) => layerId === about.id && severity !== 'caution') ??
    [];
  return (
    <>
      <div className="panel">
        <h3>In the cup</h3>
        {used.map(({ paint, drops }) => (
          <div
            key={paint.id}
            style={{
              display: 'flex',
              justifyContent: 'space-between',
              gap: 8,
              alignItems: 'center',
              padding: '2px 0',
            }}
          >
            <span className="shrinks">
              <span className="mono small">{paint.id}</span> {paint.name}
              {paint.levelMl === null && <span className="soft small"> (to buy)</span>}
            </span>
            {unit === 'drops' ? (
              <Drops count={drops} hex={spectrumToDisplay(opaqueSpectrum(paint)).hex} />
            ) : (
              <b className="mono">{amountText(drops, unit)}</b>
            )}
          </div>
        ))}
        <DriesTo product={chosen.product} wanted={code.gloss} />
        <p className="soft small mt6">
          {used[0] &&
            `${used[0].paint.range}, ${FAMILIES[used[0].paint.family].name}, ${chosen.product.sheen}`}
        </p>
        {paintMl > 0 && (
          <p className="mt6">
            For {tray.name.toLowerCase()} twice over:{' '}
            <span className="mono">
              {inDrops ? `${Math.ceil(2 * paintMl * DROPS_PER_ML)} drops` : figure(2 * paintMl, 'ml')}
            </span>{' '}
            <Why about="amount of paint">
              {tray.areaCm2} cm² × {figure(layer?.film.usual ?? NaN, 'µm')} dry film ÷{' '}
              {Math.round(100 * FAMILIES[chosen.product.family].solids)} % solids ÷ what reaches the part, +
              0.5 ml left in the cup; twice, so that a repair matches. {DROPS_PER_ML} drops to the ml.
            </Why>
          </p>
        )}
        {paintMl > 0 && used.length > 1 && (
          <p>
            in {unit === 'drops' ? 'drops' : 'ml'}{' '}
            <span className="mono nowrap">
              {used
                .map(({ drops }) => (unit === 'drops' ? drops * batches : bare((drops * batches) / 10, 'ml')))
                .join(' : ')}
            </span>
          </p>
        )}
        {toBuy.length > 0 && (
          <p className="mt6">
            To buy: {toBuy.length} {toBuy.length === 1 ? 'bottle' : 'bottles'},{' '}
            <span className="mono">
              {figure(
                toBuy.reduce((sum, { paint }) => sum + paint.priceCents, 0),
                'euro',
              )}
            </span>
          </p>
        )}
      </div>
      <OnTheModel
        tray={tray}
        scale={scale}
        code={code}
        chosen={chosen}
        band={band}
        view={view}
        paints={paints}
        layer={layer}
        overPlastic={at <= 0}
        error={error}
      />
      {findings.length > 0 && (
        <div className="panel warned stacked g10">
          <FindingList findings={findings} />
        </div>
      )}
      <Button variant="action" disabled={inUse} onClick={onUse}>
        {inUse ? (
          `In use for ${tray.name.toLowerCase()}`
        ) : (
          <>
            Use this for {tray.name.toLowerCase()} <kbd>Enter</kbd>
          </>
        )}
      </Button>
      {about.mix && (
        <Link to={`/build/${tray.buildId}/colour/${tray.id}/card`} className="quiet centred">
          Recipe card to print
        </Link>
      )}
    </>
  );
}
