import { VisuallyHidden } from '@mantine/core';
import { useEffect } from 'react';
import { matchPath, useLocation } from 'react-router';
import { useBench } from '../data/bench.ts';
import { DRAWERS } from '../drawers.ts';
import { STAGES } from './stages.ts';

/** The drawer that an address opens, and the build that it is of; an address without a placeholder comes first. */
export function openedAt(pathname: string) {
  const addresses = DRAWERS.map((drawer) => ({
    drawer,
    address: drawer.stage === null ? `/${drawer.path}` : `/build/:buildId/${drawer.stage}/${drawer.path}`,
  }));
  const plain = ({ address }: { address: string }) => (address.match(/:/g) ?? []).length;
  for (const { drawer, address } of addresses.sort((a, b) => plain(a) - plain(b))) {
    const match = matchPath(address, pathname);
    if (match) return { drawer, buildId: (match.params as { buildId?: string }).buildId };
  }
  return undefined;
}

/** Says which page is open: in the tab of the browser, and as the heading of first level. */
export function PageTitle() {
  const { pathname } = useLocation();
  const { data } = useBench();
  const opened = openedAt(pathname);
  const build = data?.builds.find(({ id }) => id === opened?.buildId);
  const stage = STAGES.find(({ path }) => path === opened?.drawer.stage)?.name;
  const title = opened?.drawer.title ?? 'Nothing here';
  const place = stage === undefined || stage === title ? title : `${stage}, ${title.toLowerCase()}`;
  const whole = build ? `${place}: ${build.name}` : place;
  useEffect(() => {
    document.title = `${whole} · Fanfare`;
  }, [whole]);
  return <VisuallyHidden component="h1">{whole}</VisuallyHidden>;
}
