import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Offer } from '@low-quarry/core/catalogue';
import type { OrderAnswer, OrderLineAnswer } from '@low-quarry/core/contracts/orders';
import { type Earlier, intakeFactsOf, OLD_SPEAKER_NOT_TESTED, type Place } from '@low-quarry/core/model';
import { parse } from 'csv-parse/sync';
import { csvText } from '../../http/csvText';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { orderTable } from './orderTable';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

test('the minibus: two speakers and two leads in one pack each; the dash is held back for its warning sounds', async () => {
  const { job } = await app.jobNumber(3);
  const { body } = await app.http.get(`/api/jobs/${job.id}/order`).expect(200);
  expect(body.lines).toMatchObject([
    {
      partId: 'spk-skerrivar-tide-6-half',
      pieces: 2,
      taken: {
        offer: { supplier: 'Northmole Supply', number: 'NS-1007', packSize: 2 },
        ...{ packs: 1, leftOver: 0, costMinor: 6800 },
      },
      forOpenings: ['Front door, left', 'Front door, right'],
    },
    { partId: 'adp-f2-to-spades-2-8-4-8', pieces: 2, taken: { packs: 1, leftOver: 0, costMinor: 890 } },
  ]);
  expect(body.totalMinor).toBe(6800 + 890);
  expect(body.heldBack.map(({ label }: { label: string }) => label)).toEqual([
    'Dash centre',
    'Side panel, left',
    'Side panel, right',
  ]);
  expect(body.heldBack[0].why).toContain('warning sounds');
  expect(body.cautions.length).toBeGreaterThan(0);
});

