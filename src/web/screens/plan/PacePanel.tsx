import { FAMILIES, LAYER_KINDS, type FamilyId, type LayerKind } from '../../../core/finish/index.ts';
import type { CurePace, Pace } from '../../../core/plan/index.ts';

const nameOf = (kind: Pace['kind']) =>
  kind in LAYER_KINDS ? LAYER_KINDS[kind as LayerKind].name.toLowerCase() : kind.replace('-', ' ');

interface PacePanelProps {
  paces: readonly Pace[];
  cures: readonly CurePace[];
}

/** What the log has taught of the builder's own minutes and cures. */
export function PacePanel({ paces, cures }: PacePanelProps) {
  if (paces.length === 0 && cures.length === 0) return null;
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
      {cures.length > 0 && (
        <>
          <table className="plainlist" style={{ marginTop: 6 }}>
            <thead>
              <tr>
                <th>Cure</th>
                <th className="num">Counts as</th>
                <th className="num">Middle half</th>
                <th className="num">Coats</th>
              </tr>
            </thead>
            <tbody>
              {cures.map(({ chemistry, factor, from, to, coats }) => (
                <tr key={chemistry}>
                  <td>{FAMILIES[chemistry as FamilyId].name}</td>
                  <td className="num mono">×{factor.toFixed(2)}</td>
                  <td className="num mono">
                    {from.toFixed(1)}–{to.toFixed(1)}
                  </td>
                  <td className="num mono">{coats}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="small soft" style={{ marginTop: 4 }}>
            Minutes until you felt a coat dry over the product’s. Full cures are never cut short.
          </p>
        </>
      )}
    </details>
  );
}
