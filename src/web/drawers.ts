import { counted, isEngineOpen, movingThings, resolveVersion, wantsFinish } from '../core/kit/index.ts';
import type { Drawer } from './components/drawers.ts';

/** The stages of a build in working order. */
export const STAGES = [
  { path: 'kit', name: 'Kit' },
  { path: 'colour', name: 'Colour' },
  { path: 'livery', name: 'Livery' },
  { path: 'finish', name: 'Finish' },
  { path: 'detail', name: 'Detail' },
  { path: 'plan', name: 'Plan' },
  { path: 'tonight', name: 'Tonight' },
  { path: 'record', name: 'Record' },
] as const;

export type StagePath = (typeof STAGES)[number]['path'];

/** Every page that can be opened: the routes, the menus of the stages, the command palette, the titles of the pages and
 *  the walk through all of them in the tests derive from this table. */
export const DRAWERS: readonly (Drawer & { stage: StagePath | null })[] = [
  {
    stage: null,
    path: '',
    title: 'All builds',
    load: async () => (await import('./screens/home/HomeScreen.tsx')).HomeScreen,
  },
  {
    stage: null,
    path: 'tonight',
    title: 'Tonight, all builds',
    load: async () => (await import('./screens/tonight/TonightScreen.tsx')).TonightScreen,
  },
  {
    stage: null,
    path: 'codes/:codeId?',
    title: 'Codes',
    words: 'factory colours and their sources',
    load: async () => (await import('./screens/codes/CodesScreen.tsx')).CodesScreen,
  },
  {
    stage: null,
    path: 'codes/picture',
    title: 'A colour from a photograph',
    words: 'picture',
    load: async () => (await import('./screens/codes/PictureScreen.tsx')).PictureScreen,
  },
  {
    stage: null,
    path: 'shelf',
    title: 'Shelf and paints',
    load: async () => (await import('./screens/shelf/ShelfScreen.tsx')).ShelfScreen,
  },
  {
    stage: null,
    path: 'bench',
    title: 'Bench',
    words: 'sessions, air, units, backup',
    load: async () => (await import('./screens/bench/BenchScreen.tsx')).BenchScreen,
  },

  {
    stage: 'kit',
    path: '',
    title: 'Parts',
    load: async () => (await import('./screens/kit/PartsView.tsx')).PartsView,
    state: ({ kit: { parts } }) => {
      if (parts.length === 0) return 'nothing listed yet';
      const unchecked = parts.filter(({ checked }) => !checked).length;
      const pieces = parts.reduce((sum, { count }) => sum + count, 0);
      return `${counted(pieces, 'piece')}${unchecked > 0 ? `, ${unchecked} to check` : ', all checked'}`;
    },
  },
  {
    stage: 'kit',
    path: 'roles',
    title: 'Roles and finishes',
    words: 'what belongs where',
    load: async () => (await import('./screens/kit/roles/RolesView.tsx')).RolesView,
    state: ({ kit: { parts } }) => {
      const open = parts.filter(wantsFinish).length;
      if (parts.length === 0) return 'no part yet';
      return open === 0 ? 'every part has a finish' : `${counted(open, 'part')} without a finish`;
    },
  },
  {
    stage: 'kit',
    path: 'version',
    title: 'Version',
    words: 'holes and cuts',
    load: async () => (await import('./screens/kit/VersionView.tsx')).VersionView,
    state: ({ kit }) => {
      const choices = kit.choices.length;
      const { open } = resolveVersion(kit);
      if (choices === 0) return 'one way to build it';
      return open.length > 0
        ? `${open.length} of ${counted(choices, 'choice')} open`
        : `${counted(choices, 'choice')} made`;
    },
  },
  {
    stage: 'kit',
    path: 'sheet',
    title: 'Sheet',
    words: 'instructions, steps',
    load: async () => (await import('./screens/kit/sheet/SheetView.tsx')).SheetView,
    state: ({ kit: { sheetSteps } }) =>
      sheetSteps.length === 0 ? 'not entered yet' : counted(sheetSteps.length, 'step'),
  },
  {
    stage: 'kit',
    path: 'evidence',
    title: 'Sheet and evidence',
    load: async () => (await import('./screens/kit/EvidenceView.tsx')).EvidenceView,
    state: ({ kit: { evidence } }) => {
      const open = evidence.filter(({ verdict }) => verdict === 'open').length;
      if (open > 0) return `${counted(open, 'conflict')} open`;
      return evidence.length > 0 ? `${evidence.length} settled` : 'nothing in doubt yet';
    },
  },
  {
    stage: 'kit',
    path: 'joints',
    title: 'Joints',
    words: 'glue',
    load: async () => (await import('./screens/kit/JointsView.tsx')).JointsView,
    state: ({ kit: { joints }, jointsAfter }) =>
      joints.length === 0
        ? 'none yet'
        : `${counted(joints.length, 'joint')}${jointsAfter === undefined ? '' : `, ${jointsAfter} after paint`}`,
  },
  {
    stage: 'kit',
    path: 'trays',
    title: 'Sub-assemblies',
    load: async () => (await import('./screens/kit/TraysView.tsx')).TraysView,
    state: ({ build: { trays } }) => (trays.length > 0 ? counted(trays.length, 'tray') : 'none yet'),
  },
  {
    stage: 'kit',
    path: 'fit',
    title: 'Fit and stance',
    words: 'dry fit',
    load: async () => (await import('./screens/kit/FitView.tsx')).FitView,
    state: ({ kit: { fits } }) => {
      const tight = fits.filter(({ feel }) => feel === 'tight' || feel === 'forced').length;
      return fits.length === 0
        ? 'nothing fitted dry'
        : `${fits.length} fitted${tight > 0 ? `, ${tight} tight` : ''}`;
    },
  },
  {
    stage: 'kit',
    path: 'needs',
    title: 'Needs and stock',
    words: 'shopping list, spares',
    load: async () => (await import('./screens/kit/NeedsView.tsx')).NeedsView,
    state: () => 'what to buy, and when',
  },
  {
    stage: 'kit',
    path: 'lessons',
    title: 'Lessons',
    load: async () => (await import('./screens/kit/LessonsView.tsx')).LessonsView,
    state: () => 'what earlier builds taught',
  },

  {
    stage: 'colour',
    path: ':trayId?',
    title: 'Match',
    words: 'paints and recipes',
    load: async () => (await import('./screens/colour/ColourScreen.tsx')).ColourScreen,
  },
  {
    stage: 'colour',
    path: ':trayId/cup',
    title: 'Cup',
    within: true,
    load: async () => (await import('./screens/colour/CupScreen.tsx')).CupScreen,
  },
  {
    stage: 'colour',
    path: ':trayId/card',
    title: 'Recipe card',
    within: true,
    load: async () => (await import('./screens/colour/RecipeCard.tsx')).RecipeCard,
  },
  {
    stage: 'colour',
    path: 'palette',
    title: 'Palette',
    words: 'fewest bottles, printed colours',
    load: async () => (await import('./screens/colour/palette/PaletteScreen.tsx')).PaletteScreen,
  },

  {
    stage: 'livery',
    path: ':viewId?',
    title: 'Views and areas',
    words: 'two-tone, stripes, bands, roundels',
    load: async () => (await import('./screens/livery/AreasScreen.tsx')).AreasScreen,
  },
  {
    stage: 'livery',
    path: 'order',
    title: 'Order of colours',
    words: 'masking, tape',
    load: async () => (await import('./screens/livery/OrderScreen.tsx')).OrderScreen,
  },
  {
    stage: 'livery',
    path: 'markings/:viewId?',
    title: 'Markings',
    words: 'decals, numbers, plates, lettering',
    load: async () => (await import('./screens/livery/MarkingsScreen.tsx')).MarkingsScreen,
  },
  {
    stage: 'livery',
    path: 'sheets',
    title: 'Print sheets',
    words: 'print at exact scale, PDF, SVG',
    load: async () => (await import('./screens/livery/SheetsScreen.tsx')).SheetsScreen,
  },

  {
    stage: 'finish',
    path: ':trayId?',
    title: 'Stack',
    words: 'layers, film, polish',
    load: async () => (await import('./screens/finish/FinishScreen.tsx')).FinishScreen,
  },
  {
    stage: 'finish',
    path: 'brightwork',
    title: 'Brightwork',
    words: 'chrome, foil, ink',
    load: async () => (await import('./screens/finish/BrightworkScreen.tsx')).BrightworkScreen,
  },
  {
    stage: 'finish',
    path: 'metals',
    title: 'Metals',
    load: async () => (await import('./screens/finish/MetalsScreen.tsx')).MetalsScreen,
  },
  {
    stage: 'finish',
    path: 'tints',
    title: 'Tints, heat',
    load: async () => (await import('./screens/finish/TintsScreen.tsx')).TintsScreen,
  },
  {
    stage: 'finish',
    path: 'weathering',
    title: 'Weathering',
    load: async () => (await import('./screens/finish/WeatheringScreen.tsx')).WeatheringScreen,
  },
  {
    stage: 'finish',
    path: 'fits',
    title: 'Fits sheet',
    load: async () => (await import('./screens/finish/FitsSheet.tsx')).FitsSheet,
  },
  {
    stage: 'finish',
    path: 'cautions',
    title: 'Cautions',
    words: 'safety',
    load: async () => (await import('./screens/finish/CautionsScreen.tsx')).CautionsScreen,
  },

  {
    stage: 'detail',
    group: 'Across the build',
    path: '',
    title: 'Wires and pipes',
    words: 'hoses, cables, lines',
    load: async () => (await import('./screens/detail/RunsView.tsx')).RunsView,
    state: ({ kit: { runs } }) =>
      runs.length === 0
        ? 'none added'
        : counted(
            runs.reduce((sum, { count }) => sum + count, 0),
            'run',
          ),
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'cutting',
    title: 'Cut list',
    words: 'wire, rod, tube, stock, lengths',
    load: async () => (await import('./screens/detail/CuttingView.tsx')).CuttingView,
    state: () => 'what to cut from what',
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'thickness',
    title: 'Scale and thickness',
    words: 'edges, thinning, gauge, real size',
    load: async () => (await import('./screens/detail/ThicknessView.tsx')).ThicknessView,
    state: ({ kit: { gauges } }) => {
      const open = gauges.filter(({ way }) => way === null).length;
      if (gauges.length === 0) return 'nothing measured yet';
      return open > 0 ? `${open} of ${gauges.length} to decide` : `${counted(gauges.length, 'edge')} decided`;
    },
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'lost',
    title: 'Lost and made',
    words: 'broken, missing, found, spares, scratch-built, replace, template',
    load: async () => (await import('./screens/detail/lost/LostView.tsx')).LostView,
    state: ({ kit: { replacements, parts } }) => {
      const known = new Set(replacements.flatMap(({ partId, way }) => (way === null ? [] : (partId ?? []))));
      const open = parts.filter(({ id, state }) => state === 'lost' && !known.has(id)).length;
      if (open > 0) return `${counted(open, 'part')} lost, nothing decided`;
      return replacements.length === 0 ? 'nothing lost' : `${counted(replacements.length, 'part')} decided`;
    },
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'patterns',
    title: 'Patterns in the flat',
    words: 'tanks, pipes, foil, developments',
    load: async () => (await import('./screens/detail/PatternsView.tsx')).PatternsView,
    state: ({ kit: { patterns } }) =>
      patterns.length === 0 ? 'none drawn' : counted(patterns.length, 'pattern'),
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'facings',
    title: 'Which way round',
    words: 'front, marks, notch, orientation',
    load: async () => (await import('./screens/detail/FacingsView.tsx')).FacingsView,
    state: ({ kit: { facings } }) =>
      facings.length === 0 ? 'nothing noted' : counted(facings.length, 'part'),
  },
  {
    stage: 'detail',
    group: 'Across the build',
    path: 'seen',
    title: 'What is seen',
    words: 'worth the time, hidden, visible, show table',
    load: async () => (await import('./screens/detail/SeenView.tsx')).SeenView,
    state: () => 'and what is worth the evening',
  },
  {
    stage: 'detail',
    group: 'Engine',
    path: 'engines',
    title: 'Engines',
    words: 'options, spares, blower, carburettors, heads, parts at hand',
    load: async () => (await import('./screens/detail/EnginesView.tsx')).EnginesView,
    state: ({ kit }) =>
      kit.engines.length < 2
        ? (kit.engines[0]?.name ?? 'as the sheet has it')
        : isEngineOpen(kit)
          ? `${counted(kit.engines.length, 'engine')}, none taken`
          : `${counted(kit.engines.length, 'engine')}, one taken`,
  },
  {
    stage: 'detail',
    group: 'Engine',
    path: 'ignition',
    title: 'Ignition',
    words: 'distributor, magneto, leads, firing order, plugs',
    load: async () => (await import('./screens/detail/IgnitionView.tsx')).IgnitionView,
    state: ({ kit: { harnesses } }) =>
      harnesses.length === 0 ? 'no engine wired' : harnesses.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Chassis and wheels',
    path: 'stretch',
    title: 'Stretched frame',
    words: 'lengthen, shorten, splice, wheelbase, propeller shaft',
    load: async () => (await import('./screens/detail/StretchView.tsx')).StretchView,
    state: ({ kit: { stretches } }) =>
      stretches.length === 0 ? 'as long as the kit has it' : stretches.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Chassis and wheels',
    path: 'dressed',
    title: 'Forks, radiators, discs',
    words: 'tubes, springs, fins, coolers, brakes, drillings, calipers',
    load: async () => (await import('./screens/detail/DressedView.tsx')).DressedView,
    state: ({ kit: { dressings } }) =>
      dressings.length === 0 ? 'as they are moulded' : dressings.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Chassis and wheels',
    path: 'corners',
    title: 'Wheels by corner',
    words: 'tyres, tread, lettering, rims, steering',
    load: async () => (await import('./screens/detail/CornersView.tsx')).CornersView,
    state: ({ kit: { corners } }) =>
      corners.length === 0 ? 'as they come' : counted(corners.length, 'wheel'),
  },
  {
    stage: 'detail',
    group: 'Chassis and wheels',
    path: 'wheels',
    title: 'Laced wheels',
    words: 'wire wheels, spokes, jig',
    load: async () => (await import('./screens/detail/WheelsView.tsx')).WheelsView,
    state: ({ kit: { wheels } }) =>
      wheels.length === 0
        ? 'spokes as moulded'
        : counted(
            wheels.reduce((sum, { count }) => sum + count, 0),
            'wheel',
          ),
  },
  {
    stage: 'detail',
    group: 'Chassis and wheels',
    path: 'chains',
    title: 'Chains',
    words: 'sprockets, links, final drive',
    load: async () => (await import('./screens/detail/ChainsView.tsx')).ChainsView,
    state: ({ kit: { chains } }) => (chains.length === 0 ? 'none added' : counted(chains.length, 'chain')),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'panel',
    title: 'Instrument panel',
    words: 'dash, dials, gauges, overlay, speedometer, decal, lenses',
    load: async () => (await import('./screens/detail/panel/PanelView.tsx')).PanelView,
    state: ({ kit: { panels } }) =>
      panels.length === 0
        ? 'as it is moulded'
        : panels.some(({ route }) => route === null)
          ? 'its way is not taken yet'
          : panels.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'carpet',
    title: 'Carpet',
    words: 'flock, pile, floor, shade',
    load: async () => (await import('./screens/detail/cloth/CarpetView.tsx')).CarpetView,
    state: ({ kit: { carpets } }) =>
      carpets.length === 0 ? 'none laid' : carpets.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'belts',
    title: 'Belts',
    words: 'seat belts, buckles, ribbon, harness',
    load: async () => (await import('./screens/detail/cloth/BeltsView.tsx')).BeltsView,
    state: ({ kit: { belts } }) =>
      belts.length === 0 ? 'none laid' : belts.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'seats',
    title: 'Seats',
    words: 'height, rake, reach, head room, shim, tub',
    load: async () => (await import('./screens/detail/seats/SeatsView.tsx')).SeatsView,
    state: ({ kit: { seats } }) => (seats.length === 0 ? 'not measured' : counted(seats.length, 'seat')),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'effects',
    title: 'Leather, cloth and wood',
    words: 'leather, vinyl, upholstery, wood grain, dash, trim',
    load: async () => (await import('./screens/detail/cloth/EffectsView.tsx')).EffectsView,
    state: ({ kit: { effects } }) => (effects.length === 0 ? 'none named' : counted(effects.length, 'piece')),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'small',
    title: 'Small things by colour',
    words: 'handles, winders, levers, pedals, batch, silver',
    load: async () => (await import('./screens/detail/seats/SmallView.tsx')).SmallView,
    state: () => 'each bottle opened once',
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'glass',
    title: 'Glass',
    words: 'panes, windscreen, windows, masks, rubber, order of fitting, polish',
    load: async () => (await import('./screens/detail/glass/GlassView.tsx')).GlassView,
    state: ({ kit: { panes } }) => (panes.length === 0 ? 'not told yet' : counted(panes.length, 'pane')),
  },
  {
    stage: 'detail',
    group: 'Cabin and glass',
    path: 'lamps',
    title: 'Lamps',
    words: 'headlamp, reflector, lens tint, bezel, tail lamp',
    load: async () => (await import('./screens/detail/glass/LampsView.tsx')).LampsView,
    state: ({ kit: { lamps } }) =>
      lamps.length === 0
        ? 'as they come'
        : counted(
            lamps.reduce((sum, { count }) => sum + count, 0),
            'lamp',
          ),
  },
  {
    stage: 'detail',
    group: 'Closing up',
    path: 'closing',
    title: 'What closes',
    words: 'enclosure, last chance, late parts, mirrors, wipers, badges, glue dots',
    load: async () => (await import('./screens/detail/closing/ClosingView.tsx')).ClosingView,
    state: ({ build: { joins } }) =>
      joins.length === 0 ? 'nothing joined late' : counted(joins.length, 'late join'),
  },
  {
    stage: 'detail',
    group: 'Closing up',
    path: 'way-in',
    title: 'Way in',
    words: 'body over chassis, entry, spread the shell, sills',
    load: async () => (await import('./screens/detail/closing/WayInView.tsx')).WayInView,
    state: ({ kit: { insertions } }) =>
      insertions.length === 0 ? 'not measured' : insertions.map(({ name }) => name).join(', '),
  },
  {
    stage: 'detail',
    group: 'Closing up',
    path: 'straight',
    title: 'Set straight',
    words: 'bumper, wing, level, symmetry, shim',
    load: async () => (await import('./screens/detail/closing/StraightView.tsx')).StraightView,
    state: ({ kit: { levels } }) =>
      levels.length === 0 ? 'nothing to measure' : counted(levels.length, 'thing'),
  },
  {
    stage: 'detail',
    group: 'Closing up',
    path: 'moves',
    title: 'What moves',
    words: 'hood, doors, steering, wheels, tried last, free',
    load: async () => (await import('./screens/detail/closing/MovesView.tsx')).MovesView,
    state: ({ kit }) => {
      const things = movingThings(kit);
      const stuck = things.filter(({ moves }) => moves === 'not').length;
      if (stuck > 0) return `${stuck} no longer ${stuck > 1 ? 'move' : 'moves'}`;
      return things.length === 0 ? 'nothing' : counted(things.length, 'joint');
    },
  },

  {
    stage: 'plan',
    path: '',
    title: 'Plan',
    words: 'lanes, dates',
    load: async () => (await import('./screens/plan/PlanScreen.tsx')).PlanScreen,
  },
  {
    stage: 'plan',
    path: 'sheet',
    title: 'Run sheet',
    words: 'print',
    load: async () => (await import('./screens/plan/RunSheet.tsx')).RunSheet,
  },

  {
    stage: 'tonight',
    path: '',
    title: 'Tonight',
    load: async () => (await import('./screens/tonight/TonightScreen.tsx')).TonightScreen,
  },

  {
    stage: 'record',
    path: '',
    title: 'Inspect',
    words: 'inspection, look over, faults, fix, accept, regret, dust, runs',
    load: async () => (await import('./screens/record/InspectScreen.tsx')).InspectScreen,
  },
  {
    stage: 'record',
    path: 'pictures',
    title: 'Pictures',
    words: 'album, photographs, compare with the reference, milestones, missing pictures',
    load: async () => (await import('./screens/record/pictures/PicturesScreen.tsx')).PicturesScreen,
  },
  {
    stage: 'record',
    path: 'log',
    title: 'Log',
    words: 'timeline, history, hours, statistics, paint used, cost, pauses, notes',
    load: async () => (await import('./screens/record/log/LogScreen.tsx')).LogScreen,
  },
  {
    stage: 'record',
    path: 'verdict',
    title: 'Verdict',
    words: 'finished, given up, marks, lessons, review of the kit, build again',
    load: async () => (await import('./screens/record/verdict/VerdictScreen.tsx')).VerdictScreen,
  },
  {
    stage: 'record',
    path: 'book',
    title: 'Build book',
    words: 'print, PDF, card at a show, label, exhibition',
    load: async () => (await import('./screens/record/book/BookScreen.tsx')).BookScreen,
  },
  {
    stage: 'record',
    path: 'hand-on',
    title: 'Hand on',
    words: 'export, import, share, save, open a build, JSON, zip, schema',
    load: async () => (await import('./screens/record/handOn/HandOnScreen.tsx')).HandOnScreen,
  },
];
