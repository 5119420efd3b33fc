import { hostname, networkInterfaces } from 'node:os';
import type { Request, RequestHandler } from 'express';
import { OWN_HEADER } from '../../api/index.ts';
import { ProblemError } from '../problem.ts';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERYWHERE = new Set(['0.0.0.0', '::', '[::]']);

export const isLoopback = (host: string): boolean => host === '::1' || LOOPBACK.includes(host);

/** Under which names this server may be asked for.
 *  `host`: where it listens; `names`: what else its owner calls it, each with a port or without. */
export interface HostNames {
  host: string;
  names?: readonly string[];
}

const bracketed = (host: string) => (host.includes(':') && !host.startsWith('[') ? `[${host}]` : host);

/** Names without a port, lower case. Where the server listens on every interface these are the machine's own. */
function ownNames(host: string): string[] {
  if (!EVERYWHERE.has(host))
    return isLoopback(host) ? LOOPBACK : [...LOOPBACK, bracketed(host).toLowerCase()];
  const addresses = Object.values(networkInterfaces()).flatMap((each) => each ?? []);
  const machine = hostname().toLowerCase();
  return [
    ...LOOPBACK,
    machine,
    `${machine}.local`,
    ...addresses.map(({ address }) => bracketed(address.split('%')[0]!)),
  ];
}

/** Serves only what is asked for under the server's own names and port. A page of the web can point a name of its own
 *  at this machine; what it asks for is answered with 421. */
export function onlyOwnNames({ host, names = [] }: HostNames): RequestHandler {
  const own = new Set(ownNames(host));
  const given = new Set(names.map((name) => name.trim().toLowerCase()).filter(Boolean));
  return (request, _response, next) => {
    const asked = (request.headers.host ?? '').toLowerCase();
    const port = request.socket.localPort;
    const [, name = '', askedPort] = /^(\[[^\]]*\]|[^:]*)(?::(\d+))?$/.exec(asked) ?? [];
    const isOwn = own.has(name) && Number(askedPort ?? 80) === port;
    if (isOwn || given.has(asked) || (given.has(name) && [port, 80, 443].includes(Number(askedPort ?? 80)))) {
      next();
      return;
    }
    throw new ProblemError({
      status: 421,
      type: '/problems/other-host',
      title: 'Not served under this name',
      detail: 'This bench answers only under its own address, the one it printed when it started.',
      remedy:
        'Open that address. To reach it under another name, start it with FANFARE_NAMES set to that name.',
    });
  };
}

const SAFE = new Set(['GET', 'HEAD']);
export const changesState = ({ method }: Pick<Request, 'method'>): boolean => !SAFE.has(method);

/** Refuses what another site's page makes a browser send, by where the browser says it comes from. Whoever follows a
 *  link to a page of the bench is let through. */
export function onlyOwnPages(request: Request, _response: unknown, next: () => void): void {
  const { origin, host, 'sec-fetch-site': site, 'sec-fetch-mode': mode } = request.headers;
  const changes = changesState(request);
  const isLink = !changes && mode === 'navigate' && !request.path.startsWith('/api/');
  if (site !== undefined && site !== 'same-origin' && site !== 'none' && !isLink) throw fromElsewhere();
  if (changes && origin !== undefined && !isSameHost(origin, host)) throw fromElsewhere();
  next();
}

/** Asks of everything that changes the bench for JSON, or for a header of our own: a form can send neither. */
export function onlyOwnKind(request: Request, _response: unknown, next: () => void): void {
  if (changesState(request) && !request.is('application/json') && request.get(OWN_HEADER) === undefined) {
    throw new ProblemError({
      status: 415,
      type: '/problems/content-type',
      title: 'Not sent as Fanfare sends',
      detail: `What changes the bench is sent as application/json, or with the header ${OWN_HEADER}.`,
      remedy: 'Nothing was changed.',
    });
  }
  next();
}

function isSameHost(origin: string, host: string | undefined): boolean {
  try {
    return new URL(origin).host === host?.toLowerCase();
  } catch {
    return false;
  }
}

const fromElsewhere = () =>
  new ProblemError({
    status: 403,
    type: '/problems/other-site',
    title: 'Asked by another site',
    detail: 'The request came from a page that is not Fanfare’s. Nothing was answered or changed.',
    remedy: 'Open the bench at its own address and do it there.',
  });
