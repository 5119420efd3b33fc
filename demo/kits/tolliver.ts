import { mirroredPath } from '../../src/core/livery/index.ts';
import type { SampleKit } from './sampleKit.ts';

const SIDE_FLASH = 'M-5 14 L60 12 Q120 11 192 18 L192 25 Q120 19 60 21 L-5 22 Z';
/** The moulding along its lower edge. */
const FLASH_LINE = 'M0 21.92 L60 21 Q120 19 188 24.6';

/** The coupe: two-tone body, much chrome, a straight six, a closed or an open top. */
export const tolliver: SampleKit = {
  school: 'pieces',
  finishes: [
    'turquoise; Lagoon turquoise; polished; TL-4417',
    'cream; Clotted cream; polished; TL-2203',
    'chassis; Chassis black; satin',
    'engine; Engine green; gloss',
    'oxblood; Oxblood hide; satin; TL-9014',
    'plating; Kit plating; plating',
    'mirror; Mirror lacquer; metal',
    'cast; Cast metal; metal',
    'glass; Clear; clear',
    'top-cloth; Top cloth; matt',
  ],
  parts: `
A1; Body shell; 1; 210; 188; turquoise+cream:0.3:masked:410; seam sink
A2; Cowl; 1; 14; 62; turquoise;
A3; Valance, front; 1; 9; 66; turquoise; flash
A4; Valance, rear; 1; 9; 64; turquoise;
A5; Hood; 1; 44; 61; turquoise; sink
A6; Boot lid; 1; 34; 52; turquoise; sink
A7; Filler flap; 1; 1.2; 9; turquoise;
A8; Inner arches, front; 2; 12; 40; chassis;
A9; Firewall; 1; 16; 54; turquoise;
A10; Sills; 2; 8; 96; turquoise; warp
B1; Chassis frame; 1; 92; 165; chassis; seam flash
B2; Floor pan; 1; 86; 140; chassis;
B3; Rear axle; 1; 14; 66; chassis; seam
B4; Front cross-member; 1; 8; 50; chassis;
B5; Propeller shaft; 1; 4; 62; chassis; seam
B6; Springs, rear; 2; 4; 48; chassis; gates
B7; Arms, front; 4; 2; 22; chassis;
B8; Shock absorbers; 4; 1.2; 17; chassis; gates
B9; Fuel tank; 1; 14; 36; cast; seam
B10; Steering box; 1; 1.5; 12; chassis;
B11; Exhaust pipe; 1; 7; 120; cast; seam
B12; Silencer; 1; 6; 34; cast; seam
B13; Radiator; 1; 9; 30; chassis;
B14; Battery box; 1; 4; 15; chassis;
B15; Body posts; 4; 1; 8; bare; pins
C1; Block, left; 1; 12; 44; engine; seam
C2; Block, right; 1; 12; 44; engine;
C3; Cylinder head; 1; 6; 40; engine;
C4; Sump; 1; 6; 38; engine;
C5; Gearbox, left half; 1; 5; 30; cast; seam
C6; Gearbox, right half; 1; 5; 30; cast;
C7; Intake manifold; 1; 3; 30; cast;
C8; Exhaust manifold; 1; 4; 34; cast; flash
C9; Dynamo; 1; 1.5; 10; chassis;
C10; Fan and pulley; 1; 2; 17; chassis;
C11; Carburettors; 2; 1; 8; cast;
C12; Air cleaner; 1; 4; 18; chassis;
C13; Rocker cover; 1; 4; 38; engine;
C14; Distributor; 1; 0.8; 9; chassis;
C15; Oil filter; 1; 1; 8; cream;
C16; Starter; 1; 1.2; 12; chassis;
D1; Bumper, front; 1; 12; 72; mirror; gates seam
D2; Bumper, rear; 1; 12; 70; mirror; gates seam
D3; Grille; 1; 9; 46; mirror; gates
D4; Headlamp rims; 2; 1.5; 11; plating; gates
D5; Side spears; 2; 4; 92; mirror; gates
D6; Screen frame; 1; 6; 58; mirror; gates
D7; Over-riders; 4; 0.8; 9; mirror; gates
D8; Door handles; 2; 0.5; 9; plating; gates
D9; Mirrors; 2; 0.8; 8; plating; gates
D10; Wipers; 2; 0.4; 18; plating; gates
D11; Hood mascot; 1; 0.4; 9; plating; gates
D12; Tail lamp bezels; 2; 0.8; 8; plating; gates
E1; Rims; 5; 5; 17; mirror; gates
E2; Hub caps; 5; 1.5; 12; plating; gates
E3; Back plates; 4; 2; 15; chassis;
E4; Tyres; 5; 8; 27; bare;
E5; Hub bushings; 4; 0.5; 5; bare;
E6; Spare wheel clamp; 1; 0.8; 8; chassis;
F1; Tub; 1; 58; 92; oxblood;
F2; Seat, front; 1; 17; 44; oxblood;
F3; Seat, rear; 1; 15; 42; oxblood;
F4; Door cards; 2; 9; 44; oxblood+cream:0.3:moulded:40;
F5; Dashboard; 1; 8; 52; turquoise;
F6; Steering column; 1; 1; 30; cream;
F7; Steering wheel; 1; 1.5; 17; cream;
F8; Instrument cluster; 1; 1; 14; plating;
F9; Pedals; 3; 0.3; 7; chassis;
F10; Gear lever; 1; 0.3; 11; plating;
F11; Sun visors; 2; 1.2; 16; oxblood;
F12; Soft top, folded; 1; 16; 50; top-cloth;
F13; Soft top, raised; 1; 62; 66; top-cloth; warp
F14; Tonneau cover; 1; 14; 48; oxblood;
G1; Windscreen; 1; 8; 54; glass;
G2; Headlamp lenses; 2; 0.8; 9; glass;
G3; Tail lamp lenses; 2; 0.4; 7; glass;
G4; Quarter lights; 2; 1; 14; glass;
G5; Rear window; 1; 5; 32; glass;
`,
  materials: { E4: 'vinyl', E5: 'poly', G1: 'clear', G2: 'clear', G3: 'clear', G4: 'clear', G5: 'clear' },
  fragile: ['D9', 'D10', 'D11'],
  colours: { A: 'white', B: 'black', C: 'grey', D: 'grey', E: 'grey', F: 'white', G: 'clear' },
  plated: ['D4', 'D8', 'D9', 'D10', 'D11', 'D12', 'E2', 'F8', 'F10'],
  states: { D11: 'lost', C15: 'lost', A1: 'cleaned', A2: 'cleaned', A3: 'cleaned', A4: 'cleaned' },
  joints: `
A2 A1 cement vanish; edge 62
A3 A1 cement vanish; edge 60
A4 A1 cement vanish; edge 58
A10 A1 cement vanish; edge 96
A9 A2 cement hidden
A8 A1 cement hidden
A5 A1 hinge panel-line swings; clearance 0.35; entry above
A6 A1 hinge panel-line swings; clearance 0.3; entry above
A7 A1 cement panel-line
B15 B1 cement hidden
B2 B1 cement hidden
B3 B6 cement hidden
B6 B1 cement hidden
B8 B1 cement hidden
B4 B1 cement hidden
B7 B4 cement hidden
B5 B3 cement hidden
B5 C5 sits-in hidden; closes B3-B6
B9 B1 cement hidden
B10 B1 cement hidden
B11 C8 cement hidden
B12 B11 cement vanish
B12 B1 cement hidden
B13 B1 cement hidden
B14 A9 cement hidden
C1 C2 cement vanish; edge 90; captures C10
C10 C1 press hidden turns
C3 C1 cement hidden
C4 C1 cement panel-line
C5 C6 cement vanish; edge 64
C5 C1 cement hidden
C7 C3 cement hidden
C8 C3 cement hidden
C13 C3 cement panel-line
C12 C11 cement hidden
C11 C7 cement hidden
C1 B1 sits-in hidden; entry above; id engine-in
D3 A1 cement hidden; entry front; clearance 0.25
D6 A2 cement hidden
D4 A1 press hidden; clearance 0.2
D5 A1 cement hidden
D8 A1 cement hidden
D9 A1 cement hidden
D10 A2 cement hidden
D1 A1 cement hidden; entry front
D2 A1 cement hidden; entry rear
D7 D1 cement hidden
E3 B3 cement hidden
E3 B7 cement hidden
E5 E3 sits-in hidden turns
E1 E5 press hidden turns; clearance 0.15
E2 E1 press hidden; clearance 0.12
E4 E1 tyre hidden
E6 F1 cement hidden
F1 B2 cement hidden; entry above; id interior-in
F5 A2 cement hidden
F6 F5 cement hidden
F8 F5 sits-in hidden; clearance 0.15
F7 F6 cement hidden
F4 F1 cement hidden
F12 A1 sits-in hidden comes-off
F13 A1 sits-in hidden comes-off; clearance 0.2
F14 A1 sits-in hidden comes-off
F11 D6 cement hidden
A1 B1 cement hidden; entry above; clearance 0.3; closes engine-in interior-in F5-A2; id body-on
G1 D6 glass hidden; clearance 0.15
G2 D4 glass hidden; clearance 0.12
G3 D12 glass hidden
G4 D6 glass hidden
G5 F13 glass hidden
`,
  choices: [
    {
      id: 'top',
      name: 'Top',
      chosen: 'top-down',
      options: [
        { id: 'top-down', name: 'open, top folded', needs: ['F12'] },
        { id: 'top-up', name: 'closed, top raised', needs: ['F13', 'G5'], rulesOut: ['F14'] },
        { id: 'top-tonneau', name: 'open, tonneau on', needs: ['F14'] },
      ],
    },
    {
      id: 'drive',
      name: 'Drive side',
      chosen: null,
      options: [
        { id: 'drive-right', name: 'right-hand' },
        { id: 'drive-left', name: 'left-hand' },
      ],
    },
    {
      id: 'trim',
      name: 'Trim',
      chosen: 'trim-parade',
      options: [
        {
          id: 'trim-parade',
          name: 'parade car 12',
          markings: ['Door numbers 12, two', 'Founders’ Day plate, front and rear'],
        },
        { id: 'trim-touring', name: 'touring, spot lamps', markings: ['Plain number plates'] },
      ],
    },
  ],
  works: [
    'hole; A1; holes for the top irons; top-up',
    'hole; A1; holes for two spot lamps; trim-touring',
    'hole; F5; hole for the column, right; drive-right',
    'hole; F5; hole for the column, left; drive-left',
    'pin; B15; pins of the body posts, 1 mm off; always',
  ],
  evidence: [
    {
      title: 'Oil filter colour',
      parts: ['C15'],
      step: 'colour',
      sheet: 'engine green',
      evidence: 'cream, with a dark band, on two cars seen at the show',
      source: 'own photographs, spring show',
      confidence: 'likely',
      verdict: 'open',
    },
    {
      title: 'Seam between cowl and body',
      parts: ['A2', 'A1'],
      step: 'join',
      sheet: 'leave the line',
      evidence: 'no line on the real body',
      source: 'workshop manual, plate 14',
      confidence: 'sure',
      verdict: 'evidence',
      decision: 'Fill it before primer.',
    },
    {
      title: 'Order of glass and screen frame',
      parts: ['D6', 'G1'],
      step: null,
      sheet: 'frame on in step 4, glass in step 22',
      evidence: 'the glass cannot pass the frame once the visors are in',
      source: 'dry fit',
      confidence: 'sure',
      verdict: 'evidence',
      decision: 'Glass into the frame off the car.',
    },
    {
      title: 'Rear springs over or under the axle',
      parts: ['B6', 'B3'],
      step: 'join',
      sheet: 'over',
      evidence: 'a period picture seems to show them under',
      source: 'magazine cutting, 1958, poor print',
      confidence: 'doubtful',
      verdict: 'open',
    },
  ],
  sheet: `
1: C1 > C2, paint engine green
2: C3 C4 > C1; C13 > C3
3: C5 > C6; C5 > C1, paint cast metal
4: C7 C8 > C3; C11 > C7; C12 > C11
5: C9 C14 C16 > C1; C10 > C9, note the fan faces forward
6: B3 > B6, B6 > B1; B4 B5 > B1
7: B7 B8 > B4, note do not cement the arms at the hubs
8: B9 B11 > B1; B12 > B11; B13 B14 > B1, paint satin black
9: C1 > B1, drill the two hose holes in B13
10: F2 F3 F10 > F1, paint oxblood
11: F5 > F1; F8 > F5, decal 14 (dials)
12: D1 > A1; D2 > A1; D16 > D1, cut the scars off the plating
`,
  box: [
    'Frame A',
    'Frame B',
    'Frame C',
    'Frame D, plated',
    'Frame E, plated',
    'Frame F',
    'Frame G, clear',
    'Tyres, bag',
    'Decal sheet',
  ],
  unchecked: ['Frame F', 'Decal sheet'],
  fits: [
    { joint: 'A5-A1', feel: 'snug', clearance: 0.35, motion: true, done: 'front edge eased with a stick' },
    { joint: 'A6-A1', feel: 'tight', motion: true, done: '' },
    { joint: 'F8-F5', feel: 'tight', done: 'recess scraped' },
    { joint: 'E2-E1', feel: 'snug', clearance: 0.12, done: '' },
    { joint: 'body-on', feel: 'free', clearance: 0.3, done: '' },
  ],
  places: [
    'A1; hole; door mirror; 1.0; ; 0.8;',
    'A1; line; door shut line; 0.35; 0.3; ;',
    'A1; line; drip rail; 0.12; 0.25; ;',
    'A5; slot; hood hinge; 0.8; ; 0.5; A1',
  ],
  views: ['left; Left side; left; A1; open; 188; 34', 'right; Right side; right; A1; open; 188; 34'],
  areas: [
    `left; cream; side flash; path; 0; 0; ; ; 0; ${SIDE_FLASH}`,
    `right; cream; side flash; path; 0; 0; ; ; 0; ${mirroredPath(SIDE_FLASH, 188)}`,
  ],
  mouldings: [`left; side moulding; ${FLASH_LINE}`, `right; side moulding; ${mirroredPath(FLASH_LINE, 188)}`],
  regions: ['left; A5; M14 6 H70 V13 H14 Z', 'left; A6; M142 5 H176 V12 H142 Z'],
  markings: [
    {
      name: 'Coachline, left',
      view: 'left',
      at: [86, 11.6],
      size: [140, 0.6],
      route: 'decal',
      sheet: '3',
      lettering: false,
      surface: 'curved',
      film: 'old',
      colour: 'stripe',
    },
    {
      name: 'Wing script, left',
      view: 'left',
      at: [112, 16.5],
      size: [16, 2.6],
      route: 'foil',
      sheet: '5',
      film: 'sound',
    },
    {
      name: 'Parade number, left',
      view: 'left',
      at: [98, 23],
      size: [9, 9],
      round: true,
      route: 'print',
      film: 'sound',
      artwork: { kind: 'roundel', text: '6', ink: '#1c2a44', ground: '#f4efe2' },
    },
    {
      name: 'Number plates',
      part: 'D7',
      size: [12.7, 6.4],
      count: 2,
      route: 'paper',
      artwork: { kind: 'plate', text: 'TL 57 / LARKSPUR', ink: '#f2e9c9', ground: '#1d3b36' },
    },
  ],
  gaps: ['A5; A2; hood to cowl, rear edge; 0.4; swings', 'E4; A8; tyre to inner arch; 1.2; turns'],
  holdings: [
    'A1; inside the body, on a stick through the floor opening; hidden',
    'E1; spigot at the back of each rim; hidden',
    'D1; clip on the rear edge of the bracket; shows',
  ],
  runs: [
    'battery-cable; B14; B1; 1; earth strap; ; 22;',
    'heater-hose; C3; A2; 2; ; ; 30; through the bulkhead, side by side; clip clip',
    'radiator-hose; B13; C3; 1; top hose; 38; 18;',
    'fuel-pipe; B9; C11; 1; ; ; 150; along the left frame rail',
  ],
  led: { 4: { cover: 'braid', look: 'steel braid' } },
  carpets: [
    {
      name: 'Floor',
      partId: 'F1',
      areaCm2: 26,
      fibre: '#7a3038',
      ground: '#3a2426',
      wanted: '#6a2a32',
      over: '#b07a7c',
    },
  ],
  belts: [
    {
      name: 'Lap belts, front',
      partId: 'F2',
      count: 2,
      colour: 'black',
      metal: 'film',
      pieces: [
        { name: 'buckle end', pathMm: 9, fittings: 1 },
        { name: 'tongue end', pathMm: 16, fittings: 1 },
      ],
    },
  ],
  panels: [
    {
      name: 'Dials of the dash',
      partId: 'F5',
      widthMm: 40,
      heightMm: 9,
      cornerMm: 1.5,
      recessWidthMm: 40.4,
      recessHeightMm: 9.2,
      art: 'kit-decal',
      decalWidthMm: 41,
      decalHeightMm: 9,
      route: 'decal-overlay',
      lensMm: 0.3,
      on: [
        { name: 'Speed', xMm: 7, yMm: 4.5, widthMm: 5, bezel: true },
        { name: 'Revs', xMm: 12.4, yMm: 4.5, widthMm: 5, bezel: true },
        { name: 'Fuel', xMm: 18.6, yMm: 3.4, widthMm: 2.4 },
        { name: 'Oil', xMm: 22.4, yMm: 3.4, widthMm: 2.4, printedXMm: 22.1 },
        { name: 'Water', xMm: 26.2, yMm: 3.4, widthMm: 2.4, printedXMm: 25.6 },
        { name: 'Radio', what: 'vent', xMm: 33.4, yMm: 4.6, round: false, widthMm: 8, heightMm: 2.6 },
      ],
      note: 'wood grain: brown, a dry brush of orange, clear orange over it',
    },
  ],
  panes: [
    {
      name: 'Windscreen',
      partId: 'G1',
      intoPartId: 'D6',
      gaugeMm: 0.9,
      edge: 'bright',
      flaws: 'hazy',
      first: true,
    },
    { name: 'Quarter lights', partId: 'G4', intoPartId: 'D6', gaugeMm: 0.9, coveredBy: ['F4'] },
    { name: 'Rear window', partId: 'G5', intoPartId: 'F13', edge: 'rubber' },
  ],
  seats: [
    {
      name: 'Front seat',
      partId: 'F2',
      heightMm: 9.5,
      baseMm: 18,
      rakeDeg: 16,
      reachMm: 24,
      wheelMm: 18.5,
      sillMm: 15.8,
      wantedHeightMm: 11,
      wantedRakeDeg: 20,
      note: 'from another kit: its base is hollow, pack the rim',
    },
  ],
  effects: [
    {
      name: 'Face of the dash',
      partId: 'F5',
      effect: 'varnished-wood',
      base: '#b98b58',
      wanted: '#a4551f',
    },
    { name: 'Seats', partId: 'F2', effect: 'leather', base: '#6a2a32' },
    { name: 'Folded top', partId: 'F12', effect: 'cloth', base: '#b7ab92' },
  ],
  lamps: [
    { name: 'Headlamps', partId: 'G2', count: 2, reflector: 'plating', bezel: true },
    { name: 'Tail lamps', partId: 'G3', count: 2, reflector: 'foil', colour: '#b01018', bezel: true },
  ],
  insertions: [
    {
      name: 'Chassis into body',
      partId: 'B1',
      shellPartId: 'A1',
      gaugeMm: 1.2,
      sideMm: 26,
      frontRoomMm: 16,
      rearRoomMm: 12,
      stations: [
        { atMm: 14, unitMm: 56, openMm: null },
        { atMm: 22, unitMm: 60, openMm: 64 },
        { atMm: 62, unitMm: 69.2, openMm: 68.4 },
        { atMm: 120, unitMm: 69.2, openMm: 68.8 },
        { atMm: 172, unitMm: 62, openMm: 65 },
        { atMm: 178, unitMm: 58, openMm: null },
      ],
    },
  ],
  levels: [
    {
      name: 'Front bumper',
      partId: 'D1',
      apartMm: 66,
      seatsMm: 34,
      gauge: 'coins',
      measures: [
        { name: 'height over the bench', leftMm: null, rightMm: null },
        { name: 'reach ahead of the wing', leftMm: null, rightMm: null },
      ],
    },
  ],
  dressings: [
    {
      name: 'Radiator',
      what: 'radiator',
      partId: 'B13',
      coreHeightMm: 18,
      coreWidthMm: 24,
      finMm: 0.5,
    },
  ],
  harnesses: [
    {
      name: 'Straight six',
      fromPartId: 'C14',
      toPartId: 'C3',
      layout: 'in-line',
      cylinders: 6,
      pitchMm: 6,
      reachMm: 13,
      firingOrder: [1, 5, 3, 6, 2, 4],
      x: -16,
      y: 6,
      z: 12,
      capRadiusMm: 1.7,
      rotor: 'clockwise',
      firstDeg: 30,
      guides: [{ x: -15, y: 3, z: 15.5, cylinders: [1, 2, 3, 4, 5, 6] }],
      slack: 0.12,
      colour: 'Black, brass ends',
    },
  ],
  engines: [
    {
      name: 'Straight six',
      slots: [
        { name: 'left block', kinds: ['six block, left'], count: 1, seen: true },
        { name: 'right block', kinds: ['six block, right'], count: 1, seen: true },
        { name: 'head', kinds: ['six head'], count: 1, seen: true },
        { name: 'cover', kinds: ['six cover'], count: 1, seen: true },
        { name: 'sump', kinds: ['six sump'], count: 1, seen: false },
        { name: 'intake', kinds: ['six intake'], count: 1, seen: true },
        { name: 'carburettors', kinds: ['side carburettor'], count: 2, seen: true },
        { name: 'generator', kinds: ['generator'], count: 1, seen: true },
        { name: 'ignition', kinds: ['distributor'], count: 1, seen: true },
      ],
    },
  ],
  engineKinds: [
    'C1; six block, left',
    'C2; six block, right',
    'C3; six head',
    'C4; six sump',
    'C7; six intake',
    'C9; generator',
    'C11; side carburettor',
    'C12; air cleaner',
    'C13; six cover',
    'C14; distributor',
  ],
  facings: [{ partId: 'C4', what: 'the deep end', faces: 'front', mark: 'none' }],
  corners: [
    {
      name: 'Front left',
      rimPartId: 'E1',
      tyrePartId: 'E4',
      tread: 'sanded',
      spins: true,
      steers: true,
      radiusMm: 13.5,
      widthMm: 5.4,
      pivotMm: 2,
      outerGapMm: 2.4,
      innerGapMm: 3.1,
    },
    {
      name: 'Front right',
      side: 'right',
      rimPartId: 'E1',
      tyrePartId: 'E4',
      tread: 'sanded',
      spins: true,
      steers: true,
      radiusMm: 13.2,
      widthMm: 5.4,
      pivotMm: 2,
      outerGapMm: 2.4,
      innerGapMm: 3.1,
      flawHour: 5,
    },
  ],
  replacements: [
    {
      name: 'Oil filter',
      partId: 'C15',
      way: 'scratch',
      shape: 'rod',
      sizeFrom: 'box',
      widthMm: 3,
      lengthMm: 8,
      note: 'flew off the tweezers; a ring of tape for its rim',
    },
  ],
  gauges: [
    { name: 'Hood, its edge', partId: 'A5', measuredMm: 1.1, realMm: 9, edgeOnly: true, way: 'edges' },
    { name: 'Quarter lights', partId: 'G4', measuredMm: 0.9, realMm: 4 },
    { name: 'Head, the edge of its gasket', partId: 'C3', measuredMm: 0.5, realMm: 2.5, way: 'edges' },
    { name: 'Filler flap', partId: 'A7', measuredMm: 0.7, realMm: 1.2, way: 'replace' },
  ],
  showing: { from: 'table', widthMm: 74, openFromMm: 72, openToMm: 150, minutes: 180 },
  stance: {
    heights: [21.4, 21.2, 22.1, 21.6],
    rake: 0.5,
    shims: [0.13, 0.25, 0.5],
    note: 'wheels taped on, body off',
  },
  wants: [
    {
      name: 'Etched wire mesh for the grille',
      why: 'the moulded grille is closed behind',
      lead: 14,
      have: false,
      substitute: 'black wash behind the bars',
      looks: 'flat when seen from the side',
    },
    {
      name: 'Adhesive foil, bright',
      why: 'screen edge and sill trims',
      lead: 7,
      have: true,
      substitute: '',
      looks: '',
    },
    {
      name: 'Ribbon for belts',
      why: 'the touring car has lap belts',
      option: 'trim-touring',
      lead: 5,
      have: false,
      substitute: 'painted paper',
      looks: 'edges too thick',
    },
  ],
  decals: ['stripe; Coachline cream; 88.5 1.5 18; film; TL-2203'],
  deadline: '2026-07-04',
  brightwork: [
    'D8; flat; foil',
    'D9; tight; strip-paint',
    'D10; flat; silver-marker',
    'D11; tight; ink-airbrush',
  ],
};
