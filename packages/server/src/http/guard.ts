/**
 * Lets a request through to a route, or not: each route stands behind one guard that bears its permission, so that the
 * list of all routes can be read from the router itself.
 */
import { asksPassword, mayDo, type Permission } from '@low-quarry/core/model';
import type { RequestHandler, Response } from 'express';
import type { Actor } from './Actor';
import { AppError } from './AppError';

export type Guard = RequestHandler & { readonly permission: Permission };

export function guard(permission: Permission): Guard {
  const check: RequestHandler = (_request, response, next) => {
    const actor = actorOf(response);
    if (mayDo(permission, actor?.roles ?? null)) {
      if (actor) requirePasswordFor(permission, actor);
      return next();
    }
    if (actor === null) throw signedOut();
    throw new AppError(
      403,
      'not-allowed',
      'Not allowed',
      `${actor.name} may not do this: it is for somebody with another role in the shop.`,
    );
  };
  return Object.assign(check, { permission });
}

/** @throws AppError when a permission asks for the password, and it was not typed lately */
export function requirePasswordFor(permission: Permission, { gavePassword }: Actor): void {
  if (!asksPassword(permission) || gavePassword) return;
  throw new AppError(
    403,
    'password-asked',
    'The password again',
    'This asks for your password again; a PIN is not enough.',
  );
}

export function signedOut(): AppError {
  return new AppError(401, 'signed-out', 'Not signed in', 'Nobody is signed in at this device. Sign in and try again.');
}

export function setActor(response: Response, actor: Actor | null): void {
  response.locals.actor = actor;
}

export function actorOf(response: Response): Actor | null {
  return (response.locals.actor as Actor | null | undefined) ?? null;
}
