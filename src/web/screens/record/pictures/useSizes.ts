import { useEffect, useState } from 'react';
import { pictureAddress } from '../../../data/pictures.ts';

interface Size {
  width: number;
  height: number;
}

/** Width and height of pictures, dots, as they come to be known. */
export function useSizes(pictureIds: readonly string[]): ReadonlyMap<string, Size> {
  const [sizes, setSizes] = useState<ReadonlyMap<string, Size>>(new Map());
  const wanted = pictureIds.join(' ');
  useEffect(() => {
    for (const id of wanted.split(' ').filter(Boolean)) {
      const image = new Image();
      image.onload = () =>
        setSizes((known) =>
          new Map(known).set(id, { width: image.naturalWidth, height: image.naturalHeight }),
        );
      image.src = pictureAddress(id);
    }
  }, [wanted]);
  return sizes;
}
