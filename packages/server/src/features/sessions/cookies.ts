/** The two cookies: who is signed in, and which device this is. Neither can be read by a script or sent by another site. */
import { parse } from 'cookie';
import type { CookieOptions, Request, Response } from 'express';
import { SESSION_LIMITS } from './SessionsService';

const SESSION = 'lq_session';
const DEVICE = 'lq_device';
/** A browser keeps no cookie longer than 400 days. */
const DEVICE_MS = 400 * 24 * 3_600_000;

export function readCookies(request: Request): {
  readonly sessionToken: string | null;
  readonly deviceToken: string | null;
} {
  const cookies = parse(request.headers.cookie ?? '');
  return { sessionToken: cookies[SESSION] ?? null, deviceToken: cookies[DEVICE] ?? null };
}

export function setSessionCookie(request: Request, response: Response, token: string): void {
  response.cookie(SESSION, token, options(request, SESSION_LIMITS.absoluteMs));
}

export function setDeviceCookie(request: Request, response: Response, token: string): void {
  response.cookie(DEVICE, token, options(request, DEVICE_MS));
}

export function clearSessionCookie(request: Request, response: Response): void {
  const { maxAge: _, ...rest } = options(request, 0);
  response.clearCookie(SESSION, rest);
}

/** On plain http, as on loopback, a browser would not take a cookie that is marked secure. */
function options(request: Request, maxAge: number): CookieOptions {
  return { httpOnly: true, sameSite: 'strict', secure: request.secure, path: '/', maxAge };
}
