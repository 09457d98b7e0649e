/**
 * Hears every error of a request and its answer from the first moment on. A stream whose error nobody hears ends the whole
 * process, and between a connection's loss and the handler that would have noticed there is always an await.
 */
import type { RequestHandler } from 'express';

export const heardStreams: RequestHandler = (request, response, next) => {
  const hear = (error: unknown) => request.log?.debug({ err: error }, 'a connection was lost');
  request.on('error', hear);
  response.on('error', hear);
  next();
};
