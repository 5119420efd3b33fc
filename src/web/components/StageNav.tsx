import { Link } from 'react-router';
import { drawerAddress, useDrawers } from './drawers.ts';

interface StageNavProps {
  stage: string;
  buildId: string;
  /** Path of the drawer that is open, as the table of drawers has it. */
  open: string;
}

/** The drawers of a stage whose pages stand alone. */
export function StageNav({ stage, buildId, open }: StageNavProps) {
  return (
    <nav aria-label={`Drawers of the ${stage}`}>
      <ul className="viewnav">
        {useDrawers(stage).map((drawer) => (
          <li key={drawer.path}>
            <Link
              to={drawerAddress(drawer, { buildId })}
              className={drawer.path === open ? 'active' : ''}
              aria-current={drawer.path === open ? 'page' : undefined}
            >
              <b>{drawer.title}</b>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}
