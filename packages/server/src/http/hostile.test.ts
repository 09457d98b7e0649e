/**
 * Requests as no page sends them: written byte by byte. What a server of HTTP/1.1 must refuse is RFC 9112 (sections 3.2, 5.1,
 * 6.1, 6.3, 11.2) and RFC 9110; the rest is what came in as 500 once.
 */
import net from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../testing/testApp';

let app: TestApp;
let cookie: string;
let person: string;
beforeAll(async () => {
  app = await createTestApp({ allowedHosts: ['shop.test'] });
  const answer = await app.browser().post('/api/session').send({ name: 'Okke', password: 'slipway owner demo' });
  cookie = (answer.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
  person = answer.body.me.id;
});
afterAll(() => app.drop());

/** Sends bytes on a connection of their own; gives the status of the first answer, 0 where the connection was only closed. */
async function raw(bytes: string | Buffer): Promise<{ readonly status: number; readonly text: string }> {
  const { port } = app.server.address() as net.AddressInfo;
  const socket = net.connect(port, '127.0.0.1');
  let text = '';
  socket.on('data', (chunk) => {
    text += chunk.toString('latin1');
  });
  const closed = new Promise<void>((resolve) => {
    socket.on('close', () => resolve());
    socket.on('error', () => resolve());
  });
  socket.write(bytes);
  await Promise.race([closed, sleep(1500)]);
  socket.destroy();
  return { status: Number(/^HTTP\/1\.1 (\d{3})/.exec(text)?.[1] ?? 0), text };
}

const lines = (...each: string[]) => [...each, '', ''].join('\r\n');
const host = () => `Host: 127.0.0.1:${(app.server.address() as net.AddressInfo).port}`;

describe('messages whose length can be read in two ways (smuggling)', () => {
  test.each([
    ['length and chunks', ['Content-Length: 4', 'Transfer-Encoding: chunked'], '0\r\n\r\n'],
    ['two lengths', ['Content-Length: 4', 'Content-Length: 7'], '{"a":1}'],
    ['a length with a sign', ['Content-Length: +7'], '{"a":1}'],
    ['chunks that are not the last coding', ['Transfer-Encoding: chunked, identity'], '0\r\n\r\n'],
    ['a length before the colon’s blank', ['Content-Length : 7'], '{"a":1}'],
    ['a chunk that is longer than it says', ['Transfer-Encoding: chunked'], '1\r\n{"a":1}\r\n0\r\n\r\n'],
    ['a folded header', ['X-A: b', ' c: d', 'Content-Length: 0'], ''],
    ['a header with a NUL', ['X-A: b\0c', 'Content-Length: 0'], ''],
  ])('%s: refused, and what follows is not taken for a request', async (_, headers, body) => {
    const follows = lines('GET /api/jobs HTTP/1.1', host(), `Cookie: ${cookie}`);
    const { status, text } = await raw(
      `${lines('POST /api/jobs HTTP/1.1', host(), 'Content-Type: application/json', ...headers)}${body}${follows}`,
    );
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(text).not.toContain('"jobs"');
  });
});

describe('whose name is asked for', () => {
  test.each([
    ['of this machine', '127.0.0.1', 200],
    ['localhost', 'localhost:1', 200],
    ['of the list, in capitals', 'SHOP.test', 200],
    ['another one (rebinding)', 'elsewhere.example', 421],
    ['an address that is not this machine’s', '10.9.8.7', 421],
    ['nonsense', 'a b', 421],
    ['a name with a path', 'shop.test/x', 421],
  ])('%s', async (_, name, status) => {
    expect((await raw(lines('GET /api/health HTTP/1.1', `Host: ${name}`, 'Connection: close'))).status).toBe(status);
  });

  test('two names, or none, are none', async () => {
    const two = lines('GET /api/health HTTP/1.1', host(), 'Host: shop.test', 'Connection: close');
    expect((await raw(two)).status).toBe(400);
    expect((await raw(lines('GET /api/health HTTP/1.1', 'Connection: close'))).status).toBe(400);
    expect((await raw(lines('GET /api/health HTTP/1.0'))).status).toBe(400);
  });

  test('a write under a rebound name is refused although Origin and Host agree', async () => {
    const { status } = await raw(
      lines(
        'DELETE /api/session HTTP/1.1',
        'Host: elsewhere.example',
        'Origin: http://elsewhere.example',
        `Cookie: ${cookie}`,
        'Connection: close',
      ),
    );
    expect(status).toBe(421);
  });
});

describe('text, numbers and days that cannot be kept are 4xx', () => {
  const job = { vehicleId: 'veh-ostrand-longshore', customer: 'X', registration: '', wants: '', dueOn: null };
  test.each([
    ['U+0000 in a body', { ...job, customer: 'a\0b' }, 400],
    ['half a character in a body', { ...job, wants: 'a\ud800b' }, 400],
    ['the year 0', { ...job, dueOn: '0000-01-01' }, 400],
    ['a day that is none', { ...job, dueOn: '2026-02-30' }, 400],
    ['a vehicle that is not there', { ...job, vehicleId: '\u202e' }, 422],
  ])('%s', async (_, body, status) => {
    const answer = await app.http.post('/api/jobs').send(body).expect(status);
    expect(answer.body.detail).not.toBe('');
  });

  test.each([
    ['/api/jobs/%ff', 400],
    ['/api/jobs/%00', 400],
    ['/api/history?before=99999999999999999999', 400],
    ['/api/history?before=2147483648', 400],
    ['/api/history?find=%00', 400],
    ['/api/history?find=%ED%A0%80', 200],
    ['/api/history?kind=nonsense', 400],
    ['/api/history?find=a&find=b', 400],
    ['/api/history?job=1', 400],
    ['/api/openings/1/choice?version=99999999999999999999', 404],
    ['/%ff', 404],
  ])('%s', async (path, status) => {
    expect((await app.http.get(path)).status).toBe(status);
  });

  test('a body that is not what it says: broken gzip, a charset nobody knows, a deep nest, a huge number', async () => {
    const send = (body: Buffer | string, headers: Record<string, string>) =>
      fetch(`${app.origin}/api/jobs`, {
        method: 'POST',
        body,
        headers: {
          Origin: app.origin,
          Cookie: cookie,
          'LQ-Person': person,
          'Content-Type': 'application/json',
          ...headers,
        },
      }).then(({ status }) => status);
    expect(await send('no gzip', { 'Content-Encoding': 'gzip' })).toBe(400);
    expect(await send(gzipSync(JSON.stringify(job)).subarray(0, 30), { 'Content-Encoding': 'gzip' })).toBe(400);
    expect(await send(gzipSync(' '.repeat(5_000_000)), { 'Content-Encoding': 'gzip' })).toBe(413);
    expect(await send('{}', { 'Content-Type': 'application/json; charset=klingon' })).toBe(415);
    expect(await send('{}', { 'Content-Encoding': 'zzz' })).toBe(415);
    expect(await send(`${'['.repeat(90_000)}${']'.repeat(90_000)}`, {})).toBe(400);
    expect(await send('{"customer":1e999}', {})).toBe(400);
    expect(await send('{"__proto__":{"roles":["owner"]}}', {})).toBe(400);
  });

  test('two people who are given one name at the same moment: one is there', async () => {
    const tamsin = { name: 'Tamsin', roles: ['fitter'], password: 'three short words' };
    const answers = await Promise.all(Array.from({ length: 6 }, () => app.http.post('/api/people').send(tamsin)));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((status) => status === 200)).toHaveLength(1);
    expect(statuses.every((status) => [200, 409, 422].includes(status))).toBe(true);
  });
});

