import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from './testing/testApp';
import { asAdmin } from './testing/testDatabase';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

describe('answers that are no answers', () => {
  test('an unknown path is a 404 problem', async () => {
    const { body, headers } = await app.http.get('/api/nothing').expect(404);
    expect(headers['content-type']).toContain('application/problem+json');
    expect(body).toEqual({
      type: '/problems/not-found',
      title: 'Not found',
      status: 404,
      detail: 'Nothing answers GET /api/nothing.',
    });
  });

  test('nothing of the inside is shown when the database is broken', async () => {
    await app.owner.query('ALTER TABLE "shop" RENAME TO "gone"');
    try {
      const { body } = await app.http.get('/api/settings').expect(500);
      expect(body).toEqual({
        type: '/problems/fault',
        title: 'A fault of ours',
        status: 500,
        detail: expect.stringContaining('Nothing was changed'),
      });
    } finally {
      await app.owner.query('ALTER TABLE "gone" RENAME TO "shop"');
    }
    await app.http.get('/api/settings').expect(200);
  });

  test('headers: nothing is framed, sniffed or told about the server', async () => {
    const { headers } = await app.http.get('/api/health').expect(200);
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['cache-control']).toBe('no-store');
  });
});

test('while the database is away every route says so with 503, and afterwards it answers again', async () => {
  await asAdmin(async (admin) => {
    await admin.query(`ALTER DATABASE ${app.name} ALLOW_CONNECTIONS false`);
    await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [app.name]);
  });
  const job = '00000000-0000-4000-8000-000000000001';
  for (const path of [
    '/api/health',
    '/api/jobs',
    '/api/catalogue/changes',
    '/api/settings',
    `/api/jobs/${job}/order`,
  ]) {
    const { body } = await app.http.get(path).expect(503);
    expect(body).toMatchObject({ type: '/problems/database-away', status: 503 });
  }
  await asAdmin((admin) => admin.query(`ALTER DATABASE ${app.name} ALLOW_CONNECTIONS true`));
  await app.http.get('/api/jobs').expect(200);
});
