import type { PartList } from './partList.ts';

/** A conventional tandem-axle tractor, an American builder's words. */
export const truck: PartList = `
A1 Frame rail, left : A3 A4
A2 Frame rail, right : A3 A4
A3 Front cross member : A1 A2
A4 Rear cross member : A1 A2
A5 Fifth wheel : A1 A2
A6 Front axle : A8
A7 Rear axles x2 : A9 A10
A8 Front leaf springs x2 : A1 A2
A9 Rear leaf springs x4 : A1 A2
A10 Walking beams x2 : A1 A2 A7
A11 Front shocks x2 : A6 A1 A2
A12 Drive shaft : A7 B6
A13 Fuel tank, left : A1
A14 Fuel tank, right : A2
A15 Tank straps x4 : A13 A14
A16 Air tanks x2 : A1 A2
A17 Battery box : A1 A2
A18 Mud flaps x2 : A1 A2
B1 Engine block, LH : B2 A1 A2
B2 Engine block, RH : A1 A2
B3 Cylinder head : B1 B2
B4 Valve cover : B3
B5 Oil pan : B1 B2
B6 Transmission : B1 B2
B7 Turbocharger : B8
B8 Exhaust manifold : B3
B9 Intake manifold : B3
B10 Fan : B1 B2 B11
B11 Water pump : B1 B2
B12 Alternator : B1 B2
B13 Starter : B1 B2
B14 Radiator : B15 A1 A2
B15 Radiator shell : A1 A2 C1
C1 Cab : A1 A2
C2 Cab floor : C1
C3 Cab back : C1
C4 Hood : C1
C5 Door, LH : C1
C6 Door, RH : C1
C7 Sleeper : A1 A2 C1
C8 Dashboard : C1 C2
C9 Steering wheel : C10 C8
C10 Steering column : C8 C2
C11 Seat, LH : C2
C12 Seat, RH : C2
C13 Gear shift lever : C2
C14 Door panels x2 : C5 C6
C15 Firewall : C1
D1 Front bumper : A1 A2
D2 Grille : B15 C4 C1
D3 Headlights x2 : D2 C1
D4 Air horns x2 : C1
D5 Exhaust stacks x2 : C1 A1 A2
D6 Heat shields x2 : D5
D7 Cab steps x2 : A13 A14 C1
D8 Sun visor, external : C1
D9 Mirrors x2 : C5 C6 C1
D10 Marker lights x5 : C1
D11 Wheels, front x2 : D13 A6
D12 Wheels, rear x8 : D14 A7
D13 Front brake drums x2 : A6
D14 Rear brake drums x4 : A7
G1 Windshield : C1
G2 Door windows x2 : C5 C6
G3 Headlight lenses x2 : D3
G4 Rear window : C3 C1
V1 Tires, front x2 : D11
V2 Tires, rear x8 : D12
`;