test('a key that was used for one query is not for another', async () => {
  const opening = await app.opening(2, 'frontDoorLow', 'left');
  const key = '00000000-0000-4000-8000-00000000abcd';
  const ask = (version: number) =>
    app.http.delete(`/api/openings/${opening.id}/choice?version=${version}`).set('Idempotency-Key', key);
  await ask(1).expect(200);
  const { body } = await ask(2).expect(422);
  expect(body.type).toBe('/problems/key-used');
});

test('whoever is not signed in uses nobody’s share of heavy work up', async () => {
  await Promise.all(Array.from({ length: 80 }, () => app.browser().post('/api/backups').send({}).expect(401)));
  await app.http.get('/api/export/jobs.csv').expect(200);
});

test('behind a proxy that was named, https is believed and asked for from then on; without one it is not', async () => {
  const proxied = await createTestApp({ trustedProxies: ['127.0.0.1'], allowedHosts: ['shop.test'] });
  try {
    const { port } = proxied.server.address() as net.AddressInfo;
    const asked = { headers: { 'X-Forwarded-Proto': 'https' } };
    const there = await fetch(`http://127.0.0.1:${port}/api/health`, asked);
    expect(there.headers.get('strict-transport-security')).toContain('max-age=');
    const here = await fetch(`${app.origin}/api/health`, asked);
    expect(here.headers.get('strict-transport-security')).toBeNull();
  } finally {
    await proxied.drop();
  }
});
