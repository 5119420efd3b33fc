import type { ComponentType } from 'react';
import { createBrowserRouter, type RouteObject } from 'react-router';
import { drawerPattern, type Drawer } from './components/drawers.ts';
import { DRAWERS } from './drawers.ts';
import { ErrorPage } from './shell/ErrorPage.tsx';
import { NotFoundPage } from './shell/NotFoundPage.tsx';
import { Shell } from './shell/Shell.tsx';

/** Stages whose drawers lie within one page. */
const FRAMES: Readonly<Record<string, () => Promise<ComponentType>>> = {
  kit: async () => (await import('./screens/kit/KitScreen.tsx')).KitScreen,
  detail: async () => (await import('./screens/detail/DetailScreen.tsx')).DetailScreen,
};

const routeOf = (drawer: Drawer): RouteObject => ({
  path: drawerPattern(drawer),
  lazy: async () => ({ Component: (await drawer.load()) as ComponentType }),
});

const SCREENS: RouteObject[] = [
  ...Object.entries(FRAMES).map(([stage, load]): RouteObject => ({
    path: drawerPattern({ stage, path: ':view?' }),
    lazy: async () => ({ Component: await load() }),
  })),
  ...DRAWERS.filter(({ stage }) => stage === null || !Object.hasOwn(FRAMES, stage)).map(routeOf),
];

/** Every view has its own address; screens load when opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <NotFoundPage />,
    hydrateFallbackElement: <p className="loading">Opening the bench…</p>,
    // A screen that fails leaves the rest of the bench standing around it.
    children: [
      ...SCREENS.map((screen) => ({ ...screen, errorElement: <ErrorPage /> })),
      { path: '*', element: <NotFoundPage /> },
    ],
  },
]);
