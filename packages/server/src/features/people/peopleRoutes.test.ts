import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { PersonInList } from '@low-quarry/core/contracts/people';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const people = async () => (await app.http.get('/api/people').expect(200)).body.people as PersonInList[];
const named = async (name: string) => (await people()).find((each) => each.name === name) as PersonInList;
const change = ({ id, version, name, roles, active }: PersonInList, to: object) =>
  app.http.put(`/api/people/${id}`).send({ version, name, roles, active, ...to });

test('somebody new can sign in, with the roles they were given', async () => {
  const body = { name: ' Hanneke ', roles: ['fitter'], password: 'boat hook and line' };
  await app.http.post('/api/people').send(body).expect(200);
  const http = app.browser();
  await http.post('/api/session').send({ name: 'hanneke', password: body.password }).expect(200);
  await http.get('/api/jobs').expect(200);
  await http.get('/api/people').expect(403);
  expect(await named('Hanneke')).toMatchObject({ sessions: 1, active: true, hasPin: false });
});

test.each([
  ['a name that is taken', { name: 'okke' }, 422, 'name'],
  ['no name', { name: '  ' }, 400, 'name'],
  ['no role', { roles: [] }, 400, 'roles'],
  ['a short password', { password: 'short' }, 400, 'password'],
  ['a password with the name in it', { password: 'Wiebke is my name' }, 422, 'password'],
])('%s is refused with its field', async (_, wrong, status, path) => {
  const body = { name: 'Wiebke', roles: ['counter'], password: 'boat hook and line', ...wrong };
  const answer = await app.http.post('/api/people').send(body).expect(status);
  expect(answer.body.errors[0].path).toBe(path);
});

test('somebody who has left is out at once, everywhere', async () => {
  const jory = await app.signedIn('Jory');
  await change(await named('Jory'), { active: false }).expect(200);
  await jory.get('/api/jobs').expect(401);
  await app.browser().post('/api/session').send({ name: 'Jory', password: 'slipway both demo' }).expect(401);
  await change(await named('Jory'), { active: true }).expect(200);
});

test('a role that is taken away is gone at the next request', async () => {
  const merle = await app.signedIn('Merle');
  const job = { vehicleId: 'veh-ostrand-longshore', customer: 'Harbour', registration: '', wants: '', dueOn: null };
  await merle.post('/api/jobs').send(job).expect(200);
  await change(await named('Merle'), { roles: ['fitter'] }).expect(200);
  await merle.post('/api/jobs').send(job).expect(403);
});

test('an old version is a conflict with what is stored; a shop keeps an owner', async () => {
  const rieke = await named('Rieke');
  await change(rieke, { name: 'Rieke B' }).expect(200);
  const { body } = await change(rieke, { name: 'Rieke C' }).expect(409);
  expect(body.current).toMatchObject({ name: 'Rieke B', version: rieke.version + 1 });
  const { body: refused } = await change(await named('Okke'), { roles: ['counter'] }).expect(422);
  expect(refused.errors[0].message).toContain('A shop needs an owner');
});

test('a new password ends what was open', async () => {
  const merle = await app.signedIn('Merle');
  const { id } = await named('Merle');
  await app.http.put(`/api/people/${id}/password`).send({ newPassword: 'tide table nine' }).expect(200);
  await merle.get('/api/jobs').expect(401);
  await app.browser().post('/api/session').send({ name: 'Merle', password: 'tide table nine' }).expect(200);
});

test('two owners who demote each other at the same moment: one stays', async () => {
  for (let times = 0; times < 8; times++) {
    const [okke, merle] = [await named('Okke'), await named('Merle')];
    await change(merle, { roles: ['owner'] }).expect(200);
    const [a, b] = [await app.signedIn('Okke'), await app.signedIn('Merle', 'tide table nine')];
    const demote = (http: typeof a, { id, name, active }: PersonInList, version: number) =>
      http.put(`/api/people/${id}`).send({ version, name, active, roles: ['counter'] });
    const version = (await named('Merle')).version;
    const answers = await Promise.all([demote(a, merle, version), demote(b, okke, okke.version)]);
    const statuses = answers.map(({ status }) => status).sort();
    // The second comes after the first, as somebody who may no longer do it, or at the same moment.
    expect([
      [200, 403],
      [200, 422],
    ]).toContainEqual(statuses);
    const [still] = await app.db.query(
      `SELECT count(*)::int AS n FROM "person" WHERE "roles" @> '["owner"]' AND "active"`,
    );
    expect(still.n).toBe(1);
    await app.db.query(`UPDATE "person" SET "roles" = '["owner"]' WHERE "name" = 'Okke'`);
    await app.db.query(`UPDATE "person" SET "roles" = '["counter"]' WHERE "name" = 'Merle'`);
  }
});

test('the database itself keeps an owner, whoever asks', async () => {
  for (const statement of [
    `UPDATE "person" SET "active" = false`,
    `UPDATE "person" SET "roles" = '["fitter"]'`,
    `DELETE FROM "person"`,
  ])
    await expect(app.db.query(statement)).rejects.toThrow(/needs an owner|violates foreign key/);
});
