import { Button, UnstyledButton } from '@mantine/core';
import { bare, figure } from '../../../core/figures.ts';
import { useState } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import { spectrumToDisplay, type Lab } from '../../../core/colour/index.ts';
import { judgeSpoon } from '../../../core/match/index.ts';
import { opaqueSpectrum } from '../../../core/paint/index.ts';
import { Drops } from '../../components/Drops.tsx';
import { Why } from '../../components/Why.tsx';
import { doubtName, doubtRemedy, rangeText } from './doubts.ts';
import type { SprayedSpoon } from './SpoonBooth.tsx';
import type { useCupAdvice } from './useCupAdvice.ts';

interface CupAdvicePanelProps {
  advice: ReturnType<typeof useCupAdvice>;
  last: SprayedSpoon | undefined;
  /** The cup has changed since its newest spoon. */
  unread: boolean;
  target: { lab: Lab; uncertainty: number };
  paints: readonly PaintRecord[];
  contents: Readonly<Record<string, number>>;
  onAdd: (add: Record<string, number>) => void;
}

const SHOWN_DOUBTS = 3;
/** A doubt below this narrows nothing, dE00. */
const SMALL_DOUBT = 0.05;

/** Verdict on the newest spoon, the drops to add, what blurs the prediction and what was learned. */
export function CupAdvicePanel({
  advice,
  last,
  unread,
  target,
  paints,
  contents,
  onAdd,
}: CupAdvicePanelProps) {
  const [picked, setPicked] = useState(0);
  const named = (id: string) => paints.find((paint) => paint.id === id);
  if (advice.kind === 'failed')
    return (
      <div className="panel warned" role="alert">
        {advice.message}
      </div>
    );
  if (advice.kind !== 'answered')
    return (
      <div className="panel" role="status">
        Weighing the evidence…
      </div>
    );
  const { now, options, misfit } = advice.answer;
  const best = options[picked] ?? options[0];
  const verdict = last && !unread ? judgeSpoon(last.lab, target, last.reading.spread, best?.band) : undefined;
  const taught = Object.keys(contents).flatMap((id) => {
    const paint = named(id);
    return paint?.refit ? [{ paint, refit: paint.refit }] : [];
  });
  return (
    <>
      <div className="panel">
        <h3>{verdict ? 'The newest spoon' : unread ? 'Changed since its spoon' : 'Not sprayed yet'}</h3>
        {verdict ? (
          <>
            <p>
              <b className="mono" style={{ fontSize: 20 }}>
                {figure(verdict.dE00, 'dE')}
              </b>{' '}
              {verdict.words || 'no difference to see'}
            </p>
            <p className="small mt4">
              {verdict.stop ? <b>Stop here. </b> : ''}
              {verdict.reason}
            </p>
            <p className="small mt4">
              Sprayed until nothing shows through, this cup comes to{' '}
              <span className="mono">{figure(now.dE00, 'dE')}</span> ({rangeText(now)}).
            </p>
          </>
        ) : (
          <p className="small">
            {unread
              ? 'The cup holds more than its newest spoon was sprayed from. Stir, spray another spoon, read it.'
              : 'Spray a spoon, let it dry and read it.'}{' '}
            As believed now it lands at <span className="mono">{figure(now.dE00, 'dE')}</span>, nine times in
            ten between <span className="mono">{rangeText(now)}</span>.
          </p>
        )}
      </div>
      {last && !unread && (
        <div className="panel">
          <h3>Add to the cup</h3>
          {options.length === 0 && (
            <p className="small">
              Nothing of what is in the cup, up to 12 drops, brings it nearer. Mix afresh, or search with more
              paints in Match.
            </p>
          )}
          <div role="radiogroup" aria-label="Drops to add" className="stacked g6">
            {options.map((option, index) => (
              <UnstyledButton
                key={JSON.stringify(option.add)}
                role="radio"
                aria-checked={option === best}
                className="offer"
                onClick={() => setPicked(index)}
              >
                {Object.entries(option.add).map(([id, count]) => (
                  <span key={id} className="in-row apart g8 middle">
                    <span>{named(id)?.name ?? id}</span>
                    <Drops
                      count={count}
                      hex={named(id) ? spectrumToDisplay(opaqueSpectrum(named(id)!)).hex : '#888'}
                    />
                  </span>
                ))}
                <span className="small">
                  then <span className="mono">{figure(option.dE00, 'dE')}</span>, nine in ten{' '}
                  <span className="mono">{rangeText(option.band)}</span>
                </span>
              </UnstyledButton>
            ))}
          </div>
          {best && (
            <>
              <Button variant="action" className="mt10" onClick={() => onAdd(best.add)}>
                I put {best.added === 1 ? 'this drop' : `these ${best.added} drops`} in
              </Button>
              <p className="soft small mt6">
                Nothing can be taken out, so add, stir, spray and read again.{' '}
                <Why about="drops to add">
                  Every whole number of drops up to 12 of what is in the cup was tried, with the optics
                  refitted to all spoons by least squares: reading ±0.4 % reflectance, drops ±10 % each, film
                  ±15 %, paints as surely as their source. What is left unexplained is{' '}
                  {bare(100 * misfit, '%', 2)} % of reflectance.
                </Why>
              </p>
            </>
          )}
        </div>
      )}
      <div className="panel">
        <h3>What blurs it</h3>
        <dl className="rows small">
          {(best?.band ?? now).doubts
            .filter(({ dE00 }) => dE00 >= SMALL_DOUBT)
            .slice(0, SHOWN_DOUBTS)
            .map(({ source, dE00 }, index) => (
              <div key={source} className="contents">
                <dt>
                  {doubtName(source, paints)}
                  {index === 0 && <span className="soft">{doubtRemedy(source)}</span>}
                </dt>
                <dd className="mono">±{figure(dE00, 'dE')}</dd>
              </div>
            ))}
        </dl>
      </div>
      {taught.length > 0 && (
        <div className="panel">
          <h3>Learned</h3>
          <dl className="rows small">
            {taught.map(({ paint, refit }) => (
              <div key={paint.id} className="contents">
                <dt>
                  {paint.name}, {refit.readings} {refit.readings === 1 ? 'reading' : 'readings'}
                </dt>
                <dd className="mono">
                  ±{bare(refit.uncertainty, 'dE')} → ±{figure(paint.uncertainty, 'dE')}
                </dd>
              </div>
            ))}
          </dl>
          <p className="soft small mt6">Every later recipe with these paints uses what was learned.</p>
        </div>
      )}
    </>
  );
}
