import { useMemo } from 'react';
import type { BuildRecord } from '../../../../api/index.ts';
import type { Kit } from '../../../../core/kit/index.ts';
import type { PlanView } from '../../../../core/plan/index.ts';
import { albumOf, type AlbumPicture } from '../../../../core/record/index.ts';
import { useKitChange } from '../../../data/useKitChange.ts';

/** What is said of a picture from now on; null takes it out. */
export type PutPicture = (
  picture: AlbumPicture,
  said: { marks: { x: number; y: number }[] } | null,
  label: string,
) => void;

/** Every picture of a build with its sub-assembly, and how to change what is said of one. */
export function useAlbum(build: BuildRecord, kit: Kit, view: PlanView) {
  const { problem, change } = useKitChange(build.id);
  const album = useMemo(() => {
    const trayOfPart = new Map(
      build.trays.flatMap(({ id, parts }) => parts.map((part) => [part.id, id] as const)),
    );
    const trayOfStep = new Map(view.operations.map(({ id, trayId }) => [id, trayId ?? null]));
    return albumOf(kit, {
      part: (id) => trayOfPart.get(id) ?? null,
      step: (id) => trayOfStep.get(id) ?? null,
    });
  }, [build, kit, view]);
  const put: PutPicture = (picture, said, label) => {
    if (picture.from === 'album') {
      const { id, ...value } = kit.photos.find((photo) => photo.id === picture.id)!;
      change([{ kind: 'photo', id, value: said && { ...value, ...said } }], label);
    } else if (said === null && picture.from === 'milestone') {
      change([{ kind: 'milestone', id: picture.id, value: null }], label);
    }
  };
  return { album, put, problem };
}
