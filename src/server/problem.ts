import type { ErrorRequestHandler } from 'express';
import { ValidationError } from 'yup';
import { MOST_BODY_BYTES, type Problem, type StepRecord } from '../api/index.ts';

/** An error that the builder is told about as problem details (RFC 9457). */
export class ProblemError extends Error {
  readonly problem: Problem;

  constructor(problem: Omit<Problem, 'type'> & { type?: string }) {
    super(problem.detail);
    this.problem = { type: 'about:blank', ...problem };
  }
}

/** What was sent is never sent back whole. */
const MOST_OF_A_VALUE = 80;
const MOST_OF_A_FAULT = 300;
const MOST_FAULTS = 20;

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

/** A value that was sent, as a message may repeat it. */
export const shown = (value: string): string => cut(value, MOST_OF_A_VALUE);

export function notFound(what: string, id: string): ProblemError {
  return new ProblemError({
    status: 404,
    title: `No such ${what}`,
    detail: `There is no ${what} with the id "${shown(id)}".`,
    remedy: 'It may have been removed in another tab: reload to see what is there.',
  });
}

export function stale(what: string, current: unknown): ProblemError {
  return new ProblemError({
    status: 409,
    type: '/problems/stale-version',
    title: 'Changed elsewhere',
    detail: `This ${what} was changed in another tab since you opened it. Nothing was overwritten.`,
    remedy: 'Keep yours or take theirs.',
    current,
  });
}

export function tickedAlready(current: StepRecord): ProblemError {
  return new ProblemError({
    status: 409,
    type: '/problems/ticked-already',
    title: 'Done already',
    detail: `“${current.title}” was ticked elsewhere, with ${current.minutes} min. That stands; this tick was left out.`,
    remedy: 'If yours is the right one, take the other back where it was made, then tick again.',
    current,
  });
}

const codeOf = (cause: unknown): string | undefined => (cause as { code?: string } | undefined)?.code;

interface HttpError {
  status?: number;
  type?: string;
  code?: string;
  message?: string;
}

function faultsOf(error: ValidationError & { row?: number }): string {
  const row = error.row === undefined ? '' : `Row ${error.row}: `;
  const named = error.errors.slice(0, MOST_FAULTS).map((fault) => cut(fault, MOST_OF_A_FAULT));
  const more = error.errors.length - named.length;
  return `${row}${named.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`;
}

/** Turns whatever went wrong into problem details; nothing is half-written, since writes are transactions. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  if (error instanceof ValidationError) {
    return {
      type: '/problems/bad-input',
      title: 'That cannot be saved',
      status: 400,
      detail: faultsOf(error),
      remedy: 'Nothing was changed. Mend what is named and try again.',
    };
  }
  if (error instanceof RangeError) {
    return {
      type: '/problems/bad-input',
      title: 'That cannot be saved',
      status: 400,
      detail: cut(error.message, MOST_FAULTS * MOST_OF_A_FAULT),
      remedy: 'Nothing was changed.',
    };
  }
  const { status, type, code = codeOf((error as Error | undefined)?.cause) } = (error ?? {}) as HttpError;
  if (type === 'entity.too.large') {
    return {
      type: '/problems/too-large',
      title: 'Too much at once',
      status: 413,
      detail: `The request is larger than ${MOST_BODY_BYTES / 1e6} MB.`,
      remedy: 'Nothing was changed. Send it in smaller parts.',
    };
  }
  if (type === 'entity.parse.failed') {
    return {
      type: '/problems/bad-json',
      title: 'Cut short or garbled',
      status: 400,
      detail: 'The request is not complete JSON.',
      remedy: 'Nothing was changed. Send it again.',
    };
  }
  if (code === 'SQLITE_FULL' || code === 'ENOSPC') {
    return {
      type: '/problems/disk-full',
      title: 'The disk is full',
      status: 507,
      detail:
        'The change could not be written: the disk holding your data is full. What was saved before is safe.',
      remedy: 'Free some space, then save again.',
    };
  }
  if (/^SQLITE_(BUSY|LOCKED)/.test(code ?? '')) {
    return {
      type: '/problems/data-file-busy',
      title: 'The data file is in use',
      status: 503,
      detail:
        'Another program holds the data file. The change was not written; what was saved before is safe.',
      remedy: 'Close what else has the file open, then save again.',
    };
  }
  if (code?.startsWith('SQLITE_')) {
    return {
      type: '/problems/data-file',
      title: 'The data file refused',
      status: 500,
      detail: `The change was not written (${code}). What was saved before is safe.`,
      remedy: 'Check that the data file can be written, then try again.',
    };
  }
  if (status !== undefined && status >= 400 && status < 500) {
    return {
      type: 'about:blank',
      title: 'That request makes no sense',
      status,
      detail: cut((error as Error).message, MOST_OF_A_FAULT),
      remedy: 'Nothing was changed.',
    };
  }
  return {
    type: 'about:blank',
    title: 'Something broke on our side',
    status: 500,
    detail: 'The server met an error it did not expect. What was saved before is safe.',
    remedy: 'Try again; if it stays, restart the server and look at what it prints.',
  };
}

export const sendProblem: ErrorRequestHandler = (error, _request, response, _next) => {
  if (response.headersSent) {
    // Half an answer cannot be taken back; the end of the connection says that it is not whole.
    response.destroy();
    return;
  }
  response.removeHeader('ETag');
  response.set('Cache-Control', 'no-store');
  const problem = problemOf(error);
  if (problem.status >= 500) console.error(error);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};
