import { refused } from '../../http/AppError';

/** Refuses a password with the name in it: that is the first thing that is tried. */
export function requireOwnPassword(name: string, password: string, path = 'password'): void {
  if (!password.toLowerCase().includes(name.toLowerCase())) return;
  const message = 'Choose a password without the name in it.';
  throw refused(message, [{ path, message }]);
}
