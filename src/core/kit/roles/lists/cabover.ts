import type { PartList } from './partList.ts';

/** A forward-control truck with two rear axles, each name with the thing first. */
export const cabover: PartList = `
K1 Chassis side member, left : K3 K4 K5
K2 Chassis side member, right : K3 K4 K5
K3 Cross-member, front : K1 K2
K4 Cross-member, centre : K1 K2
K5 Cross-member, rear : K1 K2
K6 Axle, front : K8 K1 K2
K7 Axles, rear x2 : K9 K1 K2
K8 Springs, leaf, front x2 : K1 K2
K9 Springs, leaf, rear x2 : K1 K2
K10 Dampers, front x2 : K6 K1 K2
K11 Shaft, propeller : K7 M6
K12 Tank, fuel : K1 K2
K13 Straps, tank x2 : K12
K14 Reservoirs, air x3 : K1 K2
K15 Box, battery : K1 K2
K16 Mudguards, rear x4 : K1 K2
K17 Coupling, fifth wheel : K1 K2
K18 Silencer : M9 K1 K2
M1 Engine, left half : M2 K1 K2
M2 Engine, right half : M1 K1 K2
M3 Heads x2 : M1 M2
M4 Covers, rocker x2 : M3
M5 Sump : M1 M2
M6 Gearbox : M1 M2
M7 Fan : M1 M2
M8 Manifold, inlet : M3
M9 Exhaust : M3 M10
M10 Manifold, exhaust : M3
M11 Filter, air : M8 K1 K2
M12 Motor, starter : M1 M2
M13 Radiator : K1 K2
C1 Cab shell : K1 K2
C2 Floor, cab : C1 K1 K2
C3 Wall, rear, of cab : C1
C4 Door, nearside : C1
C5 Door, offside : C1
C6 Panel, front : C1
C7 Bunk box : C1 C2
C8 Dashboard : C1 C2
C9 Wheel, steering : C10 C8
C10 Column, steering : C8 C2
C11 Seat, driver's : C2
C12 Seat, passenger's : C2
C13 Lever, gear : C2
C14 Trims, door x2 : C4 C5
C15 Deflector, roof : C1
P1 Bumper : C1 K1 K2
P2 Grille : C6 C1
P3 Rims, headlamp x2 : P4 P1 C6
P4 Headlamps x2 : P1 C6 C1
P5 Horns, air x2 : C1
P6 Mirrors x4 : C4 C5 C1
P7 Visor, sun, external : C1
P8 Wipers x3 : G1 C1
P9 Plate, number : P1
P10 Wheels, front x2 : P12 K6
P11 Wheels, rear x8 : P13 K7
P12 Drums, brake, front x2 : K6
P13 Drums, brake, rear x4 : K7
G1 Windscreen : C1 C6
G2 Windows, side x2 : C4 C5 C1
G3 Lenses, headlamp x2 : P3 P4
V1 Tyres, front x2 : P10
V2 Tyres, rear x8 : P11
`;
