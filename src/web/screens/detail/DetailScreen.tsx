import { createElement, Suspense } from 'react';
import { Navigate, useParams } from 'react-router';
import { useDrawers, viewOf } from '../../components/drawers.ts';
import { DrawerNav } from '../../components/DrawerNav.tsx';
import { Loading } from '../../components/Loading.tsx';
import { useBuildContext } from '../../data/buildContext.ts';
import { useKit, useStock } from '../../data/kit.ts';
import type { DetailViewProps } from './detailView.ts';
import './detail.css';

/** What is added to a kit beyond its own parts. */
export function DetailScreen() {
  const { view = '' } = useParams();
  const drawer = useDrawers('detail').find(({ path }) => path === view);
  const { build, ready, error } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const stock = useStock();
  if (!ready) return <Loading what="the detail" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!kit || !stock) return <Loading what="the detail" error={kitError} />;
  if (!drawer) return <Navigate to={`/build/${build.id}/detail`} replace />;
  return (
    <div className="columns kit">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <DrawerNav stage="detail" called="the detail" build={build} kit={kit} jointsAfter={undefined} />
      </section>
      <Suspense fallback={<Loading what="the view" error={undefined} />}>
        {createElement(viewOf<DetailViewProps>(drawer), { build, kit, stock })}
      </Suspense>
    </div>
  );
}
