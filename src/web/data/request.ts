import { OWN_HEADER, WRITE_HEADER, type Answered, type Problem } from '../../api/index.ts';
import { setSignedOut } from './signedOut.ts';

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

/** The server wants the passphrase first; what waits for it is tried again like what could not be sent. */
export class SignedOut extends Unreachable {}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

interface Sent {
  body?: unknown;
  /** Of the record that is changed or removed. */
  version?: number;
  /** Names a write that may have to be sent again. */
  key?: string;
}

/** Sends a body as it is, JSON apart. Throws RequestProblem for an answer with a problem, Unreachable for none. */
async function answerOf(method: Method, path: string, { body, version, key }: Sent): Promise<Response> {
  const isFile = body instanceof Blob;
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: {
        ...(body === undefined || isFile ? {} : { 'content-type': 'application/json' }),
        ...(method === 'GET' ? {} : { [OWN_HEADER]: '1' }),
        ...(version === undefined ? {} : { 'if-match': `"${version}"` }),
        ...(key === undefined ? {} : { [WRITE_HEADER]: key }),
      },
      body: body === undefined ? undefined : isFile ? body : JSON.stringify(body),
    });
  } catch (error) {
    throw new Unreachable('The server cannot be reached.', { cause: error });
  }
  setSignedOut(response.status === 401);
  if (response.ok) return response;
  const problem = await problemIn(response);
  if (response.status === 401) throw new SignedOut(problem.detail);
  throw new RequestProblem(problem);
}

/** Sends something and reads JSON, with the headers of the answer; throws as `answerOf` does. */
export async function exchange<T>(method: Method, path: string, sent: Sent = {}): Promise<Answered<T>> {
  const response = await answerOf(method, path, sent);
  const read: unknown = response.status === 204 ? undefined : await response.json();
  return { body: read as T, headers: response.headers };
}

/** Sends something that is answered with a file. */
export const requestFile = async (path: string, body: object): Promise<Blob> =>
  (await answerOf('POST', path, { body })).blob();

async function problemIn(response: Response): Promise<Problem> {
  const text = await response.text();
  try {
    return JSON.parse(text) as Problem;
  } catch {
    return {
      type: 'about:blank',
      title: 'The server refused',
      status: response.status,
      detail: text.slice(0, 200) || response.statusText,
    };
  }
}

/** The same without the headers. */
export async function request<T>(method: Method, path: string, sent?: Sent): Promise<T> {
  return (await exchange<T>(method, path, sent)).body;
}

export const get = <T>(path: string): Promise<T> => request<T>('GET', path);
