import {
  ciede2000,
  spectrumToDisplay,
  spectrumToLab,
  type IlluminantId,
} from '../../../core/colour/index.ts';
import { useMemo } from 'react';
import { figure } from '../../../core/figures.ts';
import { predictPrint, type MarkingFacts } from '../../../core/livery/index.ts';

/** A difference that is seen side by side. */
const SEEN = 2;

/** How a print will look on what it lies on, beside how it looks on white. */
export function PrintLook({ facts, light }: { facts: MarkingFacts; light: IlluminantId }) {
  const predicted = useMemo(() => predictPrint(facts), [facts]);
  if (!predicted)
    return facts.ink ? (
      <p className="small soft">How it will look is not known: nothing is known of the paint beneath.</p>
    ) : null;
  const condition = { illuminant: light, observer: '2deg' } as const;
  const { onBase, onWhite } = predicted;
  const change = ciede2000(spectrumToLab(onBase, condition), spectrumToLab(onWhite, condition));
  const patch = (spectrum: typeof onBase, words: string) => (
    <figure>
      <svg viewBox="0 0 60 34" role="img" aria-label={words}>
        <rect width="60" height="34" fill={spectrumToDisplay(spectrum, condition).hex} />
      </svg>
      <figcaption className="small">{words}</figcaption>
    </figure>
  );
  return (
    <div className="panel">
      <h3>How it will look</h3>
      <div className="printlook">
        {patch(onBase, 'on the paint beneath')}
        {patch(onWhite, 'on white film, or with a white plate')}
      </div>
      <p className="small">
        {change < SEEN
          ? 'The paint beneath does not show.'
          : `The paint beneath changes it by ${figure(change, 'dE')}.`}
      </p>
    </div>
  );
}
