import type { Xyz } from './tristimulus.ts';

const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;

const BRADFORD_INVERSE = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;

type Triple = [number, number, number];

function apply(matrix: readonly (readonly number[])[], [x, y, z]: Triple): Triple {
  return matrix.map((row) => row[0]! * x + row[1]! * y + row[2]! * z) as Triple;
}

/** Chromatic adaptation of XYZ from one white to another, linear Bradford (ICC.1:2010, annex E). */
export function adaptWhite(xyz: Xyz, from: Xyz, to: Xyz): Xyz {
  const source = apply(BRADFORD, [from.X, from.Y, from.Z]);
  const destination = apply(BRADFORD, [to.X, to.Y, to.Z]);
  const cone = apply(BRADFORD, [xyz.X, xyz.Y, xyz.Z]);
  const adapted = cone.map((value, i) => (value * destination[i]!) / source[i]!) as Triple;
  const [X, Y, Z] = apply(BRADFORD_INVERSE, adapted);
  return { X, Y, Z };
}
