import type { SeenPart, SeenScene, Viewer } from '../../detail/index.ts';
import { newRecord, showingRecord, type Kit, type ShownFrom } from '../../kit/index.ts';
import { placedParts, type PlacedPart } from './placedParts.ts';
import { shellOf, type ModelSize, type Shell } from './shellOf.ts';

export interface ModelScene {
  scene: SeenScene;
  size: ModelSize;
  /** What no view shows. */
  unknownViews: Shell['unknown'];
  placed: PlacedPart[];
  /** Parts that are said to be where an eye is: they are not in the scene. */
  inside: string[];
  outside: string[];
  unknown: string[];
}

/** Eyes: so far from the middle of the model and above its foot, mm, at so many places round it or only at some. */
const EYES: Readonly<
  Record<ShownFrom, readonly { awayMm: number; aboveMm: number; degrees: readonly number[] }[]>
> = {
  table: [{ awayMm: 500, aboveMm: 330, degrees: [0, 45, 90, 135, 180, 225, 270, 315] }],
  // In a row only front and one side are seen, at the height of the eye.
  shelf: [{ awayMm: 600, aboveMm: 80, degrees: [0, 35, 70] }],
  hand: [
    { awayMm: 280, aboveMm: 40, degrees: [0, 60, 120, 180, 240, 300] },
    { awayMm: 180, aboveMm: 240, degrees: [30, 90, 150, 210, 270, 330] },
    { awayMm: 1, aboveMm: 320, degrees: [0] },
  ],
};

/** Eyes round a model, each of the same weight; 0 degrees is in front of it, 90 to its left. */
export function viewersOf(from: ShownFrom, { lengthMm }: ModelSize): Viewer[] {
  const eyes = EYES[from].flatMap(({ awayMm, aboveMm, degrees }) =>
    degrees.map((each) => {
      const turn = (each * Math.PI) / 180;
      // A long model is looked at from further away.
      const away = awayMm + (awayMm > 1 ? lengthMm / 2 : 0);
      return [away * Math.cos(turn) - lengthMm / 2, away * Math.sin(turn), aboveMm] as const;
    }),
  );
  return eyes.map((at) => ({ at, weight: 1 / eyes.length }));
}

/** The model as a light scene: shell and openings from its views, parts as boxes where they are said or guessed to be, eyes by
 *  the way it is shown. Undefined where no view shows its side, and of a model without a shell where no part is placed. */
export function sceneOf(kit: Kit): ModelScene | undefined {
  const {
    from,
    glass,
    widthMm,
    openPartIds,
    openFromMm,
    openToMm,
    shell: hiddenBy,
  } = kit.showings[0] ?? newRecord(showingRecord);
  // One end alone is no opening.
  const open =
    openFromMm !== null && openToMm !== null
      ? ([Math.min(openFromMm, openToMm), Math.max(openFromMm, openToMm)] as const)
      : null;
  const shell =
    hiddenBy === 'none'
      ? bareShell(kit)
      : shellOf(kit.views, { openPartIds: new Set(openPartIds), glass, widthMm, open });
  if (!shell) return undefined;
  const { placed, outside, unknown } = placedParts(kit, hiddenBy === 'none' ? null : shell.size);
  const viewers = viewersOf(from, shell.size);
  const boxes = placed.map(boxOf);
  const inside = new Set(boxes.filter((box) => viewers.some(({ at }) => holds(box, at))).map(({ id }) => id));
  return {
    size: shell.size,
    unknownViews: shell.unknown,
    placed,
    inside: [...inside],
    outside,
    unknown,
    scene: { panels: shell.panels, viewers, parts: boxes.filter(({ id }) => !inside.has(id)) },
  };
}

/** No shell at all: as large as the parts that the builder placed. Undefined where none is. */
function bareShell({ partBoxes }: Kit): Shell | undefined {
  if (partBoxes.length === 0) return undefined;
  const most = (of: (box: Kit['partBoxes'][number]) => number) => Math.max(...partBoxes.map(of));
  return {
    size: {
      lengthMm: most(({ behindMm, lengthMm }) => behindMm + lengthMm / 2),
      widthMm: 2 * most(({ leftMm, widthMm }) => Math.abs(leftMm) + widthMm / 2),
      heightMm: most(({ upMm, heightMm }) => upMm + heightMm / 2),
    },
    panels: [],
    unknown: [],
  };
}

const boxOf = ({ partId, behindMm, leftMm, upMm, lengthMm, widthMm, heightMm }: PlacedPart): SeenPart => ({
  id: partId,
  min: [-behindMm - lengthMm / 2, leftMm - widthMm / 2, upMm - heightMm / 2],
  max: [-behindMm + lengthMm / 2, leftMm + widthMm / 2, upMm + heightMm / 2],
});

const holds = ({ min, max }: SeenPart, at: readonly number[]): boolean =>
  at.every((value, axis) => value > min[axis]! && value < max[axis]!);
