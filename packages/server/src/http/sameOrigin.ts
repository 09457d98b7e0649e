/**
 * Refuses what another site has a browser send: every write must come from a page of this server. The cookies are SameSite
 * as well; this holds where a browser does not keep to that.
 */
import type { RequestHandler } from 'express';
import { AppError } from './AppError';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

export const sameOrigin: RequestHandler = (request, _response, next) => {
  if (READS.has(request.method) || isOwnPage(request.headers.origin, request.headers.host, request.protocol))
    return next();
  throw new AppError(
    403,
    'other-origin',
    'From another site',
    'This was not sent by a page of this server, so nothing was changed.',
  );
};

/** Browsers name the origin of every write; what names none is not a page. A page on http is another than one on https. */
function isOwnPage(origin: string | undefined, host: string | undefined, protocol: string): boolean {
  if (origin === undefined || host === undefined) return false;
  try {
    const url = new URL(origin);
    return url.host === new URL(`${protocol}://${host}`).host && url.protocol === `${protocol}:`;
  } catch {
    return false;
  }
}
