import { and, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { bookInput } from '../../api/bookSchemas.ts';
import { PATHS, type BookInput } from '../../api/index.ts';
import { builds, pictures } from '../database/schema.ts';
import { printCopy, smallCopy } from '../pictures.ts';
import { notFound } from '../problem.ts';
import { oneAtATime } from '../requests/inPortions.ts';
import { idOf, validated } from '../requests/validated.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** From so many in a row on, a small copy is as sharp as the paper. */
const SMALL_IN_ROW = 4;

/** A build told of in print. */
export function bookRoutes({ db }: Pick<ServerContext, 'db'>): Router {
  const { router, post } = benchRouter({ db });
  const inTurn = oneAtATime();

  post(PATHS.book, async (request, response) => {
    const buildId = idOf(request);
    if (!db.select({ id: builds.id }).from(builds).where(eq(builds.id, buildId)).get())
      throw notFound('build', buildId);
    const book: unknown = validated(bookInput, request.body);
    const pdf = await inTurn(() => printed(book as BookInput, buildId));
    response.type('application/pdf').send(pdf);
  });

  // What lays out pages is large, and asked for seldom.
  const printed = async (book: BookInput, buildId: string): Promise<Buffer> => {
    const { bookPdf } = await import('../book/bookPdf.ts');
    return bookPdf(book, await picturesIn(book, buildId));
  };

  /** The pictures of a book as they are printed; those of other builds, and those that are gone, are not among them. */
  async function picturesIn({ blocks }: BookInput, buildId: string): Promise<Map<string, Buffer>> {
    // Small where many stand in a row, large where any of a picture does.
    const wanted = new Map<string, boolean>();
    for (const block of blocks)
      if (block.kind === 'pictures')
        for (const { pictureId } of block.pictures)
          wanted.set(pictureId, (wanted.get(pictureId) ?? true) && (block.inRow ?? 1) >= SMALL_IN_ROW);
    const found = new Map<string, Buffer>();
    for (const [id, isSmall] of wanted) {
      const row = db
        .select()
        .from(pictures)
        .where(and(eq(pictures.id, id), eq(pictures.buildId, buildId)))
        .get();
      if (row) found.set(id, await (isSmall ? smallCopy : printCopy)(row.bytes));
    }
    return found;
  }

  return router;
}
