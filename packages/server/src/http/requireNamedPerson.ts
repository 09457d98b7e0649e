/**
 * Holds whose screen a request comes from against who is signed in. A browser has one session for all its tabs: what somebody
 * typed in a tab before another signed in in the next one would otherwise be done in the other's name, and a screen that shows
 * one person's shop would be filled with what another may see.
 */
import { PERSON_HEADER, ROLES_HEADER } from '@low-quarry/core/contracts/contract';
import type { Request } from 'express';
import type { Actor } from './Actor';
import { AppError } from './AppError';

const READS = new Set(['GET', 'HEAD']);

/** @throws AppError when the request names somebody else, or is to change something and names nobody */
export function requireNamedPerson(request: Request, { personId, name, roles }: Actor): void {
  const named = request.get(PERSON_HEADER);
  if (named === undefined) {
    if (READS.has(request.method)) return;
    const detail = `${PERSON_HEADER}: nothing was read; send the id of the person whose screen it is.`;
    // A page of an earlier program names nobody; what it has to send waits, as it does for a sign-in, until the page is new.
    throw new AppError(401, 'person-not-named', 'Nobody is named', detail);
  }
  const namedRoles = request.get(ROLES_HEADER);
  const isSame = named === personId && (namedRoles === undefined || namedRoles === roles.join(','));
  if (isSame) return;
  throw new AppError(
    409,
    'other-person',
    'Somebody else is signed in',
    named === personId
      ? `What ${name} may do here was changed. Nothing was done; look again.`
      : `${name} is signed in at this device now. Nothing was done in their name.`,
  );
}
