import { markingRecord, type Marking } from '../../../core/kit/index.ts';
import { dotsPerInch, LEAST_DPI, MM_PER_INCH } from '../../../core/livery/index.ts';
import { keepArtwork } from '../../data/kit.ts';
import { inLiveryWorker } from './inWorker.ts';
import { OpenFile } from './OpenFile.tsx';

interface OpenArtworkProps {
  kind: 'drawing' | 'picture';
  marking: Marking;
  buildId: string;
  onSave: (change: Partial<Marking>) => void;
}

const ACCEPTS = { drawing: '.svg,image/svg+xml', picture: 'image/png,image/jpeg,image/webp' } as const;
const tenth = (mm: number) => Math.round(mm * 10) / 10;
/** A size that a marking can have. */
const possible = (key: 'width' | 'height', mm: number): number => {
  const field = markingRecord.fields[key] as unknown as { least: number; most: number };
  return Math.min(field.most, Math.max(field.least, tenth(mm)));
};

/** Width kept, height in proportion. */
const inProportion = ({ width }: Marking, of: { width: number; height: number }): Partial<Marking> => ({
  height: possible('height', (width * of.height) / of.width),
});

/** A drawing: what the marking becomes, and what is to be known of it. */
async function openDrawing(file: File, marking: Marking): Promise<[Partial<Marking>, string[]]> {
  const text = await file.text();
  const { drawn, widthMm, heightMm, unitsSaid, left } = await inLiveryWorker((remote) =>
    remote.readDrawing(text),
  );
  const size = unitsSaid
    ? { width: possible('width', widthMm), height: possible('height', heightMm) }
    : inProportion(marking, { width: widthMm, height: heightMm });
  return [
    { ...size, artwork: { ...marking.artwork, drawn } },
    [
      ...(unitsSaid ? [] : ['It says no unit: the width was kept, and the height follows it.']),
      ...(left.length > 0 ? [`Left out: ${left.join('; ')}.`] : []),
    ],
  ];
}

async function openPicture(
  file: File,
  marking: Marking,
  buildId: string,
): Promise<[Partial<Marking>, string[]]> {
  const { id, width, height, dpi } = await keepArtwork(buildId, file);
  const size =
    dpi === null
      ? inProportion(marking, { width, height })
      : {
          width: possible('width', (MM_PER_INCH * width) / dpi),
          height: possible('height', (MM_PER_INCH * height) / dpi),
        };
  const dots = Math.round(dotsPerInch(width, size.width ?? marking.width));
  return [
    { ...size, pictureId: id },
    [
      `${width} by ${height} dots: ${dots} to the inch at this width.`,
      ...(dots < LEAST_DPI
        ? [`Below ${LEAST_DPI} they show: a larger picture, or a drawing, prints finer.`]
        : []),
    ],
  ];
}

/** Artwork from a file: shapes of an SVG drawing, or a picture in its resolution. */
export function OpenArtwork({ kind, marking, buildId, onSave }: OpenArtworkProps) {
  const isHere = kind === 'drawing' ? (marking.artwork.drawn ?? []).length > 0 : marking.pictureId != null;
  return (
    <div>
      <OpenFile
        accept={ACCEPTS[kind]}
        size="xs"
        mt={22}
        onOpen={async (file) => {
          const [change, told] =
            kind === 'drawing' ? await openDrawing(file, marking) : await openPicture(file, marking, buildId);
          onSave(change);
          return told;
        }}
      >
        {isHere ? 'Open another' : 'Open'} {kind === 'drawing' ? 'SVG drawing' : 'picture'}
      </OpenFile>
    </div>
  );
}
