import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { IlluminantId } from '../../../core/colour/index.ts';
import type { LiveryArea } from '../../../core/kit/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { areasOf, freshArea, movedArea, otherSide, raised } from './areaChanges.ts';
import { AreaForm } from './AreaForm.tsx';
import { AreaList } from './AreaList.tsx';
import { LiveryNav } from './LiveryNav.tsx';
import { MeasuredPanel } from './MeasuredPanel.tsx';
import { NewView } from './NewView.tsx';
import { Openings } from './Openings.tsx';
import { hexIn, useLivery, useMeasured } from './useLivery.ts';
import { Regions } from './Regions.tsx';
import { ViewCanvas } from './ViewCanvas.tsx';
import { ViewForm } from './ViewForm.tsx';
import './livery.css';

/** The model from each side, with the areas of colour that lie on it. */
export function AreasScreen() {
  const { build, kit, codes, ready, error } = useLivery();
  const { viewId } = useParams();
  const navigate = useNavigate();
  const [light, setLight] = useState<IlluminantId>('D65');
  const [chosenId, setChosenId] = useState<string>();
  const [problem, setProblem] = useState<string | null>(null);
  const view = kit?.views.find(({ id }) => id === viewId) ?? kit?.views[0];
  const shown = useMemo(() => (view ? [view] : []), [view]);
  const { state, newest } = useMeasured(kit, shown);
  if (!ready || !kit) return <Loading what="the livery" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const areas = view ? areasOf(kit, view.id) : [];
  const chosen = areas.find(({ id }) => id === chosenId);
  const measured = newest?.find((each) => each.viewId === view?.id)?.measured;
  const hexOf = (finishId: string | null) => hexIn(finishId, kit, codes, light);
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(build.id, changes, label)
      .then(() => setProblem(null))
      .catch((failure: unknown) => setProblem((failure as Error).message));
  const put = (area: LiveryArea, label: string) =>
    change([{ kind: 'livery-area', id: area.id, value: area }], label);
  const openView = (id: string) => void navigate(`/build/${build.id}/livery/${id}`);
  return (
    <div className="columns livery">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <LiveryNav buildId={build.id} open=":viewId?" />
        <ul className="viewnav" aria-label="Views">
          {kit.views.map(({ id, name, side }) => (
            <li key={id}>
              <Link to={`/build/${build.id}/livery/${id}`} className={id === view?.id ? 'active' : ''}>
                <b>{name}</b>
                <span className="soft small">{side.replace('-', ', ')}</span>
              </Link>
            </li>
          ))}
        </ul>
        <NewView key={build.id} buildId={build.id} kit={kit} scale={build.scale} onAdded={openView} />
      </section>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 style={{ flex: 1 }}>{view?.name ?? 'Views and areas'}</h2>
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
              key={view.id}
              view={view}
              areas={areas}
              measured={measured}
              chosen={chosen}
              hexOf={hexOf}
              onChoose={setChosenId}
              onMove={(dx, dy) => chosen && put(movedArea(chosen, dx, dy), `move ${chosen.name}`)}
            />
            <AreaList
              kit={kit}
              areas={areas}
              chosen={chosen}
              hexOf={hexOf}
              onChoose={setChosenId}
              onAdd={(shape, finishId) => {
                const area = freshArea(newId(build.id), view, shape, finishId, areas);
                setChosenId(area.id);
                put(area, `add ${area.name}`);
              }}
              onRaise={(areaId, by) =>
                change(
                  raised(areas, areaId, by).map((value) => ({ kind: 'livery-area', id: value.id, value })),
                  'order of the areas',
                )
              }
              onRemove={({ id, name }) =>
                change([{ kind: 'livery-area', id, value: null }], `take out ${name}`)
              }
            />
            {chosen && (
              <AreaForm
                key={chosen.id}
                area={chosen}
                kit={kit}
                onSave={(more) => put({ ...chosen, ...more }, chosen.name)}
              />
            )}
            <Openings
              key={`openings ${view.id}`}
              view={view}
              onSave={(openings) =>
                change(
                  [{ kind: 'view', id: view.id, value: { ...view, openings } }],
                  `openings of ${view.name}`,
                )
              }
            />
            <Regions
              key={`regions ${view.id}`}
              view={view}
              kit={kit}
              onSave={(regions) =>
                change([{ kind: 'view', id: view.id, value: { ...view, regions } }], `parts on ${view.name}`)
              }
            />
            <ViewForm
              key={`form ${view.id}`}
              view={view}
              kit={kit}
              onSave={(more) =>
                change([{ kind: 'view', id: view.id, value: { ...view, ...more } }], view.name)
              }
              onMirror={() =>
                change(
                  otherSide(
                    view,
                    { areas, markings: kit.markings.filter(({ viewId: on }) => on === view.id) },
                    () => newId(build.id),
                  ),
                  `other side of ${view.name}`,
                )
              }
              onRemove={() => change([{ kind: 'view', id: view.id, value: null }], `remove ${view.name}`)}
            />
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {view && measured ? (
          <MeasuredPanel view={view} kit={kit} measured={measured} />
        ) : (
          <p className="soft small">
            {state.kind === 'failed' ? state.message : 'Measured once there is a view.'}
          </p>
        )}
      </section>
    </div>
  );
}
