import { DRESSED, dressingRecord, newRecord, TUBE_LOOKS, type Dressing } from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { DetailList, type DetailTools } from './DetailList.tsx';
import type { DetailViewProps } from './detailView.ts';
import { DressedFollows } from './DressedFollows.tsx';
import { LOOK_WORDS } from './dressedLooks.ts';
import { OpenFigure } from './OpenFigure.tsx';
import { RecordCard } from './RecordCard.tsx';
import { WordsInput } from './WordsInput.tsx';

const { fields } = dressingRecord;

/** What is measured of each, in the order in which it is asked. */
const FIGURES: Readonly<Record<Dressing['what'], readonly (readonly [keyof Dressing, string])[]>> = {
  fork: [
    ['count', 'How many alike'],
    ['tubeMm', 'Tube, diameter, mm'],
    ['tubeLengthMm', 'Tube that is seen, mm'],
    ['coils', 'Coils of its spring, 0 for none'],
  ],
  radiator: [
    ['count', 'How many alike'],
    ['coreHeightMm', 'Core across its fins, mm'],
    ['realFinMm', 'Real fins, from one to the next, mm'],
  ],
  disc: [
    ['count', 'How many alike'],
    ['outerMm', 'Ring, outside, mm'],
    ['innerMm', 'Ring, inside, mm'],
    ['holes', 'Holes, 0 for none'],
    ['rows', 'On how many circles'],
    ['realHoleMm', 'Real hole, mm'],
  ],
  strap: [
    ['count', 'How many alike'],
    ['bandMm', 'Band, width, mm'],
    ['bandLengthMm', 'Band, length, mm'],
  ],
  step: [['count', 'How many alike']],
};

const SPRING_FIGURES: (typeof FIGURES)['fork'] = [
  ['springMm', 'Spring, outside, mm'],
  ['springWireMm', 'Spring, wire, mm'],
  ['springLengthMm', 'Spring, length, mm'],
];

/** The figures of one, those of a spring only where it has one. */
const figuresOf = ({ what, coils }: Dressing) => [
  ...FIGURES[what],
  ...(what === 'fork' && coils > 0 ? SPRING_FIGURES : []),
];

/** One moulding that looks like several things: clean tubes and springs, fins, drilled discs. */
export const DressedView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Dressing>
    buildId={build.id}
    kind="dressing"
    title="Forks, radiators, discs"
    all={kit.dressings}
    fresh={newRecord(dressingRecord)}
    word="Fork"
    addWords="Add one"
    teaches="A fork is a painted leg on a bright tube, a radiator three colours in one moulding, a disc a bright ring full of holes. Measure it, and Fanfare gives passes of tint, the winding of a spring, fins to flood, and a template for the holes."
    nothing="Nothing told yet."
    decide={(dressing, tools) => (
      <RecordCard
        record={dressing}
        fields={fields}
        kit={kit}
        partLabel="Part"
        figures={figuresOf(dressing)}
        {...tools}
      >
        <Choices dressing={dressing} {...tools} />
      </RecordCard>
    )}
    follows={(dressing) => <DressedFollows dressing={dressing} kit={kit} scale={build.scale} />}
  />
);

function Choices({ dressing, onChange }: { dressing: Dressing } & Pick<DetailTools<Dressing>, 'onChange'>) {
  return (
    <>
      <ChoiceSelect
        label="It is a"
        mt={6}
        values={DRESSED}
        words={{
          fork: 'fork or damper',
          radiator: 'radiator or cooler',
          disc: 'brake disc',
          strap: 'tank strap',
          step: 'step with pockets',
        }}
        value={dressing.what}
        onSave={(what) => onChange({ what })}
      />
      {dressing.what === 'fork' && (
        <ChoiceSelect
          label="Its tube looks like"
          values={TUBE_LOOKS}
          words={LOOK_WORDS}
          value={dressing.tubeLook}
          onSave={(tubeLook) => onChange({ tubeLook })}
        />
      )}
      {dressing.what === 'radiator' && (
        <OpenFigure
          label="Moulded fins, from one to the next, mm"
          placeholder="not measured"
          field={fields.finMm}
          value={dressing.finMm}
          onSave={(finMm) => onChange({ finMm })}
        />
      )}
      <WordsInput
        label="Note"
        field={fields.note}
        value={dressing.note}
        onSave={(note) => onChange({ note })}
      />
    </>
  );
}
