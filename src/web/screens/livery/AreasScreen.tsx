import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { IlluminantId } from '../../../core/colour/index.ts';
import type { LiveryArea } from '../../../core/kit/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { changeKit } from '../../data/kit.ts';
import { AreasOf } from './AreasOf.tsx';
import { areasOf, movedArea } from './areaChanges.ts';
import { FilmCut } from './FilmCut.tsx';
import { StageNav } from '../../components/StageNav.tsx';
import { MeasuredPanel } from './MeasuredPanel.tsx';
import { NewView } from './NewView.tsx';
import { hexIn, useLivery, useMeasured } from './useLivery.ts';
import { BesideViews } from './BesideViews.tsx';
import { printingOf } from './useMarkings.ts';
import { Spoons } from './Spoons.tsx';
import { ViewCanvas } from './ViewCanvas.tsx';
import { ViewParts } from './ViewParts.tsx';
import { ViewNav } from './ViewNav.tsx';
import './livery.css';

/** The model from each side, with the areas of colour that lie on it. */
export function AreasScreen() {
  const { build, kit, codes, predicted, ready, error } = useLivery();
  const { viewId } = useParams();
  const navigate = useNavigate();
  const [light, setLight] = useState<IlluminantId>('D65');
  const [chosenId, setChosenId] = useState<string>();
  const [problem, setProblem] = useState<string | null>(null);
  const view = kit?.views.find(({ id }) => id === viewId) ?? kit?.views[0];
  // The one that is open, and the others of the same part.
  const shown = useMemo(
    () =>
      view && kit
        ? [view, ...kit.views.filter(({ id, partId }) => id !== view.id && partId === view.partId)]
        : [],
    [view, kit],
  );
  const { state, newest } = useMeasured(kit, shown);
  if (!ready || !kit) return <Loading what="the livery" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const areas = view ? areasOf(kit, view.id) : [];
  const chosen = areas.find(({ id }) => id === chosenId);
  const measured = newest?.find((each) => each.viewId === view?.id)?.measured;
  const hexOf = (finishId: string | null) => hexIn(finishId, kit, codes, light, predicted);
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(build.id, changes, label)
      .then(() => setProblem(null))
      .catch((failure: unknown) => setProblem((failure as Error).message));
  const put = (area: LiveryArea, label: string) =>
    change([{ kind: 'livery-area', id: area.id, value: area }], label);
  const addressOf = (id: string) => `/build/${build.id}/livery/${id}`;
  const openView = (id: string) => void navigate(addressOf(id));
  return (
    <div className="columns livery">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <StageNav stage="livery" buildId={build.id} open=":viewId?" />
        <ViewNav
          views={kit.views}
          open={view}
          addressOf={addressOf}
          wordsOf={({ side }) => side.replace('-', ', ')}
        />
        <NewView key={build.id} buildId={build.id} kit={kit} scale={build.scale} onAdded={openView} />
      </section>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 className="grows">{view?.name ?? 'Views and areas'}</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        {problem && (
          <p role="alert" className="panel warned">
            {problem}
          </p>
        )}
        {!view ? (
          <p className="panel">
            Begin with a view: a plain outline stretched to the length and height of your model. Areas of
            colour on it measure themselves, and the order of colours with the least masking follows.
          </p>
        ) : (
          <>
            <ViewCanvas
              view={view}
              areas={areas}
              measured={measured}
              chosen={chosen}
              hexOf={hexOf}
              onChoose={setChosenId}
              onMove={(dx, dy) => chosen && put(movedArea(chosen, dx, dy), `move ${chosen.name}`)}
              onTurn={(by) => {
                const at = kit.views.indexOf(view) + by + kit.views.length;
                openView(kit.views[at % kit.views.length]!.id);
              }}
            />
            <BesideViews views={shown.slice(1)} measured={newest ?? []} hexOf={hexOf} addressOf={addressOf} />
            <AreasOf
              buildId={build.id}
              view={view}
              kit={kit}
              areas={areas}
              chosen={chosen}
              hexOf={hexOf}
              onChoose={setChosenId}
              onChange={change}
              onProblem={setProblem}
            />
            <ViewParts
              key={view.id}
              view={view}
              kit={kit}
              buildId={build.id}
              areas={areas}
              finishId={chosen?.finishId ?? null}
              onChange={change}
              onProblem={setProblem}
            />
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {view && measured ? (
          <>
            <Spoons kit={kit} codes={codes} measured={measured} light={light} predicted={predicted} />
            <MeasuredPanel view={view} kit={kit} measured={measured} />
            {chosen && (
              <FilmCut
                key={chosen.id}
                area={chosen}
                view={view}
                measured={measured}
                printing={printingOf(kit)}
                onSave={(more) => put({ ...chosen, ...more }, `film of ${chosen.name}`)}
              />
            )}
          </>
        ) : (
          <p className="soft small">
            {state.kind === 'failed' ? state.message : 'Measured once there is a view.'}
          </p>
        )}
      </section>
    </div>
  );
}
