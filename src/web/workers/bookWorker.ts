import { expose } from 'comlink';
import { format } from 'date-fns';
import { pagesPdf, pageSvg } from '../../core/formats/index.ts';
import { productIndex, type Book, type CataloguePaint } from '../../core/kit/index.ts';
import { bookOf, showCard, type BookSources, type CardWords } from '../../core/record/index.ts';
import { usualFace } from './printMaterials.ts';

/** What a book tells of, as it comes to the worker: functions stay here. */
export interface BookQuestion extends Omit<BookSources, 'products' | 'paintName' | 'day'> {
  book: Pick<Book, 'builder' | 'foreword' | 'leftOut'>;
  paints: readonly CataloguePaint[];
  /** How days are written, with the year: what is printed is read for years. */
  dayPattern: string;
}

const dayIn = (pattern: string) => (minutes: number) => format(new Date(minutes * 60_000), pattern);

function tellBook({ book, paints, dayPattern, ...sources }: BookQuestion) {
  const products = productIndex(paints);
  const names = new Map(paints.map(({ id, name }) => [id, name]));
  return bookOf(
    {
      ...sources,
      products,
      paintName: (id) => names.get(id) ?? products.get(id)?.name ?? id,
      day: dayIn(dayPattern),
    },
    book,
  );
}

/** The card that stands beside the model: as a drawing for a printer, and as PDF. */
async function drawCard(words: CardWords) {
  const { page, missing, isCut } = showCard(words, await usualFace());
  return { page, missing, isCut, svg: pageSvg(page), pdf: await pagesPdf([page], words.title) };
}

const bookWorker = { tellBook, drawCard };
export type BookWorker = typeof bookWorker;
export type DrawnCard = Awaited<ReturnType<typeof drawCard>>;
expose(bookWorker);
