import { harnessRecord, newRecord, type Harness } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { HarnessFollows } from './HarnessFollows.tsx';
import { HarnessForm } from './HarnessForm.tsx';

/** Ignition: which tower feeds which plug, the length of every lead, and the order of gluing. */
export const IgnitionView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Harness>
    buildId={build.id}
    kind="harness"
    title="Ignition"
    all={kit.harnesses}
    fresh={newRecord(harnessRecord)}
    word="Engine"
    addWords="Wire an engine"
    teaches="Say how the cylinders stand, in what order they fire and where the cap is. Fanfare numbers the cap, cuts every lead to its own length, and orders the gluing so that the last hole can still be reached."
    nothing="No engine to wire yet."
    decide={(harness, tools) => <HarnessForm harness={harness} kit={kit} {...tools} />}
    follows={(harness) => <HarnessFollows harness={harness} kit={kit} scale={build.scale} />}
  />
);
