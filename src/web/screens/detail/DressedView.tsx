import { drawRing } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { BARE_METALS } from '../../../core/finish/index.ts';
import {
  counted,
  DRESSED,
  dressingRecord,
  finsOfCore,
  newRecord,
  ringOf,
  springOf,
  TUBE_LOOKS,
  tubeTint,
  type Dressing,
  type Kit,
} from '../../../core/kit/index.ts';
import { dressedLines } from '../../../core/plan/index.ts';
import { worked } from '../../../core/worked.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { DetailList, type DetailTools } from './DetailList.tsx';
import type { DetailViewProps } from './detailView.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { OpenText } from './OpenText.tsx';
import { RecordCard } from './RecordCard.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';

const { fields } = dressingRecord;

const LOOK_WORDS = Object.fromEntries(
  TUBE_LOOKS.map((look) => [look, BARE_METALS.find(({ id }) => id === look)?.name ?? 'left bright']),
) as Record<Dressing['tubeLook'], string>;

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
    follows={(dressing) => <Follows dressing={dressing} kit={kit} scale={build.scale} />}
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
      <OpenText
        label="Note"
        field={fields.note}
        value={dressing.note}
        onSave={(note) => onChange({ note })}
      />
    </>
  );
}

interface FollowsProps {
  dressing: Dressing;
  kit: Kit;
  scale: number;
}

const Follows = (props: FollowsProps) => {
  const Shown = {
    fork: ForkFollows,
    radiator: CoreFollows,
    disc: DiscFollows,
    strap: PlainFollows,
    step: PlainFollows,
  }[props.dressing.what];
  return <Shown {...props} />;
};

/** What is done is all there is to say. */
const PlainFollows = ({ dressing, kit, scale }: FollowsProps) => (
  <div className="panel">
    <h3>{dressing.name}</h3>
    {dressedLines(dressing, kit, scale).map((line) => (
      <p key={line}>{line}</p>
    ))}
  </div>
);

function ForkFollows({ dressing }: FollowsProps) {
  const { answer, fault } = worked(() => ({ spring: springOf(dressing) }));
  if (fault !== undefined) return <Fault name={dressing.name} fault={fault} />;
  const tint = tubeTint(dressing);
  const { spring } = answer;
  return (
    <div className="panel">
      <h3>{dressing.name}</h3>
      {tint && tint.passes > 0 ? (
        <p>
          <b className="mono">{counted(tint.passes, 'pass', 'passes')}</b> of {tint.name} over the bright
          tube: <span className="mono">ΔE {tint.dE00.toFixed(1)}</span> from {LOOK_WORDS[dressing.tubeLook]}.
          A test spoon decides.
        </p>
      ) : (
        <p>
          {tint
            ? 'No tint brings it nearer than the bright tube itself: take a metal paint.'
            : 'The tube stays bright: plating kept, tube of metal, or foil.'}
        </p>
      )}
      {spring ? (
        <p>
          Spring: wound on <span className="mono">{figure(spring.windOnMm, 'mm')}</span>,{' '}
          <span className="mono">{figure(spring.pitchMm, 'mm')}</span> from coil to coil,{' '}
          <span className="mono">{figure(spring.wireLengthMm, 'mm', 0)}</span> of wire for one. It stands in
          the cut list.
        </p>
      ) : (
        <p className="soft small">No spring is wound.</p>
      )}
    </div>
  );
}

function CoreFollows({ dressing, kit, scale }: FollowsProps) {
  const { answer, fault } = worked(() => ({ fins: finsOfCore(dressing, scale) }));
  if (fault !== undefined) return <Fault name={dressing.name} fault={fault} />;
  const { fins } = answer;
  const zones = kit.parts.find(({ id }) => id === dressing.partId)?.zones ?? [];
  return (
    <div className="panel">
      <h3>{dressing.name}</h3>
      <p>Fins are flooded with a thin dark wash and wiped across while it is wet.</p>
      {fins ? (
        <p>
          <span className="mono">{fins.fins}</span> fins where the real one has{' '}
          <span className="mono">{fins.realFins}</span>: they stand{' '}
          <span className="mono">{figure(fins.timesTooCoarse, 'times', 1)}</span> as far apart.
        </p>
      ) : (
        <p className="soft small">Measure its fins, and how coarse they are follows.</p>
      )}
      <p className="soft small">
        {zones.length > 1
          ? `${counted(zones.length, 'colour')} on it, by its zones in the Kit stage.`
          : 'It has one colour: tanks, frame and core of their own are zones of the part, in the Kit stage.'}
      </p>
    </div>
  );
}

function DiscFollows({ dressing, kit, scale }: FollowsProps) {
  const { answer, fault } = worked(() => ({ drilled: ringOf(dressing, scale) }));
  if (fault !== undefined) return <Fault name={dressing.name} fault={fault} />;
  const { drilled } = answer;
  if (!drilled)
    return (
      <div className="panel">
        <h3>{dressing.name}</h3>
        <p>No holes: a bright ring, a painted middle, and a wash between.</p>
      </div>
    );
  const { question, ring } = drilled;
  const template = drawRing(question, ring);
  return (
    <div className="panel">
      <h3>{dressing.name}</h3>
      <p>
        Holes of <span className="mono">{figure(question.holeMm, 'mm')}</span> at 1:{scale},{' '}
        {ring.drillMm === undefined ? (
          <>too fine or too close to drill: pricked through the template and washed dark</>
        ) : (
          <>
            drilled <span className="mono">{figure(ring.drillMm, 'mm')}</span> while it is bare
          </>
        )}
        ; <span className="mono">{figure(ring.webMm, 'mm')}</span> stays between them at the thinnest.
      </p>
      <DrawingPicture drawing={template} label={`Template for ${dressing.name}`} />
      <SaveDrawings
        kit={kit}
        title={`Template for ${dressing.name}`}
        drawings={[template]}
        copies={{ template: dressing.count }}
      />
    </div>
  );
}
