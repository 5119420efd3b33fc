import { Link } from 'react-router';
import { drawerAddress, useDrawers } from '../../components/drawers.ts';

/** The drawers of the livery; `open`: the address of the one that is. */
export function LiveryNav({ buildId, open }: { buildId: string; open: string }) {
  return (
    <nav aria-label="Drawers of the livery">
      <ul className="viewnav">
        {useDrawers('livery').map((drawer) => (
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
