import { Link } from 'react-router';
import type { LiveryView } from '../../../core/kit/index.ts';

interface ViewNavProps {
  views: readonly LiveryView[];
  open: LiveryView | undefined;
  addressOf: (viewId: string) => string;
  /** Said beneath its name. */
  wordsOf: (view: LiveryView) => string;
}

/** The views of a build, the open one marked. */
export const ViewNav = ({ views, open, addressOf, wordsOf }: ViewNavProps) => (
  <ul className="viewnav" aria-label="Views">
    {views.map((view) => (
      <li key={view.id}>
        <Link to={addressOf(view.id)} className={view.id === open?.id ? 'active' : ''}>
          <b>{view.name}</b>
          <span className="soft small">{wordsOf(view)}</span>
        </Link>
      </li>
    ))}
  </ul>
);
