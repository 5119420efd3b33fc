import { Link, useRouteError } from 'react-router';

/** A wrong address or a screen that failed, with the way back. */
export function NotFoundPage() {
  const error = useRouteError() as Error | undefined;
  return (
    <main className="empty panel" role="alert">
      <h2>{error ? 'This screen broke' : 'Nothing at this address'}</h2>
      <p>
        {error
          ? `It said: ${error.message}. What you saved is safe.`
          : 'The build or page may have been removed, or the address was cut short.'}
      </p>
      <p className="mt12">
        <Link to="/" className="quiet" reloadDocument={Boolean(error)}>
          Back to your builds
        </Link>
      </p>
    </main>
  );
}
