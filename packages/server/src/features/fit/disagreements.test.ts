/** Claim, catalogue and tape against each other, over HTTP, on the demo's vehicles. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Claim, SpeakerRecord } from '@low-quarry/core/catalogue';
import type { Disagreements } from '@low-quarry/core/contracts/disagreements';
import type { PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import { placeLabel } from '@low-quarry/core/model';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const asked = async (): Promise<Disagreements> => (await app.http.get('/api/disagreements').expect(200)).body;
const change = async (id: string, changes: Partial<SpeakerRecord>) => {
  const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
  await app.http
    .put(`/api/parts/${id}`)
    .send({ version: body.version, record: { ...body.record, ...changes } })
    .expect(200);
};
const claim = (changes: Partial<Claim>): Claim => ({
  ...{ vehicleId: 'nowhere', place: null, says: 'fits', by: 'Northmole’s list', notedBy: 'Okke', on: '2031-05-02' },
  ...changes,
});
/** A variant with speakers in the corners of its dash, and with how many. */
const withDash = async () => {
  const { body } = await app.http.get('/api/vehicles').query({ find: '', page: 1 }).expect(200);
  for (const { id } of body.found as { id: string }[]) {
    const { record } = (await app.http.get(`/api/vehicles/${id}`).expect(200)).body;
    const dashes = (record.openings as { place: string }[]).filter(({ place }) => place === 'dashCorner').length;
    if (dashes > 0) return { id, dashes };
  }
  throw new Error('expected a variant with a speaker in its dash');
};
const SLIM = 'spk-wrackline-shoal-65-slim';
const DEEP = 'spk-oxlode-w-165-deep';

test('nothing claimed and nothing measured is no disagreement', async () => {
  expect(await asked()).toEqual({
    claimed: [],
    read: [],
    counts: { against: 0, open: 0, agrees: 0, figures: 0 },
    unreadable: 0,
  });
});

test('every opening that a claim is about is judged as where it fits judges it; the dearest contradicted one first', async () => {
  const { body: places }: { body: PlacesOfPart } = await app.http.get(`/api/parts/${SLIM}/places`).expect(200);
  const variants = places.places.filter(({ of }) => of === 'variant');
  const clears = variants.find(({ verdict }) => verdict === 'clears');
  if (!clears) throw new Error('expected the slim speaker to clear somewhere');
  const vehicle = (await app.http.get(`/api/vehicles/${clears.id}`).expect(200)).body.record;
  const openings = vehicle.openings as { place: string }[];
  const cleared = variants.filter(({ id, verdict }) => id === clears.id && verdict === 'clears');
  const place = openings.find((opening) => placeLabel(opening as never) === clears.opening)?.place as string;
  const there = openings.filter((opening) => opening.place === place).length;
  await change(SLIM, {
    claims: [claim({ vehicleId: clears.id, place, says: 'fitsNot' }), claim({ vehicleId: clears.id })],
  });
  const { id: dashed, dashes } = await withDash();
  const dash = claim({ vehicleId: dashed, place: 'dashCorner' });
  await change(DEEP, { claims: [dash, claim({ vehicleId: 'nowhere' })] });
  const { claimed, counts } = await asked();
  // What names no place agrees, as it does clear somewhere: it is one claim and no disagreement.
  expect(counts.against + counts.open + counts.agrees).toBe(there + 1 + dashes + 1);
  expect(claimed.filter(({ partId, isAnywhere }) => partId === SLIM && isAnywhere)).toEqual([]);
  const ofSlim = claimed.filter(({ partId, finding }) => partId === SLIM && finding === 'against');
  const clearedThere = cleared.filter(({ opening }) =>
    openings.some((each) => each.place === place && placeLabel(each as never) === opening),
  );
  expect(ofSlim.map(({ opening }) => opening).sort()).toEqual(clearedThere.map(({ opening }) => opening).sort());
  // No dash takes a deep woofer: it is the dearer part, and so the first.
  const [first] = claimed;
  expect(first).toMatchObject({
    partId: DEEP,
    finding: 'against',
    verdict: 'hits',
    costMinor: 12_450,
    isAnywhere: false,
  });
  expect(claimed.at(-1)).toMatchObject({ finding: 'open' });
  expect(claimed.find(({ vehicleId }) => vehicleId === 'nowhere')).toMatchObject({
    ...{ opening: null, finding: 'open', verdict: null, car: 'nowhere' },
    lacks: 'the library does not have this vehicle: book one in, or add it',
  });
  expect(claimed.every(({ finding }) => finding !== 'agrees')).toBe(true);
});

test('a place that the variant has no opening at, and a speaker that lacks figures, say what they lack', async () => {
  const { body: vehicles } = await app.http.get('/api/vehicles').query({ find: '', page: 1 }).expect(200);
  const [{ id }] = vehicles.found;
  await change(SLIM, { claims: [claim({ vehicleId: id, place: 'overhead' })] });
  await change(DEEP, { claims: [claim({ vehicleId: id })], magnetDiameterMm: null });
  const { claimed } = await asked();
  expect(claimed.map(({ partId, lacks }) => [partId, lacks])).toEqual([
    [DEEP, 'nobody wrote down of the speaker: magnet'],
    [SLIM, 'nobody has an opening there: measure one'],
  ]);
});

test('a reading farther off than reading and rounding explain is listed, one that they explain is not', async () => {
  const read = (depth: number) => [
    { figure: 'depth' as const, pieces: [[depth], [depth + 0.1]], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' },
  ];
  await change(SLIM, { inHand: read(46.2) });
  expect((await asked()).read).toEqual([]);
  await change(SLIM, { inHand: read(51) });
  expect((await asked()).read).toMatchObject([
    {
      partId: SLIM,
      part: 'Wrackline Shoal 65 Slim',
      figure: 'Mounting depth',
      listedMm: 46,
      measuredMm: 51.05,
      costMinor: 5450,
    },
  ]);
});
