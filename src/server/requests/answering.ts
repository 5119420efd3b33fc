import type { Request, RequestHandler, Response } from 'express';

/** Another program may hold the file for a moment; so often, and after so many ms, it is tried again. */
const RETRIES_MS = [20, 50, 100, 200, 400, 800];

const isBusy = (error: unknown): boolean =>
  error instanceof Error &&
  (/^SQLITE_(BUSY|LOCKED)/.test((error as { code?: string }).code ?? '') || isBusy(error.cause));

/** A route's work, tried again within bounds while another program has the data file. Work writes in transactions and
 *  answers last, so that a second try begins from nothing. */
export function answering(
  work: (request: Request, response: Response) => void | Promise<void>,
): RequestHandler {
  return async (request, response) => {
    for (const wait of RETRIES_MS) {
      try {
        await work(request, response);
        return;
      } catch (error) {
        if (!isBusy(error) || response.headersSent) throw error;
        await new Promise((resolve) => setTimeout(resolve, wait));
      }
    }
    await work(request, response);
  };
}
