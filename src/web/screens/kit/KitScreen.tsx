import { createElement, Suspense } from 'react';
import { Navigate, useParams } from 'react-router';
import { useDrawers, viewOf } from '../../components/drawers.ts';
import { DrawerNav } from '../../components/DrawerNav.tsx';
import { Loading } from '../../components/Loading.tsx';
import { useKit, useStock } from '../../data/kit.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import type { KitViewProps } from './kitView.ts';
import { useProposal } from './useProposal.ts';
import './kit.css';

/** What is in the box, what will be built from it, and what is joined before paint and what after. */
export function KitScreen() {
  const { view = '' } = useParams();
  const drawer = useDrawers('kit').find(({ path }) => path === view);
  const { build, ready, error } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const stock = useStock();
  const proposals = useProposal(kit && kit.parts.length > 0 ? kit : undefined);
  if (!ready) return <Loading what="the kit" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!kit || !stock) return <Loading what="the kit" error={kitError} />;
  if (!drawer) return <Navigate to={`/build/${build.id}/kit`} replace />;
  return (
    <div className="columns kit">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <DrawerNav
          stage="kit"
          called="the kit"
          build={build}
          kit={kit}
          jointsAfter={proposals.newest?.decisions.filter(({ when }) => when === 'after').length}
        />
      </section>
      <Suspense fallback={<Loading what="the view" error={undefined} />}>
        {createElement(viewOf<KitViewProps>(drawer), { build, kit, stock, proposals })}
      </Suspense>
    </div>
  );
}
