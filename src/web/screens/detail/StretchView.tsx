import { Button, Group, Select, SimpleGrid, TextInput } from '@mantine/core';
import { drawStretch, SECTIONS } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import {
  bracketFields,
  memberFields,
  newRecord,
  stretchOf,
  stretchQuestion,
  stretchRecord,
  wheelbaseOf,
  type Kit,
  type Member,
  type Stretch,
} from '../../../core/kit/index.ts';
import { cutWords } from '../../../core/plan/index.ts';
import { worked } from '../../../core/worked.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { partOptions } from '../kit/partNames.ts';
import { AddFor } from './AddFor.tsx';
import type { DetailViewProps } from './detailView.ts';
import { DetailList, type DetailTools } from './DetailList.tsx';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { NameInput } from './NameInput.tsx';
import { OpenFigure } from './OpenFigure.tsx';

const { fields } = stretchRecord;

/** A frame made longer or shorter: what becomes of every part that runs along it. */
export const StretchView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Stretch>
    buildId={build.id}
    kind="stretch"
    title="Stretched frame"
    all={kit.stretches}
    fresh={newRecord(stretchRecord)}
    word="Frame"
    addWords="Add a stretched frame"
    teaches="A longer wheelbase is more than two cuts in the rails: shafts, pipes, deck and boards run along them. Say where it is cut and by how much, and list what runs along; Fanfare says where each part is cut clear of its brackets, what goes between and what holds it."
    nothing="Nothing is stretched."
    decide={(stretch, tools) => <StretchCard stretch={stretch} kit={kit} scale={build.scale} {...tools} />}
    follows={(stretch) => <Stretched stretch={stretch} kit={kit} scale={build.scale} />}
  />
);

interface StretchCardProps extends DetailTools<Stretch> {
  stretch: Stretch;
  kit: Kit;
  scale: number;
}

function StretchCard({ stretch, kit, scale, onChange, onRemove }: StretchCardProps) {
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
        <NameInput
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
        <MemberCard
          key={member.partId}
          member={member}
          name={nameOf.get(member.partId) ?? 'a part that is gone'}
          ownLength={kit.parts.find(({ id }) => id === member.partId)?.lengthMm ?? null}
          onChange={(part) => putMember(at, part)}
          onRemove={() => onChange({ members: stretch.members.filter((_, place) => place !== at) })}
        />
      ))}
      <AddFor
        buildId={stretch.id}
        kit={open}
        label="Add a part that runs along it"
        onAdd={(partId) => onChange({ members: [...stretch.members, newMember(partId)] })}
      />
    </section>
  );
}

const newMember = (partId: string): Member => ({
  partId,
  fromMm: 0,
  lengthMm: null,
  section: 'channel',
  outsideMm: 3,
  insideMm: null,
  share: 1,
  cutAtMm: null,
  dropMm: 0,
  line: '',
});

const SECTION_WORDS = {
  channel: 'channel or angle',
  bar: 'full bar',
  tube: 'tube',
  rod: 'rod',
  sheet: 'board or sheet',
} as const;

interface MemberCardProps {
  member: Member;
  name: string;
  ownLength: number | null;
  onChange: (part: Partial<Member>) => void;
  onRemove: () => void;
}

/** One part along the frame. */
function MemberCard({ member, name, ownLength, onChange, onRemove }: MemberCardProps) {
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
          label={member.section === 'tube' || member.section === 'rod' ? 'Diameter, mm' : 'Height, mm'}
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
        <TextInput
          size="xs"
          label="In a row with"
          placeholder="exhaust"
          key={member.line}
          defaultValue={member.line}
          {...textLimits(memberFields.line)}
          onBlur={({ currentTarget: { value } }) =>
            value.trim() !== member.line && onChange({ line: value.trim() })
          }
        />
      </SimpleGrid>
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
          <NameInput
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

function Stretched({ stretch, kit, scale }: { stretch: Stretch; kit: Kit; scale: number }) {
  const { answer: plan, fault } = worked(() => stretchOf(stretch, kit));
  if (fault !== undefined) return <Fault name={stretch.name} fault={fault} />;
  const becomes = (what: 'moved' | 'stays') =>
    plan.members.filter(({ becomes: each }) => each === what).map(({ name }) => name);
  return (
    <div className="panel">
      <h3>{stretch.name}</h3>
      <Wheelbase stretch={stretch} scale={scale} />
      {plan.gaps.map(({ line, missingMm }) => (
        <p key={line} role="alert">
          {line}: its parts leave {figure(Math.abs(missingMm), 'mm', 1)}{' '}
          {missingMm * stretch.stretchMm > 0 ? 'open' : 'too much'}. Their shares must make up 1, each with a
          cut that lies on it.
        </p>
      ))}
      <DrawingPicture
        drawing={drawStretch(stretchQuestion(stretch, kit), plan)}
        label={`${stretch.name} from the side, before and after`}
      />
      {plan.members
        .filter(({ becomes: each }) => each === 'cut')
        .map((member) => (
          <div key={member.id}>
            <p className="mt8">
              <b>{member.name}</b>
            </p>
            <ul className="plainbullets small">
              {cutWords(member, plan).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </div>
        ))}
      {becomes('moved').length > 0 && (
        <p className="small mt8">Goes back as it is: {becomes('moved').join(', ').toLowerCase()}.</p>
      )}
      {becomes('stays').length > 0 && (
        <p className="small">Stays ahead of the cut: {becomes('stays').join(', ').toLowerCase()}.</p>
      )}
      {plan.members.length === 0 && <p className="soft small">List what runs along it.</p>}
    </div>
  );
}

function Wheelbase({ stretch, scale }: { stretch: Stretch; scale: number }) {
  const base = wheelbaseOf(stretch, scale);
  if (!base) return <p className="soft small">Say where the axles lie, and the wheelbase follows.</p>;
  const { beforeMm, afterMm, wantedMm } = base;
  const off = wantedMm === undefined ? undefined : afterMm - wantedMm;
  return (
    <p>
      Wheelbase <span className="mono">{figure(beforeMm, 'mm', 1)}</span>, then{' '}
      <b className="mono">{figure(afterMm, 'mm', 1)}</b>
      {off === undefined
        ? '.'
        : Math.abs(off) < 0.05
          ? ', as the real one has it.'
          : `; the real one is ${figure(wantedMm!, 'mm', 1)} at scale: stretch it by ${figure(stretch.stretchMm - off, 'mm', 1)} for that.`}
    </p>
  );
}
