import { Button } from '@mantine/core';
import { drawGrid } from '../../../../core/cabin/index.ts';
import { LEVEL_GAUGES, levelRecord, newRecord, type Kit, type Level } from '../../../../core/kit/index.ts';
import { levelWords } from '../../../../core/plan/index.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { listLimit } from '../../../components/limits.ts';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { DrawingPicture } from '../DrawingPicture.tsx';
import { SaveDrawings } from '../SaveDrawings.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { LevelMeasures } from './LevelMeasures.tsx';

const { fields } = levelRecord;
const GAUGES = {
  calipers: 'calipers',
  coins: 'a pile of coins',
  blocks: 'gauge blocks',
  grid: 'a printed grid of the view',
} as const;

/** Bumpers, wings, mirrors: what must stand alike on the left and on the right. */
export const StraightView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Level>
    buildId={build.id}
    kind="level"
    title="Set straight"
    all={kit.levels}
    fresh={{ ...newRecord(levelRecord), measures: [{ name: 'height', leftMm: null, rightMm: null }] }}
    word="Bumper"
    addWords="Add a thing to set straight"
    teaches="Bumpers, wings, steps and mirrors are set while the glue is soft. Say where they are measured; the card of the step asks for both sides, and Fanfare works the shim out."
    nothing="Nothing to set straight yet."
    decide={(level, tools) => (
      <RecordCard
        record={level}
        fields={fields}
        kit={kit}
        partLabel="What is set straight"
        figures={[
          ['apartMm', 'Measured, mm apart'],
          ['seatsMm', 'Its seats, mm apart'],
          ['mayDifferMm', 'May differ, mm'],
        ]}
        {...tools}
        after={<Measured level={level} {...tools} />}
      />
    )}
    follows={(level) => <LevelFollows level={level} kit={kit} />}
  />
);

const Measured = ({ level, onChange }: { level: Level } & Pick<DetailTools<Level>, 'onChange'>) => (
  <>
    <ChoiceSelect
      label="Measured with"
      mt={6}
      values={LEVEL_GAUGES}
      words={GAUGES}
      value={level.gauge}
      onSave={(gauge) => onChange({ gauge })}
    />
    <LevelMeasures level={level} onChange={onChange} isNamed />
    <Button
      size="xs"
      variant="default"
      mt={6}
      disabled={level.measures.length >= listLimit(fields.measures)}
      onClick={() =>
        onChange({
          measures: [
            ...level.measures,
            { name: `measure ${level.measures.length + 1}`, leftMm: null, rightMm: null },
          ],
        })
      }
    >
      Add a measure
    </Button>
    <WordsInput label="Note" field={fields.note} value={level.note} onSave={(note) => onChange({ note })} />
  </>
);

/** Room of a grid beyond the places that are measured, and its height, mm. */
const GRID = { beyondMm: 20, highMm: 50 };

function LevelFollows({ level, kit }: { level: Level; kit: Kit }) {
  const { severity, text, why, remedy } = levelWords(level, kit);
  return (
    <div className={`panel${severity === 'warn' ? ' warned' : ''}`}>
      <h3>{level.name}</h3>
      <p>
        <b>{text}.</b> {why}
      </p>
      {remedy !== '' && <p className="soft small">{remedy}</p>}
      {level.gauge === 'grid' && <Grid level={level} kit={kit} />}
    </div>
  );
}

/** A grid to stand behind the model: what is level meets the same line on both sides. */
function Grid({ level, kit }: { level: Level; kit: Kit }) {
  const grid = drawGrid(level.apartMm + GRID.beyondMm, GRID.highMm);
  return (
    <>
      <DrawingPicture drawing={grid} label={`Grid for ${level.name}`} />
      <p className="soft small">
        Print it at exact size, fold its foot to the bench, stand it behind; its thick line is the middle.
      </p>
      <SaveDrawings kit={kit} title={`Grid for ${level.name}`} drawings={[grid]} />
    </>
  );
}
