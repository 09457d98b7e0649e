import { refused } from '../../http/AppError';

/** Refuses a password with the name in it: that is the first thing that is tried. */
export function requireOwnPassword(name: string, password: string, path = 'password'): void {
  if (!password.toLowerCase().includes(name.toLowerCase())) return;
  const message = 'A password without the name in it would do.';
  throw refused(message, [{ path, message }]);
}
