import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';
import { SESSION_LIMITS } from './SessionsService';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const RIEKE = { name: 'Rieke', password: 'slipway fitter demo', pin: '1357' };
const state = async (http: Http) => (await http.get('/api/session').expect(200)).body;
const idOf = async (name: string) => {
  // Signed in anew: the clock of these tests runs on.
  const { body } = await (await app.signedIn('Okke')).get('/api/people').expect(200);
  return body.people.find((each: { name: string }) => each.name === name).id as string;
};
const cookiesOf = (response: { headers: Record<string, unknown> }) =>
  ((response.headers['set-cookie'] ?? []) as string[]).map((each) => each.split(';')[0] ?? '');

describe('signing in by password', () => {
  test('the cookie is HttpOnly and SameSite=Strict; afterwards the shop answers', async () => {
    const http = app.browser();
    await http.get('/api/jobs').expect(401);
    const answer = await http.post('/api/session').send({ name: '  rIEKE ', password: RIEKE.password }).expect(200);
    expect(answer.body).toMatchObject({ kind: 'signedIn', me: { name: 'Rieke', roles: ['fitter'] } });
    for (const cookie of answer.headers['set-cookie'] as unknown as string[]) {
      expect(cookie).toMatch(/HttpOnly/);
      expect(cookie).toMatch(/SameSite=Strict/);
    }
    await http.get('/api/jobs').expect(200);
  });

  test.each([
    ['a wrong password', { name: 'Rieke', password: 'slipway fitter demo ' }],
    ['nobody of the shop', { name: 'Nobody', password: 'slipway fitter demo' }],
  ])('%s: the same words, so that nobody learns who works here', async (_, body) => {
    const answer = await app.browser().post('/api/session').send(body).expect(401);
    expect(answer.body.detail).toBe('Name and password do not belong together.');
    expect(answer.headers['set-cookie']).toBeUndefined();
  });

  test('neither tokens nor passwords are in the database', async () => {
    const http = app.browser();
    const answer = await http.post('/api/session').send({ name: RIEKE.name, password: RIEKE.password }).expect(200);
    const everything = JSON.stringify([
      await app.owner.query('SELECT * FROM session'),
      await app.owner.query('SELECT * FROM device'),
      await app.owner.query('SELECT * FROM person'),
    ]);
    for (const cookie of cookiesOf(answer)) expect(everything).not.toContain(cookie.split('=')[1]);
    expect(everything).not.toContain(RIEKE.password);
    expect(everything).toContain('$argon2id$');
  });
});

describe('a session', () => {
  test('is over after a night untouched, and after a week however busy it was', async () => {
    const idle = await app.signedIn('Rieke');
    app.wait(SESSION_LIMITS.idleMs + 1000);
    await idle.get('/api/jobs').expect(401);
    const busy = await app.signedIn('Rieke');
    for (let passed = 0; passed < SESSION_LIMITS.absoluteMs; passed += SESSION_LIMITS.idleMs / 2) {
      await busy.get('/api/jobs').expect(200);
      app.wait(SESSION_LIMITS.idleMs / 2);
    }
    app.wait(1000);
    await busy.get('/api/jobs').expect(401);
  });

  test('changes its token; the old one is good until the new one was used, for an answer may be lost', async () => {
    const signIn = await app
      .browser()
      .post('/api/session')
      .send({ name: RIEKE.name, password: RIEKE.password })
      .expect(200);
    const [first] = cookiesOf(signIn);
    const ask = (cookie: string) => app.browser().get('/api/jobs').set('Cookie', cookie);
    app.wait(SESSION_LIMITS.rotateMs + 1000);
    const rotated = cookiesOf(await ask(first as string).expect(200));
    expect(rotated).toHaveLength(1);
    expect(rotated[0]).not.toBe(first);
    // The answer with the new one got lost: the old one gets another.
    app.wait(SESSION_LIMITS.graceMs + 1000);
    const [again] = cookiesOf(await ask(first as string).expect(200));
    expect(again).toBeDefined();
    await ask(rotated[0] as string).expect(401);
    app.wait(SESSION_LIMITS.graceMs + 1000);
    await ask(again as string).expect(200);
    await ask(first as string).expect(401);
  });

  test('requests that were sent side by side with the old token are all answered', async () => {
    const http = await app.signedIn('Rieke');
    app.wait(SESSION_LIMITS.rotateMs + 1000);
    const answers = await Promise.all(Array.from({ length: 8 }, () => http.get('/api/jobs')));
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200));
    await http.get('/api/jobs').expect(200);
  });

  test('ends by signing out, everywhere at once when that is asked, and with a new password elsewhere', async () => {
    const [here, there] = [await app.signedIn('Jory'), await app.signedIn('Jory')];
    await here.delete('/api/session').expect(200);
    await here.get('/api/jobs').expect(401);
    await there.get('/api/jobs').expect(200);
    const other = await app.signedIn('Jory');
    const change = { password: 'slipway both demo', newPassword: 'another three words' };
    const { body } = await other.put('/api/me/password').send(change).expect(200);
    expect(body.ended).toBe(1);
    await there.get('/api/jobs').expect(401);
    await other.put('/api/me/password').send(change).expect(422);
    await other.delete('/api/sessions').expect(200, { ended: 1 });
    await other.get('/api/jobs').expect(401);
  });
});

