import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Loading } from '../../components/Loading.tsx';
import { TrayList } from '../../components/TrayList.tsx';
import { removeBuild } from '../../data/bench.ts';
import { useWorkshop } from '../../data/workshop.ts';
import { JoinPanel } from './JoinPanel.tsx';
import { NewTray } from './NewTray.tsx';
import { TrayEditor } from './TrayEditor.tsx';

/** What is in the box, laid out in trays of what is painted together. */
export function KitScreen() {
  const { build, codes, products, ready, error } = useWorkshop();
  const [chosenId, setChosenId] = useState<string>();
  const navigate = useNavigate();
  if (!ready) return <Loading what="the kit" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const tray = build.trays.find(({ id }) => id === chosenId) ?? build.trays[0];
  const pieces = (list: typeof build.trays) =>
    list.reduce((sum, { parts }) => sum + parts.reduce((n, { count }) => n + count, 0), 0);
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        {build.trays.length > 0 && (
          <TrayList
            trays={build.trays}
            chosen={tray?.id}
            products={products}
            codes={codes}
            note={({ parts, areaCm2 }) =>
              `${parts.reduce((sum, { count }) => sum + count, 0)} parts, ${areaCm2} cm² to paint`
            }
            onChoose={({ id }) => setChosenId(id)}
          />
        )}
        <NewTray build={build} onAdded={setChosenId} />
      </section>
      <section className="column" aria-label="What you decide">
        <h2>What you decide</h2>
        {tray ? (
          <TrayEditor key={tray.id} tray={tray} />
        ) : (
          <div className="panel">
            <h3>Begin with one sub-assembly</h3>
            <p>
              A sub-assembly is what you join before paint and finish as one: the body, the chassis, the
              wheels. Name one on the left, then paste its parts and say how large it is. Colour, finish and
              plan follow from that.
            </p>
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>In the box</h3>
          <dl className="rows">
            <dt>Parts</dt>
            <dd className="mono">{pieces(build.trays)}</dd>
            <dt>Sub-assemblies</dt>
            <dd className="mono">{build.trays.length}</dd>
            <dt>To paint</dt>
            <dd className="mono">{build.trays.reduce((sum, { areaCm2 }) => sum + areaCm2, 0)} cm²</dd>
          </dl>
        </div>
        <JoinPanel build={build} />
        <button
          type="button"
          className="quiet"
          onClick={() => {
            if (
              window.confirm(`Remove "${build.name}" with its sub-assemblies and log? This cannot be undone.`)
            ) {
              void removeBuild(build.id).then(() => navigate('/'));
            }
          }}
        >
          Remove this build
        </button>
      </section>
    </div>
  );
}
