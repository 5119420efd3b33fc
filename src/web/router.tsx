import { createBrowserRouter, type RouteObject } from 'react-router';
import { BrokenScreen } from './shell/BrokenScreen.tsx';
import { Lost } from './shell/Lost.tsx';
import { Shell } from './shell/Shell.tsx';

const SCREENS: RouteObject[] = [
  {
    index: true,
    lazy: async () => ({ Component: (await import('./screens/home/HomeScreen.tsx')).HomeScreen }),
  },
  {
    path: 'build/:buildId/kit/:view?',
    lazy: async () => ({ Component: (await import('./screens/kit/KitScreen.tsx')).KitScreen }),
  },
  {
    path: 'build/:buildId/colour/:trayId?',
    lazy: async () => ({ Component: (await import('./screens/colour/ColourScreen.tsx')).ColourScreen }),
  },
  {
    path: 'build/:buildId/colour/:trayId/cup',
    lazy: async () => ({ Component: (await import('./screens/colour/CupScreen.tsx')).CupScreen }),
  },
  {
    path: 'build/:buildId/colour/:trayId/card',
    lazy: async () => ({ Component: (await import('./screens/colour/RecipeCard.tsx')).RecipeCard }),
  },
  {
    path: 'build/:buildId/colour/palette',
    lazy: async () => ({
      Component: (await import('./screens/colour/palette/PaletteScreen.tsx')).PaletteScreen,
    }),
  },
  {
    path: 'build/:buildId/finish/brightwork',
    lazy: async () => ({
      Component: (await import('./screens/finish/BrightworkScreen.tsx')).BrightworkScreen,
    }),
  },
  {
    path: 'build/:buildId/finish/tints',
    lazy: async () => ({ Component: (await import('./screens/finish/TintsScreen.tsx')).TintsScreen }),
  },
  {
    path: 'build/:buildId/finish/metals',
    lazy: async () => ({ Component: (await import('./screens/finish/MetalsScreen.tsx')).MetalsScreen }),
  },
  {
    path: 'build/:buildId/finish/weathering',
    lazy: async () => ({
      Component: (await import('./screens/finish/WeatheringScreen.tsx')).WeatheringScreen,
    }),
  },
  {
    path: 'build/:buildId/finish/fits',
    lazy: async () => ({ Component: (await import('./screens/finish/FitsSheet.tsx')).FitsSheet }),
  },
  {
    path: 'build/:buildId/finish/cautions',
    lazy: async () => ({
      Component: (await import('./screens/finish/CautionsScreen.tsx')).CautionsScreen,
    }),
  },
  {
    path: 'build/:buildId/finish/:trayId?',
    lazy: async () => ({ Component: (await import('./screens/finish/FinishScreen.tsx')).FinishScreen }),
  },
  {
    path: 'build/:buildId/plan',
    lazy: async () => ({ Component: (await import('./screens/plan/PlanScreen.tsx')).PlanScreen }),
  },
  {
    path: 'build/:buildId/plan/sheet',
    lazy: async () => ({ Component: (await import('./screens/plan/RunSheet.tsx')).RunSheet }),
  },
  {
    path: 'build/:buildId/tonight',
    lazy: async () => ({
      Component: (await import('./screens/tonight/TonightScreen.tsx')).TonightScreen,
    }),
  },
  {
    path: 'tonight',
    lazy: async () => ({
      Component: (await import('./screens/tonight/TonightScreen.tsx')).TonightScreen,
    }),
  },
  {
    path: 'shelf',
    lazy: async () => ({ Component: (await import('./screens/shelf/ShelfScreen.tsx')).ShelfScreen }),
  },
  {
    path: 'codes/picture',
    lazy: async () => ({ Component: (await import('./screens/codes/PictureScreen.tsx')).PictureScreen }),
  },
  {
    path: 'codes/:codeId?',
    lazy: async () => ({ Component: (await import('./screens/codes/CodesScreen.tsx')).CodesScreen }),
  },
  {
    path: 'bench',
    lazy: async () => ({ Component: (await import('./screens/bench/BenchScreen.tsx')).BenchScreen }),
  },
];

/** Every view has its own address; screens load when opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Lost />,
    hydrateFallbackElement: <p className="loading">Opening the bench…</p>,
    // A screen that fails leaves the rest of the bench standing around it.
    children: [
      ...SCREENS.map((screen) => ({ ...screen, errorElement: <BrokenScreen /> })),
      { path: '*', element: <Lost /> },
    ],
  },
]);
