import { VisuallyHidden } from '@mantine/core';
import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { useBench } from '../data/bench.ts';
import { drawerName, openedDrawer } from './openedDrawer.ts';

/** Says which page is open: in the tab of the browser, and as the heading of first level. */
export function PageTitle() {
  const { pathname } = useLocation();
  const { data } = useBench();
  const opened = openedDrawer(pathname);
  const build = data?.builds.find(({ id }) => id === opened?.buildId);
  const place = opened ? drawerName(opened.drawer) : 'Nothing here';
  const title = build ? `${place}: ${build.name}` : place;
  useEffect(() => {
    document.title = `${title} · Fanfare`;
  }, [title]);
  return <VisuallyHidden component="h1">{title}</VisuallyHidden>;
}
