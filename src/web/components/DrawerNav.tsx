import { UnstyledButton } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import { drawerAddress, useDrawers, type Drawer, type DrawerFacts } from './drawers.ts';

/** Of the drawer before, so that it is seen that there is one. */
const BESIDE_PX = 24;

interface DrawerNavProps extends DrawerFacts {
  stage: string;
  /** As it is spoken: "the kit". */
  called: string;
}

/** The drawers of a stage, each with its state. Where they come in groups, that of the open drawer is unfolded, and each that
 *  is asked for; in one row all of them stand. */
export function DrawerNav({ stage, called, ...facts }: DrawerNavProps) {
  const drawers = useDrawers(stage);
  const list = useRef<HTMLUListElement>(null);
  const { pathname } = useLocation();
  const address = (drawer: Drawer) => drawerAddress(drawer, { buildId: facts.build.id });
  const current = drawers.find((drawer) => address(drawer) === pathname)?.group;
  const [asked, setAsked] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    // Where they stand in one row, the open one may lie beside the screen.
    const open = list.current?.querySelector<HTMLElement>('.active');
    if (list.current && open) list.current.scrollLeft = open.offsetLeft - list.current.offsetLeft - BESIDE_PX;
  }, [pathname]);
  const toggle = (group: string) =>
    setAsked((before) => {
      const next = new Set(before);
      if (!next.delete(group)) next.add(group);
      return next;
    });
  return (
    <nav aria-label={`Drawers of ${called}`}>
      <ul className="viewnav" ref={list}>
        {drawers.flatMap((drawer, at) => {
          const { group } = drawer;
          const isOpen = group === undefined || group === current || asked.has(group);
          const isFirst = group !== undefined && group !== drawers[at - 1]?.group;
          return [
            ...(isFirst
              ? [
                  <li key={group} className="viewgroup">
                    <UnstyledButton
                      aria-expanded={isOpen}
                      disabled={group === current}
                      onClick={() => toggle(group)}
                    >
                      {group}
                    </UnstyledButton>
                  </li>,
                ]
              : []),
            <li key={drawer.path} className={isOpen ? '' : 'folded'}>
              <NavLink
                to={address(drawer)}
                end={drawer.path === ''}
                className={({ isActive }) => (isActive ? 'active' : '')}
              >
                <b>{drawer.title}</b>
                <span className="soft small">{drawer.state?.(facts)}</span>
              </NavLink>
            </li>,
          ];
        })}
      </ul>
    </nav>
  );
}
