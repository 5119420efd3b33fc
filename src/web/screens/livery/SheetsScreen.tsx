import { useState } from 'react';
import { Link } from 'react-router';
import type { Printing } from '../../../core/kit/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { StageNav } from '../../components/StageNav.tsx';
import { SheetPicture } from './SheetPicture.tsx';
import { SheetSettings } from './SheetSettings.tsx';
import { pageName, SheetsFollow } from './SheetsFollow.tsx';
import { useLivery } from './useLivery.ts';
import { capital } from './worded.ts';
import { printingOf, useSheets } from './useMarkings.ts';
import './livery.css';

/** The markings that are printed, laid on as few sheets as hold them, at exact scale. */
export function SheetsScreen() {
  const { build, kit, ready, error } = useLivery();
  const [problem, setProblem] = useState<string | null>(null);
  const { state, newest } = useSheets(kit, build?.scale);
  if (!ready || !kit) return <Loading what="the sheets" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const printing = printingOf(kit);
  const said = (failure: unknown) => setProblem((failure as Error).message);
  const put = (more: Partial<Printing>) => {
    const value = { ...printing, ...more, id: printing.id || newId(build.id) };
    void changeKit(build.id, [{ kind: 'printing', id: value.id, value }], 'how markings are printed')
      .then(() => setProblem(null))
      .catch(said);
  };
  const failed = state.kind === 'failed' ? state.message : null;
  const sheets = failed === null ? newest : undefined;
  return (
    <div className="columns livery">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <StageNav stage="livery" buildId={build.id} open="sheets" />
        <SheetSettings printing={printing} onSave={put} />
      </section>
      <section className="column" aria-label="What you decide">
        <h2>Print sheets</h2>
        {[problem, failed].map(
          (words) =>
            words && (
              <p key={words} role="alert" className="panel warned">
                {words}
              </p>
            ),
        )}
        {sheets?.pages.length === 0 || kit.markings.length === 0 ? (
          <p className="panel">
            Nothing is printed yet: in <Link to={`/build/${build.id}/livery/markings`}>Markings</Link>, take
            “own print” or “paper or card” for one, and say what it shows.
          </p>
        ) : !sheets && failed === null ? (
          <p role="status">Laying them out…</p>
        ) : (
          <div className="sheets">
            {sheets?.pages.map((page, at) => (
              <figure key={at}>
                <SheetPicture page={page} label={capital(pageName(page))} />
                <figcaption className="small">
                  {capital(pageName(page))}
                  {page.plate === 'white' && ': black is where white goes'}
                </figcaption>
              </figure>
            ))}
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {sheets && <SheetsFollow sheets={sheets} kit={kit} build={build} onFailed={said} />}
      </section>
    </div>
  );
}
