import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { waitAfter } from './Guesses';

const BY_PASSWORD = { name: 'Rieke', password: 'slipway fitter demo' };

test.each([
  [0, 0],
  [4, 0],
  [5, 1],
  [6, 2],
  [9, 16],
  [14, 512],
  [15, 900],
  [4000, 900],
])('after %d wrong ones the next waits %d s', (failures, waitS) => {
  expect(waitAfter(failures, { free: 4, longestS: 900 })).toBe(waitS);
});

describe('guesses', () => {
  const wrong = { name: 'Rieke', password: 'wrong' };
  let shop: TestApp;
  beforeEach(async () => {
    shop = await createTestApp();
  });
  afterEach(() => shop.drop());

  test('at one account wait longer and longer, and the right password waits too; a known device does not', async () => {
    const known = await shop.signedIn('Rieke');
    const stranger = shop.browser();
    for (let tries = 0; tries < 5; tries++) await stranger.post('/api/session').send(wrong).expect(401);
    const { body, headers } = await stranger.post('/api/session').send(BY_PASSWORD).expect(429);
    expect(body).toMatchObject({ type: '/problems/too-many-tries', detail: expect.stringContaining('1 second.') });
    expect(headers['retry-after']).toBe('1');
    await known.post('/api/session').send(BY_PASSWORD).expect(200);
    shop.wait(1000);
    await stranger.post('/api/session').send(wrong).expect(401);
    await stranger.post('/api/session').send(wrong).expect(429);
    shop.wait(60_000);
    await stranger.post('/api/session').send(BY_PASSWORD).expect(200);
  });

  test('side by side are each counted before they are looked at', async () => {
    const answers = await Promise.all(
      Array.from({ length: 20 }, () =>
        shop
          .browser()
          .post('/api/session')
          .send(wrong)
          .then(({ status }) => status),
      ),
    );
    expect(answers.filter((status) => status === 401).length).toBeLessThanOrEqual(5);
  });

  test('from one address at many names are held back, and never for longer than ten seconds', async () => {
    for (let tries = 0; tries < 60; tries++) {
      const { status, headers } = await shop
        .browser()
        .post('/api/session')
        .send({ name: `Nobody ${tries}`, password: 'wrong' });
      expect(status).toBe(tries <= 20 || headers['retry-after'] === undefined ? 401 : 429);
      if (status === 429) expect(Number(headers['retry-after'])).toBeLessThanOrEqual(10);
    }
    shop.wait(10_000);
    await shop.browser().post('/api/session').send(BY_PASSWORD).expect(200);
  });

  test('with forged addresses are counted as one, and behind a proxy that was named by the client’s own', async () => {
    const forging = (at: TestApp, tries: number) =>
      at
        .browser()
        .post('/api/session')
        .set('X-Forwarded-For', `10.1.1.${tries}`)
        .send({ ...wrong, name: `N${tries}` });
    const direct: number[] = [];
    for (let tries = 0; tries < 24; tries++) direct.push((await forging(shop, tries)).status);
    expect(direct).toContain(429);
    const proxied = await createTestApp({ trustedProxies: ['127.0.0.1'] });
    try {
      for (let tries = 0; tries < 24; tries++) expect((await forging(proxied, tries)).status).toBe(401);
    } finally {
      await proxied.drop();
    }
  });

  test('through two proxies are counted by the client that the first one saw, whatever it says of itself', async () => {
    const proxied = await createTestApp({ trustedProxies: ['127.0.0.1', '10.0.0.2'] });
    try {
      const from = (client: string, tries: number) =>
        proxied
          .browser()
          .post('/api/session')
          .set('X-Forwarded-For', `203.0.113.${tries}, ${client}, 10.0.0.2`)
          .send({ ...wrong, name: `N${tries}` });
      const statuses: number[] = [];
      for (let tries = 0; tries < 24; tries++) statuses.push((await from('192.0.2.7', tries)).status);
      expect(statuses).toContain(429);
      expect((await from('192.0.2.8', 1)).status).toBe(401);
    } finally {
      await proxied.drop();
    }
  });

  test('of one’s own password are counted too', async () => {
    const http = await shop.signedIn('Rieke');
    const statuses: number[] = [];
    for (let tries = 0; tries < 8; tries++) {
      const { status } = await http
        .put('/api/me/password')
        .send({ password: 'wrong', newPassword: 'four words are long' });
      statuses.push(status);
    }
    expect(statuses.slice(0, 5)).toEqual([422, 422, 422, 422, 422]);
    expect(statuses.slice(5)).toEqual([429, 429, 429]);
  });

  test('a clock that was set back keeps nobody out', async () => {
    for (let tries = 0; tries < 12; tries++) {
      await shop.browser().post('/api/session').send(wrong);
      shop.wait(1000);
    }
    shop.wait(-365 * 86_400_000);
    await shop.browser().post('/api/session').send(BY_PASSWORD).expect(200);
  });
});
