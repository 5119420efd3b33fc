import { figure } from '../../../core/figures.ts';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import { ciede2000, DAYLIGHT, spectrumToLab } from '../../../core/colour/index.ts';
import { formatMinutes, sheenName, type StackEvaluation } from '../../../core/finish/index.ts';
import { whenText } from '../../components/time.ts';
import { Why } from '../../components/Why.tsx';
import { usePlan } from '../../data/plan.tsx';

interface FollowsPanelProps {
  tray: TrayRecord;
  evaluation: StackEvaluation;
  code: CodeRecord | undefined;
}

/** Colour, film, time and amounts that follow from the stack. */
export function FollowsPanel({ tray, evaluation, code }: FollowsPanelProps) {
  const { view } = usePlan();
  const { filmFlat, filmEdge, clearFilm, gloss, handsOn, elapsed } = evaluation;
  const dE = code && ciede2000(spectrumToLab(code.spectrum, DAYLIGHT), evaluation.lab);
  const windows = evaluation.layers.filter(({ betweenCoats }) => betweenCoats?.until != null);
  const startOf = (layerId: string) => {
    const operation = view?.operations.find(
      (other) => other.trayId === tray.id && other.layerId === layerId && view.starts[other.id] !== undefined,
    );
    return operation && view ? { start: view.starts[operation.id]!, hands: operation.hands } : undefined;
  };
  return (
    <div className="panel">
      <h3>The finish</h3>
      <dl className="rows">
        {dE !== undefined && code && (
          <>
            <dt>Against {code.code}</dt>
            <dd className="mono">
              {figure(dE, 'dE')}{' '}
              <Why about="predicted colour">
                The films are laid one over another by Kubelka and Munk’s formula on the {tray.layers.length}{' '}
                layers as planned, then compared by CIEDE2000 in daylight.
              </Why>
            </dd>
          </>
        )}
        <dt>Sheen</dt>
        <dd>
          {sheenName(gloss)}, <span className="mono">{Math.round(gloss)} GU</span>
        </dd>
        <dt>Film on flats</dt>
        <dd className="mono">
          {Math.round(filmFlat.usual)} µm{' '}
          <span className="soft">
            ({Math.round(filmFlat.low)}–{Math.round(filmFlat.high)})
          </span>
        </dd>
        <dt>Film on edges</dt>
        <dd className="mono">about {Math.round(filmEdge.usual)} µm</dd>
        {clearFilm > 0 && (
          <>
            <dt>Clear to polish into</dt>
            <dd className="mono">{Math.round(clearFilm)} µm</dd>
          </>
        )}
        <dt>A joint of two such faces loses</dt>
        <dd className="mono">{figure((2 * filmFlat.usual) / 1000, 'mm')}</dd>
        <dt>Work</dt>
        <dd className="mono">{figure(handsOn / 60, 'h')}</dd>
        <dt>At best, with no evening lost</dt>
        <dd className="mono">{formatMinutes(elapsed)}</dd>
      </dl>
      {windows.length > 0 && (
        <div className="mt8">
          <b>Recoat windows</b>
          {windows.map(({ id, betweenCoats }) => {
            const planned = startOf(id);
            const end = planned ? planned.start + planned.hands : undefined;
            return (
              <p key={id} className="small">
                {tray.layers.find((layer) => layer.id === id)?.kind}: next coat{' '}
                {formatMinutes(betweenCoats!.from)} to {formatMinutes(betweenCoats!.until!)} after the last
                {end !== undefined && (
                  <>
                    , so{' '}
                    <span className="mono">
                      {whenText(end + betweenCoats!.from)}–{whenText(end + betweenCoats!.until!)}
                    </span>{' '}
                    as planned
                  </>
                )}
              </p>
            );
          })}
        </div>
      )}
    </div>
  );
}
