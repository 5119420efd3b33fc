import type { PartList } from './partList.ts';

/** An open-wheel racer of the sixties, a British builder's words. */
export const racer: PartList = `
A1 Monocoque :
A2 Nose cone : A1
A3 Engine cover : A1
A4 Floor plate : A1 
A5 Cockpit : A1 A4
A6 Windscreen surround : A1
A7 Roll hoop : A1 A5
A8 Front wing, left : A2
A9 Front wing, right : A2
A10 Rear wing : A11
A11 Wing supports x2 : C5
A12 Wing end plates x2 : A8 A9 A10
B1 Front upper wishbone, left : A1
B2 Front upper wishbone, right : A1
B3 Front lower wishbone, left : A1
B4 Front lower wishbone, right : A1
B5 Front uprights x2 : B1 B2 B3 B4
B6 Rear uprights x2 : B7 B8 B9 B10
B7 Rear upper arm, left : A1 C5
B8 Rear upper arm, right : A1 C5
B9 Rear lower arm, left : A1 C5
B10 Rear lower arm, right : A1 C5
B11 Front dampers x2 : B1 B2 B3 B4 A1
B12 Rear dampers x2 : B9 B10 B7 B8 C5
B13 Steering rack : A1
B14 Track rods x2 : B5
B15 Anti-roll bar, rear : C5 A1 B7 B8 B9 B10
C1 Engine block : A1
C2 Cylinder head, left : C1
C3 Cylinder head, right : C1
C4 Cam covers x2 : C2 C3
C5 Gearbox : C1
C6 Intake trumpets x8 : C7 C2 C3
C7 Throttle bodies x2 : C2 C3
C8 Exhaust headers, left : C2
C9 Exhaust headers, right : C3
C10 Tail pipe, left : C8
C11 Tail pipe, right : C9
C12 Distributor : C1
C13 Oil tank : A1 C5
C14 Radiator : A1 A2
C15 Half shafts x2 : C5 B6
D1 Brake discs, front x2 : B5
D2 Brake discs, rear x2 : B6
D3 Calipers, front x2 : D1 B5
D4 Calipers, rear x2 : D2 B6
D5 Front wheels x2 : B5 D1
D6 Rear wheels x2 : B6 D2
D7 Wheel nuts x4 : D5 D6
E1 Seat : A5 A1
E2 Dashboard : A5 A1
E3 Steering wheel : E4 E2
E4 Steering column : E2 A5
E5 Gear lever : A5
E6 Mirrors x2 : A1
E7 Pedals : A5 A1
G1 Windscreen : A6 A1
V1 Front tyres x2 : D5
V2 Rear tyres x2 : D6
`;
