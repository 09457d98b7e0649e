/**
 * Does a write once, however often it is sent. The key, the change and the answer are kept in one transaction: either all
 * of them are there, or none, whenever the server is killed. A second request with the key waits for the first at the
 * key's row, and then gets the first one's answer.
 */
import { createHash } from 'node:crypto';
import type { Request } from 'express';
import type { EntityManager } from 'typeorm';
import type { Actor } from './Actor';
import { AppError } from './AppError';

export type Key = { readonly key: string; readonly personId: string; readonly requestHash: string };

const KEY_FORM = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** The request's key, null when it has none. */
export function readKey(request: Request, { personId }: Actor): Key | null {
  const key = request.get('Idempotency-Key');
  if (key === undefined) return null;
  if (!KEY_FORM.test(key)) {
    throw new AppError(400, 'invalid', 'Not valid', `Idempotency-Key: "${key.slice(0, 60)}" was read; send a UUID.`);
  }
  const what = `${request.method} ${request.originalUrl} ${JSON.stringify(request.body ?? null)}`;
  return { key, personId, requestHash: createHash('sha256').update(what).digest('base64url') };
}

export async function once<Answer>(
  manager: EntityManager,
  key: Key | null,
  work: () => Promise<Answer>,
): Promise<Answer> {
  if (key === null) return work();
  const inserted = await manager.query(
    `INSERT INTO "done_once" ("key", "person_id", "request_hash") VALUES ($1, $2, $3) ON CONFLICT ("key") DO NOTHING
     RETURNING "key"`,
    [key.key, key.personId, key.requestHash],
  );
  if (inserted.length === 0) return firstAnswer(manager, key);
  const answer = await work();
  await manager.query(`UPDATE "done_once" SET "answer" = $2 WHERE "key" = $1`, [key.key, JSON.stringify(answer)]);
  return answer;
}

async function firstAnswer<Answer>(manager: EntityManager, { key, personId, requestHash }: Key): Promise<Answer> {
  const [known] = await manager.query(
    `SELECT "person_id" AS "personId", "request_hash" AS "requestHash", "answer" FROM "done_once" WHERE "key" = $1`,
    [key],
  );
  if (known.personId === personId && known.requestHash === requestHash) return known.answer;
  throw new AppError(
    422,
    'key-used',
    'Key used before',
    'This Idempotency-Key belongs to another request. Nothing was changed; send it with a new key.',
  );
}
