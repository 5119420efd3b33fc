import {
  newRecord,
  partBoxRecord,
  showingRecord,
  viewRecord,
  type LiveryView,
  type PartBox,
  type Showing,
} from '../../kit/index.ts';

/** A van with a window in its front half and a closed rear, for tests of what is seen of it. */
export const VAN: LiveryView = {
  ...newRecord(viewRecord),
  id: 'v',
  name: 'Left',
  side: 'left',
  outline: 'M0 0H160V40H0Z',
  openings: [{ id: 'w', name: 'window', path: 'M10 5H70V35H10Z' }],
};

/** A small part on its middle line, so far behind its front: from 10 to 70 mm it stands at the window. */
export const boxAt = (partId: string, behindMm: number): PartBox => ({
  ...newRecord(partBoxRecord),
  id: `box-${partId}`,
  partId,
  behindMm,
  upMm: 20,
  lengthMm: 8,
  widthMm: 8,
  heightMm: 8,
});

/** Seen from round a table, through clear glass where nobody says otherwise. */
export const shown = (more: Partial<Showing> = {}): Showing => ({
  ...newRecord(showingRecord),
  id: 's',
  glass: 1,
  ...more,
});
