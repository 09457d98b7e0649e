/** Passwords and PINs: argon2id (RFC 9106) with a salt of their own each; tokens: random, kept as a SHA-256 only. */
import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** 19 MiB, two passes, one lane: from memory, the least that common guides ask of argon2id. */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;
const TOKEN_BYTES = 32;
let nobodys: Promise<string> | null = null;

export function hashSecret(secret: string): Promise<string> {
  return hash(secret.normalize('NFKC'), OPTIONS);
}

/** @param hashed null for a person who is not there: it takes as long, so that a clock tells nobody who works here */
export async function isSecret(hashed: string | null, secret: string): Promise<boolean> {
  if (hashed !== null) return verify(hashed, secret.normalize('NFKC'));
  nobodys ??= hashSecret(newToken());
  await verify(await nobodys, secret.normalize('NFKC'));
  return false;
}

export function newToken(): string {
  return randomBytes(TOKEN_BYTES).toString('base64url');
}

export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('base64url');
}
