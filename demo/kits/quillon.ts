import type { SampleKit } from './sampleKit.ts';

/** The escort motorcycle: candy tank, heat-tinted pipes, tinted fork tubes, spoked wheels. */
export const quillon: SampleKit = {
  school: 'pieces',
  finishes: [
    'candy; Candy red; polished; QC-52',
    'ivory; Escort ivory; polished; QC-07',
    'black; Frame black; gloss',
    'cast; Cast alloy; metal',
    'machined; Machined alloy; metal',
    'mirror; Mirror lacquer; metal',
    'fork; Tinted fork tube; metal',
    'plating; Kit plating; plating',
    'seat; Seat black; satin',
    'glass; Clear; clear',
  ],
  parts: `
A1; Tank, left; 1; 26; 78; candy+ivory:0.25:masked:110; seam
A2; Tank, right; 1; 26; 78; candy+ivory:0.25:masked:110; seam
A3; Side covers; 2; 9; 44; candy; gates
A4; Tank cap; 1; 0.6; 9; plating; gates
A5; Tank badges; 2; 0.6; 16; plating; gates
A6; Oil tank; 1; 9; 32; candy; seam
A7; Tool box; 1; 7; 28; candy;
B1; Frame, left; 1; 28; 130; black; seam flash
B2; Frame, right; 1; 28; 130; black;
B3; Swing arm; 1; 14; 72; black; seam
B4; Fork legs; 2; 9; 92; machined; seam
B5; Yoke, upper; 1; 3; 26; machined;
B6; Yoke, lower; 1; 3; 26; black;
B7; Fork tubes; 2; 5; 70; fork; gates
B8; Shock springs; 2; 4; 40; mirror; gates
B9; Shock bodies; 2; 3; 44; black;
B10; Centre stand; 1; 4; 38; black;
B11; Side stand; 1; 2; 36; black;
B12; Foot rests; 4; 1; 16; black;
B13; Engine plates; 4; 3; 24; machined;
C1; Crankcase, left; 1; 20; 58; cast; seam
C2; Crankcase, right; 1; 20; 58; cast;
C3; Cylinders; 1; 14; 34; black;
C4; Cylinder head; 1; 10; 36; cast;
C5; Rocker boxes; 2; 4; 24; machined;
C6; Primary cover; 1; 8; 54; machined;
C7; Gearbox cover; 1; 7; 34; machined;
C8; Timing cover; 1; 6; 30; machined;
C9; Carburettors; 2; 2; 17; cast;
C10; Air filters; 2; 3; 18; black;
C11; Magneto; 1; 2; 18; cast;
C12; Dynamo; 1; 2; 20; black;
C13; Kick start; 1; 1; 34; plating; gates
C14; Gear lever, foot; 1; 0.8; 26; plating; gates
C15; Final sprocket; 1; 1.5; 14; cast;
C16; Clutch drum; 1; 2; 16; cast;
D1; Mudguard, front; 1; 18; 92; ivory; sink
D2; Mudguard, rear; 1; 22; 98; ivory; sink
D3; Guard stays; 4; 1; 46; plating; gates
D4; Chain guard; 1; 6; 70; ivory; warp
D5; Number plate; 1; 4; 20; ivory;
D6; Escort panniers, left half; 2; 14; 52; ivory; seam
D7; Escort panniers, right half; 2; 14; 52; ivory;
D8; Pannier frames; 2; 3; 60; black;
E1; Pipes, left half; 2; 8; 96; mirror; seam
E2; Pipes, right half; 2; 8; 96; mirror;
E3; Silencers, left half; 2; 7; 72; mirror; seam
E4; Silencers, right half; 2; 7; 72; mirror;
E5; Pipe clamps; 4; 0.4; 7; plating;
F1; Rims; 2; 12; 62; mirror; gates
F2; Spokes, inner; 2; 9; 58; mirror; flash
F3; Spokes, outer; 2; 9; 58; mirror; flash
F4; Hub, front; 1; 5; 22; machined;
F5; Hub, rear; 1; 6; 24; machined;
F6; Brake plates; 2; 4; 22; machined;
F7; Tyres; 2; 30; 78; bare; seam
F8; Axles; 2; 1; 30; plating;
F9; Rear sprocket; 1; 4; 26; cast;
F10; Chain halves; 2; 5; 84; cast;
G1; Seat base; 1; 18; 76; black;
G2; Seat cover; 1; 24; 80; seat; seam
G3; Handlebar; 1; 5; 88; plating; gates seam
G4; Grips; 2; 1.5; 14; seat;
G5; Levers; 2; 1; 26; machined; gates
G6; Headlamp shell; 1; 7; 24; ivory; seam
G7; Headlamp rim; 1; 2; 24; plating; gates
G8; Speedometer; 1; 2; 14; black;
G9; Tail lamp; 1; 2; 15; ivory;
G10; Siren; 1; 3; 20; plating; gates
G11; Escort lamps; 2; 2; 15; plating; gates
G12; Windshield; 1; 16; 60; glass;
G13; Headlamp lens; 1; 2; 22; glass;
G14; Tail lens; 1; 0.8; 12; glass;
G15; Mirror stems; 2; 1; 30; plating; gates
G16; Cables, vinyl; 5; 1; 110; bare;
H1; Frame screws; 12; 0.3; 6; bare;
H2; Fork springs; 2; 2; 40; bare;
H3; Bushings; 4; 0.4; 5; bare;
`,
  materials: {
    F7: 'rubber',
    G12: 'clear',
    G13: 'clear',
    G14: 'clear',
    G16: 'vinyl',
    H1: 'metal',
    H2: 'metal',
    H3: 'poly',
    F8: 'metal',
    A5: 'etch',
  },
  fragile: ['G15', 'G5', 'C13', 'G12'],
  colours: {
    A: 'white',
    B: 'black',
    C: 'grey',
    D: 'white',
    E: 'plated',
    F: 'plated',
    G: 'plated',
    H: 'metal',
  },
  plated: ['A4', 'C13', 'C14', 'D3', 'E', 'F1', 'F2', 'F3', 'G3', 'G7', 'G10', 'G11', 'G15', 'B7', 'B8'],
  states: { G14: 'lost', A1: 'cleaned', A2: 'cleaned', A3: 'cleaned' },
  joints: `
A1 A2 cement vanish; edge 160
A4 A1 press hidden comes-off; clearance 0.15
A5 A1 cement hidden
A3 B1 clip hidden comes-off; clearance 0.3
A6 B1 cement hidden
A7 B2 cement hidden
A1 B1 sits-in hidden comes-off; entry above; clearance 0.4; closes A6-B1; id tank-on
B1 B2 cement vanish; edge 180; captures B3
B3 B1 press hidden swings; clearance 0.12
B6 B1 screw hidden turns
B7 B6 press hidden; clearance 0.1
B5 B7 press hidden; clearance 0.1
B4 B7 press hidden slides; captures H2; clearance 0.08
H2 B4 sits-in hidden
B9 B8 sits-in hidden
B9 B3 cement hidden
B9 B1 cement hidden
B10 B1 press hidden swings
B11 B1 press hidden swings
B12 B1 cement hidden
B13 B1 cement hidden
C1 C2 cement vanish; edge 150; captures C16
C16 C1 sits-in hidden
C3 C1 cement panel-line
C4 C3 cement panel-line
C5 C4 cement panel-line
C6 C1 cement panel-line
C7 C2 cement panel-line
C8 C2 cement panel-line
C9 C4 cement hidden
C10 C9 press hidden
C11 C1 cement hidden
C12 C1 cement hidden
C13 C7 cement hidden
C14 C7 cement hidden
C15 C1 press hidden turns
C1 B13 screw hidden; entry right; id engine-in
D1 B4 cement hidden
D2 B1 cement hidden; entry rear
D3 D1 cement hidden
D4 B3 cement hidden
D5 D2 cement hidden
D6 D7 cement vanish; edge 150
D8 B2 cement hidden
D6 D8 cement hidden comes-off
E1 E2 cement vanish; edge 190
E3 E4 cement vanish; edge 150
E3 E1 press hidden; clearance 0.2
E5 E1 cement hidden
E1 C4 press hidden; id pipes-on; clearance 0.15
F2 F3 cement hidden; captures F4
F4 F2 sits-in hidden
F2 F1 cement hidden
F5 F3 cement hidden
F6 F4 press hidden turns
F7 F1 tyre hidden
F8 F4 press hidden turns; clearance 0.08
F9 F5 cement hidden
F10 F9 cement hidden; closes F8-B3
F8 B3 screw hidden; id F8-B3
F8 B4 screw hidden
G2 G1 cement hidden
G1 B1 clip hidden comes-off
G3 B5 cement hidden
G4 G3 press hidden
G5 G3 cement hidden
G6 B6 cement hidden
G7 G6 press hidden; captures G13; clearance 0.12
G13 G7 glass hidden; clearance 0.12
G8 G6 sits-in hidden; clearance 0.1
G9 D2 cement hidden
G14 G9 glass hidden
G10 D1 cement hidden
G11 B6 cement hidden
G12 G3 clip hidden comes-off
G15 G3 press hidden
G16 G3 cement hidden
H3 B3 sits-in hidden turns
H1 B1 screw hidden
`,
  choices: [
    {
      id: 'duty',
      name: 'Duty',
      chosen: 'duty-escort',
      options: [
        {
          id: 'duty-escort',
          name: 'parade escort',
          needs: ['G10', 'G11', 'D6', 'D7', 'D8'],
          markings: ['Escort shields, two'],
        },
        { id: 'duty-private', name: 'private road machine', rulesOut: ['G12'] },
      ],
    },
    {
      id: 'bars',
      name: 'Handlebar',
      chosen: 'bars-high',
      options: [
        { id: 'bars-high', name: 'high', needs: ['G3'] },
        { id: 'bars-low', name: 'low, bent from wire' },
      ],
    },
  ],
  works: [
    'hole; D1; two holes for the siren; duty-escort',
    'hole; G6; hole for the low bar stem; bars-low',
    'scribe; A1; knee pad line; always',
    'cut; G3; bar ends for wire levers; bars-high',
  ],
  evidence: [
    {
      title: 'Which way the engine mark faces',
      parts: ['C4'],
      step: 'join',
      sheet: 'mark to the front',
      evidence: 'mark to the left, on two engines seen open',
      source: 'restorer, letter',
      confidence: 'likely',
      verdict: 'open',
    },
    {
      title: 'Colour of the fork tubes',
      parts: ['B7'],
      step: 'metal',
      sheet: 'chrome',
      evidence: 'hard chrome with a yellow tint from oil and sun',
      source: 'own photographs, natural light',
      confidence: 'sure',
      verdict: 'evidence',
      decision: 'Tint with clear yellow, two passes.',
    },
    {
      title: 'Knee pads',
      parts: ['A1', 'A2'],
      step: 'mask',
      sheet: 'painted black',
      evidence: 'separate rubber, proud by 3 mm at full size',
      source: 'parts book, page 31',
      confidence: 'sure',
      verdict: 'other',
      decision: 'Scribe the line, lay two layers of vinyl tape.',
    },
  ],
  box: [
    'Frame A',
    'Frame B',
    'Frame C',
    'Frame D',
    'Frame E, plated',
    'Frame F, plated',
    'Frame G',
    'Metal bag',
    'Decal sheet',
  ],
  unchecked: ['Metal bag'],
  fits: [
    { joint: 'tank-on', feel: 'free', clearance: 0.4, done: '' },
    { joint: 'B4-B7', feel: 'tight', motion: true, done: 'tubes polished down' },
    { joint: 'B5-B7', feel: 'forced', done: '' },
    { joint: 'G13-G7', feel: 'snug', clearance: 0.12, done: '' },
  ],
  places: [
    'B4; hole; fork leg bore; 5.1; ; 5.0; B7',
    'F6; hole; axle in the brake plate; 1.6; ; 1.5;',
    'C3; line; gap between fins; 0.5; 0.3; ;',
  ],
  views: ['tank; Tank, left; tank-left; A1; tank; 78; 33'],
  areas: ['tank; ivory; tank panel; ellipse; 42; 17; 40; 15; -4;'],
  gaps: ['F7; D1; front tyre to mudguard; 0.8; turns', 'F10; D4; chain to guard; 0.5; turns'],
  holdings: [
    'A1; stick glued in where the seat covers the joint; hidden',
    'D1; clip at the lower stay lug; shows',
  ],
  runs: [
    'control-cable; G5; C9; 1; throttle cable; ; ;',
    'control-cable; G5; C16; 1; clutch cable; ; 110;',
    'fuel-pipe; A1; C9; 2; ; ; 20; clear tube, tinted amber',
  ],
  led: {
    1: { past: 'C4 over', slackMm: 6, bundle: 'Bar loom' },
    2: { slackMm: 0, bundle: 'Bar loom', cover: 'wrap' },
    3: { look: 'clear, amber within', make: 'soft' },
  },
  panels: [
    {
      name: 'Clocks',
      partId: 'G8',
      widthMm: 14,
      heightMm: 8,
      cornerMm: 3,
      route: 'paper-lens',
      lensMm: 0.4,
      on: [
        {
          name: 'Speed',
          xMm: 4.2,
          yMm: 4,
          widthMm: 5,
          to: 160,
          step: 40,
          between: 3,
          needle: 0,
          unit: 'km/h',
          bezel: true,
        },
        {
          name: 'Revs',
          xMm: 10,
          yMm: 4,
          widthMm: 5,
          to: 8,
          step: 1,
          between: 0,
          needle: 0,
          redFrom: 7,
          unit: '×1000',
          bezel: true,
        },
      ],
    },
  ],
  panes: [{ name: 'Windshield', partId: 'G12', intoPartId: 'G3', gaugeMm: 0.8, realMm: 4, behind: ['G8'] }],
  effects: [{ name: 'Seat cover', partId: 'G2', effect: 'vinyl', base: '#26262a' }],
  lamps: [
    { name: 'Headlamp', partId: 'G13', reflector: 'silver', bezel: true },
    { name: 'Tail lamp', partId: 'G14', reflector: 'silver', colour: '#b01018' },
    { name: 'Escort lamps', partId: 'G11', count: 2, reflector: 'plating', glass: 'drop', colour: '#c8101c' },
  ],
  dressings: [
    {
      name: 'Fork tubes',
      what: 'fork',
      partId: 'B7',
      count: 2,
      tubeMm: 3.4,
      tubeLengthMm: 44,
      tubeLook: 'gold-anodised',
    },
    {
      name: 'Fork springs',
      what: 'fork',
      partId: 'H2',
      count: 2,
      tubeMm: 2.2,
      tubeLengthMm: 38,
      coils: 18,
      springMm: 3.6,
      springWireMm: 0.5,
      springLengthMm: 38,
    },
    {
      name: 'Brake plates',
      what: 'disc',
      partId: 'F6',
      count: 2,
      outerMm: 20,
      innerMm: 8,
      holes: 24,
      rows: 2,
      realHoleMm: 7,
    },
  ],
  harnesses: [
    {
      name: 'Parallel twin',
      fromPartId: 'C11',
      toPartId: 'C4',
      layout: 'in-line',
      cylinders: 2,
      pitchMm: 10,
      reachMm: 22,
      firingOrder: [1, 2],
      source: 'magneto',
      lies: true,
      x: -4,
      y: -12,
      z: 8,
      capRadiusMm: 2.2,
      rotor: 'anticlockwise',
      firstDeg: 90,
      slack: 0.2,
      colour: 'Black, red caps',
    },
  ],
  wheels: [
    {
      name: 'Wire wheel',
      partId: 'F1',
      count: 2,
      rimRadiusMm: 20.5,
      flangeRadiusMm: 2.9,
      offsetMm: 2.4,
      spokes: 40,
      crosses: 3,
      realMm: 3.2,
    },
  ],
  chains: [
    {
      name: 'Final chain',
      partId: 'F10',
      frontTeeth: 18,
      rearTeeth: 46,
      centresMm: 47.5,
      pitchMm: 15.875,
    },
  ],
  facings: [
    {
      partId: 'C11',
      what: 'the lid with one screw',
      faces: 'left',
      mark: 'dot',
      note: 'the lead leaves it upwards',
    },
  ],
  gauges: [
    { name: 'Mudguards, their edge', partId: 'D1', measuredMm: 1, realMm: 1.5, edgeOnly: true, way: 'edges' },
    { name: 'Clutch drum, its rim', partId: 'C16', measuredMm: 0.9, realMm: 3, way: 'edges' },
  ],
  showing: { from: 'table', shell: 'none', minutes: 240 },
  partBoxes: [
    'C1; 88; 6; 30; 58; 12; 26',
    'C2; 88; -6; 30; 58; 12; 26',
    'C3; 80; 0; 52; 26; 22; 18',
    'C4; 80; 0; 65; 28; 24; 9',
    'C6; 88; 15; 28; 54; 5; 24',
    'C9; 103; 0; 56; 16; 18; 14',
    'C11; 62; -2; 37; 12; 12; 12',
    'C16; 100; 10.5; 29; 14; 3.5; 14',
    'A1; 74; 9; 84; 78; 18; 24',
    'A2; 74; -9; 84; 78; 18; 24',
    'F1; 22; 0; 31; 62; 10; 62',
    'F10; 132; 11; 30; 84; 3; 10',
    'D4; 132; 14; 37; 70; 3; 4',
    'G5; 44; 0; 104; 10; 84; 4',
    'D1; 22; 0; 58; 60; 14; 20',
  ],
  stance: {
    heights: [34, 34, 34.6, 34.6],
    rake: 0,
    shims: [0.25, 0.5],
    note: 'on its stand: front and rear wheel only',
  },
  wants: [
    {
      name: 'Turned spoke set',
      why: 'moulded spokes are three times too thick',
      lead: 21,
      have: false,
      substitute: 'thin the moulded ones from behind',
      looks: 'still heavy at the rim',
    },
    {
      name: 'Braided line 1 mm',
      why: 'brake and throttle cables',
      lead: 7,
      have: true,
      substitute: '',
      looks: '',
    },
  ],
  markings: [
    {
      name: 'Escort shield',
      view: 'tank',
      at: [38, 16],
      size: [11, 9],
      route: 'decal',
      sheet: '2',
      lettering: false,
      surface: 'strong',
      film: 'sound',
      colour: 'roundel',
    },
    {
      name: 'Lining of the tank',
      view: 'tank',
      at: [40, 26],
      size: [60, 0.5],
      route: null,
      lettering: false,
      surface: 'double',
    },
    {
      name: 'Number plate',
      part: 'D5',
      size: [14.8, 8.5],
      route: 'paper',
      artwork: { kind: 'plate', text: 'QC / 650', ink: '#f5f2e8', ground: '#17181a' },
    },
  ],
  decals: ['roundel; Escort roundel white; 93.5 -0.3 2.5; film; QC-07'],
  deadline: '2026-08-01',
  brightwork: [],
};
