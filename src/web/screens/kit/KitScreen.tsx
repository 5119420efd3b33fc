import { lazy, Suspense, type ComponentType } from 'react';
import { Navigate, useParams } from 'react-router';
import { Loading } from '../../components/Loading.tsx';
import { useKit, useStock } from '../../data/kit.ts';
import { useWorkshop } from '../../data/workshop.ts';
import { KitNav } from './KitNav.tsx';
import type { KitViewProps } from './kitView.ts';
import { useProposal } from './useProposal.ts';
import './kit.css';

const VIEWS: Readonly<Record<string, ComponentType<KitViewProps>>> = {
  parts: lazy(async () => ({ default: (await import('./PartsView.tsx')).PartsView })),
  version: lazy(async () => ({ default: (await import('./VersionView.tsx')).VersionView })),
  evidence: lazy(async () => ({ default: (await import('./EvidenceView.tsx')).EvidenceView })),
  joints: lazy(async () => ({ default: (await import('./JointsView.tsx')).JointsView })),
  trays: lazy(async () => ({ default: (await import('./TraysView.tsx')).TraysView })),
  fit: lazy(async () => ({ default: (await import('./FitView.tsx')).FitView })),
  runs: lazy(async () => ({ default: (await import('./RunsView.tsx')).RunsView })),
  needs: lazy(async () => ({ default: (await import('./NeedsView.tsx')).NeedsView })),
  lessons: lazy(async () => ({ default: (await import('./LessonsView.tsx')).LessonsView })),
};

/** What is in the box, what will be built from it, and what is joined before paint and what after. */
export function KitScreen() {
  const { view = 'parts' } = useParams();
  const { build, ready, error } = useWorkshop();
  const { kit, error: kitError } = useKit(build?.id);
  const stock = useStock();
  const proposals = useProposal(kit && kit.parts.length > 0 ? kit : undefined);
  if (!ready) return <Loading what="the kit" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!kit || !stock) return <Loading what="the kit" error={kitError} />;
  const View = Object.hasOwn(VIEWS, view) ? VIEWS[view] : undefined;
  if (!View) return <Navigate to={`/build/${build.id}/kit`} replace />;
  return (
    <div className="columns kit">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <KitNav build={build} kit={kit} proposals={proposals} />
      </section>
      <Suspense fallback={<Loading what="the view" error={undefined} />}>
        <View build={build} kit={kit} stock={stock} proposals={proposals} />
      </Suspense>
    </div>
  );
}
