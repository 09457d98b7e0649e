/** Things of a job that are told from one another by their names. */
import type { z } from 'zod';

/** What one is told from others by: in whatever letters its name was typed. */
export function nameKey(name: string): string {
  return name.trim().toLowerCase();
}

/** Refuses whatever has the name of one before it. @param message said at its name */
export function refuseSameName(message: string) {
  return (all: readonly { readonly name: string }[], context: z.RefinementCtx): void => {
    const keys = all.map(({ name }) => nameKey(name));
    keys.forEach((key, at) => {
      if (keys.indexOf(key) !== at) context.addIssue({ code: 'custom', path: [at, 'name'], message });
    });
  };
}
