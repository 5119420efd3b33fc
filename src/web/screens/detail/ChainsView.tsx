import { figure } from '../../../core/figures.ts';
import { chainOf, chainRecord, newRecord, type DriveChain } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { Fault } from './Fault.tsx';
import { RecordCard } from './RecordCard.tsx';
import { worked } from '../../../core/worked.ts';

/** Chains over two sprockets: how many links, and how they hang. */
export const ChainsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<DriveChain>
    buildId={build.id}
    kind="chain"
    title="Chains"
    all={kit.chains}
    fresh={newRecord(chainRecord)}
    word="Chain"
    addWords="Add a chain"
    teaches="Count the teeth of both sprockets and measure between the axles on the model: Fanfare counts the links, and says how the slack run hangs, or where the axle must stand for it to lie tight."
    nothing="No chain to count yet."
    decide={(chain, tools) => (
      <RecordCard
        record={chain}
        fields={chainRecord.fields}
        kit={kit}
        partLabel="Goes onto"
        figures={[
          ['count', 'How many such chains'],
          ['frontTeeth', 'Teeth in front'],
          ['rearTeeth', 'Teeth behind'],
          ['centresMm', 'Axle to axle on the model, mm'],
          ['pitchMm', 'Real pitch, mm'],
        ]}
        {...tools}
      />
    )}
    follows={(chain) => <Counted chain={chain} scale={build.scale} />}
  />
);

function Counted({ chain, scale }: { chain: DriveChain; scale: number }) {
  const { answer, fault } = worked(() => chainOf(chain, scale));
  if (fault !== undefined) return <Fault name={chain.name} fault={fault} />;
  const { links, exactLinks, lengthMm, sagMm, tightCentresMm, pitchMm } = answer;
  return (
    <div className="panel">
      <h3>{chain.name}</h3>
      <p>
        <b className="mono">{links} links</b> of <span className="mono">{figure(pitchMm, 'mm')}</span> at 1:
        {scale}, <span className="mono">{figure(lengthMm, 'mm', 1)}</span> round; one of them is the joining
        link.
      </p>
      <p className="soft small">
        Tight round both sprockets it would be {exactLinks.toFixed(1)} links; links alternate, so their count
        is even. The slack run hangs <span className="mono">{figure(sagMm, 'mm', 1)}</span> in its middle; it
        lies tight with the axles <span className="mono">{figure(tightCentresMm, 'mm')}</span> apart.
      </p>
    </div>
  );
}
