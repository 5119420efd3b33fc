import { Button, Group, SimpleGrid } from '@mantine/core';
import { SHELL_STUFFS, type EntryPlan, type WayIn } from '../../../../core/cabin/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  entryStationFields,
  insertionRecord,
  newRecord,
  wayIn,
  type Insertion,
} from '../../../../core/kit/index.ts';
import { worked } from '../../../../core/worked.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../../components/form/FigureInput.tsx';
import { listLimit } from '../../../components/limits.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { useBench } from '../../../data/bench.ts';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { OpenFigures } from '../OpenFigures.tsx';
import { PartSelect } from '../PartSelect.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { WordsInput } from '../WordsInput.tsx';

const { fields } = insertionRecord;
const SIDES = [
  ['gaugeMm', 'Sides, mm thick'],
  ['sideMm', 'Roof fold to sill, mm'],
] as const;

/** Units and the shells that go over them: which end goes first, how far the shell spreads, where the two rub. */
export const WayInView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Insertion>
    buildId={build.id}
    kind="insertion"
    title="Way in"
    all={kit.insertions}
    fresh={newRecord(insertionRecord)}
    word="Way in"
    addWords="Add a way in"
    teaches="Measure the unit and the opening at some places along their length. Fanfare says which end goes first, how far the sides must give way and what that asks of the plastic, before paint makes it tighter and dearer."
    nothing="No way in yet."
    decide={(insertion, tools) => (
      <RecordCard
        record={insertion}
        fields={fields}
        kit={kit}
        partLabel="What goes in"
        figures={[
          ['frontRoomMm', 'Room inside ahead, mm'],
          ['rearRoomMm', 'Room inside behind, mm'],
        ]}
        {...tools}
        after={<Measures insertion={insertion} {...tools} />}
      >
        <PartSelect
          label="Into"
          kit={kit}
          value={insertion.shellPartId}
          onChange={(shellPartId) => tools.onChange({ shellPartId })}
        />
      </RecordCard>
    )}
    follows={(insertion) => <WayInFollows insertion={insertion} />}
  />
);

type Change = { insertion: Insertion } & Pick<DetailTools<Insertion>, 'onChange'>;

const Measures = ({ insertion, onChange }: Change) => (
  <>
    <OpenFigures
      record={insertion}
      fields={fields}
      figures={SIDES}
      placeholder="not measured"
      onChange={onChange}
    />
    <ChoiceSelect
      label="The shell is of"
      values={SHELL_STUFFS}
      value={insertion.stuff}
      onSave={(stuff) => onChange({ stuff })}
    />
    <Stations insertion={insertion} onChange={onChange} />
    <WordsInput
      label="Note"
      field={fields.note}
      value={insertion.note}
      onSave={(note) => onChange({ note })}
    />
  </>
);

function Stations({ insertion: { stations }, onChange }: Change) {
  const put = (at: number, part: Partial<Insertion['stations'][number]>) =>
    onChange({ stations: stations.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  const last = stations.at(-1);
  return (
    <>
      <p className="soft small mt6">
        Places from the front of the shell, with the width of the unit and of the opening there.
      </p>
      {stations.map((station, at) => (
        <Group key={at} gap="xs" align="end">
          <SimpleGrid cols={3} spacing="xs" style={{ flex: 1 }}>
            <FigureInput
              label={`Place ${at + 1}, mm`}
              field={entryStationFields.atMm}
              value={station.atMm}
              onSave={(atMm) => put(at, { atMm })}
            />
            <OpenFigure
              label="Unit, mm"
              placeholder="none there"
              field={entryStationFields.unitMm}
              value={station.unitMm}
              onSave={(unitMm) => put(at, { unitMm })}
            />
            <OpenFigure
              label="Opening, mm"
              placeholder="none there"
              field={entryStationFields.openMm}
              value={station.openMm}
              onSave={(openMm) => put(at, { openMm })}
            />
          </SimpleGrid>
          <RemoveButton
            name={`Take out place ${at + 1}`}
            onRemove={() => onChange({ stations: stations.filter((_, place) => place !== at) })}
          />
        </Group>
      ))}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={stations.length >= listLimit(fields.stations)}
        onClick={() =>
          onChange({ stations: [...stations, { atMm: (last?.atMm ?? 0) + 20, unitMm: null, openMm: null }] })
        }
      >
        Measure it at a place
      </Button>
    </>
  );
}

const FIRST = { straight: 'Straight down', front: 'Front first', rear: 'Rear first' } as const;
const VERDICTS: Readonly<Record<WayIn['verdict'], string>> = {
  'drops in': 'it drops in',
  spreads: 'the shell gives that much',
  strains: 'near what it takes: slowly, and warm',
  breaks: 'more than it takes',
  'not known': 'not known whether it takes that',
};

function WayInFollows({ insertion }: { insertion: Insertion }) {
  const { data } = useBench();
  const { temperatureC } = data?.settings.conditions ?? { temperatureC: 20 };
  const { answer, fault } = worked(() => wayIn(insertion, { temperatureC }));
  if (fault !== undefined) return <Fault name={insertion.name} fault={fault} />;
  const [best] = answer.ways;
  return (
    <div className={`panel${!best || best.verdict === 'breaks' ? ' warned' : ''}`}>
      <h3>{insertion.name}</h3>
      {!best && <p role="alert">It goes in neither end first.</p>}
      {answer.ways.map((way) => (
        <WayLine key={way.end} way={way} />
      ))}
      {answer.shut.map(({ end, because }) => (
        <p key={end} className="soft small">
          Not {FIRST[end].toLowerCase()}: {because}.
        </p>
      ))}
      <Rubs plan={answer} />
      <p className="soft small">
        At {figure(temperatureC, '°C')}, on bare parts; on the card of the join with the film that is on both.
      </p>
    </div>
  );
}

const WayLine = ({ way: { end, shiftMm, spreadMm, atMm, strain, verdict } }: { way: WayIn }) => (
  <p>
    <b>{FIRST[end]}</b>
    {shiftMm > 0 && (
      <>
        , pushed on <span className="mono">{figure(shiftMm, 'mm', 1)}</span>
      </>
    )}
    :{' '}
    {spreadMm > 0 && (
      <>
        each side gives way <b className="mono">{figure(spreadMm, 'mm')}</b> at{' '}
        <span className="mono">{figure(atMm, 'mm', 0)}</span>
        {strain !== null && (
          <>
            , a strain of <span className="mono">{figure(100 * strain, '%', 1)}</span>
          </>
        )}
        ;{' '}
      </>
    )}
    {VERDICTS[verdict]}.
  </p>
);

const Rubs = ({ plan: { rubsMm } }: { plan: EntryPlan }) =>
  rubsMm.length === 0 ? null : (
    <p>
      Tape where they rub, at{' '}
      <span className="mono">{rubsMm.map((mm) => figure(mm, 'mm', 0)).join(', ')}</span> from the front.
    </p>
  );
