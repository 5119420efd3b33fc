import { drawRing } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import {
  counted,
  finsOfCore,
  ringOf,
  springOf,
  tubeTint,
  type Dressing,
  type Kit,
} from '../../../core/kit/index.ts';
import { dressedLines } from '../../../core/plan/index.ts';
import { worked } from '../../../core/worked.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import { LOOK_WORDS } from './dressedLooks.ts';
import { Fault } from './Fault.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';

interface FollowsProps {
  dressing: Dressing;
  kit: Kit;
  scale: number;
}

/** What follows for a fork, a radiator, a disc, a strap or a step. */
export const DressedFollows = (props: FollowsProps) => {
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
