import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { LiveChange } from '@low-quarry/core/contracts/live';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

/** Listens as a page does, and collects what it is told until `stop`. */
async function listen(name: string, password: string) {
  const signIn = await app.browser().post('/api/session').send({ name, password }).expect(200);
  const cookie = (signIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
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
  return { told, isOver: () => isOver, stop: leave };
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