test('a speaker that its channel does not feed or stand is held back, with what would be taken instead; the other door is ordered', async () => {
  const { job } = await app.jobNumber(3);
  const path = '/api/vehicles/veh-brackwell-ferryman';
  const channelAs = async (change: object) => {
    const { version, record } = (await app.http.get(path).expect(200)).body;
    const [first, ...rest] = record.channels;
    await app.http
      .put(path)
      .send({ version, record: { ...record, channels: [{ ...first, ...change }, ...rest] } })
      .expect(200);
    return (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body as OrderAnswer;
  };
  const held = ({ heldBack }: OrderAnswer) => heldBack.find(({ label }) => label === 'Front door, left')?.why;
  const bass = await channelAs({ band: 'bass' });
  expect(held(bass)).toMatch(/^Channel front left: The channel sends bass only.*A woofer instead/);
  expect(bass.lines[0]?.forOpenings).toEqual(['Front door, right']);
  // The speaker is sold as 4 Ω, and comes down to 3.2: no source that stands 8 is made for it.
  expect(held(await channelAs({ band: 'full', leastOhm: 8 }))).toMatch(/a load sold as 8 Ω may come down to 6\.4 Ω/);
  expect(held(await channelAs({ leastOhm: 4 }))).toBeUndefined();
});

test('what earlier work left missing has to be at hand, of what is ordered for and of nothing else', async () => {
  const { job } = await app.jobNumber(3);
  const needs = async () =>
    (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body.needs.filter(
      ({ what }: OrderAnswer['needs'][number]) => !/^(Foam|Screws)/.test(what),
    );
  const find = async (place: Place, earlier: Earlier) => {
    const { id, version, record } = await app.opening(3, place, place === 'sidePanel' ? 'left' : 'right');
    await app.http
      .put(`/api/openings/${id}`)
      .send({ version, record: { ...record, earlier } })
      .expect(200);
  };
  // Nobody has described the cards that come off for it.
  const cards = [
    {
      what: 'Spare clips',
      why: 'Door card, front left; Door card, front right: nobody has written down what holds them.',
      ...{ pieces: null, onShelf: null, goods: null, lengthM: null, taken: null },
    },
  ];
  expect(await needs()).toEqual(cards);
  await find('sidePanel', ['gasketGone']);
  expect(await needs()).toEqual(cards);
  await find('frontDoorLow', ['clipsMissing']);
  expect(await needs()).toEqual([
    {
      ...{ what: 'Clips for those that are missing', why: 'Front door, right: clips missing or broken, from before.' },
      ...{ pieces: null, onShelf: null, goods: null, lengthM: null, taken: null },
    },
    ...cards,
  ]);
  await find('frontDoorLow', []);
});

test('spares are told by number with what lies on the shelf; what broke in the bay is to be had; and tools by the plan', async () => {
  const order = async (number: number): Promise<OrderAnswer> => {
    const { job } = await app.jobNumber(number);
    return (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body;
  };
  const clip = { kind: 'panelClip', id: 'own-clip', maker: 'Generic', name: 'Tree clip 7', roundingMm: 0.1 };
  const goods = { format: 'parts', version: 2, connectors: [], parts: [{ ...clip, type: 'treeClip', holeMm: 7 }] };
  await app.http.post('/api/parts/imports').send({ name: 'own goods', pack: goods }).expect(200);
  const spares = async () => (await order(8)).needs.find(({ what }) => what === 'Spares of the tree clips');
  expect(await spares()).toMatchObject({ onShelf: [] });
  const lot = { partId: 'own-clip', place: 'A3', pieces: 14, from: '', jobId: null };
  await app.http.post('/api/shelf').send(lot).expect(200);
  expect(await spares()).toMatchObject({
    pieces: expect.any(Number),
    why: expect.stringMatching(/9 hold it, and of a car of \d+ years one in \d/),
    onShelf: [{ label: 'Generic Tree clip 7', place: 'A3', pieces: 14 }],
  });
  const before = await order(8);
  expect(before.tools).toContain('A wrench for the battery’s clamp');
  const { job } = await app.jobNumber(8);
  const counted = { pieces: 9, broken: 2, replaced: 0 };
  const clips = 'panel doorCard frontLeft  off clips';
  const mark = { state: 'done', by: 'Okke', at: '2026-03-02T10:00:00.000Z', print: '00000001', counted };
  await app.http
    .put(`/api/jobs/${job.id}/bay`)
    .send({ version: job.version, bay: { steps: { [clips]: mark }, found: [] } })
    .expect(200);
  expect((await order(8)).needs[0]).toEqual({
    what: 'New in its place: tree clip',
    why: 'Door card, front left: 2 are broken or gone, counted in the bay by Okke.',
    ...{ pieces: 2, onShelf: [{ label: 'Generic Tree clip 7', pieces: 14, place: 'A3' }], lengthM: null, taken: null },
    goods: [
      { partId: 'own-clip', label: 'Generic Tree clip 7' },
      { partId: 'clp-kelpstone-tree-8', label: 'Kelpstone Tree clip 8' },
    ],
  });
});

test('what goes into the line of a speaker, the pair that is to be run to it, and what joins them, has to be at hand', async () => {
  const { job } = await app.jobNumber(3);
  const whats = async () =>
    (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body.needs.map(({ what }: { what: string }) => what);
  const before = await whats();
  const { id, version, record } = await app.opening(3, 'frontDoorLow', 'left');
  const lineFilter = { highPass: { capacitorUf: 680, coilMh: null }, lowPass: null, pad: null, where: 'tied up' };
  const put = (change: object, at: number) =>
    app.http.put(`/api/openings/${id}`).send({ version: at, record: { ...record, ...change } });
  await put({ lineFilter: { ...lineFilter, highPass: { capacitorUf: -1, coilMh: null } } }, version).expect(400);
  await put({ lineFilter: { ...lineFilter, highPass: null } }, version).expect(400);
  await put({ lineFilter }, version).expect(200);
  expect((await whats()).filter((what: string) => !before.includes(what))).toEqual([
    'Capacitor of 680 µF, for both directions',
    // In a door water comes to them.
    '2 butt connectors with sleeves that seal, for the wires on both sides',
  ]);
  const path = `/api/vehicles/${job.vehicle.id}`;
  const { version: at, record: vehicle } = (await app.http.get(path).expect(200)).body;
  const way = { from: 'radio', to: 'front door, left', through: '', lengthMm: 3000, note: '', grade: 'seenHere' };
  const channels = vehicle.channels.map((each: { places: readonly string[] }) =>
    each.places.includes('Front door, left') ? { ...each, wire: 'new' } : each,
  );
  await app.http
    .put(path)
    .send({ version: at, record: { ...vehicle, channels, routes: [way] } })
    .expect(200);
  expect(await whats()).toContain('3.6 m of pair, 1.5 mm² (16 AWG)');
  // The new pair is joined behind the radio, where no water comes.
  expect(await whats()).toContain('2 butt connectors, for the wires on both sides');
});

test('what nobody sells, or sells abroad, is on the list and not in the total; who else sells it stands beside', async () => {
  const { job } = await app.jobNumber(3);
  const order = async (): Promise<OrderAnswer> => (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body;
  const [speaker] = (await order()).lines;
  const path = `/api/parts/${speaker?.partId}`;
  const offers = async (next: readonly Offer[]) => {
    const { version, record } = (await app.http.get(path).expect(200)).body;
    await app.http
      .put(path)
      .send({ version, record: { ...record, offers: next } })
      .expect(200);
    const { lines, totalMinor, notInTotal } = await order();
    return { taken: lines[0]?.taken, others: lines[0]?.others, totalMinor, notInTotal };
  };
  const before = speaker?.taken?.offer as Offer;
  expect(await offers([])).toEqual({ taken: null, others: [], totalMinor: 890, notInTotal: 1 });
  const { text } = await app.http.get(`/api/jobs/${job.id}/order.csv`).expect(200);
  const [, line] = parse(text, { bom: true }) as string[][];
  expect(line?.slice(0, 2)).toEqual(['nobody known to sell it', '']);
  const abroad: Offer = { ...before, supplier: 'Abroad', packPriceMinor: 100, currency: 'USD' };
  expect(await offers([abroad])).toMatchObject({ taken: { costMinor: 100 }, totalMinor: 890, notInTotal: 1 });
  // Whoever names the shop's own currency means the same as whoever names none.
  expect(await offers([{ ...before, currency: 'EUR' }])).toMatchObject({
    taken: { offer: { currency: null } },
    ...{ totalMinor: 6800 + 890, notInTotal: 0 },
  });
  // Worked by hand: a pair at 68.00, or two single ones at 33.50.
  const single: Offer = { ...before, supplier: 'Single', packSize: 1, packPriceMinor: 3350 };
  expect(await offers([before, single, abroad])).toMatchObject({
    taken: { offer: { supplier: 'Single' }, packs: 2, costMinor: 6700 },
    others: [{ offer: { supplier: before.supplier } }, { offer: { supplier: 'Abroad' } }],
    ...{ totalMinor: 6700 + 890, notInTotal: 0 },
  });
  await offers([before]);
});

test('one side alone leaves one of a pair over', async () => {
  const left = await app.opening(1, 'frontDoorLow', 'left');
  const choice = {
    openingId: left.id,
    speakerId: 'spk-wrackline-shoal-65-slim',
    layerIds: ['brk-plate-3-166-to-6-5-6-mm'],
  };
  await app.http
    .put(`/api/jobs/${left.jobId}/choices`)
    .send({ choices: [choice] })
    .expect(200);
  const { body } = await app.http.get(`/api/jobs/${left.jobId}/order`).expect(200);
  expect(
    body.lines.map(({ kind, pieces, taken }: OrderLineAnswer) => {
      const { packs, leftOver } = taken ?? {};
      return { kind, pieces, packs, leftOver };
    }),
  ).toEqual([
    { kind: 'speaker', pieces: 1, packs: 1, leftOver: 1 },
    { kind: 'bracket', pieces: 1, packs: 1, leftOver: 1 },
    { kind: 'harnessAdapter', pieces: 1, packs: 1, leftOver: 1 },
  ]);
});

test('what changes the car for good is held back until somebody agreed to it in writing, to that and nothing else', async () => {
  const left = await app.opening(1, 'frontDoorLow', 'left');
  const choice = {
    openingId: left.id,
    speakerId: 'spk-wrackline-shoal-65-slim',
    layerIds: ['brk-plate-3-166-to-6-5-6-mm'],
  };
  const choose = (works: object[]) =>
    app.http
      .put(`/api/jobs/${left.jobId}/choices`)
      .send({ choices: [{ ...choice, works }] })
      .expect(200);
  const agree = async (consents: object) => {
    const { job } = await app.jobNumber(1);
    const body = { ...intakeFactsOf(job), version: job.version, consents };
    await app.http.put(`/api/jobs/${job.id}`).send(body).expect(200);
  };
  const order = async () => (await app.http.get(`/api/jobs/${left.jobId}/order`).expect(200)).body;
  const listed = async () => (await order()).included.map(({ label }: { label: string }) => label);
  await choose([{ kind: 'fileHole', byMm: 1 }]);
  expect(await listed()).toEqual([]);
  const held = (await order()).heldBack.find(({ openingId }: { openingId: string }) => openingId === left.id);
  expect(held.why).toContain('Nobody agreed to it in writing: filing or cutting the hole in the car wider.');
  await agree({ drill: 'The school, by letter' });
  expect(await listed()).toEqual([]);
  await agree({ fileHole: 'The school, by letter' });
  expect(await listed()).toEqual(['Front door, left']);
  await agree({ fileHole: ' ' });
  expect(await listed()).toEqual([]);
  await choose([]);
  expect(await listed()).toEqual(['Front door, left']);
});

test('in whose place a speaker is bought untested is on its line; where one is silent and nobody knows why, nothing is bought', async () => {
  const labels = ['Front door, left', 'Front door, right'];
  const order = async () => (await app.http.get(`/api/jobs/${job.id}/order`).expect(200)).body;
  const find = async (changes: object) => {
    const { id, version, record } = await app.opening(3, 'frontDoorLow', 'left');
    const oldSpeaker = { ...OLD_SPEAKER_NOT_TESTED, ...changes };
    await app.http
      .put(`/api/openings/${id}`)
      .send({ version, record: { ...record, oldSpeaker } })
      .expect(200);
  };
  const { job } = await app.jobNumber(3);
  expect((await order()).lines.map(({ assumed }: OrderLineAnswer) => assumed)).toEqual([labels, []]);
  await find({ plays: 'silent' });
  const held = await order();
  expect(held.lines).toMatchObject([{ pieces: 1, assumed: ['Front door, right'] }, { pieces: 1 }]);
  expect(held.heldBack[0]).toMatchObject({
    label: 'Front door, left',
    why: 'It is silent, and nobody knows why. Do not order for it yet.',
    hasChoice: true,
  });
  await find({ plays: 'silent', damage: ['torn'] });
  expect((await order()).lines).toMatchObject([{ pieces: 2, assumed: ['Front door, right'] }, { pieces: 2 }]);
  const { text } = await app.http.get(`/api/jobs/${job.id}/order.csv`).expect(200);
  const [row] = parse(text, { bom: true, columns: true }) as Record<string, string>[];
  expect(row?.['Old speaker not tested, assumed']).toBe('Front door, right');
});

test('what is open is on the list with what was answered, the gravest first; and which tabs are to be broken off', async () => {
  const path = '/api/parts/brk-plate-3-166-to-6-5-6-mm';
  const { version, record } = (await app.http.get(path).expect(200)).body;
  const snapOffs = [{ id: 'flat', name: 'side tabs broken off' }];
  await app.http
    .put(path)
    .send({ version, record: { ...record, snapOffs } })
    .expect(200);
  const right = await app.opening(1, 'frontDoorLow', 'right');
  const choice = {
    openingId: right.id,
    speakerId: 'spk-wrackline-shoal-65',
    layerIds: ['brk-plate-3-166-to-6-5-6-mm#flat'],
  };
  const send = (answers: object[]) =>
    app.http
      .put(`/api/jobs/${right.jobId}/choices`)
      .send({ choices: [{ ...choice, answers }] })
      .expect(200);
  await send([]);
  const { body: before } = await app.http.get(`/api/jobs/${right.jobId}/order`).expect(200);
  const held = before.heldBack.find(({ openingId }: { openingId: string }) => openingId === right.id);
  expect(held.open.map(({ verdict }: { verdict: string }) => verdict)[0]).toBe('hits');
  const open = held.open.filter(({ countsFor }: { countsFor: string }) => countsFor !== 'arrival');
  await send(open.map(({ check }: { check: string }) => ({ kind: 'reason', check, words: 'the card is cut out' })));
  const { body } = await app.http.get(`/api/jobs/${right.jobId}/order`).expect(200);
  const included = body.included.find(({ openingId }: { openingId: string }) => openingId === right.id);
  expect(included.states).toEqual([`${record.maker} ${record.name}: side tabs broken off`]);
  expect(included.open[0]).toMatchObject({ verdict: 'hits', answer: { by: 'Okke', words: 'the card is cut out' } });
  expect(included.open.at(-1)).toMatchObject({ check: 'terminals', countsFor: 'arrival', answer: null });
});

test('the file holds the same lines, read by a CSV reader', async () => {
  const { job } = await app.jobNumber(3);
  const answer = await app.http.get(`/api/jobs/${job.id}/order.csv`).expect(200);
  expect(answer.headers['content-type']).toContain('text/csv');
  expect(answer.headers['content-disposition']).toContain('order-job-3.csv');
  const rows = parse(answer.text, { bom: true, columns: true }) as Record<string, string>[];
  expect(rows).toHaveLength(2);
  expect(rows[0]).toMatchObject({
    Part: 'Tide 6½',
    'Pieces needed': '2',
    Packs: '1',
    'Left over': '0',
    Supplier: 'Northmole Supply',
    "Supplier's number": 'NS-1007',
    Cost: '68.00',
    Currency: 'EUR',
    For: 'Front door, left; Front door, right',
    'Open checks': 'Screws; Lies flat; Terminals',
  });
  await app.http.get('/api/jobs/00000000-0000-4000-8000-ffffffffffff/order.csv').expect(404);
  await app.http.get('/api/jobs/nonsense/order.csv').expect(404);
});

test('a part whose name starts like a formula is not run by a spreadsheet', async () => {
  const { job } = await app.jobNumber(3);
  const { body } = await app.http.get(`/api/jobs/${job.id}/order`).expect(200);
  const { headings, rows } = orderTable({ ...body, lines: [{ ...body.lines[0], name: '=HYPERLINK("x"), "quoted"' }] });
  const text = csvText([headings, ...rows]);
  const [row] = parse(text, { bom: true, columns: true }) as Record<string, string>[];
  expect(row?.Part).toBe('\'=HYPERLINK("x"), "quoted"');
});

test('a job without choices has an empty list and says why for each opening', async () => {
  const { job, openings } = await app.jobNumber(5);
  const { body } = await app.http.get(`/api/jobs/${job.id}/order`).expect(200);
  expect(body).toMatchObject({ lines: [], totalMinor: 0, included: [] });
  expect(body.heldBack).toHaveLength(openings.length);
  expect(body.heldBack.map(({ why }: { why: string }) => why)).toContain(
    'This trim has no speaker wires here: new wire has to be run before a speaker makes sense.',
  );
});

test('what has to be at hand is a line in packs once a part of the library is taken for it, and off again with it', async () => {
  const owner = await app.signedIn('Okke');
  const listed = (await app.listJobs(owner)).find(({ registration }) => registration === 'WARDEN 2');
  if (!listed) throw new Error('expected WARDEN 2');
  const order = async (): Promise<OrderAnswer> => (await owner.get(`/api/jobs/${listed.id}/order`).expect(200)).body;
  const before = await order();
  const deadening = before.needs.find(({ what }) => what.startsWith('Deadening'));
  expect(deadening).toMatchObject({
    what: 'Deadening, butyl of 2 mm, sheets of 500 × 370 mm',
    ...{ pieces: 1, taken: null, lengthM: null },
    why: expect.stringContaining('no way needs fewer'),
  });
  const foam = before.needs.find(({ what }) => what.startsWith('Foam tape'));
  expect(foam).toMatchObject({ pieces: null, taken: null, lengthM: expect.any(Number) });
  const [sheet] = deadening?.goods ?? [];
  const roll = foam?.goods?.find(({ label }) => label.includes('Foam tape'));
  if (!sheet || !roll) throw new Error('expected goods of both kinds in the library');

  const put = (version: number, smallParts: object[]) =>
    owner.put(`/api/jobs/${listed.id}/small-parts`).send({ version, smallParts });
  const both = [
    { need: deadening?.what, partId: sheet.partId },
    { need: foam?.what, partId: roll.partId },
    { need: 'Nothing that is asked for', partId: sheet.partId },
  ];
  const { body: saved } = await put(before.job.version, both).expect(200);
  const after = await order();
  const lineOf = (partId: string) => after.lines.find((each) => each.partId === partId);
  // What nobody asks for any more is no line; of a roll of 5 m one is enough for two doors.
  expect(lineOf(sheet.partId)).toMatchObject({ pieces: 1, forOpenings: [deadening?.what] });
  expect(lineOf(roll.partId)).toMatchObject({ pieces: 1, forOpenings: [foam?.what] });
  expect(after.lines).toHaveLength(before.lines.length + 2);
  expect(after.needs.find(({ what }) => what === foam?.what)?.taken).toBe(roll.partId);

  // An old version, and two parts for one need: refused, and nothing changes.
  await put(before.job.version, []).expect(409);
  const twice = await put(saved.version, [both[0], both[0]] as object[]).expect(400);
  expect(twice.body.errors[0]).toMatchObject({ path: 'smallParts.1.need' });
  await put(saved.version, []).expect(200);
  expect((await order()).lines).toHaveLength(before.lines.length);
});
