import type { Kit } from '../../kit/index.ts';

/** A picture of a build, wherever it was kept. */
export interface AlbumPicture {
  id: string;
  pictureId: string;
  from: 'album' | 'milestone' | 'evidence';
  /** Of the real thing, or of the model. */
  isReference: boolean;
  what: string;
  partId: string | null;
  trayId: string | null;
  operationId: string | null;
  marks: readonly { x: number; y: number }[];
  /** Minutes since 1970; null where nobody noted it. */
  at: number | null;
}

interface HomeOf {
  /** Sub-assembly of a part, and of a step. */
  part: (partId: string) => string | null;
  step: (operationId: string) => string | null;
}

/** Every picture of a build, newest first; those without a time last. */
export function albumOf(
  { photos, milestones, evidence }: Pick<Kit, 'photos' | 'milestones' | 'evidence'>,
  homeOf: HomeOf,
): AlbumPicture[] {
  const all: AlbumPicture[] = [
    ...photos.map((photo) => ({
      ...photo,
      from: 'album' as const,
      isReference: photo.of === 'reference',
      trayId:
        (photo.partId !== null ? homeOf.part(photo.partId) : null) ??
        (photo.operationId !== null ? homeOf.step(photo.operationId) : null),
    })),
    ...milestones.flatMap(({ id, pictureId, what, operationId, at }) =>
      pictureId === null
        ? []
        : [
            {
              id,
              pictureId,
              from: 'milestone' as const,
              isReference: false,
              what,
              partId: null,
              trayId: homeOf.step(operationId),
              operationId,
              marks: [],
              at,
            },
          ],
    ),
    ...evidence.flatMap(({ id, pictureId, title, partIds }) =>
      pictureId === null
        ? []
        : [
            {
              id,
              pictureId,
              from: 'evidence' as const,
              isReference: true,
              what: title,
              partId: partIds[0] ?? null,
              trayId: partIds[0] === undefined ? null : homeOf.part(partIds[0]),
              operationId: null,
              marks: [],
              at: null,
            },
          ],
    ),
  ];
  return all.sort((p, q) => (q.at ?? -1) - (p.at ?? -1));
}

/** A step at whose end a picture is due. */
interface PhotographedStep {
  id: string;
  title: string;
  photo?: string;
}

/** Pictures that are due: of steps that are done and were not photographed, those that come, and what of the former the next
 *  joins shut in. */
export function duePictures<Step extends PhotographedStep>(
  operations: readonly Step[],
  isDone: (id: string) => boolean,
  milestones: readonly { operationId: string }[],
): { missing: Step[]; coming: Step[] } {
  const told = new Set(milestones.map(({ operationId }) => operationId));
  const due = operations.filter(({ id, photo }) => photo !== undefined && !told.has(id));
  return { missing: due.filter(({ id }) => isDone(id)), coming: due.filter(({ id }) => !isDone(id)) };
}
