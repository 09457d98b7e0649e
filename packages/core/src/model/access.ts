/**
 * Who may do what: the one table that the server enforces and the screens read. The roles have the meanings they have in a
 * shop; one person may have several, because in a small shop the same person stands at the counter and in the bay.
 */
import { z } from 'zod';

export const ROLES = ['counter', 'fitter', 'owner'] as const;
export const roleSchema = z.enum(ROLES);
export type Role = z.infer<typeof roleSchema>;

/** Roles of a person, in the order of `ROLES`, at least one. */
export const rolesSchema = z
  .array(roleSchema)
  .min(1, 'Choose at least one role.')
  .transform((roles) => ROLES.filter((role) => roles.includes(role)));

const EVERYBODY = ROLES;

type PermissionEntry = {
  /** Who has it; null: nobody need be signed in. */
  readonly roles: readonly Role[] | null;
  /**
   * Whether it asks for the password again, a PIN not being enough: whoever finds a tablet lying open must not be able to let others in
   * or take the shop away.
   */
  readonly asksPassword?: true;
};

const TABLE = {
  /** Signing in, and whether the server lives. */
  anybody: { roles: null },
  /** What is one's own: signing out, PIN, password, undo. */
  self: { roles: EVERYBODY },
  read: { roles: EVERYBODY },
  jobs: { roles: ['counter', 'owner'] },
  measure: { roles: ['fitter', 'owner'] },
  choose: { roles: EVERYBODY },
  /** Trying what works, before the work and after it. */
  baseline: { roles: EVERYBODY },
  readPeople: { roles: ['owner'] },
  people: { roles: ['owner'], asksPassword: true },
  settings: { roles: ['owner'] },
  /** Adding vehicles and what nobody had written down of them; replacing what somebody else wrote is the owner's. */
  vehicles: { roles: EVERYBODY },
  /** What is known of a car besides what is measured. */
  facts: { roles: EVERYBODY },
  /** Adding photos to whatever is recorded, and what is written on them. */
  photos: { roles: EVERYBODY },
  /** Counting what lies on the shelf, and putting it aside for a job. */
  shelf: { roles: EVERYBODY },
  /** Adding places to a car and taking them off it. */
  openings: { roles: EVERYBODY },
  /** Adding parts; replacing what is there is `library`. */
  parts: { roles: EVERYBODY },
  library: { roles: ['owner'] },
  readBackups: { roles: ['owner'] },
  stopWork: { roles: ['owner'] },
  /** Making, taking away and bringing back the whole shop. */
  backup: { roles: ['owner'], asksPassword: true },
} as const satisfies Readonly<Record<string, PermissionEntry>>;

export type Permission = keyof typeof TABLE;
export const PERMISSIONS: Readonly<Record<Permission, PermissionEntry>> = TABLE;

/** How long the password counts for that, from when it was typed, ms. */
export const PASSWORD_COUNTS_MS = 10 * 60_000;

export function asksPassword(permission: Permission): boolean {
  return PERMISSIONS[permission].asksPassword ?? false;
}

/** @param roles null when nobody is signed in */
export function mayDo(permission: Permission, roles: readonly Role[] | null): boolean {
  const { roles: allowed } = PERMISSIONS[permission];
  return allowed === null || (roles?.some((role) => allowed.includes(role)) ?? false);
}
