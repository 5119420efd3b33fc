import { useState } from 'react';
import type { BuildRecord } from '../../../../api/index.ts';
import type { Kit } from '../../../../core/kit/index.ts';
import type { PlanView } from '../../../../core/plan/index.ts';
import { Loading } from '../../../components/Loading.tsx';
import { StageNav } from '../../../components/StageNav.tsx';
import { useBuildContext } from '../../../data/buildContext.ts';
import { useKit } from '../../../data/kit.ts';
import { usePlan } from '../../../data/plan.tsx';
import { AddPictures } from './AddPictures.tsx';
import { Album } from './Album.tsx';
import { Compared } from './Compared.tsx';
import { PicturesDue } from './PicturesDue.tsx';
import { useAlbum } from './useAlbum.ts';

/** The album of a build: what is missing, what there is, and two of them compared. */
export function PicturesScreen() {
  const { build, ready, error } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const { view } = usePlan();
  if (ready && !build)
    return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!build || !kit || !view) return <Loading what="the pictures" error={error ?? kitError} />;
  return <PicturesOf build={build} kit={kit} view={view} />;
}

function PicturesOf({ build, kit, view }: { build: BuildRecord; kit: Kit; view: PlanView }) {
  const { album, put, problem } = useAlbum(build, kit, view);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const chosen = picked.flatMap((id) => album.find((picture) => picture.id === id) ?? []);
  // The two that were picked last are compared.
  const pick = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((each) => each !== id) : [...picked, id].slice(-2));
  return (
    <div className="columns kit">
      <section className="column" aria-label="What is wanted">
        <h2>What is wanted</h2>
        <StageNav stage="record" buildId={build.id} open="pictures" />
        <AddPictures build={build} kit={kit} />
        <PicturesDue build={build} kit={kit} view={view} />
      </section>
      <section className="column" aria-label="Album">
        <h2>Album</h2>
        {problem && <p role="alert">{problem}</p>}
        <Album build={build} kit={kit} album={album} picked={picked} onPick={pick} />
      </section>
      <section className="column" aria-label="Looked at">
        <h2>Looked at</h2>
        <Compared kit={kit} pictures={chosen} onPut={put} />
      </section>
    </div>
  );
}
