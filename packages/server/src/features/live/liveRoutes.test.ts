import net from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { LiveChange } from '@low-quarry/core/contracts/live';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

async function cookieOf(name: string, password: string): Promise<string> {
  const signIn = await app.browser().post('/api/session').send({ name, password }).expect(200);
  return (signIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
}

/** Listens as a page does, and collects what it is told until `stop`. */
async function listen(name: string, password: string) {
  const cookie = await cookieOf(name, password);
  const stop = new AbortController();
  const response = await fetch(`${app.origin}/api/events`, { headers: { Cookie: cookie }, signal: stop.signal });
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  const told: LiveChange[] = [];
  let isOver = false;
  const reading = (async () => {
    let text = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += new TextDecoder().decode(chunk);
      const lines = text.split('\n');
      text = lines.pop() ?? '';
      for (const line of lines) if (line.startsWith('data: ')) told.push(JSON.parse(line.slice(6)));
    }
  })()
    .catch(() => {})
    .finally(() => {
      isOver = true;
    });
  const leave = async () => {
    stop.abort();
    await reading;
  };
  return { told, isOver: () => isOver, stop: leave, cookie };
}

const until = async (what: () => boolean) => {
  for (let waited = 0; !what() && waited < 10_000; waited += 20) await sleep(20);
  expect(what()).toBe(true);
};

test('a change is told to whoever listens, with who and where; one that was refused is not', async () => {
  const rieke = await listen('Rieke', 'slipway fitter demo');
  const { id, version, record } = await app.opening(2, 'frontDoorLow', 'left');
  await app.http
    .put(`/api/openings/${id}`)
    .send({ version: version + 1, record })
    .expect(409);
  await app.http
    .put(`/api/openings/${id}`)
    .send({ version, record: { ...record, note: 'told' } })
    .expect(200);
  await until(() => rieke.told.length > 0);
  expect(rieke.told).toMatchObject([
    { personName: 'Okke', kind: 'opening', recordId: id, headline: 'measured Front door, left' },
  ]);
  await rieke.stop();
});

test('when the connection to the database is lost, listeners are sent away to ask anew, and told again afterwards', async () => {
  const rieke = await listen('Rieke', 'slipway fitter demo');
  await app.owner.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND query LIKE 'LISTEN%'`,
  );
  await until(rieke.isOver);
  await sleep(1500);
  const again = await listen('Rieke', 'slipway fitter demo');
  const { id, version, record } = await app.opening(2, 'frontDoorLow', 'left');
  await app.http
    .put(`/api/openings/${id}`)
    .send({ version, record: { ...record, note: 'told again' } })
    .expect(200);
  await until(() => again.told.length === 1);
  await again.stop();
});

test('nobody who is signed out is told anything', async () => {
  const response = await fetch(`${app.origin}/api/events`);
  expect(response.status).toBe(401);
  await response.body?.cancel();
});

const signOut = (cookie: string) =>
  fetch(`${app.origin}/api/session`, { method: 'DELETE', headers: { Cookie: cookie, Origin: app.origin } });
const change = async (note: string) => {
  const { id, version, record } = await app.opening(2, 'frontDoorLow', 'left');
  await app.http
    .put(`/api/openings/${id}`)
    .send({ version, record: { ...record, note } })
    .expect(200);
};

test('the end of a session ends its stream at once: what happens after it is not told', async () => {
  const rieke = await listen('Rieke', 'slipway fitter demo');
  await change('before');
  await until(() => rieke.told.length === 1);
  await signOut(rieke.cookie);
  await until(rieke.isOver);
  await change('after');
  await sleep(200);
  expect(rieke.told).toHaveLength(1);
});

test('changes to people are told to whoever looks after people only', async () => {
  const [rieke, okke] = [await listen('Rieke', 'slipway fitter demo'), await listen('Okke', 'slipway owner demo')];
  const person = { name: 'Edda', roles: ['counter'], password: 'three short words' };
  await app.http.post('/api/people').send(person).expect(200);
  await until(() => okke.told.length === 1);
  await change('for everybody');
  await until(() => rieke.told.length === 1);
  expect(rieke.told.map(({ kind }) => kind)).toEqual(['opening']);
  const { body } = await (await app.signedIn('Rieke')).get('/api/history?kind=person').expect(200);
  expect(body.changes).toEqual([]);
  expect((await app.http.get('/api/history?kind=person').expect(200)).body.changes).toHaveLength(1);
  await rieke.stop();
  await okke.stop();
});

test('a page whose person gets other roles is sent away, to come back with them', async () => {
  const jory = await listen('Jory', 'slipway both demo');
  const { body } = await app.http.get('/api/people').expect(200);
  const { id, version, name, active } = body.people.find((each: { name: string }) => each.name === 'Jory');
  await app.http
    .put(`/api/people/${id}`)
    .send({ version, name, active, roles: ['counter'] })
    .expect(200);
  await until(jory.isOver);
});

test('many answers and a stream asked for in one packet, never read, with the session over: the server goes on', async () => {
  const cookie = await cookieOf('Rieke', 'slipway fitter demo');
  const { hostname, port, host } = new URL(app.origin);
  const sockets = Array.from({ length: 8 }, () => {
    const socket = net.connect(Number(port), hostname);
    socket.on('error', () => {});
    socket.pause();
    const get = (path: string) => `GET ${path} HTTP/1.1\r\nHost: ${host}\r\nCookie: ${cookie}\r\n\r\n`;
    socket.write(get('/api/catalogue/changes').repeat(40) + get('/api/events').repeat(3));
    return socket;
  });
  await sleep(600);
  await signOut(cookie);
  for (let times = 0; times < 3; times++) await change(`while nobody reads ${times}`);
  for (const socket of sockets) socket.destroy();
  await change('after they left');
  await fetch(`${app.origin}/api/health`).then(({ status }) => expect(status).toBe(200));
});

test('HEAD of the stream is answered', async () => {
  const cookie = await cookieOf('Rieke', 'slipway fitter demo');
  const answer = await fetch(`${app.origin}/api/events`, { method: 'HEAD', headers: { Cookie: cookie } });
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, expect.stringContaining('event-stream')]);
});

test('of more streams than a session may have the oldest are let go', async () => {
  const first = await listen('Rieke', 'slipway fitter demo');
  const others = await Promise.all(
    Array.from({ length: 30 }, () =>
      fetch(`${app.origin}/api/events`, { headers: { Cookie: first.cookie } }).catch(() => null),
    ),
  );
  await until(first.isOver);
  for (const other of others) await other?.body?.cancel().catch(() => {});
});
