import type { Problem } from '../../api/index.ts';

/** An answer of the server that says what went wrong. */
export class RequestProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** The server could not be reached at all. */
export class Unreachable extends Error {}

/** Sends JSON and reads JSON. Throws RequestProblem for an answer with a problem, Unreachable for none. */
export async function request<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? undefined : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch (error) {
    throw new Unreachable('The server cannot be reached.', { cause: error });
  }
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  const text = await response.text();
  let problem: Problem;
  try {
    problem = JSON.parse(text) as Problem;
  } catch {
    problem = {
      type: 'about:blank',
      title: 'The server refused',
      status: response.status,
      detail: text.slice(0, 200) || response.statusText,
    };
  }
  throw new RequestProblem(problem);
}

export const get = <T>(path: string): Promise<T> => request<T>('GET', path);
