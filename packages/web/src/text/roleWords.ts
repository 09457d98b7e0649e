import type { Role } from '@low-quarry/core/model';

export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly may: string }>> = {
  counter: { name: 'Counter', may: 'books cars in, chooses parts, makes lists' },
  fitter: { name: 'Fitter', may: 'measures, chooses parts, installs' },
  owner: { name: 'Owner', may: 'everything, people, settings and backups included' },
};

export function rolesWords(roles: readonly Role[]): string {
  const names = roles.map((role) => ROLE_WORDS[role].name.toLowerCase());
  return [names.slice(0, -1).join(', '), ...names.slice(-1)].filter(Boolean).join(' and ');
}
