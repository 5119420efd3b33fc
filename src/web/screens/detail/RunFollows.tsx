import { Link } from 'react-router';
import { bare, figure } from '../../../core/figures.ts';
import { routeOfRun, runAtScale, type Kit, type Run } from '../../../core/kit/index.ts';
import { endLines, routeLines } from '../../../core/plan/index.ts';
import { partOptions } from '../kit/partNames.ts';
import type { DetailViewProps } from './detailView.ts';

interface RunFollowsProps {
  run: Run;
  name: string;
  kit: Kit;
  build: DetailViewProps['build'];
}

/** What follows for one run: wire and drill, length and bends, fittings. */
export function RunFollows({ run, name, kit, build }: RunFollowsProps) {
  const { scaleMm, wireMm, drillMm, off } = runAtScale(run, build.scale);
  const [least, most] = scaleMm.map((mm) => bare(mm, 'mm'));
  const holes = [run.fromEnd, run.toEnd].some((end) => end !== 'unseen');
  return (
    <div className="finding note mt8">
      <b>{name}</b>
      <p>
        Take <span className="mono">{wireMm} mm</span> wire or tube
        {drillMm !== undefined && holes && (
          <>
            , drill <span className="mono">{figure(drillMm, 'mm')}</span>
          </>
        )}
        .
      </p>
      <p className="soft small">
        True to scale <span className="mono">{least === most ? least : `${least} to ${most}`} mm</span>
        {Math.abs(off) >= 0.05 &&
          `; that wire is ${Math.round(100 * Math.abs(off))} % ${off > 0 ? 'thicker' : 'thinner'} than the middle`}
        .
      </p>
      <RunLength run={run} kit={kit} build={build} />
      {[...routeLines(run, kit, build.scale), ...endLines(run, wireMm)].map((line) => (
        <p key={line} className="small">
          {line}
        </p>
      ))}
    </div>
  );
}

/** How long it is cut, from where that is known, and what is in the way. */
function RunLength({ run, kit, build }: Omit<RunFollowsProps, 'name'>) {
  const { lengthMm, isMeasured, missing, through, route, fault } = routeOfRun(run, kit, build.scale);
  const names = new Map(partOptions(kit).map(({ value, label }) => [value, label]));
  const called = (ids: readonly string[]) =>
    ids.map((id) => names.get(id) ?? 'a part that is gone').join(', ');
  const tight = (route?.bends ?? []).filter(({ isTight }) => isTight);
  return (
    <>
      {fault !== undefined && <p role="alert">{fault}</p>}
      {lengthMm !== null && (
        <p>
          Cut <span className="mono">{figure(lengthMm, 'mm', 1)}</span>{' '}
          {isMeasured ? 'as you measured.' : 'by its route, with what goes into its ends.'}
        </p>
      )}
      {missing.length > 0 && (
        <p className="soft small">
          Its route is not known: say in <Link to={`/build/${build.id}/detail/seen`}>What is seen</Link> where{' '}
          {called(missing)} {missing.length === 1 ? 'sits' : 'sit'}.
        </p>
      )}
      {through.length > 0 && (
        <p className="finding warn">In its way: {called(through)}. Say on which side it goes past.</p>
      )}
      {tight.length > 0 && (
        <p className="finding warn">
          No room for a bend: {figure(Math.min(...tight.map(({ radiusMm }) => radiusMm)), 'mm', 1)} of radius
          is left.
        </p>
      )}
    </>
  );
}
