import { UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { POINTS, type InspectionPoint } from '../../../core/record/index.ts';
import type { Inspection } from '../../../core/kit/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { StageNav } from '../../components/StageNav.tsx';
import { whenText } from '../../components/time.ts';
import type { SeenDetail } from '../../../core/plan/index.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { benchMinute } from '../../data/clock.ts';
import { useKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { usePlan } from '../../data/plan.tsx';
import { useKitChange } from '../../data/useKitChange.ts';
import { useSeen } from '../detail/useSeen.ts';
import { FoundCard } from './FoundCard.tsx';
import { LookedOver } from './LookedOver.tsx';
import { pointsDue, pointsOf } from './pointsDue.ts';

/** Shown of what is still to come. */
const MOST_COMING = 6;

/** Looking over: what is due, what was found, and what comes of it. */
export function InspectScreen() {
  const { build, ready, error } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const { view } = usePlan();
  const { problem, change } = useKitChange(build?.id ?? '');
  const [picked, setPicked] = useState<string>();
  // Asked only where something was found on a part.
  const { state } = useSeen(
    kit?.inspections.some(({ partId }) => partId !== null) ? kit : undefined,
    build?.scale ?? 1,
  );
  const seen = state.kind === 'answered' ? state.answer : null;
  if (!ready || !kit || !view) return <Loading what="the inspections" error={error ?? kitError} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (build.trays.length === 0)
    return (
      <EmptyStage title="Nothing to look over yet" buildId={build.id}>
        Add sub-assemblies in the Kit stage; what is to be looked over after primer, colour and clear comes
        here.
      </EmptyStage>
    );
  const due = pointsDue(view, build.id, kit.inspections);
  const startOf = ({ step }: InspectionPoint) => view.starts[step.id];
  const coming = pointsOf(view, build.id)
    .filter((each) => startOf(each) !== undefined)
    .sort((p, q) => startOf(p)! - startOf(q)!);
  const point = due.find(({ step }) => step.id === picked) ?? due[0];
  const found = kit.inspections.filter(({ fault }) => fault !== null);
  const keep = (inspection: Omit<Inspection, 'id' | 'at'>) =>
    change(
      [
        {
          kind: 'inspection',
          id: newId(build.id),
          value: { ...inspection, at: benchMinute() },
        },
      ],
      'look it over',
    );
  return (
    <div className="columns kit">
      <section className="column" aria-label="What is due">
        <h2>What is due</h2>
        <StageNav stage="record" buildId={build.id} open="" />
        <h3>Now</h3>
        {due.length === 0 && (
          <p className="panel soft small">Nothing that is done waits to be looked over.</p>
        )}
        <ul className="viewnav">
          {due.map(({ kind, step }) => (
            <li key={`${kind} ${step.id}`}>
              <UnstyledButton
                className={`pick${step.id === point?.step.id ? ' active' : ''}`}
                aria-pressed={step.id === point?.step.id}
                onClick={() => setPicked(step.id)}
              >
                <b>{POINTS[kind].name}</b>
                <span className="soft small">{step.title}</span>
              </UnstyledButton>
            </li>
          ))}
        </ul>
        {coming.length > 0 && <h3>To come</h3>}
        {coming.slice(0, MOST_COMING).map(({ kind, step }) => (
          <p key={`${kind} ${step.id}`} className="small soft">
            {POINTS[kind].name}: {step.title}, {whenText(view.starts[step.id]!)}
          </p>
        ))}
      </section>
      <section className="column" aria-label="Look it over">
        <h2>Look it over</h2>
        {problem && <p role="alert">{problem}</p>}
        {point ? (
          <LookedOver key={point.step.id} point={point} kit={kit} build={build} onKeep={keep} />
        ) : (
          <p className="panel soft">
            After primer, colour, mask edges, clear and polish the work is looked over with the right light;
            what you find is weighed here before it is buried. The card of each such step says what to look
            for.
          </p>
        )}
      </section>
      <section className="column" aria-label="What was found">
        <h2>What was found</h2>
        {found.length === 0 && <p className="panel soft small">Nothing yet.</p>}
        {found.toReversed().map((inspection) => (
          <FoundCard
            key={inspection.id}
            inspection={inspection}
            kit={kit}
            build={build}
            seen={seenShare(seen, inspection.partId)}
            onChange={change}
          />
        ))}
      </section>
    </div>
  );
}

/** How much of a part is seen; undefined where its place, or the part, is not known. */
function seenShare(seen: SeenDetail | null, partId: string | null): number | undefined {
  if (!seen || partId === null) return undefined;
  return seen.outside.includes(partId) ? 1 : seen.shares.find(({ id }) => id === partId)?.share;
}
