import type { SampleKit } from './sampleKit.ts';

/** An earlier build, finished: a small saloon of the coupe's maker, box to shelf. */
export const saloon: SampleKit = {
  school: 'pieces',
  finishes: [
    'moss; Boathouse moss; polished; TL-2045',
    'tan; Tan cloth; satin',
    'black; Chassis black; satin',
    'iron; Engine blue; satin',
    'mirror; Mirror lacquer; metal',
    'plating; Kit plating; plating',
    'glass; Clear; clear',
  ],
  parts: `
A1; Body; 1; 148; 158; moss; gates
A2; Hood; 1; 34; 52; moss; gates
A3; Boot lid; 1; 26; 42; moss; gates
A4; Instrument board; 1; 6; 48; moss;
B1; Chassis; 1; 96; 150; black;
B2; Front axle; 1; 6; 54; black; seam
B3; Rear axle; 1; 9; 58; black; seam
B4; Springs; 4; 3; 46; black; gates
B5; Exhaust; 1; 7; 120; black; seam
C1; Engine block, left; 1; 12; 36; iron; seam
C2; Engine block, right; 1; 12; 36; iron;
C3; Cylinder head; 1; 6; 34; iron;
C4; Air cleaner; 1; 3; 14; black;
C5; Radiator; 1; 9; 26; black; gates
D1; Floor; 1; 42; 86; tan;
D2; Front seats; 2; 18; 32; tan; seam
D3; Rear seat; 1; 22; 50; tan;
D4; Door cards; 2; 14; 60; tan;
D5; Steering wheel; 1; 2; 17; tan; gates
E1; Bumpers; 2; 9; 70; plating; gates
E2; Grille; 1; 6; 34; plating; gates
E3; Headlamp rims; 2; 1; 9; plating; gates
E4; Door handles; 2; 0.4; 8; plating; gates
E5; Rear lamps; 2; 0.6; 6; plating; gates
F1; Rims; 4; 6; 19; mirror; gates
F2; Tyres; 4; 9; 27; bare; seam
G1; Windscreen; 1; 12; 48; glass;
G2; Rear window; 1; 10; 44; glass;
G3; Side windows; 2; 8; 50; glass;
G4; Headlamp lenses; 2; 0.8; 8; glass;
`,
  materials: { F2: 'rubber', G1: 'clear', G2: 'clear', G3: 'clear', G4: 'clear' },
  fragile: ['D5', 'G1'],
  colours: { A: 'white', B: 'black', C: 'grey', D: 'white', E: 'plated', F: 'plated' },
  plated: ['E', 'F1'],
  states: { E4: 'from-spares' },
  joints: `
A2 A1 clip hidden comes-off; clearance 0.3
A3 A1 cement panel-line
A4 A1 cement hidden
A1 B1 screw hidden; id body-on
B2 B4 cement hidden
B3 B4 cement hidden
B4 B1 cement hidden
B5 B1 cement hidden
C1 C2 cement vanish; edge 90
C3 C1 cement panel-line
C4 C3 cement hidden
C1 B1 cement hidden; id engine-in
C5 B1 cement hidden
D1 B1 sits-in hidden
D2 D1 cement hidden
D3 D1 cement hidden
D4 D1 cement hidden
D5 A4 cement hidden
E1 B1 cement hidden
E2 A1 cement hidden
E3 A1 press hidden; captures G4; clearance 0.15
E4 A1 cement hidden
E5 A1 cement hidden
F2 F1 tyre hidden
F1 B2 press hidden turns; clearance 0.1
G1 A1 glass hidden
G2 A1 glass hidden
G3 A1 glass hidden
G4 E3 glass hidden
`,
  choices: [],
  works: [],
  evidence: [
    {
      title: 'How many rear lamps',
      parts: ['E5'],
      step: 'join',
      sheet: 'one, in the middle',
      evidence: 'two, on the wings, on every car of that year',
      source: 'a show catalogue, two photographs',
      confidence: 'sure',
      verdict: 'evidence',
      decision: 'Two on the wings; the hole in the middle is filled.',
    },
  ],
  box: ['Frame A', 'Frame B', 'Frame C', 'Frame D', 'Frame E, plated', 'Frame F, plated', 'Frame G, clear'],
  unchecked: [],
  fits: [
    { joint: 'A2-A1', feel: 'tight', clearance: 0.1, done: '0.1 mm off the rear edge' },
    { joint: 'body-on', feel: 'snug', done: '' },
  ],
  places: [],
  runs: [],
  stance: {
    heights: [13.1, 13.1, 13.0, 13.1],
    rake: 0,
    shims: [0.13, 0.25],
    note: 'level on the glass plate',
  },
  wants: [],
  brightwork: [],
  decals: [],
};
