import type { SampleKit } from './sampleKit.ts';

/** The bandwagon truck: second-hand cab with paint on it, frame stretched for a deck, one of two engines. */
export const pellam: SampleKit = {
  school: 'pieces',
  finishes: [
    'red; Parade red; gloss; PM-310',
    'cream; Deck cream; gloss; PM-118',
    'black; Frame black; satin; PM-700',
    'engine-red; Engine red; gloss',
    'diesel-grey; Diesel grey; satin',
    'cast; Cast metal; metal',
    'bright; Bright metal; metal',
    'plating; Kit plating; plating',
    'leather; Brown seat; satin',
    'wood; Varnished boards; satin',
    'glass; Clear; clear',
  ],
  parts: `
A1; Cab; 1; 118; 84; red; seam sink
A2; Roof; 1; 38; 66; red+cream:0.4:masked:190;
A3; Doors; 2; 16; 42; red; flash
A4; Hood, left; 1; 18; 60; red;
A5; Hood, right; 1; 18; 60; red;
A6; Wings, front; 2; 20; 64; red; sink
A7; Cab floor; 1; 30; 62; black;
A8; Cab rear wall; 1; 22; 66; red;
A9; Radiator shell; 1; 10; 34; plating; gates
A10; Steps, cab; 2; 5; 24; black;
B1; Frame rails; 2; 44; 210; black; seam warp
B2; Rail splices; 4; 6; 38; black;
B3; Cross-members; 6; 5; 34; black;
B4; Rear axles; 2; 15; 74; black; seam
B5; Springs, rear; 4; 5; 48; black; gates
B6; Front axle; 1; 9; 72; black; seam
B7; Springs, front; 2; 4; 42; black; gates
B8; Propeller shaft, front; 1; 4; 52; black; seam
B9; Propeller shaft, rear; 1; 5; 98; black; seam
B10; Brake pods; 4; 1.2; 10; black;
B11; Air reservoirs; 2; 5; 28; black; seam
B12; Battery box; 1; 6; 20; black;
B13; Outriggers; 8; 2; 26; black;
B14; Steering box; 1; 1.5; 13; black;
B15; Air lines, stretched; 2; 2; 190; black;
C1; Petrol block, left; 1; 16; 52; engine-red; seam
C2; Petrol block, right; 1; 16; 52; engine-red;
C3; Petrol heads; 2; 6; 46; engine-red;
C4; Petrol valve covers; 2; 4; 44; cast;
C5; Petrol intake; 1; 5; 36; cast;
C6; Petrol carburettor; 1; 1.5; 12; cast;
C7; Petrol sump; 1; 7; 44; engine-red;
C8; Petrol manifolds; 2; 3; 42; cast; flash
C9; Fan; 1; 2; 24; black;
C10; Gearbox, left half; 1; 7; 40; cast; seam
C11; Gearbox, right half; 1; 7; 40; cast;
C12; Generator; 1; 1.5; 12; black;
C13; Air cleaner; 1; 5; 20; black;
H1; Diesel block, left; 1; 18; 60; diesel-grey; seam
H2; Diesel block, right; 1; 18; 60; diesel-grey;
H3; Diesel head; 1; 7; 56; diesel-grey;
H4; Diesel valve cover; 1; 5; 54; cast;
H5; Diesel injection pump; 1; 2; 22; diesel-grey;
H6; Diesel sump; 1; 8; 52; diesel-grey;
H7; Diesel blower; 1; 5; 38; cast;
H8; Diesel manifold; 1; 4; 48; cast;
D1; Fuel tanks, left half; 2; 11; 46; bright; seam
D2; Fuel tanks, right half; 2; 11; 46; bright;
D3; Tank straps; 4; 1; 30; black;
D4; Exhaust stacks; 2; 7; 92; bright; seam gates
D5; Stack guards; 2; 4; 52; bright; gates
D6; Bumper; 1; 11; 78; plating; gates
D7; Headlamps; 2; 2; 14; plating; gates
D8; Horns; 2; 2; 26; plating; gates
D9; Mirrors, west; 2; 1.2; 18; plating; gates
D10; Grille bars; 1; 6; 30; plating; gates
D11; Cab lamps; 5; 0.4; 6; plating; gates
E1; Rims, front; 2; 7; 30; cream; gates
E2; Rims, rear; 8; 7; 30; cream; gates
E3; Brake drums; 6; 4; 22; black;
E4; Tyres; 10; 16; 42; bare;
E5; Hub caps; 6; 1.5; 12; bright; gates
E6; Mud flaps; 2; 5; 26; bare;
F1; Seat bench; 1; 14; 52; leather;
F2; Dashboard; 1; 9; 56; black;
F3; Steering column; 1; 1; 34; black;
F4; Steering wheel; 1; 2; 22; black;
F5; Door cards; 2; 8; 36; leather;
F6; Gear levers; 2; 0.4; 20; black;
F7; Pedals; 3; 0.4; 8; black;
G1; Windscreen; 1; 9; 58; glass;
G2; Door glass; 2; 3; 26; glass;
G3; Rear window; 1; 3; 30; glass;
G4; Headlamp lenses; 2; 0.8; 11; glass;
S1; Deck board; 1; 150; 150; wood; warp
S2; Deck posts; 14; 1; 26; cream;
S3; Deck rails; 6; 4; 70; cream;
S4; Deck steps; 1; 8; 28; wood;
S5; Scroll panels; 4; 14; 72; cream;
S6; Deck valance; 2; 12; 148; red;
S7; Music stands; 7; 1; 22; bright;
`,
  materials: { E4: 'vinyl', E6: 'vinyl', G1: 'clear', G2: 'clear', G3: 'clear', G4: 'clear', S7: 'etch' },
  fragile: ['D9', 'S7', 'D11'],
  colours: {
    A: 'red',
    B: 'black',
    C: 'grey',
    D: 'plated',
    E: 'white',
    F: 'black',
    G: 'clear',
    H: 'grey',
    S: 'cream',
  },
  plated: ['D4', 'D5', 'D6', 'D7', 'D8', 'D9', 'D10', 'D11', 'A9'],
  states: {
    A1: 'painted-before',
    A2: 'painted-before',
    A3: 'painted-before',
    A8: 'joined-before',
    A7: 'joined-before',
    B2: 'scratch-built',
    B15: 'scratch-built',
    S1: 'scratch-built',
    S6: 'scratch-built',
    D11: 'lost',
    C13: 'from-spares',
  },
  joints: `
A2 A1 cement vanish; edge 150
A8 A1 cement vanish; edge 120
A7 A1 cement hidden
A4 A5 cement panel-line
A4 A1 hinge panel-line swings; clearance 0.4; entry above
A6 A1 cement hidden; edge 60
A9 A6 cement hidden
A3 A1 hinge panel-line swings; clearance 0.25
A10 B1 cement hidden
B2 B1 cement vanish; edge 150
B3 B1 cement hidden
B3 B2 cement hidden
B13 B1 cement hidden
B5 B1 cement hidden
B4 B5 cement hidden
B7 B1 cement hidden
B6 B7 cement hidden
B8 B3 cement hidden
B9 B4 cement hidden
B9 B8 press hidden turns
B10 B4 cement hidden
B11 B1 cement hidden
B12 B1 cement hidden
B14 B1 cement hidden
B15 B1 cement hidden
C1 C2 cement vanish; edge 104; captures C9
C9 C1 press hidden turns
C3 C1 cement hidden
C4 C3 cement panel-line
C5 C3 cement hidden
C6 C5 cement hidden
C7 C1 cement panel-line
C8 C3 cement hidden
C10 C11 cement vanish; edge 80
C10 C1 cement hidden
C10 H1 cement hidden
C12 C1 cement hidden
C13 C6 cement hidden
C1 B1 sits-in hidden; entry above; id engine-in
H1 H2 cement vanish; edge 120
H3 H1 cement hidden
H4 H3 cement panel-line
H5 H1 cement hidden
H6 H1 cement panel-line
H7 H1 cement hidden
H8 H3 cement hidden
H1 B1 sits-in hidden; entry above; id diesel-in
D1 D2 cement vanish; edge 92
D1 B1 cement hidden; id tanks-on
D3 D1 cement hidden
D4 B1 cement hidden
D5 D4 cement hidden
D6 B1 cement hidden
D7 A6 cement hidden
D8 A2 cement hidden
D9 A3 cement hidden
D10 A9 cement hidden
D11 A2 cement hidden
E3 B4 cement hidden
E3 B6 cement hidden
E1 E3 press hidden turns
E2 E3 press hidden turns
E4 E2 tyre hidden
E4 E1 tyre hidden
E5 E2 press hidden; clearance 0.14
E6 B1 cement hidden
F1 A7 cement hidden
F2 A1 cement hidden
F3 F2 cement hidden
F4 F3 cement hidden
F5 A3 cement hidden; captures G2
F6 A7 cement hidden
F7 A7 cement hidden
G1 A1 glass hidden; clearance 0.15
G2 A3 glass hidden; clearance 0.12
G3 A8 glass hidden
G4 D7 glass hidden
A1 B1 cement hidden; entry above; closes engine-in diesel-in F1-A7; id cab-on; clearance 0.4
S1 B1 cement hidden; entry above; closes B15-B1; id deck-on
S1 B13 sits-in hidden; clearance 0.3
S2 S1 press hidden; clearance 0.2
S3 S2 cement hidden
S4 S1 cement hidden
S5 S1 cement hidden
S6 S1 cement hidden
S7 S1 cement hidden
`,
  choices: [
    {
      id: 'engine',
      name: 'Engine',
      chosen: 'engine-petrol',
      options: [
        {
          id: 'engine-petrol',
          name: 'petrol V8',
          needs: ['C1', 'C2', 'C3', 'C4', 'C5', 'C6', 'C7', 'C8', 'C12', 'C13'],
        },
        { id: 'engine-diesel', name: 'diesel six', needs: ['H1', 'H2', 'H3', 'H4', 'H5', 'H6', 'H7', 'H8'] },
      ],
    },
    {
      id: 'deck',
      name: 'Deck',
      chosen: 'deck-band',
      options: [
        {
          id: 'deck-band',
          name: 'bandstand',
          needs: ['S2', 'S3', 'S5', 'S6', 'S7'],
          markings: ['Larkspur Bay Silver Band, scroll lettering, two sides'],
        },
        { id: 'deck-flat', name: 'flat bed', rulesOut: ['D5'] },
      ],
    },
    {
      id: 'lamps',
      name: 'Cab lamps',
      chosen: 'lamps-five',
      options: [
        { id: 'lamps-five', name: 'five on the roof', needs: ['D11'] },
        { id: 'lamps-none', name: 'none' },
      ],
    },
  ],
  works: [
    'hole; A2; five holes for the cab lamps; lamps-five',
    'hole; B1; mounts of the diesel; engine-diesel',
    'hole; S1; fourteen post holes; deck-band',
    'hole; A1; holes for a sleeper box',
    'pin; B5; spring pins of the old tool; always',
  ],
  evidence: [
    {
      title: 'Paint under the cab',
      parts: ['A1'],
      step: 'primer',
      sheet: 'moulded red, no primer',
      evidence: 'a former owner brushed enamel on it; a test patch in strip lifts it',
      source: 'test patch inside the cab',
      confidence: 'sure',
      verdict: 'evidence',
      decision: 'Strip, wash, prime pink.',
    },
    {
      title: 'Length of the stretch',
      parts: ['B1', 'B9', 'B15'],
      step: 'join',
      sheet: 'standard wheelbase',
      evidence: 'deck needs 42 mm: eight bays of 18.4 mm, less the overhang',
      source: 'own drawing, parade committee picture',
      confidence: 'likely',
      verdict: 'evidence',
      decision: 'Everything that runs along the frame grows by 42 mm.',
    },
    {
      title: 'Valve cover finish',
      parts: ['C4'],
      step: null,
      sheet: 'engine red',
      evidence: 'cast, bare, on a restored truck',
      source: 'visit, three pictures',
      confidence: 'likely',
      verdict: 'open',
    },
    {
      title: 'Locating pin for the tanks',
      parts: ['D1', 'B1'],
      step: 'assemble',
      sheet: 'pin on the rail',
      evidence: 'there is none',
      source: 'the part itself',
      confidence: 'sure',
      verdict: 'other',
      decision: 'Position by the straps.',
    },
  ],
  box: [
    'Frame A, opened',
    'Frame B',
    'Frame C',
    'Frame H',
    'Frame D, plated',
    'Frame E',
    'Frame F',
    'Frame G, clear',
    'Frame S',
    'Tyres, bag',
  ],
  unchecked: ['Frame H'],
  fits: [
    { joint: 'A3-A1', feel: 'tight', clearance: 0.1, motion: true, done: 'left door rubs at the sill' },
    { joint: 'A4-A1', feel: 'free', clearance: 0.4, motion: true, done: '' },
    { joint: 'S2-S1', feel: 'snug', clearance: 0.2, done: 'holes reamed to 1.2' },
    { joint: 'cab-on', feel: 'free', done: '' },
  ],
  places: [
    'A1; hole; horn bracket; 1.2; ; 1.0;',
    'A1; line; cab shut line; 0.4; 0.35; ;',
    'S1; hole; post holes of the deck; 1.3; ; 1.2; S2',
  ],
  views: ['cab; Cab, left; left; A1; cab; 84; 66', 'deck; Deck valance; deck; S6; box; 148; 14'],
  areas: [
    'cab; cream; waist band; band; 40; 30; ; 5; 0;',
    'cab; cream; cab top; rectangle; 62; 4; 60; 9; 0;',
    'deck; cream; scroll; ellipse; 74; 7; 96; 8; 0;',
    'deck; cream; lower line; band; 70; 13; ; 0.8; 0;',
  ],
  regions: ['cab; A3; M30 24 H58 V58 H30 Z'],
  mouldings: ['cab; upper waist moulding; M36 27.5 H83', 'cab; lower waist moulding; M2 32.5 H83'],
  markings: [
    {
      name: 'Scroll lettering of the deck',
      view: 'deck',
      at: [74, 7],
      size: [86, 5],
      route: 'print',
      film: 'sound',
      colour: 'shade',
      option: 'deck-band',
      artwork: {
        kind: 'lettering',
        text: 'LARKSPUR BAY SILVER BAND',
        ink: '#7c1420',
        archMm: 1,
        face: 'serif',
        shade: '#c9a24a',
        shadeMm: 0.25,
      },
    },
    {
      name: 'Name on the door, left',
      view: 'cab',
      at: [44, 36],
      size: [30, 4.5],
      route: 'print',
      film: 'sound',
      colour: 'scroll',
      artwork: { kind: 'lettering', text: 'FOUNDERS’ DAY 1964', ink: '#f4efe2' },
    },
    {
      name: 'Cab number',
      view: 'cab',
      at: [67, 52],
      size: [8, 8],
      round: true,
      route: 'decal',
      sheet: '11',
      film: 'yellowed',
      colour: 'scroll',
      artwork: { kind: 'roundel', text: '66', ink: '#7c1420', ground: '#f4efe2' },
    },
  ],
  gaps: ['E4; A6; front tyre to wing, steered full; 0.9; turns', 'D4; A8; stack to cab wall; 0.7; none'],
  holdings: ['A1; block inside the cab; hidden', 'S1; two screws from below, at the frame rails; hidden'],
  runs: [
    'battery-cable; B12; C12; 1; ; ; 60;',
    'brake-pipe; B11; B10; 4; air pipe; 8; 70; lengthened with the frame',
    'fuel-pipe; D1; C6; 1; ; ; 120;',
  ],
  panes: [
    { name: 'Windscreen', partId: 'G1', intoPartId: 'A1', edge: 'rubber', behind: ['F2'], flaws: 'hazy' },
    {
      name: 'Door glass, half open',
      partId: 'G2',
      intoPartId: 'A3',
      source: 'sheet',
      gaugeMm: 0.25,
      viewId: 'cab',
      openingId: 'opening-1',
      maskMm: 0.1,
    },
    { name: 'Rear window', partId: 'G3', intoPartId: 'A8', edge: 'rubber' },
  ],
  seats: [
    {
      name: 'Bench',
      partId: 'F1',
      heightMm: 16,
      baseMm: 20,
      rakeDeg: 10,
      reachMm: 21,
      roofMm: 56,
      wheelMm: 24,
    },
  ],
  effects: [
    { name: 'Bench', partId: 'F1', effect: 'worn-leather', base: '#6b4630' },
    { name: 'Deck board', partId: 'S1', effect: 'oiled-wood', base: '#b48a5a' },
    { name: 'Deck steps', partId: 'S4', effect: 'oiled-wood', base: '#b48a5a' },
  ],
  lamps: [
    { name: 'Headlamps', partId: 'G4', count: 2, reflector: 'plating', bezel: true },
    { name: 'Roof lamps', partId: 'D11', count: 5, reflector: 'none', glass: 'painted', colour: '#d07a10' },
  ],
  levels: [
    {
      name: 'Bumper',
      partId: 'D6',
      apartMm: 70,
      seatsMm: 40,
      gauge: 'blocks',
      measures: [{ name: 'height over the bench', leftMm: null, rightMm: null }],
    },
  ],
  led: { 2: { bundle: 'Air lines', look: 'copper, dulled' } },
  harnesses: [
    {
      name: 'Petrol eight',
      fromPartId: 'C5',
      toPartId: 'C3',
      layout: 'v',
      cylinders: 8,
      bankDeg: 90,
      offsetMm: 1.5,
      pitchMm: 9,
      reachMm: 15,
      firingOrder: [1, 5, 4, 2, 6, 3, 7, 8],
      x: -31,
      y: 0,
      z: 19,
      capRadiusMm: 2,
      rotor: 'clockwise',
      firstDeg: 200,
      slack: 0.15,
      colour: 'Grey',
    },
  ],
  patterns: [
    {
      name: 'Fuel tank',
      partId: 'D1',
      count: 2,
      shape: 'cylinder',
      material: 'foil',
      radiusMm: 7.5,
      lengthMm: 46,
      ends: true,
      thicknessMm: 0.02,
      lapMm: 1.5,
    },
  ],
  engines: [
    {
      name: 'Petrol V8',
      worth: 3,
      optionId: 'engine-petrol',
      slots: [
        { name: 'left block', kinds: ['petrol block, left'], count: 1, seen: true },
        { name: 'right block', kinds: ['petrol block, right'], count: 1, seen: true },
        { name: 'heads', kinds: ['petrol head'], count: 2, seen: true },
        { name: 'covers', kinds: ['petrol cover'], count: 2, seen: true },
        { name: 'intake', kinds: ['petrol intake'], count: 1, seen: true },
        { name: 'carburettors', kinds: ['carburettor'], count: 1, seen: true },
        { name: 'sump', kinds: ['petrol sump'], count: 1, seen: false },
        { name: 'ignition', kinds: ['distributor', 'magneto'], count: 1, seen: true },
        { name: 'generator', kinds: ['generator'], count: 1, seen: true },
        { name: 'air cleaner', kinds: ['air cleaner'], count: 1, seen: true },
        { name: 'front', kinds: ['fan', 'belt drive'], count: 1, seen: true },
      ],
      apart: [{ one: 'belt drive', other: 'air cleaner' }],
    },
    {
      name: 'Petrol V8, four carburettors',
      worth: 4,
      slots: [
        { name: 'left block', kinds: ['petrol block, left'], count: 1, seen: true },
        { name: 'right block', kinds: ['petrol block, right'], count: 1, seen: true },
        { name: 'heads', kinds: ['petrol head'], count: 2, seen: true },
        { name: 'covers', kinds: ['petrol cover'], count: 2, seen: true },
        { name: 'intake', kinds: ['petrol intake'], count: 1, seen: true },
        { name: 'carburettors', kinds: ['carburettor'], count: 4, seen: true },
        { name: 'sump', kinds: ['petrol sump'], count: 1, seen: false },
        { name: 'ignition', kinds: ['distributor', 'magneto'], count: 1, seen: true },
        { name: 'generator', kinds: ['generator'], count: 1, seen: true },
        { name: 'front', kinds: ['fan', 'belt drive'], count: 1, seen: true },
      ],
    },
    {
      name: 'Diesel six',
      worth: 2,
      optionId: 'engine-diesel',
      slots: [
        { name: 'left block', kinds: ['diesel block, left'], count: 1, seen: true },
        { name: 'right block', kinds: ['diesel block, right'], count: 1, seen: true },
        { name: 'head', kinds: ['diesel head'], count: 1, seen: true },
        { name: 'cover', kinds: ['diesel cover'], count: 1, seen: true },
        { name: 'pump', kinds: ['injection pump'], count: 1, seen: true },
        { name: 'sump', kinds: ['diesel sump'], count: 1, seen: false },
        { name: 'blower', kinds: ['blower'], count: 1, seen: true },
        { name: 'generator', kinds: ['generator'], count: 1, seen: true },
      ],
    },
  ],
  stretches: [
    {
      name: 'Frame for the bandstand',
      optionId: 'deck-band',
      stretchMm: 42,
      atMm: 96,
      frontAxleMm: 22,
      rearAxleMm: 158,
      realWheelbaseMm: 4450,
      brackets: [
        { name: 'cross-member 2', atMm: 58, widthMm: 5 },
        { name: 'cross-member 3', atMm: 98, widthMm: 5 },
        { name: 'spring hanger', atMm: 136, widthMm: 6 },
      ],
      members: [
        { partId: 'B1', fromMm: 0, section: 'channel', outsideMm: 6 },
        { partId: 'B9', fromMm: 62, section: 'tube', outsideMm: 3, insideMm: 1.8, dropMm: 7 },
        { partId: 'B8', fromMm: 8, section: 'rod', outsideMm: 2.5 },
        { partId: 'B15', fromMm: 6, section: 'rod', outsideMm: 0.8 },
        { partId: 'B5', fromMm: 134, section: 'bar', outsideMm: 5 },
      ],
    },
  ],
  engineKinds: [
    'C1; petrol block, left',
    'C2; petrol block, right',
    'C3; petrol head',
    'C4; petrol cover',
    'C5; petrol intake',
    'C6; carburettor',
    'C7; petrol sump',
    'C9; fan',
    'C12; generator',
    'C13; air cleaner',
    'H1; diesel block, left',
    'H2; diesel block, right',
    'H3; diesel head',
    'H4; diesel cover',
    'H5; injection pump',
    'H6; diesel sump',
    'H7; blower',
  ],
  facings: [
    { partId: 'C3', what: 'the end with two water holes', faces: 'front', mark: 'holes', holes: 2 },
    {
      partId: 'C12',
      what: 'the pulley',
      faces: 'front',
      mark: 'none',
      aheadMm: 1.2,
      trim: 'cut-pin',
      note: 'the pin holds it behind the belt',
    },
  ],
  gauges: [{ name: 'Doors, their edge', partId: 'A3', measuredMm: 1.6, realMm: 38 }],
  stance: {
    heights: [28.2, 28.9, 29.4, 29.3],
    rake: 0.5,
    shims: [0.25, 0.5, 0.75],
    note: 'twist from the splice, left front',
  },
  wants: [
    {
      name: 'Brass tube 1.2 mm',
      why: 'posts of the deck rail',
      option: 'deck-band',
      lead: 6,
      have: true,
      substitute: '',
      looks: '',
    },
    {
      name: 'Paper for the music stands',
      why: 'printed sheets, 1:25',
      option: 'deck-band',
      lead: 1,
      have: false,
      substitute: 'cigarette paper, blank',
      looks: 'nobody can read it',
    },
    { name: 'Styrene strip 6.3 by 1', why: 'splice plates', lead: 4, have: true, substitute: '', looks: '' },
  ],
  decals: [
    'scroll; Scroll white of the band; 94 -0.5 3; film; PM-118',
    'shade; Gold shading of the letters; 62 8 48; ink; PM-310',
  ],
  life: 'working',
  deadline: '2026-08-22',
  brightwork: [],
};
