import { LAYER_KINDS, type LayerKind } from '../../../core/finish/index.ts';
import type { Pace } from '../../../core/plan/index.ts';

const nameOf = (kind: Pace['kind']) =>
  kind in LAYER_KINDS ? LAYER_KINDS[kind as LayerKind].name.toLowerCase() : kind.replace('-', ' ');

/** What the log has taught of the builder's own minutes. */
export function PacePanel({ paces }: { paces: readonly Pace[] }) {
  if (paces.length === 0) return null;
  return (
    <details className="panel">
      <summary>
        <b>Your pace</b>, learnt from {paces.reduce((sum, { steps }) => sum + steps, 0)} steps
      </summary>
      <table className="plainlist" style={{ marginTop: 6 }}>
        <thead>
          <tr>
            <th>Step</th>
            <th className="num">Counts as</th>
            <th className="num">Middle half</th>
            <th className="num">Steps</th>
          </tr>
        </thead>
        <tbody>
          {[...paces]
            .sort((p, q) => q.steps - p.steps)
            .map(({ kind, factor, from, to, steps }) => (
              <tr key={kind}>
                <td>{nameOf(kind)}</td>
                <td className="num mono">×{factor.toFixed(2)}</td>
                <td className="num mono">
                  {from.toFixed(1)}–{to.toFixed(1)}
                </td>
                <td className="num mono">{steps}</td>
              </tr>
            ))}
        </tbody>
      </table>
      <p className="small soft" style={{ marginTop: 4 }}>
        Minutes taken over minutes planned, by their median, drawn towards ×1 while there are few.
      </p>
    </details>
  );
}
