import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useLocation, useNavigate, useParams, useRouteError } from 'react-router';
import { useBench } from '../data/bench.ts';
import { useKit } from '../data/kit.ts';
import { undo, useUndoState } from '../data/undo.ts';
import { recordFaults } from './recordFaults.ts';

/** Stands in for a screen that failed, with the rest of the bench around it: what it said, which records contradict
 *  themselves, and the ways out. */
export function ErrorPage() {
  const error = useRouteError() as Error;
  const { buildId, trayId } = useParams();
  const { data } = useBench();
  const { kit } = useKit(buildId);
  const { undoLabel } = useUndoState();
  const location = useLocation();
  const navigate = useNavigate();
  const [refused, setRefused] = useState<string | null>(null);
  const build = data?.builds.find(({ id }) => id === buildId);
  const tray = build?.trays.find(({ id }) => id === trayId);
  const faults = build ? recordFaults(build, kit) : [];
  const again = () => void navigate(location, { replace: true });
  const takeBack = () =>
    undo()
      .then(again)
      .catch((fault: unknown) => setRefused((fault as Error).message));
  return (
    <div className="empty panel" role="alert">
      <h2>This screen broke</h2>
      <p>
        {build && `It was showing ${tray ? `“${tray.name}” of ` : ''}${build.name}. `}
        It said: {error.message}. What you saved is safe, and the other screens go on.
      </p>
      {faults.length > 0 && (
        <ul>
          {faults.map(({ text, path }) => (
            <li key={text}>
              {text} <Link to={path}>Open it</Link>
            </li>
          ))}
        </ul>
      )}
      {refused && <p>{refused}</p>}
      <p className="in-row g10 breaks mt12">
        {undoLabel && <Button onClick={() => void takeBack()}>Undo the last change: {undoLabel}</Button>}
        <Button onClick={again}>Try again</Button>
        {build && (
          <Link to={`/build/${build.id}/kit`} className="quiet">
            Open the kit of {build.name}
          </Link>
        )}
        <Link to="/" className="quiet" reloadDocument>
          Back to your builds
        </Link>
      </p>
    </div>
  );
}
