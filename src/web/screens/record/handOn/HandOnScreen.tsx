import { Button } from '@mantine/core';
import Papa from 'papaparse';
import { Link } from 'react-router';
import { PATHS } from '../../../../api/index.ts';
import { Loading } from '../../../components/Loading.tsx';
import { partRows } from '../../../../core/kit/index.ts';
import { StageNav } from '../../../components/StageNav.tsx';
import { useBuildContext } from '../../../data/buildContext.ts';
import { documentAddress } from '../../../data/handOn.ts';
import { useKit } from '../../../data/kit.ts';
import { saveFile } from '../../../data/saveFile.ts';
import { OpenHandedOn } from './OpenHandedOn.tsx';

/** Where else something of a build is given out, and in which form. */
const ELSEWHERE = [
  { path: 'kit/needs', what: 'Shopping list', form: 'CSV' },
  { path: 'plan', what: 'Plan', form: 'iCalendar and CSV' },
  { path: 'plan/sheet', what: 'Run sheet', form: 'to print' },
  {
    path: 'livery/sheets',
    what: 'Markings and masks',
    form: 'PDF and SVG at exact size, HPGL for the cutter',
  },
  { path: 'record/log', what: 'Log', form: 'CSV' },
  { path: 'record/book', what: 'Build book and card', form: 'PDF, and to print' },
] as const;
const OF_THE_BENCH = [
  { to: '/shelf', what: 'Shelf with prices', form: 'CSV' },
  { to: '/codes', what: 'Codes and swatches', form: 'CSV, CGATS, CxF 3, GIMP palette' },
  { to: '/bench', what: 'The whole bench', form: 'backup, and a backup restored' },
] as const;

/** A build given to somebody else, one taken from somebody, and every other form in which something is given out. */
export function HandOnScreen() {
  const { build, ready, error } = useBuildContext();
  const { kit } = useKit(build?.id);
  if (!ready) return <Loading what="the build" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  return (
    <div className="columns kit">
      <section className="column" aria-label="What there is">
        <h2>What there is</h2>
        <StageNav stage="record" buildId={build.id} open="hand-on" />
        <div className="panel">
          <h3>In other forms</h3>
          <Button
            variant="default"
            mt={6}
            disabled={!kit || kit.parts.length === 0}
            onClick={() =>
              kit && saveFile(`parts-${build.id}.csv`, Papa.unparse(partRows(kit.parts, kit.finishes)))
            }
          >
            Save the parts list as CSV
          </Button>
          <ul className="mt6">
            {ELSEWHERE.map(({ path, what, form }) => (
              <li key={path}>
                <Link to={`/build/${build.id}/${path}`}>{what}</Link>
                <span className="soft small block">{form}</span>
              </li>
            ))}
            {OF_THE_BENCH.map(({ to, what, form }) => (
              <li key={to}>
                <Link to={to}>{what}</Link>
                <span className="soft small block">{form}</span>
              </li>
            ))}
          </ul>
        </div>
      </section>
      <section className="column" aria-label="Hand it on">
        <h2>Hand it on</h2>
        <div className="panel stacked g8">
          <h3>{build.name}, whole</h3>
          <p>
            Everything that was entered: kit, joints, sub-assemblies, stacks, livery, details, what was done
            and how long it took, cups and spoons; with the codes and paints that it names, and the lessons
            and spares that came from it. Whoever opens it goes on where you are.
          </p>
          <p className="in-row g10 breaks">
            <a className="quiet" href={documentAddress(build.id, false)} download>
              Save as JSON
            </a>
            <a className="quiet" href={documentAddress(build.id, true)} download>
              Save with its pictures
            </a>
          </p>
          <p className="small soft">
            In JSON alone there is no picture; what showed one says so. What is on your shelf, your evenings
            and other builds stay here. The form is open:{' '}
            <a href={PATHS.documentSchema} target="_blank" rel="noreferrer">
              its JSON Schema
            </a>
            .
          </p>
        </div>
        <div className="panel stacked g8">
          <h3>All builds of this bench</h3>
          <p>
            One archive with every build and its pictures, every lesson and every spare. Whoever opens it
            chooses which of them come in, one after the other.
          </p>
          <p>
            <a className="quiet" href={PATHS.benchDocument} download>
              Save all builds with their pictures
            </a>
          </p>
          <p className="small soft">
            To keep or move the bench as it stands, shelf and evenings too, make a{' '}
            <Link to="/bench">backup</Link>.
          </p>
        </div>
      </section>
      <section className="column" aria-label="Take one over">
        <h2>Take one over</h2>
        <OpenHandedOn />
      </section>
    </div>
  );
}
