import helmet from 'helmet';
import type { RequestHandler } from 'express';

const SELF = "'self'";

/** What a browser may do with what this server sends: its own scripts, styles, fonts and workers, nothing from
 *  elsewhere, and no frame around it. The planner is WebAssembly; the style sheets of components are written by the
 *  page with the nonce of its answer, style attributes by its scripts. */
export function guardedHeaders(nonceOf: (response: object) => string): RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: [SELF, "'wasm-unsafe-eval'"],
        styleSrc: [SELF, (_request, response) => `'nonce-${nonceOf(response)}'`],
        styleSrcAttr: ["'unsafe-inline'"],
        fontSrc: [SELF],
        imgSrc: [SELF, 'data:', 'blob:'],
        connectSrc: [SELF],
        workerSrc: [SELF],
        manifestSrc: [SELF],
        baseUri: ["'none'"],
        formAction: [SELF],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
      },
    },
    crossOriginEmbedderPolicy: false,
    frameguard: { action: 'deny' },
    // Not none at all: a form of our own would then be sent as if from nowhere.
    referrerPolicy: { policy: 'same-origin' },
    // Said by whoever puts TLS before the bench; over plain HTTP it means nothing.
    strictTransportSecurity: false,
  });
}
