import { SimpleGrid } from '@mantine/core';
import { SECTIONS, type Section } from '../../../core/detail/index.ts';
import { memberFields, type Member } from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { WordsInput } from './WordsInput.tsx';

const SECTION_WORDS = {
  channel: 'channel or angle',
  bar: 'full bar',
  tube: 'tube',
  rod: 'rod',
  sheet: 'board or sheet',
} as const;

/** What is measured across each section. */
const ACROSS: Readonly<Record<Section, string>> = {
  channel: 'Height, mm',
  bar: 'Height, mm',
  tube: 'Diameter, mm',
  rod: 'Diameter, mm',
  sheet: 'Thickness, mm',
};

interface StretchMemberProps {
  member: Member;
  name: string;
  ownLength: number | null;
  onChange: (part: Partial<Member>) => void;
  onRemove: () => void;
}

/** One part along the frame. */
export function StretchMember({ member, name, ownLength, onChange, onRemove }: StretchMemberProps) {
  return (
    <section className="mt8" aria-label={name}>
      <div className="toolrow apart">
        <b>{name}</b>
        <RemoveButton name={`Take out ${name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs" verticalSpacing={4}>
        <FigureInput
          label="Begins at, mm"
          field={memberFields.fromMm}
          value={member.fromMm}
          onSave={(fromMm) => onChange({ fromMm })}
        />
        <OpenFigure
          label="Length, mm"
          placeholder={ownLength === null ? 'measure it' : `${ownLength}, as in the parts list`}
          field={memberFields.lengthMm}
          value={member.lengthMm}
          onSave={(lengthMm) => onChange({ lengthMm })}
        />
        <ChoiceSelect
          label="Section"
          values={SECTIONS}
          words={SECTION_WORDS}
          value={member.section}
          onSave={(section) => onChange({ section })}
        />
        <FigureInput
          label={ACROSS[member.section]}
          field={memberFields.outsideMm}
          value={member.outsideMm}
          onSave={(outsideMm) => onChange({ outsideMm })}
        />
        {member.section === 'tube' && (
          <OpenFigure
            label="Inside, mm"
            placeholder="not measured"
            field={memberFields.insideMm}
            value={member.insideMm}
            onSave={(insideMm) => onChange({ insideMm })}
          />
        )}
        <FigureInput
          label="Takes, 0 to 1 of it"
          field={memberFields.share}
          value={member.share}
          step={0.1}
          onSave={(share) => onChange({ share })}
        />
        <OpenFigure
          label="Own cut at, mm"
          placeholder="with the rest"
          field={memberFields.cutAtMm}
          value={member.cutAtMm}
          onSave={(cutAtMm) => onChange({ cutAtMm })}
        />
        <FigureInput
          label="Drops to the rear, mm"
          field={memberFields.dropMm}
          value={member.dropMm}
          onSave={(dropMm) => onChange({ dropMm })}
        />
        <WordsInput
          label="In a row with"
          placeholder="exhaust"
          field={memberFields.line}
          value={member.line}
          onSave={(line) => onChange({ line })}
        />
      </SimpleGrid>
    </section>
  );
}
