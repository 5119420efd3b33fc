import { SimpleGrid, Textarea } from '@mantine/core';
import { drawFacing } from '../../../core/detail/index.ts';
import {
  FACE_WORDS,
  FACES,
  FACING_MARKS,
  FACING_TRIMS,
  facingRecord,
  facingWords,
  MARK_WORDS,
  newRecord,
  offsetWords,
  TRIM_WORDS,
  type Facing,
} from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { newId } from '../../data/newId.ts';
import { partOptions } from '../kit/partNames.ts';
import { AddFor } from './AddFor.tsx';
import type { DetailViewProps } from './detailView.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import { WordsInput } from './WordsInput.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { usePutRecord } from './useDetailRecords.ts';

const { fields } = facingRecord;

/** Which way round parts sit that can be glued in two ways, said at the step that glues them. */
export function FacingsView({ build, kit }: DetailViewProps) {
  const { problem, put } = usePutRecord(build.id, 'facing');
  const nameOf = new Map(partOptions(kit).map(({ value, label }) => [value, label]));
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Which way round</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.facings.length === 0 && (
          <p className="panel soft">
            Heads, pumps, springs and sumps often go in either way and are right in one. Note what faces the
            front, and how it is told; the note comes at the dry fit and at the step that glues it.
          </p>
        )}
        {kit.facings.map((facing) => (
          <FacingCard
            key={facing.id}
            facing={facing}
            name={nameOf.get(facing.partId) ?? 'a part that is gone'}
            onChange={(part) => put(facing.id, { ...facing, ...part }, `which way round`)}
            onRemove={() => put(facing.id, null, 'take out which way round')}
          />
        ))}
        <AddFor
          kit={kit}
          label="Note it for a part"
          onAdd={(partId) =>
            put(
              newId(build.id),
              { ...newRecord(facingRecord), partId, what: 'this side' },
              'note which way round',
            )
          }
        />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {kit.facings.length === 0 && <p className="panel soft small">Nothing noted yet.</p>}
        {kit.facings.map((facing) => (
          <div key={facing.id} className="panel">
            <h3>{nameOf.get(facing.partId) ?? 'a part that is gone'}</h3>
            <p>{sentence(facingWords(facing))}</p>
            {offsetWords(facing) !== '' && <p>{sentence(offsetWords(facing))}</p>}
            <DrawingPicture drawing={drawFacing(facing)} label={facingWords(facing)} />
          </div>
        ))}
      </section>
    </>
  );
}

const sentence = (words: string): string => `${words.replace(/^./, (first) => first.toUpperCase())}.`;

interface FacingCardProps {
  facing: Facing;
  name: string;
  onChange: (part: Partial<Facing>) => void;
  onRemove: () => void;
}

const FacingCard = ({ facing, name, onChange, onRemove }: FacingCardProps) => (
  <section className="panel" aria-label={name}>
    <div className="toolrow apart">
      <h3>{name}</h3>
      <RemoveButton name={`Take out the note on ${name}`} onRemove={onRemove} />
    </div>
    <SimpleGrid cols={{ base: 1, sm: 2 }} spacing="xs">
      <WordsInput
        label="What is looked for"
        field={fields.what}
        value={facing.what}
        onSave={(what) => onChange({ what })}
      />
      <ChoiceSelect
        label="faces"
        values={FACES}
        words={FACE_WORDS}
        value={facing.faces}
        onSave={(faces) => onChange({ faces })}
      />
      <ChoiceSelect
        label="Told by"
        values={FACING_MARKS}
        words={MARK_WORDS}
        value={facing.mark}
        onSave={(mark) => onChange({ mark })}
      />
      <OpenFigure
        label="Holes on that side"
        field={fields.holes}
        placeholder="not told by holes"
        value={facing.holes}
        onSave={(holes) => onChange({ holes })}
      />
      <OpenFigure
        label="Sits ahead of its pins, mm"
        placeholder="as its pins have it"
        field={fields.aheadMm}
        value={facing.aheadMm}
        onSave={(aheadMm) => onChange({ aheadMm })}
      />
      <OpenFigure
        label="Turned to the left, degrees"
        placeholder="as its pins have it"
        field={fields.turnedDeg}
        value={facing.turnedDeg}
        onSave={(turnedDeg) => onChange({ turnedDeg })}
      />
      <ChoiceSelect
        label="Cut for it"
        values={FACING_TRIMS}
        words={TRIM_WORDS}
        value={facing.trim}
        onSave={(trim) => onChange({ trim })}
      />
    </SimpleGrid>
    <Textarea
      size="xs"
      mt={6}
      label="Note"
      autosize
      key={facing.note}
      defaultValue={facing.note}
      {...textLimits(fields.note)}
      onBlur={({ currentTarget: { value } }) =>
        value.trim() !== facing.note && onChange({ note: value.trim() })
      }
    />
  </section>
);
