import { ColorInput, TextInput } from '@mantine/core';
import {
  artworkFields,
  ARTWORKS,
  type Artwork,
  type ArtworkKind,
  type Marking,
} from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { FaceField } from './FaceField.tsx';
import { OpenArtwork } from './OpenArtwork.tsx';

const ARTWORK_WORDS: Readonly<Record<ArtworkKind, string>> = {
  none: 'none: it comes from elsewhere',
  lettering: 'lettering, straight or arched',
  scroll: 'scroll, lettered along its arch',
  roundel: 'number in a field',
  plate: 'plate, one or two lines',
  stripes: 'stripes',
  checks: 'checks',
  warning: 'diagonal bars',
  weave: 'weave of carbon cloth',
  label: 'small label',
  drawing: 'a drawing of your own',
  picture: 'a picture of your own',
};
/** Where the lettering is a number of stripes, rows or bars. */
const COUNTED: readonly ArtworkKind[] = ['stripes', 'checks', 'warning', 'weave'];
const ARCHED: readonly ArtworkKind[] = ['lettering', 'scroll'];
const LETTERED: readonly ArtworkKind[] = [...ARCHED, 'roundel', 'plate', 'label'];

interface ArtworkFieldsProps {
  marking: Marking;
  buildId: string;
  onSave: (change: Partial<Marking>) => void;
}

/** What is drawn in a marking, where it is the builder's own. */
export function ArtworkFields({ marking, buildId, onSave }: ArtworkFieldsProps) {
  const { artwork } = marking;
  const { kind, shade = '', shadeMm = artworkFields.shadeMm.initial } = artwork;
  const put = (more: Partial<Artwork>) => onSave({ artwork: { ...artwork, ...more } });
  const colour = (key: 'ink' | 'ground' | 'shade', label: string, none: string) => (
    <ColorInput
      size="xs"
      format="hex"
      label={label}
      placeholder={none}
      key={`${key} ${artwork[key] ?? ''}`}
      defaultValue={artwork[key] ?? ''}
      rightSection={
        artwork[key] ? (
          <RemoveButton name={`No ${label.toLowerCase()}`} onRemove={() => put({ [key]: '' })} />
        ) : null
      }
      onChangeEnd={(value) => value !== artwork[key] && put({ [key]: value })}
    />
  );
  return (
    <div className="fieldgrid mt8">
      <ChoiceSelect
        label="Own artwork"
        values={ARTWORKS}
        words={ARTWORK_WORDS}
        value={kind}
        onSave={(chosen) => put({ kind: chosen })}
      />
      {(COUNTED.includes(kind) || LETTERED.includes(kind)) && (
        <TextInput
          size="xs"
          label={COUNTED.includes(kind) ? 'How many' : 'It says'}
          placeholder={kind === 'plate' ? 'upper line / lower line' : undefined}
          key={`text ${artwork.text}`}
          defaultValue={artwork.text}
          {...textLimits(artworkFields.text)}
          onBlur={({ currentTarget: { value } }) =>
            value.trim() !== artwork.text && put({ text: value.trim() })
          }
        />
      )}
      {(kind === 'drawing' || kind === 'picture') && (
        <OpenArtwork kind={kind} marking={marking} buildId={buildId} onSave={onSave} />
      )}
      {LETTERED.includes(kind) && <FaceField face={artwork.face ?? ''} onSave={(face) => put({ face })} />}
      {kind !== 'none' && kind !== 'picture' && (
        <>
          {colour('ink', 'Ink', 'black')}
          {colour('ground', 'Ground', 'bare film')}
        </>
      )}
      {LETTERED.includes(kind) && colour('shade', 'Shade of the letters', 'none')}
      {LETTERED.includes(kind) && shade !== '' && (
        <FigureInput
          label="Depth of the shade, mm"
          field={artworkFields.shadeMm}
          step={0.1}
          value={shadeMm}
          onSave={(depth) => put({ shadeMm: depth })}
        />
      )}
      {ARCHED.includes(kind) && (
        <FigureInput
          label="Arch, mm"
          field={artworkFields.archMm}
          step={0.1}
          value={artwork.archMm}
          onSave={(archMm) => put({ archMm })}
        />
      )}
    </div>
  );
}
