import { Button } from '@mantine/core';
import { harnessRecord, newRecord, type Harness } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { HarnessFollows } from './HarnessFollows.tsx';
import { HarnessForm } from './HarnessForm.tsx';
import { freeName, useDetailRecords } from './useDetailRecords.ts';

/** Ignition: which tower feeds which plug, the length of every lead, and the order of gluing. */
export function IgnitionView({ build, kit }: DetailViewProps) {
  const { problem, add, change, remove } = useDetailRecords<Harness>(build.id, 'harness');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Ignition</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.harnesses.length === 0 && (
          <p className="panel soft">
            Say how the cylinders stand, in what order they fire and where the cap is. Fanfare numbers the
            cap, cuts every lead to its own length, and orders the gluing so that the last hole can still be
            reached.
          </p>
        )}
        {kit.harnesses.map((harness) => (
          <HarnessForm
            key={harness.id}
            harness={harness}
            kit={kit}
            onChange={(part) => change(harness, part)}
            onRemove={() => remove(harness)}
          />
        ))}
        <Button
          variant="default"
          onClick={() => add({ ...newRecord(harnessRecord), name: freeName('Engine', kit.harnesses) })}
        >
          Wire an engine
        </Button>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {kit.harnesses.length === 0 && <p className="panel soft small">No engine to wire yet.</p>}
        {kit.harnesses.map((harness) => (
          <HarnessFollows key={harness.id} harness={harness} kit={kit} scale={build.scale} />
        ))}
      </section>
    </>
  );
}
