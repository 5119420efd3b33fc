import { RequestProblem, Unreachable } from '../data/request.ts';

/** Stands in for a view while its data is on the way, or says why it does not come. */
export function Loading({ what, error }: { what: string; error?: Error }) {
  if (!error)
    return (
      <p className="loading" role="status">
        Fetching {what}…
      </p>
    );
  const remedy =
    error instanceof Unreachable
      ? 'Is Fanfare still running? Start it again with npm start (or npm run demo); this page goes on by itself.'
      : error instanceof RequestProblem
        ? (error.problem.remedy ?? 'Reload the page.')
        : 'Reload the page.';
  return (
    <div className="empty panel" role="alert">
      <h2>{what[0]!.toUpperCase() + what.slice(1)} did not arrive</h2>
      <p>{error.message}</p>
      <p className="soft">{remedy} Nothing that was saved is lost.</p>
    </div>
  );
}
