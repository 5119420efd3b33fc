import { Group, SegmentedControl, SimpleGrid, Slider, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import type { Kit } from '../../../../core/kit/index.ts';
import { layOver, type AlbumPicture } from '../../../../core/record/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { fullText } from '../../../components/time.ts';
import { MarkedPicture } from './MarkedPicture.tsx';
import { SlidOver } from './SlidOver.tsx';
import type { PutPicture } from './useAlbum.ts';
import { useSizes } from './useSizes.ts';

interface ComparedProps {
  kit: Kit;
  pictures: readonly AlbumPicture[];
  onPut: PutPicture;
  /** There is room for two in a row. */
  wide?: boolean;
}

/** One picture in large, or two: beside each other, or one slid over the other by two marks on each. */
export function Compared({ kit, pictures, onPut, wide = false }: ComparedProps) {
  const [way, setWay] = useState<'beside' | 'over'>('beside');
  const [share, setShare] = useState(50);
  const sizes = useSizes(pictures.map(({ pictureId }) => pictureId));
  if (pictures.length === 0)
    return (
      <p className="panel soft small">
        Press a picture to see it in large. Press a second to compare the two: mark the same two points on
        both, and one is laid over the other at the same angle and size.
      </p>
    );
  const [below, above] = pictures;
  const sizesOf = [below, above].map((picture) => picture && sizes.get(picture.pictureId));
  const moved =
    above && sizesOf[0] && sizesOf[1]
      ? layOver(above.marks, sizesOf[1], below!.marks, sizesOf[0])
      : undefined;
  return (
    <div className="panel stacked g8">
      {above && (
        <SegmentedControl
          size="xs"
          aria-label="Compared"
          data={[
            { value: 'beside', label: 'beside each other' },
            { value: 'over', label: 'slid over' },
          ]}
          value={way}
          onChange={(value) => setWay(value)}
        />
      )}
      {above && way === 'over' ? (
        moved ? (
          <>
            <SlidOver
              below={below!}
              above={above}
              size={sizesOf[0]!}
              aboveSize={sizesOf[1]!}
              moved={moved}
              share={share}
            />
            <Slider
              aria-label="How much of the second is seen"
              value={share}
              onChange={setShare}
              label={(value) => `${value} %`}
            />
          </>
        ) : (
          <p>Mark two points on each, beside each other: the same two on both, as far apart as can be.</p>
        )
      ) : (
        <SimpleGrid cols={wide ? { base: 1, sm: 2 } : 1} spacing="sm">
          {pictures.map((picture) => (
            <figure key={picture.id} className="m0">
              <MarkedPicture
                picture={picture}
                onMarks={
                  picture.from === 'album'
                    ? (marks) => onPut(picture, { marks }, `mark: ${picture.what}`)
                    : undefined
                }
              />
              <figcaption className="small">
                <Group justify="space-between">
                  <span>
                    <b>{picture.what}</b>
                    <span className="soft block">
                      {[
                        picture.isReference ? 'the real thing' : 'the model',
                        kit.parts.find(({ id }) => id === picture.partId)?.name,
                        picture.at === null ? undefined : fullText(picture.at),
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </span>
                  </span>
                  {picture.from !== 'evidence' && (
                    <RemoveButton
                      name={`Take out of the album: ${picture.what}`}
                      onRemove={() => onPut(picture, null, `take out: ${picture.what}`)}
                    />
                  )}
                </Group>
                {picture.from === 'album' && picture.marks.length > 0 && (
                  <UnstyledButton
                    className="why"
                    onClick={() => onPut(picture, { marks: [] }, 'take the marks off')}
                  >
                    take its marks off
                  </UnstyledButton>
                )}
                {picture.from === 'evidence' && (
                  <span className="soft">Kept with the conflict of this name.</span>
                )}
              </figcaption>
            </figure>
          ))}
        </SimpleGrid>
      )}
    </div>
  );
}
