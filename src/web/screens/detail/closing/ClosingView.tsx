import { useMemo } from 'react';
import {
  closingOf,
  dotWords,
  heldWords,
  type ClosingJoin,
  type LatePart,
} from '../../../../core/plan/index.ts';
import type { DetailViewProps } from '../detailView.ts';

/** The last evenings: what every join after paint shuts in and ends, and how its small parts are glued. */
export function ClosingView({ build, kit }: DetailViewProps) {
  const joins = useMemo(
    () =>
      closingOf(kit, {
        trays: build.trays.map(({ id, name, parts }) => ({
          id,
          name,
          partIds: parts.map((part) => part.id),
        })),
        joins: build.joins,
        crossSteps: build.kit.crossSteps,
        consequences: build.kit.consequences,
        scale: build.scale,
      }),
    [kit, build],
  );
  const ending = joins.filter(({ ends, shutsIn }) => ends.length + shutsIn.length > 0);
  const late = joins.filter((join) => join.late.length > 0);
  return (
    <>
      <section className="column" aria-label="What closes">
        <h2>What closes</h2>
        {joins.length === 0 && (
          <p className="panel soft">
            Nothing is joined after paint yet. Divide the kit into sub-assemblies in the Kit stage: then each
            late join says here what it shuts in, and on the evening before it what is still open.
          </p>
        )}
        {joins.length > 0 && ending.length === 0 && (
          <p className="panel soft">
            No join after paint is known to shut anything in. Say it with the joints in the Kit stage, or with
            the panes under Glass.
          </p>
        )}
        {ending.map((join) => (
          <Enclosure key={join.id} join={join} />
        ))}
      </section>
      <section className="column" aria-label="Late parts">
        <h2>Late parts</h2>
        {late.length === 0 && (
          <p className="panel soft small">
            Small parts that are glued to something finished come here, with their dots of glue.
          </p>
        )}
        {late.map((join) => (
          <div key={join.id} className="panel">
            <h3>{join.name}</h3>
            {join.late.map((part) => (
              <Late key={part.joint.id} late={part} />
            ))}
          </div>
        ))}
      </section>
    </>
  );
}

const Enclosure = ({ join: { name, shutsIn, ends } }: { join: ClosingJoin }) => (
  <div className="panel">
    <h3>{name}</h3>
    {shutsIn.length > 0 && <p>Shuts in {shutsIn.join(', ').toLowerCase()}.</p>}
    {ends.length > 0 && (
      <>
        <p>Once it is made, these can no longer be:</p>
        <ul className="mt6">
          {ends.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ul>
      </>
    )}
    <p className="soft small">
      Before it: finished, wired, dust blown out, fingerprints off, pictures taken. The evening before, the
      card says what of that is still open.
    </p>
  </div>
);

const Late = ({ late }: { late: LatePart }) => (
  <div className="mt6">
    <p>
      <b>{late.part.name}</b>
      {late.part.count > 1 && ` × ${late.part.count}`} onto {late.onto.name.toLowerCase()}: {dotWords(late)}
      {late.heldMinutes !== undefined && `, held ${heldWords(late.heldMinutes)}`}.
    </p>
    <p className="soft small">
      {late.holes.length > 0 && `Open again first: ${late.holes.join(', ')}. `}
      Hold it by {late.holdBy}. If it slips: {late.slip}.
    </p>
  </div>
);
