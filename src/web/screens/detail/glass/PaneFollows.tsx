import { glassGauge, PANE_POLISH } from '../../../../core/cabin/index.ts';
import { figure } from '../../../../core/figures.ts';
import { chooseAdhesive, glueJob, jointName, type Kit, type Pane } from '../../../../core/kit/index.ts';
import type { KitSummary } from '../../../../core/plan/index.ts';
import { paneMask } from '../../../../core/livery/index.ts';
import { worked } from '../../../../core/worked.ts';
import { DrawingPicture } from '../DrawingPicture.tsx';
import { SaveDrawings } from '../SaveDrawings.tsx';

interface PaneFollowsProps {
  pane: Pane;
  /** Joints after paint whose glue can fog panes. */
  fogs: KitSummary['fogs'];
  kit: Kit;
  scale: number;
}

/** What follows for a pane: how thick it looks, how it is polished, its mask. */
export function PaneFollows({ pane, kit, scale, fogs }: PaneFollowsProps) {
  const gauge = pane.gaugeMm === null ? undefined : glassGauge(pane.gaugeMm, pane.realMm, scale);
  const { grades } = PANE_POLISH[pane.flaws];
  const isLost =
    pane.intoPartId === null && !kit.joints.some(({ a, b }) => a === pane.partId || b === pane.partId);
  return (
    <div className={`panel${gauge?.isSeen && pane.edge === 'none' ? ' warned' : ''}`}>
      <h3>{pane.name}</h3>
      {gauge ? (
        <p>
          <span className="mono">{figure(gauge.times, 'times')}</span> as thick as the real glass, which would
          be <span className="mono">{figure(gauge.trueMm, 'mm')}</span>
          {gauge.isSeen
            ? pane.edge === 'none'
              ? ': its open edge shows it.'
              : ', hidden by what runs round it.'
            : '.'}
        </p>
      ) : (
        <p className="soft small">Measure it, and how thick it looks follows.</p>
      )}
      {isLost && <p className="soft small">Nothing has an opening for it yet: say what it goes into.</p>}
      {grades.length > 0 && <p>Polish it out: {grades.join(', ')}. Then no finger touches the inside.</p>}
      {pane.edge === 'bright' && (
        <p>Black beneath, silver or foil on the trim: black under it keeps it bright.</p>
      )}
      <Fogging pane={pane} kit={kit} fogs={fogs} />
      <PaneMaskDrawn pane={pane} kit={kit} />
    </div>
  );
}

/** What its own joints ask for, once everything is painted. */
function gluesOf({ partId }: Pane, { joints, parts, finishes }: Kit) {
  const partOf = new Map(parts.map((part) => [part.id, part]));
  const finishOf = new Map(finishes.map((finish) => [finish.id, finish]));
  return joints.flatMap((joint) =>
    partId !== null && (joint.a === partId || joint.b === partId)
      ? [
          {
            joint: jointName(joint, partOf),
            ...chooseAdhesive(glueJob(joint, 'after', partOf, finishOf)),
          },
        ]
      : [],
  );
}

/** What it is glued with, and what glued near it later fogs it. */
function Fogging({ pane, kit, fogs }: Pick<PaneFollowsProps, 'pane' | 'kit' | 'fogs'>) {
  const near = fogs.flatMap(({ name, adhesive, near: panes }) =>
    panes.flatMap((each) => (each.name === pane.name ? [{ name, adhesive, mm: each.mm }] : [])),
  );
  return (
    <>
      {gluesOf(pane, kit).map(({ joint, name, preparation }) => (
        <p key={joint} className="soft small">
          {joint}: {name}; {preparation}.
        </p>
      ))}
      {near.map(({ name, adhesive, mm }) => (
        <p key={name} className="finding warn">
          {adhesive} on {name}
          {mm === null ? '' : `, ${figure(mm, 'mm', 0)} away,`} fogs it: glue that before the glass, or take
          another.
        </p>
      ))}
    </>
  );
}

function PaneMaskDrawn({ pane, kit }: Pick<PaneFollowsProps, 'pane' | 'kit'>) {
  const view = kit.views.find(({ id }) => id === pane.viewId);
  if (!view) return null;
  const { answer: mask, fault } = worked(() => paneMask(view, pane.openingId, pane.maskMm));
  if (fault !== undefined) return <p role="alert">{fault}</p>;
  return (
    <>
      <DrawingPicture drawing={mask} label={`Mask of ${pane.name}`} />
      <p className="soft small">Two of it: one for each side of the pane. Keep a third for later.</p>
      <SaveDrawings kit={kit} title={`Mask of ${pane.name}`} drawings={[mask]} copies={{ mask: 3 }} />
    </>
  );
}
