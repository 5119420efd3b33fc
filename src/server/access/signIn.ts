import { parseCookie, stringifySetCookie } from 'cookie';
import express, { Router, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { PATHS } from '../../api/index.ts';
import { ProblemError } from '../problem.ts';
import { onlyOwnKind } from './hosts.ts';
import { isPassphrase, sessions } from './passphrase.ts';
import { signInPage, SIGN_IN_STYLE } from './signInPage.ts';

const COOKIE = 'fanfare-session';
/** Wrong tries from one address before it must wait, and how long. */
const FREE_TRIES = 5;
const WAIT_MS = 60_000;
/** Every wrong try is answered this late. */
const WRONG_MS = 300;

/** Asks every visitor for the passphrase on a page of our own and keeps it in a session cookie. Wrong tries are
 *  answered late, written to the log, and refused for a minute once there were five. */
export function signIn(
  passphrase: string,
  clock: () => number,
  log: (line: string) => void = console.warn,
): Router {
  const router = Router();
  const isRight = isPassphrase(passphrase);
  const open = sessions(clock);
  const tokenOf = ({ headers }: Request) => parseCookie(headers.cookie ?? '')[COOKIE];
  const setCookie = (request: Request, response: Response, value: string, maxAge: number) =>
    response.append(
      'Set-Cookie',
      stringifySetCookie({
        name: COOKIE,
        value,
        httpOnly: true,
        sameSite: 'strict',
        secure: request.secure || request.headers['x-forwarded-proto'] === 'https',
        path: '/',
        maxAge,
      }),
    );

  router.get('/sign-in.css', (_request, response) => {
    response.type('css').send(SIGN_IN_STYLE);
  });
  router.get(PATHS.signIn, (request, response) => {
    response.set('Cache-Control', 'no-store').send(signInPage({ next: nextOf(request.query.next) }));
  });
  const tries = rateLimit({
    windowMs: WAIT_MS,
    limit: FREE_TRIES,
    skipSuccessfulRequests: true,
    // The page of a wrong passphrase says so by its status.
    requestWasSuccessful: (_request, { statusCode }) => statusCode < 400,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    validate: { xForwardedForHeader: false },
    handler: (request, response) => {
      log(`Sign-in from ${request.ip} refused: more than ${FREE_TRIES} wrong passphrases within a minute.`);
      response.status(429).send(
        signInPage({
          next: nextOf((request.body as { next?: unknown } | undefined)?.next),
          trouble: 'Too many wrong passphrases. Wait a minute, then try again.',
        }),
      );
    },
  });
  router.post(
    PATHS.signIn,
    express.urlencoded({ extended: false, limit: '4kb' }),
    tries,
    async (request, response) => {
      const { passphrase: given, next } = (request.body ?? {}) as { passphrase?: unknown; next?: unknown };
      response.set('Cache-Control', 'no-store');
      if (typeof given === 'string' && isRight(given)) {
        setCookie(request, response, open.begin(), open.lastsMs / 1000);
        response.redirect(303, nextOf(next));
        return;
      }
      log(`Wrong passphrase from ${request.ip}.`);
      await new Promise((resolve) => setTimeout(resolve, WRONG_MS));
      response
        .status(401)
        .send(signInPage({ next: nextOf(next), trouble: 'That is not the passphrase of this bench.' }));
    },
  );
  router.post(PATHS.signOut, onlyOwnKind, (request, response) => {
    open.end(tokenOf(request));
    setCookie(request, response, '', 0);
    response.status(204).end();
  });

  router.use((request, response, next) => {
    if (open.isOpen(tokenOf(request))) {
      next();
      return;
    }
    if (!request.path.startsWith('/api/') && request.accepts('html')) {
      response.redirect(303, `${PATHS.signIn}?next=${encodeURIComponent(request.originalUrl)}`);
      return;
    }
    throw new ProblemError({
      status: 401,
      type: '/problems/signed-out',
      title: 'Not signed in',
      detail: 'This bench asks for its passphrase first.',
      remedy: 'Sign in; what was to be saved is kept here and sent then.',
    });
  });
  return router;
}

/** Where to go after signing in: an address of this bench, or its front. */
function nextOf(asked: unknown): string {
  return typeof asked === 'string' && /^\/(?![/\\])[^\s\\]*$/.test(asked) ? asked : '/';
}
