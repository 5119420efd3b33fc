import { ColorInput, Select, TextInput } from '@mantine/core';
import { artworkFields, ARTWORKS, type Artwork, type ArtworkKind } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { worded } from './worded.ts';

const ARTWORK_WORDS: Readonly<Record<ArtworkKind, string>> = {
  none: 'none: it comes from elsewhere',
  lettering: 'lettering, straight or arched',
  roundel: 'number in a field',
  plate: 'plate, one or two lines',
  stripes: 'stripes',
  checks: 'checks',
  warning: 'diagonal bars',
  label: 'small label',
};
/** Where the lettering is a number of stripes, rows or bars. */
const COUNTED: readonly ArtworkKind[] = ['stripes', 'checks', 'warning'];

interface ArtworkFieldsProps {
  artwork: Artwork;
  onSave: (artwork: Artwork) => void;
}

/** What is drawn in a marking, where it is the builder's own. */
export function ArtworkFields({ artwork, onSave }: ArtworkFieldsProps) {
  const put = (more: Partial<Artwork>) => onSave({ ...artwork, ...more });
  const colour = (key: 'ink' | 'ground', label: string, none: string) => (
    <ColorInput
      size="xs"
      format="hex"
      label={label}
      placeholder={none}
      key={`${key} ${artwork[key]}`}
      defaultValue={artwork[key]}
      rightSection={
        artwork[key] === '' ? null : (
          <RemoveButton name={`No ${label.toLowerCase()}`} onRemove={() => put({ [key]: '' })} />
        )
      }
      onChangeEnd={(value) => value !== artwork[key] && put({ [key]: value })}
    />
  );
  return (
    <div className="fieldgrid" style={{ marginTop: 8 }}>
      <Select
        size="xs"
        label="Own artwork"
        allowDeselect={false}
        data={worded(ARTWORKS, ARTWORK_WORDS)}
        value={artwork.kind}
        onChange={(kind) => kind && put({ kind })}
      />
      {artwork.kind !== 'none' && (
        <>
          <TextInput
            size="xs"
            label={COUNTED.includes(artwork.kind) ? 'How many' : 'It says'}
            placeholder={artwork.kind === 'plate' ? 'upper line / lower line' : undefined}
            key={`text ${artwork.text}`}
            defaultValue={artwork.text}
            {...textLimits(artworkFields.text)}
            onBlur={({ currentTarget: { value } }) =>
              value.trim() !== artwork.text && put({ text: value.trim() })
            }
          />
          {colour('ink', 'Ink', 'black')}
          {colour('ground', 'Ground', 'bare film')}
          {artwork.kind === 'lettering' && (
            <FigureInput
              label="Arch, mm"
              field={artworkFields.archMm}
              step={0.1}
              value={artwork.archMm}
              onSave={(archMm) => put({ archMm })}
            />
          )}
        </>
      )}
    </div>
  );
}
