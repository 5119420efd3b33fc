import { createContext, lazy, useContext, type ComponentType } from 'react';
import { generatePath } from 'react-router';
import type { BuildRecord } from '../../api/index.ts';
import type { Kit } from '../../core/kit/index.ts';

/** What the state of a drawer is told from, in the menu of its stage. */
export interface DrawerFacts {
  build: BuildRecord;
  kit: Kit;
  /** Joints that the proposal leaves for after paint; absent while it is worked out. */
  jointsAfter: number | undefined;
}

/** A page of the bench, or of a stage of a build. */
export interface Drawer {
  /** Address of the stage it belongs to; null for the bench at large. */
  stage: string | null;
  /** Address below that; '' for what opens first. */
  path: string;
  title: string;
  /** Where a stage has many: those of one group stand together under its name. */
  group?: string;
  /** More words by which it is found. */
  words?: string;
  /** Not in the menu of its stage, nor found by name: it is about something that is opened there. */
  within?: true;
  /** How it stands, in a few words. */
  state?: (facts: DrawerFacts) => string;
  load: () => Promise<ComponentType<never>>;
}

/** All drawers; the shell gives them to the stages, which know none by name. */
export const DrawersContext = createContext<readonly Drawer[]>([]);

/** The drawers of a stage, in order. */
export const useDrawers = (stage: string): Drawer[] =>
  useContext(DrawersContext).filter((drawer) => drawer.stage === stage);

const views = new WeakMap<Drawer, ComponentType<never>>();

/** The view of a drawer, loaded when it is opened first. */
export function viewOf<P>(drawer: Drawer): ComponentType<P> {
  let view = views.get(drawer);
  if (!view) {
    view = lazy(async () => ({ default: (await drawer.load()) as ComponentType<object> }));
    views.set(drawer, view);
  }
  return view as ComponentType<P>;
}

/** The address of a drawer, with its placeholders. */
export const drawerPattern = ({ stage, path }: Pick<Drawer, 'stage' | 'path'>): string =>
  (stage === null ? ['', path] : ['', 'build', ':buildId', stage, path])
    .filter((part, at) => at === 0 || part !== '')
    .join('/') || '/';

/** The address of a drawer; what it leaves open may be left out. Throws Error where something that it needs is missing. */
export const drawerAddress = (drawer: Drawer, params: { buildId?: string; trayId?: string } = {}): string =>
  generatePath(drawerPattern(drawer), params);
