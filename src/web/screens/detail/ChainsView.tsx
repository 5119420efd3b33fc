import { Button } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import { chainOf, chainRecord, newRecord, type DriveChain } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { RecordCard } from './RecordCard.tsx';
import { freeName, useDetailRecords } from './useDetailRecords.ts';
import { worked } from './worked.ts';

/** Chains over two sprockets: how many links, and how they hang. */
export function ChainsView({ build, kit }: DetailViewProps) {
  const { problem, add, change, remove } = useDetailRecords<DriveChain>(build.id, 'chain');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Chains</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.chains.length === 0 && (
          <p className="panel soft">
            Count the teeth of both sprockets and measure between the axles on the model: Fanfare counts the
            links, and says how the slack run hangs, or where the axle must stand for it to lie tight.
          </p>
        )}
        {kit.chains.map((chain) => (
          <RecordCard
            key={chain.id}
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
            onChange={(part) => change(chain, part)}
            onRemove={() => remove(chain)}
          />
        ))}
        <Button
          variant="default"
          onClick={() => add({ ...newRecord(chainRecord), name: freeName('Chain', kit.chains) })}
        >
          Add a chain
        </Button>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {kit.chains.length === 0 && <p className="panel soft small">No chain to count yet.</p>}
        {kit.chains.map((chain) => (
          <Counted key={chain.id} chain={chain} scale={build.scale} />
        ))}
      </section>
    </>
  );
}

function Counted({ chain, scale }: { chain: DriveChain; scale: number }) {
  const { answer, fault } = worked(() => chainOf(chain, scale));
  if (fault !== undefined)
    return (
      <div className="panel warned" role="alert">
        <h3>{chain.name}</h3>
        <p>{fault}</p>
      </div>
    );
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
