import { Button, Radio, Stack, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { schoolOf, takeProposal, type ProposedTray, type School } from '../../../core/kit/index.ts';
import { useBench, useCodes } from '../../data/bench.ts';
import { changeKit, takeDivision } from '../../data/kit.ts';
import { Why } from '../../components/Why.tsx';
import { finishHex } from './finishColour.ts';
import type { KitViewProps } from './kitView.ts';
import { labelled } from './partNames.ts';
import { StandingTrays } from './StandingTrays.tsx';

const SCHOOL_WORDS: Readonly<Record<School, { name: string; reason: string }>> = {
  pieces: {
    name: 'paint in pieces',
    reason: 'unlike finishes are kept apart, as for a show engine; more pieces to hold',
  },
  'join-first': {
    name: 'join, then pick out',
    reason: 'as much as possible becomes one piece and is brushed, as for a dark chassis',
  },
};

/** What to join before paint: the proposal with its cost, and the division as it stands. */
export function TraysView(props: KitViewProps) {
  const { build, kit, proposals } = props;
  const { state, newest: proposal } = proposals;
  const { data: bench } = useBench();
  const [params, setParams] = useSearchParams();
  const asked = params.get('as') ?? (kit.joints.length > 0 ? 'proposal' : 'standing');
  const shown = kit.parts.length === 0 || asked === 'standing' ? 'standing' : 'proposed';
  const [problem, setProblem] = useState<string | null>(null);
  const taken = useMemo(
    () => (proposal && kit.parts.length > 0 ? takeProposal(proposal, kit, build.trays) : null),
    [proposal, kit, build.trays],
  );
  const gone = new Set(taken?.removed.map(({ id }) => id));
  const lostSteps = bench?.steps.filter(({ trayId }) => trayId !== null && gone.has(trayId)).length ?? 0;
  const setSchool = (school: School) =>
    void changeKit(
      build.id,
      [{ kind: 'assembly', id: `${build.id}-assembly`, value: { school } }],
      SCHOOL_WORDS[school].name,
    ).catch((error: unknown) => setProblem((error as Error).message));
  const before = proposal?.decisions.filter(({ when }) => when === 'before').length ?? 0;
  const sameJoins =
    taken !== null &&
    taken.joins.length === build.joins.filter(({ jointIds }) => jointIds.length > 0).length &&
    taken.joins.every(({ id, jointIds }) =>
      build.joins.some((join) => join.id === id && join.jointIds.join() === jointIds.join()),
    );
  const stands = taken !== null && taken.changes.length === 0 && sameJoins;
  return (
    <>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 className="grows">What to join before paint</h2>
          <div className="chips">
            {(['proposed', 'standing'] as const).map((name) => (
              <UnstyledButton
                key={name}
                className="chip"
                aria-pressed={shown === name}
                disabled={name === 'proposed' && kit.parts.length === 0}
                onClick={() => setParams({ as: name === 'standing' ? name : 'proposal' }, { replace: true })}
              >
                {name === 'proposed' ? 'as proposed' : 'as it stands'}
              </UnstyledButton>
            ))}
          </div>
        </div>
        {problem && (
          <p role="alert" className="panel warned">
            {problem}
          </p>
        )}
        {shown === 'standing' ? (
          <StandingTrays build={build} kit={kit} />
        ) : (
          <>
            <Radio.Group
              className="panel"
              label={<VisuallyHidden>School</VisuallyHidden>}
              value={schoolOf(kit)}
              onChange={(school) => setSchool(school)}
            >
              <Stack gap={6}>
                {(Object.keys(SCHOOL_WORDS) as School[]).map((school) => (
                  <Radio
                    key={school}
                    value={school}
                    label={
                      <>
                        <b>{SCHOOL_WORDS[school].name}</b>:{' '}
                        <span className="soft">{SCHOOL_WORDS[school].reason}</span>
                      </>
                    }
                  />
                ))}
              </Stack>
            </Radio.Group>
            {state.kind === 'working' && !proposal && (
              <p className="panel" role="status">
                Weighing {kit.joints.length} joints… <progress value={state.progress ?? 0} />{' '}
                <Button onClick={proposals.cancel}>Stop</Button>
              </p>
            )}
            {state.kind === 'failed' && (
              <p role="alert" className="panel warned">
                {state.message}
              </p>
            )}
            {state.kind === 'cancelled' && (
              <p className="panel">
                Stopped; nothing was changed. <Button onClick={proposals.again}>Try again</Button>
              </p>
            )}
            {proposal?.trays.map((tray) => (
              <TrayCard
                key={tray.key}
                tray={tray}
                name={taken?.trays.find(({ key }) => key === tray.key)?.tray.name ?? tray.name}
                kit={kit}
              />
            ))}
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {proposal && (
          <div className="panel">
            <h3>The proposal</h3>
            <dl className="rows">
              <dt>Trays</dt>
              <dd className="mono">{proposal.trays.length}</dd>
              <dt>Joints before paint</dt>
              <dd className="mono">{before}</dd>
              <dt>Joints after paint</dt>
              <dd className="mono">{proposal.decisions.length - before}</dd>
              <dt>
                Costs{' '}
                <Why about="the cost of the division">
                  For every joint, the minutes that joining before paint would cost (masking, brushing, spray
                  and polish out of reach, handling) against those of joining after (a seam that cannot be
                  filled, glue beside a finish, one more piece to hold). Looks count as the minutes it takes
                  to mend them. The division with the least sum is searched among all that keep captures,
                  motion, glass and an order of assembly.
                </Why>
              </dt>
              <dd className="mono">{Math.round(proposal.cost)} min</dd>
            </dl>
            <p className="small soft" role="status">
              {proposal.exact
                ? 'Proved: no division that can be built costs less.'
                : `Near the best: none costs less than ${Math.floor(proposal.bound)} min.`}
            </p>
          </div>
        )}
        {taken && (
          <div className="panel">
            <h3>{stands ? 'This is how it stands' : 'Taking it changes'}</h3>
            {stands ? (
              <p className="soft small">The plan already follows this division.</p>
            ) : (
              <>
                {taken.changes.slice(0, 10).map((line) => (
                  <p key={line} className="small">
                    {line}
                  </p>
                ))}
                {taken.changes.length > 10 && (
                  <p className="small soft">and {taken.changes.length - 10} more changes.</p>
                )}
                {taken.changes.length === 0 && (
                  <p className="small">Only the joints after paint, and their order.</p>
                )}
                {lostSteps > 0 && (
                  <p className="small">
                    <b>
                      {lostSteps} {lostSteps === 1 ? 'step is' : 'steps are'} done on trays that go
                    </b>
                    ; they stay in the log, but the new trays begin anew.
                  </p>
                )}
                <p className="small soft">
                  Stacks, codes and steps done stay with the trays that stay, and so do joints that you wrote
                  down by hand.
                </p>
                <Button
                  variant="action"
                  className="mt8"
                  onClick={() =>
                    void takeDivision(build, taken)
                      .then(() => setProblem(null))
                      .catch((error: unknown) => setProblem((error as Error).message))
                  }
                >
                  Take this division
                </Button>
              </>
            )}
          </div>
        )}
        {proposal && proposal.assembly.length > 0 && (
          <div className="panel">
            <h3>Put together after paint, in this order</h3>
            <ol style={{ margin: 0, paddingLeft: 22 }} className="small">
              {proposal.assembly.map(({ name, jointIds }) => (
                <li key={jointIds.join()}>{name}</li>
              ))}
            </ol>
          </div>
        )}
      </section>
    </>
  );
}

function TrayCard({ tray, name, kit }: { tray: ProposedTray; name: string; kit: KitViewProps['kit'] }) {
  const { data: codes = [] } = useCodes();
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const joined = tray.units.filter(({ partIds }) => partIds.length > 1).map(({ partIds }) => partIds);
  const loose = tray.units.filter(({ partIds }) => partIds.length === 1).flatMap(({ partIds }) => partIds);
  return (
    <article className="traycard">
      <header>
        <h3>{name}</h3>
        <span className="small soft">
          {tray.finishIds.map((id) => (
            <span key={id} style={{ marginLeft: 10, whiteSpace: 'nowrap' }}>
              <span
                className="swatchdot"
                style={{ background: finishHex(finishes.get(id), codes) }}
                aria-hidden
              />{' '}
              {finishes.get(id)?.name}
            </span>
          ))}{' '}
          <span className="mono">{tray.areaCm2} cm²</span>
        </span>
      </header>
      {/* What is joined stands on a line of its own; loose pieces share one. */}
      {[...joined, ...(loose.length > 0 ? [loose] : [])].map((ids) => (
        <div key={ids.join()} className="tags">
          {ids.map((id) => (
            <span key={id} className="parttag">
              {labelled(parts.get(id)!)}
            </span>
          ))}
        </div>
      ))}
    </article>
  );
}
