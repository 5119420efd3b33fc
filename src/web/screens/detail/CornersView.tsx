import { Checkbox, SimpleGrid } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import {
  CORNER_SIDES,
  cornerRecord,
  LETTERS,
  newRecord,
  RIM_WAYS,
  standsAt,
  steeringOf,
  TREADS,
  unevenAxles,
  type Corner,
  type Kit,
} from '../../../core/kit/index.ts';
import { worked } from '../../../core/worked.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import type { DetailViewProps } from './detailView.ts';
import { DetailList, type DetailTools } from './DetailList.tsx';
import { WordsInput } from './WordsInput.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { PartSelect } from './PartSelect.tsx';

const { fields } = cornerRecord;

const RIM_WORDS = {
  plated: 'as plated',
  stripped: 'stripped and painted',
  painted: 'painted',
  ringed: 'its edge ringed bright',
} as const;
const TREAD_WORDS = {
  'as-moulded': 'as moulded',
  sanded: 'dulled, seam off',
  flattened: 'sanded flat',
} as const;
const LETTER_WORDS = {
  'as-moulded': 'as moulded',
  painted: 'painted',
  inward: 'turned inward',
  'sanded-off': 'sanded off',
} as const;

/** Each wheel at its corner: what is done to rim and tyre, what spins, how it stands and steers. */
export const CornersView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Corner>
    buildId={build.id}
    kind="corner"
    title="Wheels by corner"
    all={kit.corners}
    fresh={newRecord(cornerRecord)}
    word="Wheel"
    addWords="Add a wheel"
    teaches="No two wheels are quite alike: one tyre is out of round, one spins, one steers against its arch. Say what each is at its corner; treads, letters and rims become steps, and what matters is said where the wheel is put on."
    nothing="Nothing said of a wheel."
    decide={(corner, tools) => <CornerCard corner={corner} kit={kit} {...tools} />}
    follows={(corner) => <CornerFollows corner={corner} corners={kit.corners} />}
  />
);

interface CornerCardProps extends DetailTools<Corner> {
  corner: Corner;
  kit: Kit;
}

function CornerCard({ corner, kit, onChange, onRemove }: CornerCardProps) {
  const part = (label: string, key: 'rimPartId' | 'tyrePartId' | 'backPartId' | 'capPartId') => (
    <PartSelect
      label={label}
      kit={kit}
      placeholder="none"
      value={corner[key]}
      onChange={(id) => onChange({ [key]: id })}
    />
  );
  const check = (label: string, key: 'spins' | 'steers') => (
    <Checkbox
      size="xs"
      label={label}
      checked={corner[key]}
      onChange={({ currentTarget: { checked } }) => onChange({ [key]: checked })}
    />
  );
  return (
    <section className="panel stacked g8" aria-label={corner.name}>
      <div className="toolrow apart">
        <WordsInput
          label="Name"
          field={fields.name}
          value={corner.name}
          onSave={(name) => onChange({ name })}
        />
        <RemoveButton name={`Take out ${corner.name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs">
        <FigureInput
          label="Axle, from the front"
          field={fields.axle}
          value={corner.axle}
          onSave={(axle) => onChange({ axle })}
        />
        <ChoiceSelect
          label="Side"
          values={CORNER_SIDES}
          value={corner.side}
          onSave={(side) => onChange({ side })}
        />
        {part('Rim', 'rimPartId')}
        {part('Tyre', 'tyrePartId')}
        {part('Back plate', 'backPartId')}
        {part('Cap', 'capPartId')}
        <ChoiceSelect
          label="The rim"
          values={RIM_WAYS}
          words={RIM_WORDS}
          value={corner.rim}
          onSave={(rim) => onChange({ rim })}
        />
        <ChoiceSelect
          label="Its tread"
          values={TREADS}
          words={TREAD_WORDS}
          value={corner.tread}
          onSave={(tread) => onChange({ tread })}
        />
        <ChoiceSelect
          label="Its letters"
          values={LETTERS}
          words={LETTER_WORDS}
          value={corner.letters}
          onSave={(letters) => onChange({ letters })}
        />
        <OpenFigure
          label="Axle to ground, mm"
          placeholder="not measured"
          field={fields.radiusMm}
          value={corner.radiusMm}
          onSave={(radiusMm) => onChange({ radiusMm })}
        />
        <FigureInput
          label="Flattened by, mm"
          field={fields.flatMm}
          value={corner.flatMm}
          onSave={(flatMm) => onChange({ flatMm })}
        />
        <OpenFigure
          label="Out of round at, o’clock"
          placeholder="round"
          field={fields.flawHour}
          value={corner.flawHour}
          onSave={(flawHour) => onChange({ flawHour })}
        />
      </SimpleGrid>
      <div className="in-row g14 breaks">
        {check('It spins', 'spins')}
        {check('It steers', 'steers')}
      </div>
      {corner.steers && <Steering corner={corner} onChange={onChange} />}
      <WordsInput
        label="Note"
        field={fields.note}
        value={corner.note}
        onSave={(note) => onChange({ note })}
      />
    </section>
  );
}

const Steering = ({ corner, onChange }: Pick<CornerCardProps, 'corner' | 'onChange'>) => (
  <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs">
    <FigureInput
      label="Tyre wide, mm"
      field={fields.widthMm}
      value={corner.widthMm}
      onSave={(widthMm) => onChange({ widthMm })}
    />
    <FigureInput
      label="Pivot inward, mm"
      field={fields.pivotMm}
      value={corner.pivotMm}
      onSave={(pivotMm) => onChange({ pivotMm })}
    />
    <OpenFigure
      label="Outside to wing, mm"
      placeholder="nothing there"
      field={fields.outerGapMm}
      value={corner.outerGapMm}
      onSave={(outerGapMm) => onChange({ outerGapMm })}
    />
    <OpenFigure
      label="Inside to frame, mm"
      placeholder="nothing near"
      field={fields.innerGapMm}
      value={corner.innerGapMm}
      onSave={(innerGapMm) => onChange({ innerGapMm })}
    />
  </SimpleGrid>
);

function CornerFollows({ corner, corners }: { corner: Corner; corners: readonly Corner[] }) {
  const stands = standsAt(corner);
  const { answer: room, fault } = worked(() => steeringOf(corner));
  const uneven = unevenAxles(corners).find(({ lower }) => lower.id === corner.id);
  return (
    <div className={`panel${uneven ? ' warned' : ''}`}>
      <h3>{corner.name}</h3>
      <p>
        {stands === undefined ? (
          <span className="soft">Measure from axle to ground, and how it stands follows.</span>
        ) : (
          <>
            Its axle stands <span className="mono">{figure(stands, 'mm')}</span> above the ground.
          </>
        )}
      </p>
      {uneven && (
        <p>
          That is <span className="mono">{figure(uneven.byMm, 'mm')}</span> lower than{' '}
          {uneven.higher.name.toLowerCase()}: take it off the foot of that one, before anything is shimmed.
        </p>
      )}
      {fault !== undefined && <p role="alert">{fault}</p>}
      {room && (
        <p>
          It steers <b className="mono">{room.degrees.toFixed(0)}°</b>{' '}
          {room.touches === null
            ? 'and more before anything touches.'
            : `before its tyre touches ${room.touches === 'outside' ? 'the wing' : 'the frame'}.`}
        </p>
      )}
      {corner.steers && corner.radiusMm === null && (
        <p className="soft small">How far it steers is known once its radius is.</p>
      )}
    </div>
  );
}
