import type { PartList } from './partList.ts';

/** A saloon as a British builder writes it, frame by frame. */
export const saloon: PartList = `
A1 Body shell : B1 B2
A2 Bonnet : A1
A3 Boot lid : A1
A4 Front valance : A1
A5 Rear valance : A1
A6 Door, left : A1
A7 Door, right : A1
A8 Bulkhead : A1
A9 Radiator grille : A1
B1 Floor pan : B2
B2 Chassis frame :
B3 Front axle : B5
B4 Rear axle : B6
B5 Front springs x2 : B2
B6 Leaf springs, rear x2 : B2
B7 Shock absorbers x4 : B4 B3
B8 Propeller shaft : B4 C11
B9 Petrol tank : B2
B10 Exhaust pipe : C7
B11 Silencer : B10
B12 Brake drums, front x2 : B3
B13 Brake drums, rear x2 : B4
B14 Steering box : B2
C1 Engine block, left half : C2 B2
C2 Engine block, right half : B2
C3 Cylinder head : C1 C2
C4 Rocker cover : C3
C5 Sump : C1 C2
C6 Inlet manifold : C3
C7 Exhaust manifold : C3
C8 Carburettor : C6
C9 Air cleaner : C8
C10 Dynamo : C1 C2
C11 Gearbox : C1 C2
C12 Fan : C1 C2 C13
C13 Water pump : C1 C2
C14 Distributor : C1 C2
C15 Starter motor : C1 C2
C16 Radiator : B2 A1
D1 Interior tub : B1 B2
D2 Dashboard : D1 A1
D3 Steering wheel : D4
D4 Steering column : D2 D1
D5 Front seat, left : D1
D6 Front seat, right : D1
D7 Rear seat : D1
D8 Door card, left : D1 A6
D9 Door card, right : D1 A7
D10 Gear lever : D1
D11 Handbrake : D1
D12 Pedals : D1 A8
E1 Front bumper : A1
E2 Rear bumper : A1
E3 Over-riders x4 : E1 E2
E4 Headlamp rims x2 : A1 E12
E5 Hub caps x4 : E6
E6 Wheels x4 : B12 B13
E7 Door handles x2 : A6 A7 A1
E8 Wing mirrors x2 : A1 A6 A7
E9 Wipers x2 : A1 G1
E10 Bonnet mascot : A2
E11 Number plates x2 : E1 E2 A1 A3
E12 Headlamps x2 : A1 A9
G1 Windscreen : A1
G2 Rear window : A1
G3 Headlamp lenses x2 : E4 E12
G4 Tail lamp lenses x2 : A1
V1 Tyres x4 : E6
`;
