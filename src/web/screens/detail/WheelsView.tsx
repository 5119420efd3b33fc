import { drawJig } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { laceOf, newRecord, wheelRecord, type WireWheel } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { RecordCard } from './RecordCard.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';
import { worked } from '../../../core/worked.ts';

/** Wheels laced with wire: how long each spoke is, in what order they go in, and a jig to lace them on. */
export const WheelsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<WireWheel>
    buildId={build.id}
    kind="wheel"
    title="Laced wheels"
    all={kit.wheels}
    fresh={newRecord(wheelRecord)}
    word="Wheel"
    addWords="Add a wheel"
    teaches="Moulded spokes are two or three times too thick. Measure the rim and the hub, count the spokes, and Fanfare gives their length, the wire, the order of lacing, and a jig to print at exact size."
    nothing="No wheel to lace yet."
    decide={(wheel, tools) => (
      <RecordCard
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
        {...tools}
      />
    )}
    follows={(wheel) => <Laced wheel={wheel} scale={build.scale} kit={kit} />}
  />
);

function Laced({ wheel, scale, kit }: { wheel: WireWheel; scale: number; kit: DetailViewProps['kit'] }) {
  const { answer, fault } = worked(() => laceOf(wheel, scale));
  if (fault !== undefined) return <Fault name={wheel.name} fault={fault} />;
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
