import { Group, Modal, SegmentedControl, Select } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { BuildRecord } from '../../../../api/index.ts';
import type { Kit } from '../../../../core/kit/index.ts';
import type { PlanView } from '../../../../core/plan/index.ts';
import { picturesFor, type AlbumPicture } from '../../../../core/record/index.ts';
import { dayText } from '../../../components/time.ts';
import { useCodes } from '../../../data/bench.ts';
import { liveryColours, type LiveryColour } from '../../colour/palette/paletteTargets.ts';
import { Compared } from '../pictures/Compared.tsx';
import { useAlbum } from '../pictures/useAlbum.ts';
import { ColourInPicture } from './ColourInPicture.tsx';

export interface InPicturesProps {
  build: BuildRecord;
  kit: Kit;
  view: PlanView;
  /** What is looked at: a step, and a part where one is meant. */
  at: { operationId: string; partId: string | null };
  title: string;
  onClose: () => void;
}

/** A place on the model in its pictures: beside the reference, slid over it, and its colour against the target. */
export function InPictures({ build, kit, view, at, title, onClose }: InPicturesProps) {
  const { data: codes = [] } = useCodes();
  const { album, put, problem } = useAlbum(build, kit, view);
  const [way, setWay] = useState<'beside' | 'colour'>('beside');
  const [picked, setPicked] = useState<{ model?: string; reference?: string }>({});
  const tray = trayOf(build, view, at);
  const { model, reference } = picturesFor(album, { ...at, trayId: tray?.id ?? null });
  const chosen = (list: readonly AlbumPicture[], id: string | undefined) =>
    list.find((picture) => picture.id === id) ?? list[0];
  const ofModel = chosen(model, picked.model);
  const ofReal = chosen(reference, picked.reference);
  return (
    <Modal opened size="90vw" title={title} onClose={onClose}>
      <div className="stacked g8">
        {problem && <p role="alert">{problem}</p>}
        {album.length === 0 ? (
          <p>
            There is no picture of this build yet.{' '}
            <Link to={`/build/${build.id}/record/pictures`}>Add some</Link>: of the model with a grey card in
            it, and of the real thing from the same side.
          </p>
        ) : (
          <>
            <Group align="end">
              <SegmentedControl
                aria-label="What is compared"
                data={[
                  { value: 'beside', label: 'beside the real thing' },
                  { value: 'colour', label: 'colour against its target' },
                ]}
                value={way}
                onChange={(value) => setWay(value)}
              />
              <PickedPicture
                label="Of the model"
                pictures={model}
                value={ofModel}
                onPick={(id) => setPicked({ ...picked, model: id })}
              />
              {way === 'beside' && (
                <PickedPicture
                  label="Of the real thing"
                  pictures={reference}
                  value={ofReal}
                  onPick={(id) => setPicked({ ...picked, reference: id })}
                />
              )}
            </Group>
            {way === 'beside' ? (
              <Compared
                kit={kit}
                pictures={[ofReal, ofModel].filter((each) => each !== undefined)}
                onPut={put}
                wide
              />
            ) : ofModel ? (
              <ColourInPicture
                key={ofModel.id}
                picture={ofModel}
                targets={targetsFirst(liveryColours(build, kit, codes), tray)}
              />
            ) : (
              <p>There is no picture of the model yet.</p>
            )}
          </>
        )}
      </div>
    </Modal>
  );
}

interface PickedPictureProps {
  label: string;
  pictures: readonly AlbumPicture[];
  value: AlbumPicture | undefined;
  onPick: (id: string) => void;
}

function PickedPicture({ label, pictures, value, onPick }: PickedPictureProps) {
  return (
    <Select
      label={label}
      w={280}
      placeholder="none yet"
      allowDeselect={false}
      data={pictures.map(({ id, what, at }) => ({
        value: id,
        label: at === null ? what : `${what}, ${dayText(at)}`,
      }))}
      value={value?.id ?? null}
      onChange={(id) => id !== null && onPick(id)}
    />
  );
}

function trayOf(build: BuildRecord, view: PlanView, { operationId, partId }: InPicturesProps['at']) {
  const ofStep = view.operations.find(({ id }) => id === operationId)?.trayId;
  return (
    build.trays.find(({ parts }) => parts.some(({ id }) => id === partId)) ??
    build.trays.find(({ id }) => id === ofStep)
  );
}

/** Colours of a build, those of a sub-assembly first. */
function targetsFirst(
  colours: readonly LiveryColour[],
  tray: BuildRecord['trays'][number] | undefined,
): LiveryColour[] {
  const own = new Set([tray?.codeId, ...(tray?.layers.map(({ codeId }) => codeId) ?? [])]);
  return [...colours].sort((p, q) => Number(own.has(q.id)) - Number(own.has(p.id)));
}
