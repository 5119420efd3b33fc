import { Checkbox } from '@mantine/core';
import { PAPERS, printingRecord, type Paper, type Printing } from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';

const PAPER_WORDS: Readonly<Record<Paper, string>> = {
  a4: 'A4, 210 by 297 mm',
  letter: 'Letter, 216 by 279 mm',
  a5: 'half of A4, 148 by 210 mm',
  own: 'a size of its own',
};
const { fields } = printingRecord;
const FIGURES = [
  ['marginMm', 'Margin, mm'],
  ['gapMm', 'Room between them, mm'],
  ['spares', 'Spares of each'],
  ['barMm', 'The printed bar measures, mm'],
] as const;

const CUTTER = [
  ['bleedMm', 'Masks reach past the outline, mm'],
  ['bladeOffsetMm', 'Offset of the blade, mm'],
  ['overcutMm', 'Overcut, mm'],
  ['kerfMm', 'Width of the cut, mm'],
] as const;

interface SheetSettingsProps {
  printing: Printing;
  onSave: (change: Partial<Printing>) => void;
}

/** The sheet that is printed on, and how true the printer is. */
export function SheetSettings({ printing, onSave }: SheetSettingsProps) {
  return (
    <div className="panel">
      <h3>The sheet</h3>
      <ChoiceSelect
        label="Paper or film"
        values={PAPERS}
        words={PAPER_WORDS}
        value={printing.paper}
        onSave={(paper) => onSave({ paper })}
      />
      {printing.paper === 'own' && (
        <div className="fieldgrid">
          <FigureInput
            label="Width, mm"
            field={fields.widthMm}
            value={printing.widthMm}
            onSave={(widthMm) => onSave({ widthMm })}
          />
          <FigureInput
            label="Height, mm"
            field={fields.heightMm}
            value={printing.heightMm}
            onSave={(heightMm) => onSave({ heightMm })}
          />
        </div>
      )}
      {FIGURES.map(([key, label]) => (
        <FigureInput
          key={key}
          label={label}
          field={fields[key]}
          value={printing[key]}
          allowDecimal={key !== 'spares'}
          onSave={(value) => onSave({ [key]: value })}
        />
      ))}
      <p className="small soft">
        Print one page at 100 %, measure its bar, and write what it measures: what the printer adds or takes
        away is made up for.
      </p>
      <Checkbox
        size="xs"
        mt={8}
        label="The printer lays white: a white plate for each sheet"
        checked={printing.whitePlate}
        onChange={({ currentTarget: { checked } }) => onSave({ whitePlate: checked })}
      />
      <h4>For masks that are cut</h4>
      {CUTTER.map(([key, label]) => (
        <FigureInput
          key={key}
          label={label}
          step={0.05}
          field={fields[key]}
          value={printing[key]}
          onSave={(value) => onSave({ [key]: value })}
        />
      ))}
      <p className="small soft">
        A knife that trails goes on past a corner by its offset, then swings round; a laser takes a width
        away.
      </p>
    </div>
  );
}
