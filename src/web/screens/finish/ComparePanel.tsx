import { bare, figure } from '../../../core/figures.ts';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import {
  formatMinutes,
  GENERIC_PRODUCTS,
  type ComparedStack,
  type Conditions,
  type Stack,
} from '../../../core/finish/index.ts';
import type { PlannedLayer } from '../../../core/kit/index.ts';
import type { Comparison, FinishWorker } from '../../workers/finishWorker.ts';

interface ComparePanelProps {
  tray: TrayRecord;
  stack: Stack;
  code: CodeRecord | undefined;
  conditions: Conditions;
  onTake: (layers: PlannedLayer[], name: string) => void;
  onClose: () => void;
}

const SHOWN = 12;
const nameOf = (id: string | null) =>
  GENERIC_PRODUCTS.find((product) => product.id === id)?.name.toLowerCase();
const groundOf = ({ primerId, undercoatId }: ComparedStack) =>
  [nameOf(primerId), nameOf(undercoatId)].filter(Boolean).join(', ') || 'nothing, straight on the plastic';

/** Primers and undercoats against each other for this colour: colour error, coats, film, time, paint. */
export function ComparePanel({ tray, stack, code, conditions, onTake, onClose }: ComparePanelProps) {
  const [all, setAll] = useState(false);
  const [found, setFound] = useState<{ comparison: Comparison; of: Stack }>();
  useEffect(() => {
    let current = true;
    const worker = new Worker(new URL('../../workers/finishWorker.ts', import.meta.url), { type: 'module' });
    void wrap<FinishWorker>(worker)
      .compare(stack, code?.spectrum, conditions)
      .then((comparison) => current && setFound({ comparison, of: stack }));
    return () => {
      current = false;
      worker.terminate();
    };
  }, [stack, code, conditions]);
  const comparison = found?.of === stack ? found.comparison : undefined;
  const take = ({ primerId, undercoatId, coats }: ComparedStack) => {
    const about = tray.layers.findLast(({ kind }) => kind === 'colour');
    const kept = tray.layers.filter(({ kind }) => kind !== 'primer' && kind !== 'undercoat');
    const ground = (kind: 'primer' | 'undercoat', productId: string | null): PlannedLayer[] =>
      productId === null ? [] : [{ id: kind, kind, mix: { [productId]: 1 }, coats: 2, tool: 'airbrush' }];
    onTake(
      [
        ...ground('primer', primerId),
        ...ground('undercoat', undercoatId),
        ...kept.map((layer) => (layer === about ? { ...layer, coats } : layer)),
      ],
      'another ground',
    );
  };
  return (
    <div className="panel" role="region" aria-label="Grounds compared" style={{ display: 'grid', gap: 8 }}>
      <div style={{ display: 'flex', justifyContent: 'space-between' }}>
        <h3>What to lay under it</h3>
        <button type="button" className="plain" aria-label="Close the comparison" onClick={onClose}>
          ✕
        </button>
      </div>
      <p role="status" className="small">
        {comparison
          ? comparison.count === 0
            ? 'The stack has no colour to lay anything under.'
            : `${comparison.count} ways worked out; for each ground the fewest coats that come as near as it can. In bold: no other is as near with fewer coats and less time.`
          : 'Working out every primer, undercoat and number of coats…'}
      </p>
      {comparison && comparison.best.length > 0 && (
        <table className="plainlist">
          <thead>
            <tr>
              <th>Under the colour</th>
              <th className="num">Its coats</th>
              <th className="num">All coats</th>
              <th className="num">dE</th>
              <th className="num">µm</th>
              <th className="num">Time</th>
              <th className="num">Paint</th>
              <th aria-label="Take" />
            </tr>
          </thead>
          <tbody>
            {comparison.best.slice(0, all ? undefined : SHOWN).map((one) => (
              <tr key={`${one.primerId} ${one.undercoatId} ${one.coats}`}>
                <td style={{ whiteSpace: 'normal' }}>
                  {one.unbeaten ? <b>{groundOf(one)}</b> : groundOf(one)}
                  {one.worst && (
                    <span className="soft small" style={{ display: 'block' }}>
                      {one.warnings > 1 ? `${one.warnings} warnings, first: ` : ''}
                      {one.worst.toLowerCase()}
                    </span>
                  )}
                </td>
                <td className="num mono">{one.coats}</td>
                <td className="num mono">{one.allCoats}</td>
                <td className="num mono">{one.dE00 === undefined ? '–' : bare(one.dE00, 'dE')}</td>
                <td className="num mono">{Math.round(one.filmUm)}</td>
                <td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                  {formatMinutes(one.elapsed)}
                </td>
                <td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                  {figure(one.paintMl, 'ml', 0)}
                </td>
                <td>
                  <button type="button" className="quiet" onClick={() => take(one)}>
                    Take
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {comparison && comparison.best.length > SHOWN && (
        <button type="button" className="why" onClick={() => setAll(!all)}>
          {all ? `only the first ${SHOWN}` : `all ${comparison.best.length} grounds`}
        </button>
      )}
    </div>
  );
}
