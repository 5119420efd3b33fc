import { harnessRecord, type Harness } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';

/** Figures of a harness that are always there. */
type FigureKey =
  | 'cylinders'
  | 'reachMm'
  | 'pitchMm'
  | 'bankDeg'
  | 'offsetMm'
  | 'capRadiusMm'
  | 'x'
  | 'y'
  | 'z'
  | 'firstDeg'
  | 'plugs'
  | 'slack';

interface HarnessFigureProps {
  harness: Harness;
  figure: FigureKey;
  label: string;
  onChange: (part: Partial<Harness>) => void;
}

/** A figure of a harness, saved once it is typed. */
export const HarnessFigure = ({ harness, figure, label, onChange }: HarnessFigureProps) => (
  <FigureInput
    label={label}
    field={harnessRecord.fields[figure]}
    value={harness[figure]}
    onSave={(value) => onChange({ [figure]: value })}
  />
);
