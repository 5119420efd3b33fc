import type { PartList } from './partList.ts';

/** A parallel twin, a British builder's words. */
export const motorcycle: PartList = `
A1 Frame, left half : A2
A2 Frame, right half : A1
A3 Swinging arm : A1 A2
A4 Centre stand : A1 A2
A5 Side stand : A1 A2
A6 Upper yoke : A1 A2
A7 Lower yoke : A1 A2
A8 Fork leg, left : A6 A7
A9 Fork leg, right : A6 A7
A10 Rear shock absorbers x2 : A3
A11 Footrests x2 : A1 A2
A12 Chain guard : A3
B1 Crankcase, left : B2 A1 A2
B2 Crankcase, right : A1 A2
B3 Cylinder barrel : B1 B2
B4 Cylinder head : B3
B5 Rocker boxes x2 : B4
B6 Primary cover : B1 B2
B7 Timing cover : B1 B2
B8 Carburettors x2 : B4
B9 Air filters x2 : B8
B10 Exhaust pipe, left : B4
B11 Exhaust pipe, right : B4
B12 Silencer, left : B10
B13 Silencer, right : B11
B14 Kickstart lever : B1 B2
B15 Gear pedal : A11 A1 A2
B16 Oil tank : A1 A2
B17 Engine plates x2 : A1 A2
C1 Petrol tank, left half : C2 A1 A2
C2 Petrol tank, right half : A1 A2
C3 Petrol cap : C1 C2
C4 Dual seat : A1 A2
C5 Front mudguard : A8 A9 A1
C6 Rear mudguard : A1 A2 A3
C7 Side covers x2 : A1 A2
D1 Handlebar : A6
D2 Clutch lever : D1
D3 Front brake lever : D1
D4 Grips x2 : D1
D5 Headlamp shell : A6 A7 A8 A9
D6 Headlamp rim : D5
D7 Speedometer : A6 D1
D8 Tail lamp : C6
D9 Mirrors x2 : D1
D10 Horn : A1 A2 A7
D11 Number plate : C6
E1 Front wheel : A8 A9
E2 Rear wheel : A3
E3 Front brake plate : E1 E4
E4 Brake drum, rear : E2
E5 Rear sprocket : E2
E6 Chain : E5 A3
E7 Front hub : E1
G1 Headlamp glass : D6 D5
G2 Tail lamp lens : D8
V1 Front tyre : E1
V2 Rear tyre : E2
`;
