import type { PartList } from './partList.ts';

/** A later open-wheel racer, sides before the names, plain words. */
export const formula: PartList = `
A1 Main body : A2
A2 Underfloor : 
A3 Nose : A1
A4 Front wing main plane : A3
A5 Front wing end plate (L) : A4
A6 Front wing end plate (R) : A4
A7 Rear wing : A8 A9
A8 Left rear wing support : C1
A9 Right rear wing support : C1
A10 Left side pod : A1 A2
A11 Right side pod : A1 A2
A12 Engine cowling : A1
A13 Air scoop : A12 A1
A14 Left radiator : A10 A1 A2
A15 Right radiator : A11 A1 A2
A16 Left mirror : A1
A17 Right mirror : A1
B1 Left front upper arm : A1
B2 Right front upper arm : A1
B3 Left front lower arm : A1
B4 Right front lower arm : A1
B5 Left front upright : B1 B3
B6 Right front upright : B2 B4
B7 Left rear upper arm : C1 A1
B8 Right rear upper arm : C1 A1
B9 Left rear lower arm : C1 A1
B10 Right rear lower arm : C1 A1
B11 Left rear upright : B7 B9
B12 Right rear upright : B8 B10
B13 Left front brake disc : B5
B14 Right front brake disc : B6
B15 Left rear brake disc : B11
B16 Right rear brake disc : B12
B17 Left front brake caliper : B13 B5
B18 Right front brake caliper : B14 B6
B19 Steering rack : A1
B20 Left drive shaft : C1 B11
B21 Right drive shaft : C1 B12
C1 Gear case : C2 C3
C2 Engine block, left : C3 A1 A2
C3 Engine block, right : C2 A1 A2
C4 Cam cover, left : C2 C6
C5 Cam cover, right : C3 C7
C6 Cylinder head, left : C2 
C7 Cylinder head, right : C3 
C8 Exhaust pipes, left : C6
C9 Exhaust pipes, right : C7
C10 Turbo, left : C8
C11 Turbo, right : C9
D1 Cockpit : A1 A2
D2 Driver's seat : D1 A1
D3 Instrument panel : D1 A1
D4 Steering wheel : D5 D3
D5 Steering shaft : D3 D1
D6 Seat belts : D2
D7 Front wheels x2 : B5 B6 B13 B14
D8 Rear wheels x2 : B11 B12 B15 B16
D9 Centre nuts x4 : D7 D8
G1 Wind screen : A1
V1 Front tyres x2 : D7
V2 Rear tyres x2 : D8
`;
