import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { IlluminantId } from '../../../core/colour/index.ts';
import { counted, type Marking } from '../../../core/kit/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { boxOf } from './drawing.ts';
import { StageNav } from '../../components/StageNav.tsx';
import { MarkingCanvas } from './MarkingCanvas.tsx';
import { MarkingForm } from './MarkingForm.tsx';
import { MarkingTable } from './MarkingTable.tsx';
import { MarkingWays } from './MarkingWays.tsx';
import { hexIn, useLivery, useMeasured } from './useLivery.ts';
import { freshMarking } from './freshMarking.ts';
import { factsOf, usePlaced } from './useMarkings.ts';
import { ViewNav } from './ViewNav.tsx';
import './livery.css';

/** Everything lettered or printed on the model: where it goes, how it comes on, and in what order. */
export function MarkingsScreen() {
  const { build, kit, codes, predicted, workshop, ready, error } = useLivery();
  const { viewId } = useParams();
  const navigate = useNavigate();
  const [light, setLight] = useState<IlluminantId>('D65');
  const [chosenId, setChosenId] = useState<string>();
  const [problem, setProblem] = useState<string | null>(null);
  const view = kit?.views.find(({ id }) => id === viewId) ?? kit?.views[0];
  const shown = useMemo(() => (view ? [view] : []), [view]);
  const { newest } = useMeasured(kit, shown);
  const placed = usePlaced(kit, build?.scale);
  const chosen = kit?.markings.find(({ id }) => id === chosenId);
  const known = placed.newest?.find(({ marking }) => marking.id === chosenId);
  const facts = useMemo(
    () => (known && kit ? factsOf(known, kit, workshop, predicted) : undefined),
    [known, kit, workshop, predicted],
  );
  if (!ready || !kit) return <Loading what="the markings" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(build.id, changes, label)
      .then(() => setProblem(null))
      .catch((failure: unknown) => setProblem((failure as Error).message));
  const put = (marking: Marking, label: string) =>
    change([{ kind: 'marking', id: marking.id, value: marking }], label);
  const hundredth = (mm: number) => Math.round(mm * 100) / 100;
  const addressOf = (id: string) => `/build/${build.id}/livery/markings/${id}`;
  const choose = (id: string) => {
    setChosenId(id);
    const its = kit.markings.find((each) => each.id === id)?.viewId;
    if (its && its !== view?.id) void navigate(addressOf(its));
  };
  const add = () => {
    const box = view && boxOf(view);
    const middle = box
      ? { x: hundredth(box.x + box.width / 2), y: hundredth(box.y + box.height / 2) }
      : { x: 0, y: 0 };
    const made = freshMarking(newId(build.id), view?.id ?? null, middle, kit.markings);
    setChosenId(made.id);
    put(made, `add ${made.name}`);
  };
  return (
    <div className="columns livery">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <StageNav stage="livery" buildId={build.id} open="markings/:viewId?" />
        <ViewNav
          views={kit.views}
          open={view}
          addressOf={addressOf}
          wordsOf={({ id }) => counted(kit.markings.filter((each) => each.viewId === id).length, 'marking')}
        />
      </section>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 className="grows">{view ? `Markings, ${view.name.toLowerCase()}` : 'Markings'}</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        {[problem, placed.state.kind === 'failed' ? placed.state.message : null].map(
          (words) =>
            words && (
              <p key={words} role="alert" className="panel warned">
                {words}
              </p>
            ),
        )}
        {view ? (
          <MarkingCanvas
            key={view.id}
            view={view}
            measured={newest?.find((each) => each.viewId === view.id)?.measured}
            markings={(placed.newest ?? []).filter(({ marking }) => marking.viewId === view.id)}
            chosen={chosen?.viewId === view.id ? chosen : undefined}
            hexOf={(finishId) => hexIn(finishId, kit, codes, light, predicted)}
            onChoose={setChosenId}
            onMove={(dx, dy) =>
              chosen &&
              put(
                { ...chosen, x: hundredth(chosen.x + dx), y: hundredth(chosen.y + dy) },
                `move ${chosen.name}`,
              )
            }
          />
        ) : (
          <p className="panel">
            Without a <Link to={`/build/${build.id}/livery`}>view</Link> a marking is tied to its part alone:
            what it crosses and lies on is not worked out.
          </p>
        )}
        <MarkingTable
          markings={kit.markings}
          placed={placed.newest ?? []}
          chosen={chosen}
          onChoose={choose}
          onAdd={add}
          onRemove={({ id, name }) => change([{ kind: 'marking', id, value: null }], `take out ${name}`)}
        />
        {chosen && (
          <MarkingForm
            key={chosen.id}
            marking={chosen}
            kit={kit}
            buildId={build.id}
            scale={build.scale}
            onSave={(more) => put({ ...chosen, ...more }, chosen.name)}
          />
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {chosen && known && facts ? (
          <MarkingWays
            placed={known}
            kit={kit}
            facts={facts}
            light={light}
            said={build.kit.advice.filter(
              ({ stage, subject }) => stage === 'livery' && subject === chosen.id,
            )}
            onTake={(route) => put({ ...chosen, route }, `how ${chosen.name} comes on`)}
          />
        ) : (
          <p className="soft small">
            {kit.markings.length === 0
              ? 'Ways, minutes and what it crosses follow once there is a marking.'
              : 'Choose a marking: its ways, its minutes and what it lies on are told here.'}
          </p>
        )}
      </section>
    </div>
  );
}
