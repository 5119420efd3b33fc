import express, { type Request, type RequestHandler, type Response } from 'express';

/** Reads a file that is sent as it is, up to so many bytes; what is JSON is left to others. */
export const rawBody = (limit: number): RequestHandler =>
  express.raw({ type: (request) => !/json/.test(request.headers['content-type'] ?? ''), limit });

/** The file that was sent; empty where none was. */
export const sentFile = ({ body }: Pick<Request, 'body'>): Buffer =>
  Buffer.isBuffer(body) ? body : Buffer.alloc(0);

/** A file is nothing but a file, whatever a browser makes of its bytes. */
const FILE_POLICY = "sandbox; default-src 'none'";

/** Sends a file that never changes under its address. */
export function sendFile(response: Response, type: string, bytes: Buffer): void {
  response
    .set('Cache-Control', 'private, max-age=31536000, immutable')
    .set('Content-Security-Policy', FILE_POLICY)
    .set('Content-Disposition', 'attachment')
    .type(type)
    .send(bytes);
}
