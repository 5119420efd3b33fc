import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { IlluminantId } from '../../../core/colour/index.ts';
import { bodiesOf } from '../../../core/livery/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { CutMasks } from './CutMasks.tsx';
import { StageNav } from '../../components/StageNav.tsx';
import { MaskingPace } from './MaskingPace.tsx';
import { OrderOfColours } from './OrderOfColours.tsx';
import { TakeOrder } from './TakeOrder.tsx';
import { hexIn, useLivery, useOrders } from './useLivery.ts';
import './livery.css';

const NO_PART =
  'Say which part the view shows, in Views and areas: then its order can be taken into the stack of that sub-assembly.';

/** Which colour goes on first, what is masked each time, and with what. */
export function OrderScreen() {
  const { build, kit, codes, predicted, finishes, ready, error } = useLivery();
  const [light, setLight] = useState<IlluminantId>('D65');
  const bodies = useMemo(
    () =>
      kit && build
        ? bodiesOf(
            kit,
            build.trays.map(({ id, parts }) => ({ id, partIds: parts.map((part) => part.id) })),
          )
        : [],
    [kit, build],
  );
  const { state, newest } = useOrders(kit, finishes, bodies);
  if (!ready || !kit) return <Loading what="the livery" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  return (
    <div className="columns livery order">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <StageNav stage="livery" buildId={build.id} open="order" />
        {bodies.length > 0 && <MaskingPace buildId={build.id} kit={kit} />}
      </section>
      <section className="column" aria-label="What you decide">
        <div className="toolrow">
          <h2 className="grows">Order of colours</h2>
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
        {bodies.map((body) => {
          const answer = newest?.find(({ id }) => id === body.trayId);
          const tray = build.trays.find(({ id }) => id === body.trayId);
          const name = tray?.name ?? 'Views of no part';
          return (
            <OrderOfColours
              key={body.trayId}
              name={name}
              views={body.views}
              answer={answer}
              finishes={finishes}
              areas={kit.liveryAreas}
              hexOf={(finishId) => hexIn(finishId, kit, codes, light, predicted)}
            >
              {tray && answer && <TakeOrder build={build} tray={tray} kit={kit} answer={answer} />}
              {answer && <CutMasks build={build} name={name} body={body} kit={kit} answer={answer} />}
              {!tray && <p className="small soft">{NO_PART}</p>}
            </OrderOfColours>
          );
        })}
      </section>
    </div>
  );
}
