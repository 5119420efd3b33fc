import { Button } from '@mantine/core';
import { drawJig } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { laceOf, newRecord, wheelRecord, type WireWheel } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DrawingPicture } from './DrawingPicture.tsx';
import { RecordCard } from './RecordCard.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';
import { freeName, useDetailRecords } from './useDetailRecords.ts';
import { worked } from './worked.ts';

/** Wheels laced with wire: how long each spoke is, in what order they go in, and a jig to lace them on. */
export function WheelsView({ build, kit }: DetailViewProps) {
  const { problem, add, change, remove } = useDetailRecords<WireWheel>(build.id, 'wheel');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Laced wheels</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.wheels.length === 0 && (
          <p className="panel soft">
            Moulded spokes are two or three times too thick. Measure the rim and the hub, count the spokes,
            and Fanfare gives their length, the wire, the order of lacing, and a jig to print at exact size.
          </p>
        )}
        {kit.wheels.map((wheel) => (
          <RecordCard
            key={wheel.id}
            record={wheel}
            fields={wheelRecord.fields}
            kit={kit}
            partLabel="Goes into"
            figures={[
              ['count', 'How many such wheels'],
              ['spokes', 'Spokes in each'],
              ['crosses', 'Each crosses'],
              ['rimRadiusMm', 'Rim, radius, mm'],
              ['flangeRadiusMm', 'Hub holes, radius, mm'],
              ['offsetMm', 'Middle to flange, mm'],
            ]}
            onChange={(part) => change(wheel, part)}
            onRemove={() => remove(wheel)}
          />
        ))}
        <Button
          variant="default"
          onClick={() => add({ ...newRecord(wheelRecord), name: freeName('Wheel', kit.wheels) })}
        >
          Add a wheel
        </Button>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {kit.wheels.length === 0 && <p className="panel soft small">No wheel to lace yet.</p>}
        {kit.wheels.map((wheel) => (
          <Laced key={wheel.id} wheel={wheel} scale={build.scale} kit={kit} />
        ))}
      </section>
    </>
  );
}

function Laced({ wheel, scale, kit }: { wheel: WireWheel; scale: number; kit: DetailViewProps['kit'] }) {
  const { answer, fault } = worked(() => laceOf(wheel, scale));
  if (fault !== undefined)
    return (
      <div className="panel warned" role="alert">
        <h3>{wheel.name}</h3>
        <p>{fault}</p>
      </div>
    );
  const { lacing, wire } = answer;
  const jig = drawJig({ rimRadius: wheel.rimRadiusMm, flangeRadius: wheel.flangeRadiusMm }, lacing);
  return (
    <div className="panel">
      <h3>{wheel.name}</h3>
      <p>
        <b className="mono">{figure(lacing.spokeMm, 'mm', 1)}</b> from hole to hole, each spoke cut{' '}
        <span className="mono">{figure(lacing.wireMm / wheel.spokes, 'mm', 1)}</span> with both ends turned
        in.
      </p>
      <p>
        Wire <span className="mono">{figure(wire.wireMm, 'mm')}</span>
        {wire.drillMm !== undefined && (
          <>
            , holes <span className="mono">{figure(wire.drillMm, 'mm')}</span>
          </>
        )}
        ; <span className="mono">{Math.ceil((wheel.count * lacing.wireMm) / 10)} cm</span> for{' '}
        {wheel.count > 1 ? `${wheel.count} wheels` : 'it'}.
      </p>
      <DrawingPicture drawing={jig} label={`Jig for ${wheel.name}, as seen from the right`} />
      <p className="soft small">
        Numbers are the order of lacing. Full lines go to the near flange, dashed ones to the far one; those
        that lean back go in first, and the others cross over them.
      </p>
      <SaveDrawings kit={kit} title={`Jig for ${wheel.name}`} drawings={[jig]} />
    </div>
  );
}
