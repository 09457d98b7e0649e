import {
  getSession,
  nameDevice,
  setPassword,
  setPin,
  signIn,
  signInByPin,
  signOut,
  signOutEverywhere,
  startShop,
} from '@low-quarry/core/contracts/session';
import type { Request, RequestHandler, Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AppError } from '../../http/AppError';
import { setActor } from '../../http/guard';
import { openRoute, route } from '../../http/route';
import { clearSessionCookie, readCookies, setDeviceCookie, setSessionCookie } from './cookies';
import type { FirstStart } from './FirstStart';
import type { CameIn, SessionsService } from './SessionsService';

const WINDOW_MS = 15 * 60_000;

/** Finds out who asks, before any route: by the session's cookie, which is renewed here when it is due. */
export function authenticate(sessions: SessionsService): RequestHandler {
  return async (request, response, next) => {
    const { sessionToken } = readCookies(request);
    const resumed = sessionToken ? await sessions.resume(sessionToken) : null;
    setActor(response, resumed?.actor ?? null);
    if (resumed?.newToken) setSessionCookie(request, response, resumed.newToken);
    next();
  };
}

export function sessionsRoutes(
  router: Router,
  sessions: SessionsService,
  firstStart: FirstStart,
  mostTries: number,
): void {
  const limit = tryLimit(mostTries);
  router.use([signIn.path, startShop.path], limit);
  const stateFor = async (request: Request, response: Response, cameIn: CameIn) => {
    setSessionCookie(request, response, cameIn.sessionToken);
    setDeviceCookie(request, response, cameIn.deviceToken);
    return sessions.state(cameIn.actor, cameIn.deviceToken);
  };

  openRoute(router, getSession, async ({ actor, request }) =>
    firstStart.withDemo(await sessions.state(actor, readCookies(request).deviceToken)),
  );
  openRoute(router, startShop, async ({ body, request, response }) => {
    await firstStart.start(body);
    if (body.kind === 'demo') return firstStart.withDemo(await sessions.state(null, null));
    return stateFor(request, response, await sessions.signIn(body.name, body.password, readCookies(request)));
  });
  openRoute(router, signIn, async ({ body, actor, request, response }) => {
    const cameIn = await sessions.signIn(body.name, body.password, readCookies(request));
    if (actor) await sessions.signOut(actor);
    return stateFor(request, response, cameIn);
  });
  openRoute(router, signInByPin, async ({ body, actor, request, response }) => {
    const cameIn = await sessions.signInByPin(body.personId, body.pin, readCookies(request));
    if (actor) await sessions.signOut(actor);
    return stateFor(request, response, cameIn);
  });
  openRoute(router, signOut, async ({ actor, request, response }) => {
    if (actor) await sessions.signOut(actor);
    clearSessionCookie(request, response);
    return firstStart.withDemo(await sessions.state(null, readCookies(request).deviceToken));
  });
  route(router, signOutEverywhere, async ({ actor }) => ({ ended: await sessions.signOutEverywhere(actor.personId) }));
  route(router, setPin, async ({ actor, body }) => {
    await sessions.setPin(actor, body.password, body.pin);
    return { hasPin: body.pin !== null };
  });
  route(router, setPassword, async ({ actor, body }) => ({
    ended: await sessions.setPassword(actor, body.password, body.newPassword),
  }));
  route(router, nameDevice, async ({ actor, body }) => {
    await sessions.nameDevice(actor, body.name);
    return { name: body.name };
  });
}

/** Counts wrong tries from one address, of a password and of a PIN together. */
function tryLimit(mostTries: number): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: mostTries,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip: ({ method }) => method !== 'POST',
    skipSuccessfulRequests: true,
    handler: () => {
      throw new AppError(
        429,
        'too-many-tries',
        'Too many tries',
        'There were too many tries from here. Wait a quarter of an hour and try again.',
      );
    },
  });
}
