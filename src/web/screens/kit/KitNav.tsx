import { NavLink } from 'react-router';
import { drawerAddress, useDrawers, type DrawerFacts } from '../../components/drawers.ts';

/** The drawers of the kit, each with its state. */
export function KitNav(facts: DrawerFacts) {
  const drawers = useDrawers('kit');
  return (
    <nav aria-label="Drawers of the kit">
      <ul className="viewnav">
        {drawers.map((drawer) => (
          <li key={drawer.path}>
            <NavLink
              to={drawerAddress(drawer, { buildId: facts.build.id })}
              end={drawer.path === ''}
              className={({ isActive }) => (isActive ? 'active' : '')}
            >
              <b>{drawer.title}</b>
              <span className="soft small">{drawer.state?.(facts)}</span>
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}
