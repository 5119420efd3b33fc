export type Vector = readonly [number, number, number];

/** A face of a box that an eye could see. */
export interface Face {
  /** Steradians. */
  solidAngle: number;
  /** The point of the face in a direction: s and t from 0 to 1 cover its solid angle evenly. */
  pointAt: (s: number, t: number) => Vector;
}

/** The faces of a box that turn towards an eye outside it, three at most. */
export function facesTowards(eye: Vector, { min, max }: { min: Vector; max: Vector }): Face[] {
  return [0, 1, 2].flatMap((axis): Face[] => {
    const at = eye[axis]! < min[axis]! ? min[axis]! : eye[axis]! > max[axis]! ? max[axis]! : undefined;
    if (at === undefined) return [];
    const [u, v] = [0, 1, 2].filter((each) => each !== axis) as [number, number];
    return [
      rectangle(
        at - eye[axis]!,
        [min[u]! - eye[u]!, max[u]! - eye[u]!],
        [min[v]! - eye[v]!, max[v]! - eye[v]!],
        (z, x, y) => {
          const point: [number, number, number] = [0, 0, 0];
          point[axis] = eye[axis]! + z;
          point[u] = eye[u]! + x;
          point[v] = eye[v]! + y;
          return point;
        },
      ),
    ];
  });
}

/** A rectangle seen from the origin, across the third axis at `z`. The map from a square to its directions keeps areas
 *  (C. Ureña, M. Fajardo and A. King, An Area-Preserving Parametrization for Spherical Rectangles, 2013). */
function rectangle(
  z: number,
  [x0, x1]: readonly [number, number],
  [y0, y1]: readonly [number, number],
  placed: (z: number, x: number, y: number) => Vector,
): Face {
  const away = -Math.abs(z);
  const normal = (a: number, b: number, c: number, d: number) => {
    // Of the plane through the eye and one edge.
    const [x, y, w] = [a, b, away];
    const [p, q, r] = [c, d, away];
    const cross: Vector = [y * r - w * q, w * p - x * r, x * q - y * p];
    const length = Math.hypot(...cross);
    return cross.map((each) => each / length) as unknown as Vector;
  };
  const [n0, n1, n2, n3] = [
    normal(x0, y0, x1, y0),
    normal(x1, y0, x1, y1),
    normal(x1, y1, x0, y1),
    normal(x0, y1, x0, y0),
  ];
  const between = (a: Vector, b: Vector) =>
    Math.acos(Math.max(-1, Math.min(1, -(a[0] * b[0] + a[1] * b[1] + a[2] * b[2]))));
  const [g0, g1, g2, g3] = [between(n0, n1), between(n1, n2), between(n2, n3), between(n3, n0)];
  const solidAngle = Math.max(0, g0 + g1 + g2 + g3 - 2 * Math.PI);
  const [b0, b1] = [n0[2], n2[2]];
  const k = 2 * Math.PI - g2 - g3;
  return {
    solidAngle,
    pointAt: (s, t) => {
      const au = s * solidAngle + k;
      const fu = (Math.cos(au) * b0 - b1) / Math.sin(au);
      const cu = Math.max(-1, Math.min(1, Math.sign(fu || 1) / Math.sqrt(fu * fu + b0 * b0)));
      const xu = Math.max(x0, Math.min(x1, -(cu * away) / Math.sqrt(Math.max(1e-18, 1 - cu * cu))));
      const d = Math.sqrt(xu * xu + away * away);
      const [h0, h1] = [y0 / Math.sqrt(d * d + y0 * y0), y1 / Math.sqrt(d * d + y1 * y1)];
      const hv = h0 + t * (h1 - h0);
      const squared = hv * hv;
      const yv = squared < 1 - 1e-12 ? (hv * d) / Math.sqrt(1 - squared) : y1;
      return placed(z, xu, yv);
    },
  };
}
