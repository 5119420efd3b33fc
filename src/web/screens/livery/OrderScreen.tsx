import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { IlluminantId } from '../../../core/colour/index.ts';
import type { Kit } from '../../../core/kit/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { LiveryNav } from './LiveryNav.tsx';
import { OrderOfColours } from './OrderOfColours.tsx';
import { hexIn, useLivery, useOrders, type Body } from './useLivery.ts';
import './livery.css';

/** Views by the sub-assembly whose parts they show: what is painted as one. */
function bodiesOf(
  kit: Kit,
  trays: readonly { id: string; name: string; parts: readonly { id: string }[] }[],
): Body[] {
  const bodies = new Map<string, Body>();
  for (const view of kit.views) {
    const tray = trays.find(({ parts }) => parts.some(({ id }) => id === view.partId));
    const id = tray?.id ?? '';
    const body = bodies.get(id) ?? { id, name: tray?.name ?? 'Views of no part', views: [] };
    body.views.push(view);
    bodies.set(id, body);
  }
  return [...bodies.values()];
}

/** Which colour goes on first, what is masked each time, and with what. */
export function OrderScreen() {
  const { build, kit, codes, finishes, ready, error } = useLivery();
  const [light, setLight] = useState<IlluminantId>('D65');
  const bodies = useMemo(() => (kit && build ? bodiesOf(kit, build.trays) : []), [kit, build]);
  const { state, newest } = useOrders(kit, finishes, bodies);
  if (!ready || !kit) return <Loading what="the livery" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  return (
    <div className="columns livery order">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <LiveryNav buildId={build.id} open="order" />
      </section>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 style={{ flex: 1 }}>Order of colours</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        {bodies.length === 0 && (
          <p className="panel">
            The order follows from <Link to={`/build/${build.id}/livery`}>views with areas of colour</Link>:
            which colour first, what is masked each time, and with what.
          </p>
        )}
        {state.kind === 'failed' && <p role="alert">{state.message}</p>}
        {state.kind === 'working' && !newest && <p role="status">Working it out…</p>}
        {bodies.map((body) => (
          <OrderOfColours
            key={body.id}
            body={body}
            answer={newest?.find(({ id }) => id === body.id)}
            finishes={finishes}
            hexOf={(finishId) => hexIn(finishId, kit, codes, light)}
          />
        ))}
      </section>
    </div>
  );
}
