import { Button, SegmentedControl, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import type { BuildRecord } from '../../../../api/index.ts';
import type { Kit } from '../../../../core/kit/index.ts';
import { contactSheet, type AlbumPicture } from '../../../../core/record/index.ts';
import { dayText, dayOf } from '../../../components/time.ts';
import { smallAddress } from '../../../data/pictures.ts';
import { SavePdf } from '../SavePdf.tsx';
import './pictures.css';

const BY = { day: 'Day', tray: 'Sub-assembly', part: 'Part', of: 'Model or real' } as const;
type By = keyof typeof BY;
/** Shown at first, and more at each press. */
const AT_ONCE = 48;

interface AlbumProps {
  build: BuildRecord;
  kit: Kit;
  album: readonly AlbumPicture[];
  picked: readonly string[];
  onPick: (id: string) => void;
}

/** All pictures in small, grouped; those that are pressed are looked at. */
export function Album({ build, kit, album, picked, onPick }: AlbumProps) {
  const [by, setBy] = useState<By>('day');
  const [most, setMost] = useState(AT_ONCE);
  if (album.length === 0)
    return (
      <p className="panel soft">
        No picture yet. Take them at the card of a step, or add them here; pictures of the real thing beside
        them let you compare.
      </p>
    );
  const groupOf = (picture: AlbumPicture): string => {
    if (by === 'day') return picture.at === null ? 'without a day' : dayText(picture.at);
    if (by === 'of') return picture.isReference ? 'The real thing' : 'The model';
    if (by === 'tray')
      return build.trays.find(({ id }) => id === picture.trayId)?.name ?? 'of no sub-assembly';
    return kit.parts.find(({ id }) => id === picture.partId)?.name ?? 'of no part';
  };
  const groups = new Map<string, AlbumPicture[]>();
  for (const picture of album.slice(0, most)) {
    const group = by === 'day' && picture.at !== null ? dayOf(picture.at) : groupOf(picture);
    groups.set(group, [...(groups.get(group) ?? []), picture]);
  }
  return (
    <div className="panel">
      <SegmentedControl
        size="xs"
        aria-label="Grouped by"
        data={(Object.keys(BY) as By[]).map((value) => ({ value, label: BY[value] }))}
        value={by}
        onChange={(value) => setBy(value)}
      />
      <SavePdf
        build={build}
        name="pictures"
        blocks={() => contactSheet(build.name, album, groupOf)}
        variant="default"
        size="xs"
        mt={8}
      >
        Save a contact sheet as PDF
      </SavePdf>
      {[...groups].map(([key, pictures]) => (
        <section key={key} aria-label={groupOf(pictures[0]!)}>
          <h3 className="mt12">{groupOf(pictures[0]!)}</h3>
          <ul className="album">
            {pictures.map(({ id, pictureId, what }) => (
              <li key={id}>
                <UnstyledButton
                  aria-pressed={picked.includes(id)}
                  aria-label={`Look at: ${what}`}
                  onClick={() => onPick(id)}
                >
                  <img src={smallAddress(pictureId)} alt="" loading="lazy" />
                  <span className="small">{what}</span>
                </UnstyledButton>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {album.length > most && (
        <Button variant="default" mt={8} onClick={() => setMost(most + 4 * AT_ONCE)}>
          Show {album.length - most} more
        </Button>
      )}
    </div>
  );
}
