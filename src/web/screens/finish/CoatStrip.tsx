import { figure } from '../../../core/figures.ts';
import { useMemo } from 'react';
import { spectrumToDisplay, type ViewingCondition } from '../../../core/colour/index.ts';
import { filmPerCoat, isPainted, type Stack, type StackEvaluation } from '../../../core/finish/index.ts';
import { coatByCoat, HIDING_DIFFERENCE, seenSurface } from '../../../core/paint/index.ts';

interface CoatStripProps {
  stack: Stack;
  evaluation: StackEvaluation;
  view: ViewingCondition;
}

/** The colour coat by coat over what is under it, to two coats beyond the plan: where it is patchy, where it is
 *  closed, and where more changes nothing. */
export function CoatStrip({ stack, evaluation, view }: CoatStripProps) {
  const at = stack.layers.findLastIndex(({ kind }) => kind === 'colour');
  const layer = stack.layers[at];
  const steps = useMemo(() => {
    if (!layer || !isPainted(layer)) return [];
    const { under, gloss } = evaluation.layers[at]!;
    return coatByCoat(
      layer.product.optics,
      under,
      filmPerCoat(layer).usual,
      layer.coats + 2,
      seenSurface(gloss),
    );
  }, [layer, at, evaluation]);
  if (!layer || steps.length === 0) return null;
  return (
    <ol className="coatstrip" aria-label="The colour coat by coat">
      {steps.map(({ coats, spectrum, fromFull }) => (
        <li key={coats} data-planned={coats === layer.coats}>
          <span className="coat" style={{ background: spectrumToDisplay(spectrum, view).hex }} />
          <span className="mono small">
            {coats === 0 ? 'under it' : `${coats}${coats === layer.coats ? ' planned' : ''}`}
          </span>
          <span className="mono small">
            {coats === 0 ? '' : fromFull < HIDING_DIFFERENCE ? 'closed' : figure(fromFull, 'dE')}
          </span>
        </li>
      ))}
    </ol>
  );
}
