/** Parts that come in together are one change: whole or not at all, one line, one notice, one undo. */
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { PartRecord, SpeakerRecord } from '@low-quarry/core/catalogue';
import type { Change } from '@low-quarry/core/contracts/history';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { offered } from '@low-quarry/core/testing/offers';
import pg from 'pg';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { checkShop } from '../backup/checkShop';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const SPEAKERS = largeParts({ speakers: 30, brackets: 0, seed: 5 }).filter(
  (part): part is SpeakerRecord => part.kind === 'speaker',
);
let packs = 0;
/** Parts that no test before has brought in. */
let fresh: SpeakerRecord[];
beforeEach(() => {
  packs++;
  fresh = SPEAKERS.map((part) => ({ ...part, id: `${part.id}-${packs}`, name: `${part.name} ${packs}` }));
});

const pack = (parts: readonly object[], connectors: readonly object[] = []) => ({
  format: 'parts',
  version: 1,
  parts,
  connectors,
});
const bringIn = (parts: readonly object[], more: object = {}) =>
  app.http.post('/api/parts/imports').send({ name: `pack ${packs}`, pack: pack(parts), ...more });
const lines = async (query: object) =>
  (await app.http.get('/api/history').query(query).expect(200)).body.changes as Change[];
const count = async () => (await app.http.get('/api/parts').expect(200)).body.total as number;
const undo = async () => {
  const { body } = await app.http.get('/api/undo').expect(200);
  return app.http.post('/api/undo').send({ changeIds: body.changes.map(({ id }: Change) => id) });
};
const get = async (id: string) => (await app.http.get(`/api/parts/${id}`).expect(200)).body;

describe('whoever stands at the counter or in the bay', () => {
  test.each(['Merle', 'Rieke'])(
    '%s brings in what is new, and leaves to the owner what would be another',
    async (name) => {
      const http = await app.signedIn(name);
      const bring = (parts: readonly object[], tryOut = false) =>
        http.post('/api/parts/imports').send({ name: `pack ${packs}`, pack: pack(parts), tryOut });
      expect((await bring(fresh.slice(0, 3)).expect(200)).body).toMatchObject({ added: 3, changed: 0 });
      const [first, ...rest] = fresh as [SpeakerRecord, ...SpeakerRecord[]];
      const before = await count();
      for (const tryOut of [true, false]) {
        const { body } = await bring([{ ...first, name: 'Another' }, ...rest], tryOut).expect(403);
        expect(body).toMatchObject({ type: '/problems/not-yours' });
        expect(body.detail).toContain('1 part of it is here already with other figures');
      }
      expect(await count()).toBe(before);
      expect((await get(first.id)).record.name).toBe(first.name);
      // What is here just like that is in nobody's way.
      expect((await bring(fresh).expect(200)).body).toMatchObject({ added: fresh.length - 3, changed: 0, same: 3 });
      // One's own pack is taken back; somebody else's is not.
      const { body: undoable } = await http.get('/api/undo').expect(200);
      const changeIds = undoable.changes.map(({ id }: Change) => id);
      await http.post('/api/undo').send({ changeIds }).expect(200);
      expect(await count()).toBe(before);
      await bringIn([{ ...first, id: `${first.id}-owner` }]).expect(200);
      const [owners] = await lines({ kind: 'partsImport' });
      await http.post(`/api/history/${owners?.id}/bring-back`).send({ to: 'before' }).expect(403);
    },
  );
});

