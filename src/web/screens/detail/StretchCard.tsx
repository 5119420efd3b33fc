import { Button, Group, Select, SimpleGrid } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import {
  bracketFields,
  initialOf,
  memberFields,
  stretchRecord,
  type Kit,
  type Member,
  type Stretch,
} from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { listLimit } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { partOptions } from '../kit/partNames.ts';
import { AddFor } from './AddFor.tsx';
import type { DetailTools } from './DetailList.tsx';
import { WordsInput } from './WordsInput.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { StretchMember } from './StretchMember.tsx';

const { fields } = stretchRecord;

interface StretchCardProps extends DetailTools<Stretch> {
  stretch: Stretch;
  kit: Kit;
  scale: number;
}

/** What is stretched, where and for what, and everything that runs along it. */
export function StretchCard({ stretch, kit, scale, onChange, onRemove }: StretchCardProps) {
  const options = kit.choices.flatMap(({ name, options: all }) =>
    all.map((option) => ({ value: option.id, label: `${name}: ${option.name}` })),
  );
  const nameOf = new Map(partOptions(kit).map(({ value, label }) => [value, label]));
  const listed = new Set(stretch.members.map(({ partId }) => partId));
  const open = { ...kit, parts: kit.parts.filter(({ id }) => !listed.has(id)) };
  const putMember = (at: number, part: Partial<Member>) =>
    onChange({ members: stretch.members.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  return (
    <section className="panel" aria-label={stretch.name}>
      <div className="toolrow apart">
        <WordsInput
          label="Name"
          field={fields.name}
          value={stretch.name}
          onSave={(name) => onChange({ name })}
        />
        <RemoveButton name={`Take out ${stretch.name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <FigureInput
          label="Longer by, mm"
          description={`${figure(stretch.stretchMm * scale, 'mm', 0)} on the real one`}
          field={fields.stretchMm}
          value={stretch.stretchMm}
          onSave={(stretchMm) => onChange({ stretchMm })}
        />
        <FigureInput
          label="Cut at, mm from the front"
          description="all places count from there"
          field={fields.atMm}
          value={stretch.atMm}
          onSave={(atMm) => onChange({ atMm })}
        />
        <Select
          size="xs"
          label="Asked for by"
          description="of the version"
          placeholder="every version"
          clearable
          data={options}
          value={stretch.optionId}
          onChange={(optionId) => onChange({ optionId })}
        />
        <OpenFigure
          label="Front axle at, mm"
          placeholder="not measured"
          field={fields.frontAxleMm}
          value={stretch.frontAxleMm}
          onSave={(frontAxleMm) => onChange({ frontAxleMm })}
        />
        <OpenFigure
          label="Rear axle at, mm"
          placeholder="not measured"
          field={fields.rearAxleMm}
          value={stretch.rearAxleMm}
          onSave={(rearAxleMm) => onChange({ rearAxleMm })}
        />
        <OpenFigure
          label="Real wheelbase, mm"
          placeholder="not known"
          field={fields.realWheelbaseMm}
          value={stretch.realWheelbaseMm}
          onSave={(realWheelbaseMm) => onChange({ realWheelbaseMm })}
        />
      </SimpleGrid>
      <Brackets stretch={stretch} onChange={onChange} />
      <h3 className="mt10">What runs along it</h3>
      {stretch.members.map((member, at) => (
        <StretchMember
          key={member.partId}
          member={member}
          name={nameOf.get(member.partId) ?? 'a part that is gone'}
          ownLength={kit.parts.find(({ id }) => id === member.partId)?.lengthMm ?? null}
          onChange={(part) => putMember(at, part)}
          onRemove={() => onChange({ members: stretch.members.filter((_, place) => place !== at) })}
        />
      ))}
      <AddFor
        kit={open}
        label="Add a part that runs along it"
        onAdd={(partId) =>
          onChange({ members: [...stretch.members, { ...initialOf(memberFields), partId }] })
        }
      />
    </section>
  );
}

/** Where nothing is cut. */
function Brackets({ stretch, onChange }: Pick<StretchCardProps, 'stretch' | 'onChange'>) {
  const put = (at: number, part: Partial<Stretch['brackets'][number]>) =>
    onChange({
      brackets: stretch.brackets.map((each, place) => (place === at ? { ...each, ...part } : each)),
    });
  return (
    <>
      <h3 className="mt10">Brackets and cross-members, where nothing is cut</h3>
      {stretch.brackets.map((bracket, at) => (
        <Group key={at} gap="xs" align="end">
          <WordsInput
            aria-label={`Name of bracket ${at + 1}`}
            field={bracketFields.name}
            value={bracket.name}
            onSave={(name) => put(at, { name })}
          />
          <FigureInput
            w={110}
            label="at, mm"
            field={bracketFields.atMm}
            value={bracket.atMm}
            onSave={(atMm) => put(at, { atMm })}
          />
          <FigureInput
            w={90}
            label="wide, mm"
            field={bracketFields.widthMm}
            value={bracket.widthMm}
            onSave={(widthMm) => put(at, { widthMm })}
          />
          <RemoveButton
            name={`Take out ${bracket.name}`}
            onRemove={() => onChange({ brackets: stretch.brackets.filter((_, place) => place !== at) })}
          />
        </Group>
      ))}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={stretch.brackets.length >= listLimit(fields.brackets)}
        onClick={() =>
          onChange({
            brackets: [
              ...stretch.brackets,
              { name: `bracket ${stretch.brackets.length + 1}`, atMm: stretch.atMm, widthMm: 3 },
            ],
          })
        }
      >
        Add a bracket
      </Button>
    </>
  );
}
