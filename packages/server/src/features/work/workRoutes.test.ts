import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { untilOver } from '../../testing/untilOver';
import type { WorkQueue } from '../../work/WorkQueue';

let app: TestApp;
let dir: string;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-work-'));
  app = await createTestApp({ backupDir: dir });
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const queue = () => app.work as WorkQueue;
const list = async () => (await app.http.get('/api/work').expect(200)).body.work;

test('what was asked for is listed with what came of it, the newest first', async () => {
  const { body: first } = await app.http.post('/api/backups').send({}).expect(200);
  await untilOver(queue(), first.id);
  app.wait(1000);
  const { body: second } = await app.http.post('/api/backups').send({}).expect(200);
  await untilOver(queue(), second.id);
  expect((await list()).map(({ id }: { id: string }) => id)).toEqual([second.id, first.id]);
  expect((await list())[0]).toMatchObject({
    state: 'done',
    askedBy: 'Okke',
    result: expect.stringMatching(/in the list/),
  });
});

test('what failed is asked for again, and what is done is not', async () => {
  const role = new URL(app.addresses.appUrl).username;
  await app.owner.query(`REVOKE SELECT ON "choice" FROM "${role}"`);
  const { body: asked } = await app.http.post('/api/backups').send({}).expect(200);
  expect(await untilOver(queue(), asked.id)).toMatchObject({ state: 'waiting', fault: expect.any(String) });
  await app.owner.query(`GRANT SELECT ON "choice" TO "${role}"`);
  const { body: stopped } = await app.http.post(`/api/work/${asked.id}/stop`).send({}).expect(200);
  expect(stopped.state).toBe('stopped');
  app.wait(1000);
  const { body: again } = await app.http.post(`/api/work/${asked.id}/retry`).send({}).expect(200);
  expect(again.id).not.toBe(asked.id);
  expect(await untilOver(queue(), again.id)).toMatchObject({ state: 'done' });
  await app.http.post(`/api/work/${again.id}/retry`).send({}).expect(422);
  // Nothing is left to stop: it is answered as it is.
  expect((await app.http.post(`/api/work/${again.id}/stop`).send({}).expect(200)).body.state).toBe('done');
  await app.http.post(`/api/work/00000000-0000-4000-8000-000000000000/stop`).send({}).expect(404);
});
