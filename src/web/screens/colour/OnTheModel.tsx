import type { CodeRecord, PaintRecord, TrayRecord } from '../../../api/index.ts';
import {
  DAYLIGHT,
  describeDifference,
  ILLUMINANT_NAMES,
  spectrumToLab,
  type ViewingCondition,
} from '../../../core/colour/index.ts';
import { bare, figure } from '../../../core/figures.ts';
import type { LayerEvaluation } from '../../../core/finish/index.ts';
import { targetLayer } from '../../../core/kit/index.ts';
import { Why } from '../../components/Why.tsx';
import type { AnswerBand } from '../../workers/recipeWorker.ts';
import { differenceIn, type Candidate } from './candidates.ts';
import { doubtName, doubtRemedy, rangeText, testPieceName } from './doubts.ts';
import { OTHER_LIGHTS } from './useBands.ts';

interface OnTheModelProps {
  tray: TrayRecord;
  scale: number;
  code: CodeRecord;
  chosen: Candidate;
  band: AnswerBand | undefined;
  view: ViewingCondition;
  paints: readonly PaintRecord[];
  layer: LayerEvaluation | undefined;
  /** Nothing lies between it and the plastic. */
  overPlastic: boolean;
  error: string | undefined;
}

/** How an answer will look on the model: its band, other lights, angles, coats, and what would make it surer. */
export function OnTheModel({
  tray,
  scale,
  code,
  chosen,
  band,
  view,
  paints,
  layer,
  overPlastic,
  error,
}: OnTheModelProps) {
  const words = describeDifference(
    spectrumToLab(chosen.spectrum, DAYLIGHT),
    spectrumToLab(code.spectrum, DAYLIGHT),
  );
  const coats = targetLayer(tray.layers)!.coats;
  const [told] = band?.telling ?? [];
  return (
    <div className="panel">
      <h3>On the model</h3>
      <dl className="rows">
        {band && (
          <>
            <dt>Nine in ten, {ILLUMINANT_NAMES[view.illuminant].name.toLowerCase()}</dt>
            <dd className="mono">{rangeText(band)} dE</dd>
          </>
        )}
        {words && (
          <>
            <dt>It is</dt>
            <dd>{words}</dd>
          </>
        )}
        {OTHER_LIGHTS.map((light, index) => (
          <div key={light} className="contents">
            <dt>{ILLUMINANT_NAMES[light].name}</dt>
            <dd className="mono">
              {figure(
                differenceIn({ illuminant: light, observer: view.observer }, chosen.spectrum, code.spectrum),
                'dE',
              )}
              {band?.inOtherLights[index] && light !== 'D65' && (
                <span className="small"> ({rangeText(band.inOtherLights[index])})</span>
              )}
            </dd>
          </div>
        ))}
        {band && band.inOtherLights.length > 0 && (
          <>
            <dt className="small">
              in brackets{' '}
              <Why about="other lights where only Lab is known">
                Only the Lab of this code is known, in daylight. How it looks in another light rests on the
                smoothest reflectance that has that Lab; nine in ten of the reflectances it could have lie in
                the brackets. A reading with a spectrum settles it.
              </Why>
            </dt>
            <dd className="small">only its Lab is known</dd>
          </>
        )}
        {chosen.angles && (
          <>
            <dt>
              Over five angles{' '}
              <Why about="the colour over angles">
                Mean and worst CIEDE2000 at 15, 25, 45, 75 and 110° from the mirror direction. The code was
                read so; the paint&apos;s flop is estimated from the size of its flake (
                {chosen.product.flakeUm ?? 'none'}
                {chosen.product.flakeUm ? ' µm' : ''}), and half of it depends on how wet it is sprayed.
              </Why>
            </dt>
            <dd className="mono">
              {bare(chosen.angles.mean, 'dE')}, {bare(chosen.angles.worst, 'dE')} at {chosen.angles.at}°
            </dd>
          </>
        )}
        {chosen.product.flakeUm !== undefined && (
          <>
            <dt>Flake, at full size</dt>
            <dd className="mono">{figure((chosen.product.flakeUm * scale) / 1000, 'mm')}</dd>
          </>
        )}
        <dt>Closes over {overPlastic ? 'the plastic' : 'what is under it'} in</dt>
        <dd className="mono">
          {layer?.coatsToClose
            ? `${layer.coatsToClose} ${layer.coatsToClose === 1 ? 'coat' : 'coats'}`
            : 'over 40 coats'}
        </dd>
        <dt>Planned</dt>
        <dd className="mono">
          {coats} coats, {figure(layer?.film.usual ?? NaN, 'µm')}
        </dd>
      </dl>
      {band?.doubts[0] && (
        <p className="soft small mt6">
          Blurred most by {doubtName(band.doubts[0].source, paints).toLowerCase()},{' '}
          <span className="mono">±{figure(band.doubts[0].dE00, 'dE')}</span>
          {doubtRemedy(band.doubts[0].source)}.
        </p>
      )}
      {told && (
        <p className="small mt6">
          The one reading that narrows it most: <b>{testPieceName(told, paints)}</b>; what the paints leave
          open goes from <span className="mono">±{figure(told.now, 'dE')}</span> to{' '}
          <span className="mono">±{figure(told.after, 'dE')}</span>.
        </p>
      )}
      {error && <p role="alert">{error}</p>}
    </div>
  );
}
