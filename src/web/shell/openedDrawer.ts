import { matchPath } from 'react-router';
import { drawerPattern, type Drawer } from '../components/drawers.ts';
import { DRAWERS, STAGES } from '../drawers.ts';

const placeholders = (pattern: string): number => pattern.split(':').length - 1;

/** Drawers by their addresses; one without a placeholder, or with more words, comes before one that its place could stand in. */
const BY_ADDRESS = DRAWERS.map((drawer) => ({ drawer, pattern: drawerPattern(drawer) })).sort(
  (a, b) =>
    placeholders(a.pattern) - placeholders(b.pattern) ||
    b.pattern.split('/').length - a.pattern.split('/').length,
);

/** The drawer that an address opens, and the build that it is of; undefined where it opens none. */
export function openedDrawer(pathname: string): { drawer: Drawer; buildId: string | undefined } | undefined {
  for (const { drawer, pattern } of BY_ADDRESS) {
    const match = matchPath(pattern, pathname);
    if (match) return { drawer, buildId: (match.params as { buildId?: string }).buildId };
  }
  return undefined;
}

/** A drawer by its stage and title: "Kit, version". */
export function drawerName({ stage, title }: Drawer): string {
  const name = STAGES.find(({ path }) => path === stage)?.name;
  return name === undefined || name === title ? title : `${name}, ${title.toLowerCase()}`;
}
