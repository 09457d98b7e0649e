import {
  confirmPassword,
  getSession,
  nameDevice,
  requirePassword,
  setPassword,
  setPin,
  signIn,
  signInByPin,
  signOut,
  signOutEverywhere,
  startShop,
} from '@low-quarry/core/contracts/sessions';
import type { Request, RequestHandler, Response, Router } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { setActor } from '../../http/guard';
import { openRoute, route } from '../../http/route';
import { clearSessionCookie, readCookies, setDeviceCookie, setSessionCookie } from './cookies';
import type { FirstStart } from './FirstStart';
import type { At, CameIn, SessionsService } from './SessionsService';

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

export function sessionsRoutes(router: Router, sessions: SessionsService, firstStart: FirstStart): void {
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
    return stateFor(request, response, await sessions.signIn(body.name, body.password, atOf(request)));
  });
  openRoute(router, signIn, async ({ body, actor, request, response }) => {
    const cameIn = await sessions.signIn(body.name, body.password, atOf(request));
    if (actor) await sessions.signOut(actor);
    return stateFor(request, response, cameIn);
  });
  openRoute(router, signInByPin, async ({ body, actor, request, response }) => {
    const cameIn = await sessions.signInByPin(body.personId, body.pin, atOf(request));
    if (actor) await sessions.signOut(actor);
    return stateFor(request, response, cameIn);
  });
  openRoute(router, signOut, async ({ actor, request, response }) => {
    if (actor) await sessions.signOut(actor);
    clearSessionCookie(request, response);
    return firstStart.withDemo(await sessions.state(null, readCookies(request).deviceToken));
  });
  route(router, signOutEverywhere, async ({ actor }) => ({ ended: await sessions.signOutEverywhere(actor.personId) }));
  route(router, confirmPassword, async ({ actor, body }) => ({
    until: (await sessions.confirmPassword(actor, body.password)).toISOString(),
  }));
  route(router, requirePassword, async () => ({}));
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

/** An IPv6 address is counted by its network: a single household has more of them than anybody could count. */
function atOf(request: Request): At {
  return { deviceToken: readCookies(request).deviceToken, address: ipKeyGenerator(request.ip ?? '') };
}
