import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** A stage that has nothing to work on yet: what belongs here, and the way to the first step. */
export function EmptyStage({
  title,
  buildId,
  children,
}: {
  title: string;
  buildId: string;
  children: ReactNode;
}) {
  return (
    <div className="empty">
      <h2>{title}</h2>
      <p>{children}</p>
      <Link className="action" style={{ width: 'max-content', marginTop: 14 }} to={`/build/${buildId}/kit`}>
        Go to the Kit stage
      </Link>
    </div>
  );
}
