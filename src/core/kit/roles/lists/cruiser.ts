import type { PartList } from './partList.ts';

/** A V-twin cruiser, an American builder's words. */
export const cruiser: PartList = `
A1 Frame :
A2 Swingarm : A1
A3 Kickstand : A1
A4 Upper triple tree : A1
A5 Lower triple tree : A1
A6 Front fork tube (left) : A4 A5
A7 Front fork tube (right) : A4 A5
A8 Fork slider (left) : A6
A9 Fork slider (right) : A7
A10 Shocks x2 : A2 A1
A11 Foot pegs x2 : A1
A12 Front axle : A8 A9 A6 A7
B1 Engine case half (left) : B2 A1
B2 Engine case half (right) : B1 A1
B3 Front cylinder : B1 B2
B4 Rear cylinder : B1 B2
B5 Front cylinder head : B3
B6 Rear cylinder head : B4
B7 Front rocker cover : B5
B8 Rear rocker cover : B6
B9 Primary cover : B1 B2
B10 Transmission case : B1 B2 A1
B11 Carburetor : B12 B5 B6
B12 Intake manifold : B5 B6
B13 Air cleaner : B11
B14 Front exhaust pipe : B5
B15 Rear exhaust pipe : B6
B16 Mufflers x2 : B14 B15
B17 Starter motor : B1 B2
B18 Oil tank : A1
B19 Clutch cover : B1 B2
C1 Gas tank : A1
C2 Gas cap : C1
C3 Instrument panel : C1
C4 Seat : A1
C5 Front fender : A8 A9 A6 A7
C6 Rear fender : A1 A2
C7 Side cover (left) : A1
C8 Side cover (right) : A1
C9 Tool box : A1
C10 Windshield : D1
D1 Handlebars : A4
D2 Grips x2 : D1
D3 Brake lever : D1
D4 Clutch lever : D1
D5 Headlight bucket : A4 A5
D6 Headlight ring : D5
D7 Speedometer : C1 C3 A4 D1
D8 Taillight : C6
D9 Turn signals x4 : D1 C6 A4 A5
D10 Horn : A1
D11 License plate : C6 D8
D12 Mirrors x2 : D1
E1 Front wheel : A8 A9 A12
E2 Rear wheel : A2
E3 Front brake rotor : E1
E4 Front caliper : E3 A8 A9
E5 Rear sprocket : E2
E6 Drive chain : E5 A2
E7 Chain guard : A2
G1 Headlight lens : D6 D5
G2 Taillight lens : D8
V1 Front tire : E1
V2 Rear tire : E2
`;