describe('changing person by PIN', () => {
  test('works at a device where somebody signed in by password, and ends the other session', async () => {
    const tablet = await app.signedIn('Okke');
    const { byPin } = await state(tablet);
    expect(byPin.map(({ name }: { name: string }) => name)).toEqual(['Jory', 'Merle', 'Rieke']);
    const { body } = await tablet
      .post('/api/session/pin')
      .send({ personId: await idOf('Rieke'), pin: RIEKE.pin })
      .expect(200);
    expect(body.me).toMatchObject({ name: 'Rieke', roles: ['fitter'] });
    await tablet.get('/api/people').expect(403);
  });

  test('is never enough at a new device, and tells it no names', async () => {
    const fresh = app.browser();
    expect(await state(fresh)).toMatchObject({ kind: 'signedOut', byPin: [] });
    await fresh
      .post('/api/session/pin')
      .send({ personId: await idOf('Rieke'), pin: RIEKE.pin })
      .expect(401);
  });

  test('ends after five wrong ones in a row, at whatever device, until the password is typed', async () => {
    const personId = await idOf('Merle');
    const [one, two] = [await app.signedIn('Okke'), await app.signedIn('Rieke')];
    for (const [http, left] of [
      [one, 4],
      [two, 3],
      [one, 2],
      [two, 1],
    ] as const) {
      const { body } = await http.post('/api/session/pin').send({ personId, pin: '0000' }).expect(401);
      expect(body.detail).toContain(`${left} more ${left === 1 ? 'try' : 'tries'}`);
    }
    await one.post('/api/session/pin').send({ personId, pin: '0000' }).expect(401);
    const locked = await two.post('/api/session/pin').send({ personId, pin: '2468' }).expect(401);
    expect(locked.body.detail).toContain('too many wrong PINs');
    await app.signedIn('Merle');
    await two.post('/api/session/pin').send({ personId, pin: '2468' }).expect(200);
  });

  test('twenty tries side by side are counted one after the other', async () => {
    const personId = await idOf('Rieke');
    const http = await app.signedIn('Okke');
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, at) => http.post('/api/session/pin').send({ personId, pin: String(2000 + at) })),
    );
    const counted = answers.filter(({ body }) => body.detail.startsWith('That is not the PIN.'));
    expect(counted.length).toBeLessThanOrEqual(4);
    await app.signedIn('Rieke');
  });

  test('stops with the week, and with signing out everywhere', async () => {
    const personId = await idOf('Rieke');
    const tablet = await app.signedIn('Merle');
    await tablet.delete('/api/sessions').expect(200);
    await tablet.post('/api/session/pin').send({ personId, pin: RIEKE.pin }).expect(401);
    const other = await app.signedIn('Merle');
    app.wait(SESSION_LIMITS.deviceMs + 1000);
    await other.post('/api/session/pin').send({ personId, pin: RIEKE.pin }).expect(401);
  });

  test('is set and taken away with the password only', async () => {
    const http = await app.signedIn('Rieke');
    await http.put('/api/me/pin').send({ password: 'wrong', pin: '5555' }).expect(422);
    await http.put('/api/me/pin').send({ password: RIEKE.password, pin: '12' }).expect(400);
    await http.put('/api/me/pin').send({ password: RIEKE.password, pin: null }).expect(200, { hasPin: false });
    await http.put('/api/me/pin').send({ password: RIEKE.password, pin: RIEKE.pin }).expect(200, { hasPin: true });
  });
});

test('a device has a name that its people give it', async () => {
  const tablet = await app.signedIn('Rieke');
  await tablet.put('/api/device').send({ name: 'Bay 1' }).expect(200);
  expect(await state(tablet)).toMatchObject({ deviceName: 'Bay 1' });
});

describe('the first start', () => {
  let fresh: TestApp;
  beforeAll(async () => {
    fresh = await createTestApp({ empty: true });
  });
  afterAll(() => fresh.drop());

  test('asks for the owner, once, however many browsers ask', async () => {
    expect(await state(fresh.http)).toEqual({ kind: 'firstStart' });
    const own = (name: string) => ({ kind: 'own', shopName: 'Boathouse', name, password: 'three short words' });
    await fresh.http
      .post('/api/first-start')
      .send({ ...own('Tamsin'), password: 'tamsin is here' })
      .expect(422);
    const answers = await Promise.all(
      ['Tamsin', 'Edda', 'Bo'].map((name) => fresh.browser().post('/api/first-start').send(own(name))),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
    const [made] = answers.filter(({ status }) => status === 200);
    expect(made?.body).toMatchObject({ kind: 'signedIn', me: { roles: ['owner'] }, isDemo: false });
    expect(await state(fresh.browser())).toMatchObject({ kind: 'signedOut', shopName: 'Boathouse', demo: null });
  });
});

test('after many wrong tries from one address it has to wait, whatever it types then', async () => {
  const strict = await createTestApp({ mostTries: 3 });
  try {
    const http = strict.browser();
    const wrong = { name: 'Rieke', password: 'wrong' };
    for (let tries = 0; tries < 3; tries++) await http.post('/api/session').send(wrong).expect(401);
    const { body } = await http.post('/api/session').send(wrong).expect(429);
    expect(body).toMatchObject({ type: '/problems/too-many-tries', detail: expect.stringContaining('a quarter') });
    await http.post('/api/session').send(RIEKE).expect(429);
    await strict.http.get('/api/jobs').expect(200);
  } finally {
    await strict.drop();
  }
});

test('the demo shop shows its sign-ins, and a shop of one’s own never', async () => {
  const fresh = await createTestApp({ empty: true });
  try {
    const { body } = await fresh.http.post('/api/first-start').send({ kind: 'demo' }).expect(200);
    expect(body).toMatchObject({ kind: 'signedOut', demo: [{ name: 'Okke', roles: ['owner'] }, {}, {}, {}] });
    await fresh.signedIn('Okke');
  } finally {
    await fresh.drop();
  }
});