describe('a pack', () => {
  test('brings in what is new, replaces what differs, and leaves the rest; one line of the history says so', async () => {
    await bringIn(fresh.slice(0, 20)).expect(200);
    const [first, second] = fresh as [SpeakerRecord, SpeakerRecord];
    const next = [{ ...first, offers: offered(1, 4321) }, ...fresh.slice(1)];
    const { body } = await bringIn(next).expect(200);
    expect(body).toEqual({ added: 10, changed: 1, same: 19, connectors: 0 });
    expect(await get(first.id)).toMatchObject({ version: 2, record: { offers: [{ packPriceMinor: 4321 }] } });
    expect(await get(second.id)).toMatchObject({ version: 1, record: second });
    const [line, before] = await lines({ kind: 'partsImport' });
    expect(line).toMatchObject({ label: `pack ${packs}`, action: 'created', after: { added: 10, changed: 1 } });
    expect(before).toMatchObject({ after: { added: 20, changed: 0 } });
    // Of one part: both packs; of one that only the first brought in, that.
    expect((await lines({ kind: 'part', record: first.id })).map(({ id }) => id)).toEqual([line?.id, before?.id]);
    expect((await lines({ kind: 'part', record: second.id })).map(({ id }) => id)).toEqual([before?.id]);
  });

  test('that is tried out says what it changes, and changes nothing', async () => {
    const before = await count();
    const { body } = await bringIn(fresh, { tryOut: true }).expect(200);
    expect(body).toEqual({ added: fresh.length, changed: 0, same: 0, connectors: 0 });
    expect(await count()).toBe(before);
    expect((await bringIn([...fresh.slice(0, 3)]).expect(200)).body.added).toBe(3);
  });

  test.each([
    ['a part twice', () => [fresh[0], fresh[0]], 400, 'pack.parts.1.id'],
    [
      'a depth that is none',
      () => [fresh[0], { ...fresh[1], mountingDepthMm: -3 }],
      400,
      'pack.parts.1.mountingDepthMm',
    ],
    [
      'a connector of nobody',
      () => [
        fresh[0],
        {
          ...common(fresh[1] as SpeakerRecord),
          kind: 'harnessAdapter',
          fromConnectorId: 'con-of-nobody',
          to: { kind: 'terminals', terminals: 'bare ends' },
        },
      ],
      422,
      'pack.parts.1.fromConnectorId',
    ],
    [
      'an id that is a speaker here',
      () => [
        fresh[0],
        {
          ...common(fresh[1] as SpeakerRecord),
          id: 'spk-wrackline-shoal-65',
          kind: 'spacer',
          inner: { kind: 'circle', diameterMm: 100 },
          outer: { kind: 'circle', diameterMm: 150 },
          heightMm: 9,
        },
      ],
      422,
      'pack.parts.1.kind',
    ],
  ])('with %s is refused by its place, and nothing of it comes in', async (_, parts, status, path) => {
    const before = await count();
    const { body } = await bringIn(parts() as object[]).expect(status);
    expect(body.errors[0].path).toBe(path);
    expect(await count()).toBe(before);
  });

  test('is told to open screens once', async () => {
    const client = new pg.Client({ connectionString: app.addresses.appUrl });
    await client.connect();
    const told: string[] = [];
    client.on('notification', ({ payload }) => told.push(payload ?? ''));
    await client.query('LISTEN lq_change');
    await bringIn(fresh).expect(200);
    await client.query('SELECT 1');
    expect(told).toHaveLength(1);
    await client.end();
  });
});

describe('taken back', () => {
  test('what was new is gone, what was replaced is what it was; brought in again, it is there again', async () => {
    await bringIn(fresh.slice(0, 5)).expect(200);
    const [first] = fresh as [SpeakerRecord];
    const before = await count();
    await bringIn([{ ...first, name: 'Replaced' }, ...fresh.slice(1)]).expect(200);
    expect((await undo()).status).toBe(200);
    expect(await count()).toBe(before);
    expect((await get(first.id)).record).toEqual(first);
    const [line, brought] = await lines({ kind: 'partsImport' });
    expect(line).toMatchObject({ action: 'deleted', undoes: brought?.id, after: null });
    await app.http.post(`/api/history/${brought?.id}/bring-back`).send({ to: 'after' }).expect(200);
    expect((await get(first.id)).record.name).toBe('Replaced');
    expect(await count()).toBe(before + fresh.length - 5);
    expect(await checkShop(app.addresses.ownerUrl, { mayBeDemo: true })).toEqual([]);
  });

  test('is refused where a part was corrected since, and nothing is undone over it', async () => {
    await bringIn(fresh).expect(200);
    const [first] = fresh as [SpeakerRecord];
    const { version, record } = await get(first.id);
    await (await app.signedIn('Okke'))
      .put(`/api/parts/${first.id}`)
      .send({ version, record: { ...record, name: 'Measured in hand' } })
      .expect(200);
    const [line] = await lines({ kind: 'partsImport' });
    const { body } = await app.http.post(`/api/history/${line?.id}/bring-back`).send({ to: 'before' }).expect(409);
    expect(body.detail).toContain('1 part of it was changed since');
    expect((await get(first.id)).record.name).toBe('Measured in hand');
  });

  test('is refused while a choice names one of its parts', async () => {
    await bringIn(fresh).expect(200);
    const [first] = fresh as [SpeakerRecord];
    const opening = await app.opening(1, 'rearDoor', 'left');
    const choices = [{ openingId: opening.id, speakerId: first.id, layerIds: [] }];
    await app.http.put(`/api/jobs/${opening.jobId}/choices`).send({ choices }).expect(200);
    const [line] = await lines({ kind: 'partsImport' });
    const { body } = await app.http.post(`/api/history/${line?.id}/bring-back`).send({ to: 'before' }).expect(422);
    expect(body.detail).toContain('1 choice names a part of this pack');
  });
});

test('five thousand parts come in at once, and go at once', async () => {
  const many: PartRecord[] = largeParts({ speakers: 5000, brackets: 0, seed: 6 }).filter(
    ({ kind }) => kind === 'speaker',
  );
  const before = await count();
  const { body } = await bringIn(many.map((part) => ({ ...part, id: `many-${part.id}` }))).expect(200);
  expect(body.added).toBe(5000);
  expect(await count()).toBe(before + 5000);
  expect((await undo()).status).toBe(200);
  expect(await count()).toBe(before);
}, 60_000);

function common({ id, maker, name, offers }: SpeakerRecord) {
  return { id, maker, name, offers };
}
