import { UnstyledButton } from '@mantine/core';
import { useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { TrayRecord } from '../../../api/index.ts';
import type { MutedRule } from '../../../core/finish/index.ts';
import { resolveStack } from '../../../core/kit/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { FindingList } from '../../components/FindingList.tsx';
import { drawerAddress, useDrawers } from '../../components/drawers.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { TrayList } from '../../components/TrayList.tsx';
import { saveTray } from '../../data/bench.ts';
import { usePlan } from '../../data/plan.tsx';
import { finishOf, useBuildContext } from '../../data/buildContext.ts';
import { AirPanel } from './AirPanel.tsx';
import { ComparePanel } from './ComparePanel.tsx';
import { CutThrough } from './CutThrough.tsx';
import { EdgeSteps } from './EdgeSteps.tsx';
import { FollowsPanel } from './FollowsPanel.tsx';
import { JointFitPanel } from './JointFitPanel.tsx';
import { LayerTable } from './LayerTable.tsx';
import { OwnStacks } from './library/OwnStacks.tsx';
import { MutedRules } from './MutedRules.tsx';
import { PickedOut } from './PickedOut.tsx';
import { PolishPanel } from './PolishPanel.tsx';
import { QuantitiesPanel } from './QuantitiesPanel.tsx';
import { SuggestPanel } from './SuggestPanel.tsx';

type Aid = 'suggest' | 'compare' | 'own';
const AIDS: readonly [Aid, string][] = [
  ['suggest', 'Suggest a stack'],
  ['compare', 'Compare grounds'],
  ['own', 'My stacks'],
];
/** The stack of a sub-assembly: how it looks, how thick, how long, what goes wrong. */
export function FinishScreen() {
  const workshop = useBuildContext();
  const { build, codes, products, ready, error } = workshop;
  const { view } = usePlan();
  const { trayId } = useParams();
  const navigate = useNavigate();
  if (!ready) return <Loading what="the finish" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const tray = build.trays.find(({ id }) => id === trayId) ?? build.trays[0];
  if (!tray) {
    return (
      <EmptyStage title="No finish to plan yet" buildId={build.id}>
        Every sub-assembly has a stack of layers: primer, colour, decals, clear, polish. Add the first
        sub-assembly in the Kit stage.
      </EmptyStage>
    );
  }
  const note = ({ id, layers }: TrayRecord) => {
    const grave = (view?.findings[id] ?? []).filter(
      ({ severity }) => severity === 'stop' || severity === 'warn',
    ).length;
    if (layers.length === 0) return 'left as it is';
    return `${layers.length} layers${grave > 0 ? `, ${grave} ${grave === 1 ? 'warning' : 'warnings'}` : ''}`;
  };
  const list = (
    <TrayList
      trays={build.trays}
      chosen={tray.id}
      products={products}
      codes={codes}
      note={note}
      onChoose={({ id }) => void navigate(`/build/${build.id}/finish/${id}`)}
    />
  );
  return <FinishEditor key={tray.id} tray={tray} workshop={workshop} list={list} />;
}

interface FinishEditorProps {
  tray: TrayRecord;
  workshop: ReturnType<typeof useBuildContext>;
  list: React.ReactNode;
}

function FinishEditor({
  tray,
  workshop: { build, paints, codes, products, conditions, longestSession },
  list,
}: FinishEditorProps) {
  const others = useDrawers('finish').filter(({ path }) => !path.startsWith(':'));
  const [marked, setMarked] = useState<string>();
  const [aid, setAid] = useState<Aid | undefined>(tray.layers.length === 0 ? 'suggest' : undefined);
  const aids = useRef<HTMLDivElement>(null);
  const code = codes.find(({ id }) => id === tray.codeId);
  const scale = build?.scale ?? 24;
  const stack = useMemo(
    () => resolveStack(tray, scale, products, (id) => codes.find((each) => each.id === id)?.spectrum),
    [tray, scale, products, codes],
  );
  const { evaluation, error } = useMemo(
    () => finishOf(tray, scale, products, codes, conditions, { longestSession }),
    [tray, scale, products, codes, conditions, longestSession],
  );
  const save = (layers: TrayRecord['layers'], label: string) =>
    void saveTray(tray, { ...tray, layers }, label).catch(() => undefined);
  const changeMuted = (
    layerId: string,
    change: (muted: readonly MutedRule[]) => MutedRule[],
    label: string,
  ) =>
    save(
      tray.layers.map((layer) =>
        layer.id === layerId ? { ...layer, muted: change(layer.muted ?? []) } : layer,
      ),
      label,
    );
  return (
    <div className="columns stacks">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <EachInTurn first={1}>
          {list}
          {build && (
            <nav aria-label="Other views of the finish" className="stacked two-columns g6 centred">
              {others.map((drawer) => (
                <Link key={drawer.path} to={drawerAddress(drawer, { buildId: build.id })} className="quiet">
                  {drawer.title}
                </Link>
              ))}
            </nav>
          )}
          <AirPanel />
        </EachInTurn>
      </section>
      <section className="column" aria-label="What you decide">
        <EachInTurn first={2}>
          <CutThrough
            tray={tray}
            stack={stack}
            evaluation={evaluation}
            error={error}
            code={code}
            finishNames={build?.kit.finishNames ?? {}}
            marked={marked}
            onMark={setMarked}
          />
          <div className="chips" role="group" aria-label="Aids" ref={aids}>
            {AIDS.map(([id, name]) => (
              <UnstyledButton
                key={id}
                className="chip"
                aria-pressed={aid === id}
                onClick={() => {
                  setAid(aid === id ? undefined : id);
                  // What opens lies below the cut: bring it up.
                  if (aid !== id) aids.current?.scrollIntoView({ block: 'start', behavior: 'smooth' });
                }}
              >
                {name}
              </UnstyledButton>
            ))}
          </div>
          {aid === 'suggest' && (
            <SuggestPanel
              tray={tray}
              scale={scale}
              code={code}
              codes={codes}
              products={products}
              conditions={conditions}
              onTake={(layers, name) => save(layers, `${name.toLowerCase()} for ${tray.name}`)}
              onClose={() => setAid(undefined)}
            />
          )}
          {aid === 'compare' && (
            <ComparePanel
              tray={tray}
              stack={stack}
              code={code}
              conditions={conditions}
              onTake={(layers, name) => save(layers, `${name} for ${tray.name}`)}
              onClose={() => setAid(undefined)}
            />
          )}
          {aid === 'own' && build && (
            <OwnStacks
              build={build}
              tray={tray}
              workshop={{ products, codes, conditions, longestSession }}
              onClose={() => setAid(undefined)}
            />
          )}
          <LayerTable
            tray={tray}
            stack={stack}
            evaluation={evaluation}
            paints={paints}
            finishNames={build?.kit.finishNames ?? {}}
            marked={marked}
            onMark={setMarked}
            onSave={save}
          />
          {build && (
            <PickedOut
              key={tray.layers.length}
              build={build}
              tray={tray}
              paints={paints}
              bench={{ products, codes, conditions }}
              onSave={save}
            />
          )}
        </EachInTurn>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <EachInTurn first={1}>
          {error && (
            <div className="panel warned" role="alert">
              {error}
            </div>
          )}
          {evaluation && <FollowsPanel tray={tray} evaluation={evaluation} code={code} />}
          <EdgeSteps stack={stack} finishNames={build?.kit.finishNames ?? {}} />
          {evaluation && (
            <div
              className={`panel${evaluation.findings.some(({ severity }) => severity === 'stop' || severity === 'warn') ? ' warned' : ''}`}
              style={{ display: 'grid', gap: 12 }}
              aria-label="Warnings"
            >
              {evaluation.findings.length === 0 ? (
                <p>No rule is broken.</p>
              ) : (
                <FindingList
                  findings={evaluation.findings}
                  onMute={({ layerId, ruleId, title }, note) =>
                    changeMuted(layerId, (muted) => [...muted, { ruleId, note }], `silence “${title}”`)
                  }
                />
              )}
            </div>
          )}
          {evaluation && (
            <MutedRules
              muted={evaluation.muted}
              onUnmute={(layerId, ruleId) =>
                changeMuted(
                  layerId,
                  (muted) => muted.filter((one) => one.ruleId !== ruleId),
                  `let “${ruleId}” warn again`,
                )
              }
            />
          )}
          <QuantitiesPanel tray={tray} stack={stack} paints={paints} />
          <PolishPanel key={tray.layers.length} stack={stack} />
          {build && <JointFitPanel build={build} tray={tray} />}
        </EachInTurn>
      </section>
    </div>
  );
}
