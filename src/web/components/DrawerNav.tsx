import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { drawerAddress, useDrawers, type DrawerFacts } from './drawers.ts';

/** Of the drawer before, so that it is seen that there is one. */
const BESIDE_PX = 24;

interface DrawerNavProps extends DrawerFacts {
  stage: string;
  /** As it is spoken: "the kit". */
  called: string;
}

/** The drawers of a stage, each with its state. */
export function DrawerNav({ stage, called, ...facts }: DrawerNavProps) {
  const drawers = useDrawers(stage);
  const list = useRef<HTMLUListElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    // Where they stand in one row, the open one may lie beside the screen.
    const open = list.current?.querySelector<HTMLElement>('.active');
    if (list.current && open) list.current.scrollLeft = open.offsetLeft - list.current.offsetLeft - BESIDE_PX;
  }, [pathname]);
  return (
    <nav aria-label={`Drawers of ${called}`}>
      <ul className="viewnav" ref={list}>
        {drawers.flatMap((drawer, at) => [
          ...(drawer.group !== undefined && drawer.group !== drawers[at - 1]?.group
            ? [
                <li key={drawer.group} className="viewgroup">
                  {drawer.group}
                </li>,
              ]
            : []),
          <li key={drawer.path}>
            <NavLink
              to={drawerAddress(drawer, { buildId: facts.build.id })}
              end={drawer.path === ''}
              className={({ isActive }) => (isActive ? 'active' : '')}
            >
              <b>{drawer.title}</b>
              <span className="soft small">{drawer.state?.(facts)}</span>
            </NavLink>
          </li>,
        ])}
      </ul>
    </nav>
  );
}
