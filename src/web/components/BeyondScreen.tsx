import { spectrumToDisplay, type ViewingCondition } from '../../core/colour/index.ts';

interface BeyondScreenProps {
  spectrum: readonly number[];
  view: ViewingCondition;
}

/** Says so where a screen cannot show a colour and a less vivid one of its hue stands in. */
export function BeyondScreen({ spectrum, view }: BeyondScreenProps) {
  if (spectrumToDisplay(spectrum, view).inGamut) return null;
  return <span className="small block">▲ more vivid than a screen can show</span>;
}
