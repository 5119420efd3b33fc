import type { LiveryView } from '../../kit/index.ts';
import {
  areaOf,
  type Region,
  grown,
  regionOf,
  regionOfPath,
  ringsOf,
  separate,
  together,
  within,
  without,
} from '../geometry/region.ts';
import { boxAround, type Point } from '../geometry/readOutline.ts';
import type { MeasuredView } from '../measureView.ts';
import type { ColourStage } from '../order/planColours.ts';

/** How film is cut. */
export interface Cut {
  /** How far a mask reaches past the outline, to be pressed round the edge, mm. */
  bleedMm: number;
  /** Width that the tool takes away; 0 for a knife. */
  kerfMm: number;
}

/** A piece of masking film, in one piece, mm. */
export interface MaskPiece {
  id: string;
  /** The colour that it covers, and the stage after whose coats it goes on, from 1; null for glass and other openings. */
  finishId: string | null;
  stage: number;
  /** The opening that it covers; null for a colour. */
  openingId: string | null;
  viewId: string;
  /** From its own upper left corner; the first is its edge, others are holes. */
  rings: Point[][];
  width: number;
  height: number;
  /** Somewhere it is narrower than film can be handled. */
  isFrail: boolean;
}

/** Narrower than this a strip of film lifts or tears as it is weeded, mm. */
export const FRAIL_MM = 0.8;
/** Film smaller than this is dust from clipping, mm2. */
const LEAST_MM2 = 0.5;

/** The masks of an order of colours: each follows its colour to the border with the others, and reaches past the outline.
 *  Openings (glass, arches) are no border: a mask goes on over them as far as it bleeds. */
export function maskPieces(
  views: readonly { view: Pick<LiveryView, 'id'>; measured: MeasuredView }[],
  stages: readonly Pick<ColourStage, 'colour' | 'mask'>[],
  { bleedMm, kerfMm }: Cut,
): MaskPiece[] {
  return stages.flatMap(({ colour, mask }, at) =>
    mask.length === 0
      ? []
      : views.flatMap(({ view, measured }) => {
          const own = together(
            measured.areas.filter(({ finishId }) => finishId === colour).map(({ rings }) => regionOf(rings)),
          );
          const others = without(regionOf(measured.body), own);
          const reached = pastTheOutline(own, others, bleedMm);
          const cut = kerfMm > 0 ? grown(reached, kerfMm / 2) : reached;
          return separate(cut)
            .filter((piece) => areaOf(piece) > LEAST_MM2)
            .map((piece, index) =>
              asPiece(piece, {
                id: `${view.id} ${colour} ${index + 1}`,
                finishId: colour,
                openingId: null,
                stage: at + 1,
                viewId: view.id,
              }),
            );
        }),
  );
}

/** Masks for openings, such as windows whose frames are painted: to their edge and no further, since they fit into it. */
export const openingPieces = (
  views: readonly Pick<LiveryView, 'id' | 'openings'>[],
  wanted: ReadonlySet<string>,
  { kerfMm }: Pick<Cut, 'kerfMm'>,
): MaskPiece[] =>
  views.flatMap(({ id: viewId, openings }) =>
    openings
      .filter(({ id }) => wanted.has(`${viewId} ${id}`))
      .flatMap(({ id: openingId, path }) => {
        const shape = regionOfPath(path);
        return separate(kerfMm > 0 ? grown(shape, kerfMm / 2) : shape)
          .filter((piece) => areaOf(piece) > LEAST_MM2)
          .map((piece, index) =>
            asPiece(piece, {
              id: `${viewId} opening ${openingId} ${index + 1}`,
              finishId: null,
              openingId,
              stage: 0,
              viewId,
            }),
          );
      }),
  );

/** Steps in which what lies past the outline is shared out. */
const REACHES = 12;

/** A region grown past the outline by so much, but not over its neighbours, nor in front of them: what is nearer to another
 *  colour is left to that, as it goes on round the edge. */
function pastTheOutline(own: Region, others: Region, bleedMm: number): Region {
  const step = bleedMm / REACHES;
  let [mine, theirs] = [own, others];
  for (let at = 0; at < REACHES && step > 0; at++) {
    const [grownMine, grownTheirs] = [grown(mine, step), grown(theirs, step)];
    [mine, theirs] = [
      together([mine, without(grownMine, grownTheirs)]),
      together([theirs, without(grownTheirs, grownMine)]),
    ];
  }
  return mine;
}

function asPiece(
  piece: Region,
  said: Pick<MaskPiece, 'id' | 'finishId' | 'openingId' | 'stage' | 'viewId'>,
): MaskPiece {
  const rings = ringsOf(piece);
  const { x, y, width, height } = boxAround(rings)!;
  // What a shrunken and grown copy has lost was narrow; corners lose a little, too.
  const opened = grown(grown(piece, -FRAIL_MM / 2), FRAIL_MM / 2);
  const lost = separate(without(piece, grown(opened, FRAIL_MM / 2)));
  return {
    ...said,
    rings: rings.map((ring) => ring.map(([px, py]): Point => [px - x, py - y])),
    width,
    height,
    isFrail: lost.some((each) => areaOf(within(each, piece)) > LEAST_MM2 / 10),
  };
}
