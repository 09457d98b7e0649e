import { expect, test } from '@jest/globals';
import { z } from 'zod';
import { newId } from './newId';

test('an id is a UUID of version 4, made without what only a secure context has', () => {
  const { randomUUID } = crypto;
  Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true, writable: true });
  try {
    const ids = Array.from({ length: 2000 }, newId);
    for (const id of ids) expect(z.uuidv4().safeParse(id).success).toBe(true);
    expect(new Set(ids).size).toBe(ids.length);
  } finally {
    Object.defineProperty(crypto, 'randomUUID', { value: randomUUID, configurable: true, writable: true });
  }
});
