import { lazy, Suspense, useEffect } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Outlet, useLocation, useMatch } from 'react-router';
import { DrawersContext } from '../components/drawers.ts';
import { sendUnsent } from '../data/saving.ts';
import { PlanProvider } from '../data/plan.tsx';
import { DRAWERS } from '../drawers.ts';
import { DryingRack } from './DryingRack.tsx';
import { FirstHour } from './FirstHour.tsx';
import { PageTitle } from './PageTitle.tsx';
import { ErrorBanner } from './ErrorBanner.tsx';
import { prefetchViews } from './prefetchViews.ts';
import { StageRunner } from './StageRunner.tsx';
import { StandingWords } from './StandingWords.tsx';
import { TopBand } from './TopBand.tsx';
import { useShortcuts } from './useShortcuts.ts';

const CommandPalette = lazy(() =>
  import('./CommandPalette.tsx').then(({ CommandPalette }) => ({ default: CommandPalette })),
);
const ConflictDialog = lazy(() =>
  import('./ConflictDialog.tsx').then(({ ConflictDialog }) => ({ default: ConflictDialog })),
);
const ShortcutSheet = lazy(() =>
  import('./ShortcutSheet.tsx').then(({ ShortcutSheet }) => ({ default: ShortcutSheet })),
);

/** A part of the frame that failed leaves the rest standing. */
const failed =
  (what: string) =>
  ({ error }: { error: unknown }) => (
    <p role="alert" className="refusal">
      {what} cannot be shown: {(error as Error).message}
    </p>
  );

/** What stays on every screen: name band, stages, the view, the drying rack. */
export function Shell() {
  const match = useMatch('/build/:buildId/*');
  const buildId = match?.params.buildId;
  const { pathname } = useLocation();
  const { sheet, palette, setSheet, setPalette } = useShortcuts(buildId);

  useEffect(() => void sendUnsent(), []);
  useEffect(() => (import.meta.env.PROD ? prefetchViews() : undefined), []);

  return (
    <DrawersContext.Provider value={DRAWERS}>
      <PlanProvider>
        <div className="shell">
          <a className="skip" href="#desk">
            Skip to the view
          </a>
          <TopBand buildId={buildId} onPalette={() => setPalette(true)} onSheet={() => setSheet(true)} />
          <StandingWords />
          <ErrorBanner />
          {buildId && (
            <ErrorBoundary fallbackRender={failed('The stages of this build')} resetKeys={[pathname]}>
              <StageRunner buildId={buildId} />
            </ErrorBoundary>
          )}
          <main id="desk" className="desk" tabIndex={-1} style={{ outline: 'none' }}>
            <PageTitle />
            {buildId && <FirstHour key={buildId} buildId={buildId} />}
            <Suspense fallback={null}>
              <Outlet />
            </Suspense>
          </main>
          <ErrorBoundary fallbackRender={failed('What is drying')} resetKeys={[pathname]}>
            <DryingRack />
          </ErrorBoundary>
        </div>
        <Suspense fallback={null}>
          <ConflictDialog />
        </Suspense>
        <Suspense fallback={null}>
          {palette && <CommandPalette buildId={buildId} onClose={() => setPalette(false)} />}
          {sheet && <ShortcutSheet onClose={() => setSheet(false)} />}
        </Suspense>
      </PlanProvider>
    </DrawersContext.Provider>
  );
}
