/**
 * Answers only under names that are this shop's. A page of another site can have its own name point to this machine (DNS
 * rebinding): Origin and Host then agree with each other, and only the name gives it away. An address in digits cannot be
 * rebound, so the one at which the connection arrived is always good.
 */
import { isIP } from 'node:net';
import type { RequestHandler } from 'express';
import { isLoopback } from '../config';
import { AppError } from './AppError';

/** @param names further host names, in lower case and without a port */
export function allowedHosts(names: readonly string[]): RequestHandler {
  return (request, _response, next) => {
    const hosts = request.rawHeaders.filter((_, at) => at % 2 === 0).filter((name) => name.toLowerCase() === 'host');
    const host = request.headers.host;
    if (hosts.length !== 1 || host === undefined) {
      throw new AppError(400, 'host', 'No host', 'Send one Host header.');
    }
    const name = hostName(host);
    const own = request.socket.localAddress?.replace(/^::ffff:/, '');
    if (name !== null && (isLoopback(name) || names.includes(name) || (isIP(name) !== 0 && name === own)))
      return next();
    throw new AppError(
      421,
      'other-host',
      'Another name',
      `The shop does not answer under the name "${host.slice(0, 80)}". Names of its own are set with LQ_ALLOWED_HOSTS.`,
    );
  };
}

/** The name without port and brackets; null where it is none. */
function hostName(host: string): string | null {
  const found = /^(?:\[([0-9a-f:.]+)\]|([a-z0-9._-]+))(?::\d{1,5})?$/i.exec(host);
  return found ? (found[1] ?? found[2] ?? '').toLowerCase() : null;
}
