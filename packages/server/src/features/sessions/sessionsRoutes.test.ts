import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { PERSON_HEADER, ROLES_HEADER } from '@low-quarry/core/contracts/contract';
import { PASSWORD_COUNTS_MS } from '@low-quarry/core/model/access';
import { pino } from 'pino';
import { readDemoPeople } from '../../demo/demoFiles';
import { asPerson, createTestApp, type Http, type TestApp } from '../../testing/testApp';
import { DEMO_DIR, STARTER_DIR } from '../../testing/testDatabase';
import { readGoods } from '../library/readGoods';
import { Guesses } from './Guesses';
import { SESSION_LIMITS } from './SessionsService';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const RIEKE = { name: 'Rieke', password: 'slipway fitter demo', pin: '1357' };
const BY_PASSWORD = { name: RIEKE.name, password: RIEKE.password };
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

  test('the same person comes in at several devices at the same moment, again and again', async () => {
    const guesses = new Guesses(app.db, () => new Date());
    const comeIn = () => guesses.guarded([{ by: 'account', id: 'side by side' }], async () => 'in');
    const device = async () => {
      for (let time = 0; time < 40; time++) expect(await comeIn()).toBe('in');
    };
    await Promise.all([device(), device(), device(), device()]);
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
    // The others are told at once: that it is being done, or that it is done.
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    for (const { status } of answers) expect([200, 409, 503]).toContain(status);
    const [made] = answers.filter(({ status }) => status === 200);
    expect(made?.body).toMatchObject({ kind: 'signedIn', me: { roles: ['owner'] }, isDemo: false });
    expect(await state(fresh.browser())).toMatchObject({ kind: 'signedOut', shopName: 'Boathouse', demo: null });
  });

  test('such a shop has the goods of the starter pack, each with no offer that anybody asked for, as one change', async () => {
    const goods = await readGoods(STARTER_DIR, pino({ level: 'silent' }));
    const parts: { kind: string; record: { maker: string; offers: readonly unknown[] } }[] = await fresh.db.query(
      'SELECT "kind", "record" FROM "part"',
    );
    expect(parts).toHaveLength(goods?.parts.length ?? 0);
    const kinds = [
      'capacitor',
      'coil',
      'consumable',
      'deadeningSheet',
      'fastener',
      'foam',
      'fuse',
      'panelClip',
      'resistor',
      'sheet',
      'terminal',
      'tool',
      'wire',
    ];
    expect([...new Set(parts.map(({ kind }) => kind))].sort()).toEqual(kinds);
    expect(new Set(parts.map(({ record: { maker } }) => maker))).toEqual(new Set(['Generic']));
    expect(parts.every(({ record }) => record.offers.length === 0)).toBe(true);
    const changes = await fresh.db.query(`SELECT "kind", "label" FROM "change" WHERE "kind" = 'partsImport'`);
    expect(changes).toEqual([{ kind: 'partsImport', label: 'Starter pack' }]);
  });
});

describe('the password again', () => {
  const job = { name: 'Tamsin', roles: ['fitter'], password: 'three short words' };

  test('is asked for what lets others in or takes the shop away, ten minutes after it was typed, and after a PIN', async () => {
    const owner = await app.signedIn('Okke');
    await owner.get('/api/session/password').expect(200);
    app.wait(PASSWORD_COUNTS_MS + 1000);
    for (const asked of [
      owner.post('/api/people').send(job),
      owner.get('/api/export'),
      owner.get('/api/session/password'),
    ]) {
      const { body } = await asked.expect(403);
      expect(body.type).toBe('/problems/password-asked');
    }
    await owner.get('/api/people').expect(200);
    await owner.post('/api/session/password').send({ password: 'wrong' }).expect(422);
    await owner.post('/api/session/password').send({ password: 'slipway owner demo' }).expect(200);
    await owner.get('/api/session/password').expect(200);
    const tablet = await app.signedIn('Rieke');
    const { pin } = (await readDemoPeople(DEMO_DIR)).find(({ name }) => name === 'Okke') as { pin: string };
    const { body: byPin } = await tablet
      .post('/api/session/pin')
      .send({ personId: await idOf('Okke'), pin })
      .expect(200);
    asPerson(tablet, byPin.me);
    await tablet.post('/api/people').send(job).expect(403);
    await tablet.get('/api/jobs').expect(200);
  });
});

test('after a change of the password, devices that were opened with the old one take no PIN', async () => {
  const tablet = await app.signedIn('Rieke');
  const counter = await app.signedIn('Rieke');
  const next = 'another fitter demo';
  await counter.put('/api/me/password').send({ password: RIEKE.password, newPassword: next }).expect(200);
  await tablet
    .post('/api/session/pin')
    .send({ personId: await idOf('Merle'), pin: '2468' })
    .expect(401);
  await counter.put('/api/me/password').send({ password: next, newPassword: RIEKE.password }).expect(200);
});

describe('whose screen it is', () => {
  test('a change in the name of somebody else, of other roles, or of nobody is not done', async () => {
    const http = await app.signedIn('Okke');
    const { body: list } = await http.get('/api/jobs').expect(200);
    const job = { vehicleId: 'veh-ostrand-longshore', customer: 'Mistaken', registration: '', wants: '', dueOn: null };
    const rieke = await idOf('Rieke');
    const { body } = await http.post('/api/jobs').set(PERSON_HEADER, rieke).send(job).expect(409);
    expect(body).toMatchObject({
      type: '/problems/other-person',
      detail: expect.stringContaining('Okke is signed in'),
    });
    await http.post('/api/jobs').set(ROLES_HEADER, 'fitter').send(job).expect(409);
    await http.post('/api/jobs').set(PERSON_HEADER, '').send(job).expect(409);
    await http.get('/api/jobs').set(PERSON_HEADER, rieke).expect(409);
    const bare = app.browser();
    await bare.post('/api/session').send(BY_PASSWORD).expect(200);
    await bare.put('/api/device').send({ name: 'Bay 2' }).expect(401);
    expect((await http.get('/api/jobs').expect(200)).body.jobs).toHaveLength(list.jobs.length);
  });
});

test('asking a started shop to start again holds nobody up, however often', async () => {
  const own = { kind: 'own', shopName: 'Another', name: 'Mallory', password: 'three short words' };
  const asked = Array.from({ length: 60 }, () => app.browser().post('/api/first-start').send(own));
  const http = await app.signedIn('Okke');
  await http.get('/api/jobs').expect(200);
  for (const { status } of await Promise.all(asked)) expect([409, 503]).toContain(status);
});

test('a clock that is set back and forward ends no session that is good, and keeps none that is over', async () => {
  const shop = await createTestApp();
  try {
    const http = await shop.signedIn('Rieke');
    shop.wait(-400 * 86_400_000);
    await http.get('/api/jobs').expect(200);
    shop.wait(400 * 86_400_000);
    await http.get('/api/jobs').expect(200);
    shop.wait(SESSION_LIMITS.absoluteMs + 1000);
    await http.get('/api/jobs').expect(401);
  } finally {
    await shop.drop();
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
