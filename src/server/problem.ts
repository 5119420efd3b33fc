import type { ErrorRequestHandler } from 'express';
import { ValidationError } from 'yup';
import type { Problem, StepRecord } from '../api/index.ts';

/** An error that the builder is told about as problem details (RFC 9457). */
export class ProblemError extends Error {
  readonly problem: Problem;

  constructor(problem: Omit<Problem, 'type'> & { type?: string }) {
    super(problem.detail);
    this.problem = { type: 'about:blank', ...problem };
  }
}

export function notFound(what: string, id: string): ProblemError {
  return new ProblemError({
    status: 404,
    title: `No such ${what}`,
    detail: `There is no ${what} with the id "${id}".`,
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

interface HttpError {
  status?: number;
  type?: string;
  code?: string;
  message?: string;
}

/** Turns whatever went wrong into problem details; nothing is half-written, since writes are transactions. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  if (error instanceof ValidationError) {
    return {
      type: '/problems/bad-input',
      title: 'That cannot be saved',
      status: 400,
      detail: `${error.errors.join('; ')}.`,
      remedy: 'Nothing was changed. Mend what is named and try again.',
    };
  }
  if (error instanceof RangeError) {
    return {
      type: '/problems/bad-input',
      title: 'That cannot be saved',
      status: 400,
      detail: error.message,
      remedy: 'Nothing was changed.',
    };
  }
  const { status, type, code } = error as HttpError;
  if (type === 'entity.too.large') {
    return {
      type: '/problems/too-large',
      title: 'Too much at once',
      status: 413,
      detail: 'The request is larger than 1 MB.',
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
      detail: (error as Error).message,
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

export const sendProblem: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = problemOf(error);
  if (problem.status >= 500) console.error(error);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};
