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
