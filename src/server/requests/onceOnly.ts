import type { Request, Response } from 'express';
import { WRITE_HEADER } from '../../api/index.ts';
import type { Database } from '../database/open.ts';
import { ProblemError } from '../problem.ts';
import { doing, keepAnswer, readWrite } from '../store/writing.ts';

export type Work = (request: Request, response: Response) => void | Promise<void>;

/** What a key may look like: what browsers make at random, and nothing that could hold more. */
const KEY = /^[\w-]{8,64}$/;

/** Does a write once, however often it is sent: the browser names it, and sends it again under the same name where no
 *  answer came. Sent again it gets the answer of the first time. Throws ProblemError for a name that is none (400) or
 *  another write's (422), and where it was done but its answer is not known any more (409). */
export function onceOnly(db: Database, work: Work): Work {
  return async (request, response) => {
    const key = request.get(WRITE_HEADER);
    if (key === undefined) return work(request, response);
    if (!KEY.test(key)) throw badKey(400, `${WRITE_HEADER} takes 8 to 64 letters, digits and hyphens.`);
    const what = `${request.method} ${request.path}`;
    const before = underWay.get(key) ?? Promise.resolve();
    const now = before.then(() => doOrRepeat(db, { key, what }, work, request, response));
    const settled = now.catch(() => undefined);
    underWay.set(key, settled);
    try {
      await now;
    } finally {
      if (underWay.get(key) === settled) underWay.delete(key);
    }
  };
}

/** Named writes that are not answered yet. */
const underWay = new Map<string, Promise<void>>();

async function doOrRepeat(
  db: Database,
  write: { key: string; what: string },
  work: Work,
  request: Request,
  response: Response,
): Promise<void> {
  const done = readWrite(db, write.key);
  if (done) {
    if (done.what !== write.what)
      throw badKey(
        422,
        `${WRITE_HEADER} was used before, for another request. Every write takes one of its own.`,
      );
    if (done.status === null) throw answerLost();
    response.status(done.status);
    if (done.answer === null) response.end();
    else response.type('json').send(done.answer);
    return;
  }
  keepingAnswer(db, write.key, response);
  await doing(write, () => work(request, response));
}

/** Notes what is answered, in the moment in which it is sent. That the write was done is noted already: where its answer
 *  cannot be, it is sent all the same. */
function keepingAnswer(db: Database, key: string, response: Response): void {
  const keep = (answer: string | null) => {
    try {
      keepAnswer(db, key, response.statusCode, answer);
    } catch (error) {
      console.error('The answer to a write could not be kept.', error);
    }
  };
  const json = response.json.bind(response);
  const end = response.end.bind(response);
  response.json = (body: unknown) => {
    keep(JSON.stringify(body));
    return json(body);
  };
  response.end = ((...args: Parameters<typeof end>) => {
    if (response.statusCode === 204) keep(null);
    return end(...args);
  }) as typeof response.end;
}

const badKey = (status: number, detail: string) =>
  new ProblemError({
    status,
    type: '/problems/write-key',
    title: 'That names no write',
    detail,
    remedy: 'Nothing was changed.',
  });

const answerLost = () =>
  new ProblemError({
    status: 409,
    type: '/problems/answer-lost',
    title: 'Saved, but the answer was lost',
    detail: 'The change was saved, but the server stopped before it could say so.',
    remedy: 'Look at what is there now; nothing needs to be done again.',
  });
