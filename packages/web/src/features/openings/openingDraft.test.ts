import { describe, expect, test } from '@jest/globals';
import { type OpeningRecord, openingRecordSchema } from '@low-quarry/core/model/opening';
import { SETTINGS_DEFAULTS } from '@low-quarry/core/model/settings';
import { toFitOpening } from '@low-quarry/core/model/toFitOpening';
import {
  carriedDifferences,
  carryOver,
  missingInDraft,
  readDraft,
  rebase,
  setFace,
  setSource,
  toDraft,
  toRecord,
  typeInto,
} from './openingDraft';

const stored: OpeningRecord = openingRecordSchema.parse({
  place: 'frontDoorLow',
  side: 'left',
  nominalSize: '6.5 in',
  holeKind: 'circle',
  bolts: { kind: 'circle', count: 3, firstAngleDeg: 90, screwDiameterMm: 4.2 },
  fixing: 'screws',
  behind: 'glass',
  wiring: { kind: 'unknown' },
  secondPlug: 'none',
  dimensions: {
    holeDiameter: {
      readingsMm: [148],
      source: 'carriedOver',
      entered: '148',
      takenBy: 'Jory',
      takenAt: '2026-01-05T08:00:00.000Z',
    },
  },
  note: '',
});
const by = { takenBy: ' Rieke ', now: new Date('2026-03-02T10:00:00Z') };
const draft = toDraft(stored, 3);

describe('what stands in front of the metal', () => {
  const mount = { readingsMm: [6], source: 'calliper', entered: '6', takenBy: null, takenAt: null } as const;
  const before: typeof draft = {
    ...draft,
    facts: { ...draft.facts, faces: { oldMount: { ...mount, readingsMm: [6] }, keptRing: null } },
  };

  test('is what depths and gap are read from once it is noted; the hole is not, and a figure that stands keeps its own', () => {
    const typed = typeInto(typeInto(before, 'depthBehind', '64', 'mm'), 'holeDiameter', '149', 'mm');
    expect(typed.fields.depthBehind.from).toBe('oldMount');
    expect(typed.fields.holeDiameter.from).toBe('metal');
    const fromMetal = typeInto(setFace(typed, 'depthBehind', 'metal'), 'depthBehind', '58', 'mm');
    expect(fromMetal.fields.depthBehind.from).toBe('metal');
    const saved = toRecord(typed, by);
    expect(saved).toMatchObject({ ok: true, value: { dimensions: { depthBehind: { from: 'oldMount' } } } });
    if (saved.ok) expect(openingRecordSchema.safeParse(saved.value).success).toBe(true);
  });

  test('stays on its side: figures are carried over as counted from the metal', () => {
    const typed = typeInto(typeInto(before, 'depthBehind', '64', 'mm'), 'frontGap', '12', 'mm');
    const saved = toRecord(typed, by);
    if (!saved.ok) throw new Error('expected a record');
    const carried = carryOver(toDraft({ ...stored, side: 'right', dimensions: {} }, 1), saved.value);
    expect(carried.fields.depthBehind).toMatchObject({ readingsMm: [58], from: 'metal', text: '58 mm' });
    expect(carried.fields.frontGap).toMatchObject({ readingsMm: [18], from: 'metal' });
    expect(carried.facts.faces).toEqual({ keptRing: null, oldMount: null });
    const card = { ...mount, readingsMm: [9], from: 'oldMount' as const };
    const front = [{ id: 'card', label: 'door card', kind: 'card' as const, gap: card, inside: null }];
    const there = { ...saved.value, front };
    expect(carryOver(toDraft({ ...stored, side: 'right', dimensions: {} }, 1), there).facts.front).toMatchObject([
      { id: 'card', gap: { readingsMm: [15], source: 'carriedOver' } },
    ]);
  });

  test('a draft of an earlier program has its figures from the metal', () => {
    const old = JSON.parse(JSON.stringify(draft));
    for (const field of Object.values(old.fields) as { from?: string }[]) delete field.from;
    expect(readDraft(JSON.stringify(old))?.fields.depthBehind.from).toBe('metal');
  });
});

describe('typing', () => {
  test('is understood at once, in the unit of that moment', () => {
    const typed = typeInto(draft, 'depthBehind', '2', 'in');
    expect(typed.fields.depthBehind).toMatchObject({
      readingsMm: [50.8],
      source: 'depthStick',
      error: null,
      touched: true,
    });
    const wrong = typeInto(draft, 'depthBehind', '900', 'mm');
    expect(wrong.fields.depthBehind).toMatchObject({
      readingsMm: [],
      text: '900',
      error: expect.stringContaining('900 mm was read'),
    });
  });

  test('over a figure from elsewhere makes it one taken here, with the usual instrument; a chosen one stays', () => {
    expect(typeInto(draft, 'holeDiameter', '149', 'mm').fields.holeDiameter.source).toBe('calliper');
    const byTape = typeInto(setSource(draft, 'holeDiameter', 'tapeMm'), 'holeDiameter', '149', 'mm');
    expect(byTape.fields.holeDiameter.source).toBe('tapeMm');
  });

  test('what is missing follows what is typed', () => {
    expect(missingInDraft(draft)).toEqual(['boltCircle', 'depthBehind', 'frontGap']);
    expect(missingInDraft(typeInto(draft, 'frontGap', '20', 'mm'))).toEqual(['boltCircle', 'depthBehind']);
  });
});

describe('saving', () => {
  test('leaves what was not touched as it is stored, with who took it', () => {
    const record = toRecord(typeInto(draft, 'depthBehind', '57.5; 58', 'mm'), by);
    if (!record.ok) throw new Error('expected a record');
    expect(record.value.dimensions).toEqual({
      holeDiameter: stored.dimensions.holeDiameter,
      depthBehind: {
        readingsMm: [57.5, 58],
        source: 'depthStick',
        entered: '57.5; 58',
        takenBy: 'Rieke',
        takenAt: '2026-03-02T10:00:00.000Z',
      },
    });
  });

  test('an emptied field takes the figure out; a wrong one keeps everything from being saved', () => {
    const emptied = toRecord(typeInto(draft, 'holeDiameter', '', 'mm'), by);
    expect(emptied.ok && emptied.value.dimensions).toEqual({});
    expect(toRecord(typeInto(draft, 'frontGap', 'x', 'mm'), by)).toMatchObject({
      ok: false,
      failure: { frontGap: expect.stringContaining('"x"') },
    });
  });
});

test('a slip in a field that is not asked for any more stops nobody, and what was stored stays', () => {
  const oval = { ...typeInto(draft, 'holeDiameter', 'x', 'mm'), facts: { ...draft.facts, holeKind: 'oval' as const } };
  const record = toRecord(oval, by);
  expect(record.ok && record.value.dimensions).toEqual(stored.dimensions);
});

test('a draft on the device is read again, and rubbish is not', () => {
  const typed = typeInto(draft, 'depthBehind', 'abc', 'mm');
  expect(readDraft(JSON.stringify(typed))).toEqual(typed);
  for (const text of ['', '{', '{}', 'null', JSON.stringify({ ...typed, version: 'x' })])
    expect(readDraft(text)).toBeNull();
});

test('what was typed on after it was sent goes on top of what the shop has by then', () => {
  const sent = typeInto(toDraft(stored, 1), 'depthBehind', '58', 'mm');
  const later = typeInto(sent, 'frontGap', '24', 'mm');
  const shop: OpeningRecord = { ...stored, note: 'theirs', dimensions: { ...stored.dimensions } };
  const draft = rebase({ ...later, facts: { ...later.facts, fixing: 'rivets' } }, sent, { record: shop, version: 3 });
  expect(draft).toMatchObject({ version: 3, base: shop, facts: { note: 'theirs', fixing: 'rivets' } });
  expect(draft.fields.frontGap.text).toBe('24');
  expect(draft.fields.depthBehind.touched).toBe(false);
});

test('the other side is carried over mirrored, and what was measured here stays', () => {
  const measured = (mm: number) => ({
    readingsMm: [mm],
    source: 'depthStick',
    entered: String(mm),
    takenBy: null,
    takenAt: null,
  });
  const there = openingRecordSchema.parse({
    ...stored,
    side: 'right',
    plugDeg: 30,
    obstacles: [
      {
        id: 'beam',
        label: 'beam',
        kind: 'beam',
        xMm: 20,
        yMm: -50,
        depth: measured(60),
        angleDeg: 10,
        shape: { kind: 'rod', diameterMm: 30 },
      },
    ],
    dimensions: { depthBehind: measured(64), frontGap: measured(21) },
  });
  const here = typeInto(toDraft({ ...stored, dimensions: {} }, 1), 'frontGap', '23', 'mm');
  const draft = carryOver(here, there);
  expect(draft.facts).toMatchObject({
    side: 'left',
    obstacles: [{ xMm: -20, angleDeg: -10, depth: { source: 'carriedOver', takenBy: null } }],
  });
  expect(draft.fields.depthBehind).toMatchObject({ source: 'carriedOver', readingsMm: [64], touched: true });
  expect(draft.fields.frontGap).toMatchObject({ text: '23', readingsMm: [23] });
});

describe('carrying over', () => {
  const reading = (mm: number, source: 'calliper' | 'depthStick' | 'guess') => ({
    readingsMm: [mm],
    source,
    entered: String(mm),
    takenBy: null,
    takenAt: null,
  });
  const obstacle = {
    id: 'beam',
    label: 'beam',
    kind: 'beam',
    xMm: 20,
    yMm: -50,
    depth: reading(60, 'depthStick'),
    shape: { kind: 'rod', diameterMm: 30 },
  };
  const other = openingRecordSchema.parse({
    ...stored,
    side: 'right',
    holeKind: 'oval',
    bolts: { kind: 'circle', count: 3, firstAngleDeg: 90, screwDiameterMm: 4 },
    behind: 'metal',
    wiring: { kind: 'noWires' },
    secondPlug: 'none',
    plugDeg: 30,
    obstaclesLooked: true,
    obstacles: [obstacle],
    dimensions: { holeLength: reading(150, 'calliper'), depthBehind: reading(64, 'depthStick') },
  });
  const bare = { ...stored, dimensions: {}, secondPlug: 'notLooked' as const, wiring: { kind: 'unknown' as const } };

  test('brings no look of the other side: plugs, wires and what nobody looked for stay open here', () => {
    const { facts } = carryOver(toDraft(bare, 1), other);
    expect(facts).toMatchObject({
      secondPlug: 'notLooked',
      wiring: { kind: 'unknown' },
      plugDeg: null,
      obstaclesLooked: false,
    });
    expect(facts).toMatchObject({ holeKind: 'oval', bolts: { count: 3 }, behind: 'metal' });
    expect(toFitOpening({ ...facts, dimensions: {} }, SETTINGS_DEFAULTS.halfWidthsMm, String).obstaclesLooked).toBe(
      false,
    );
  });

  test('replaces no fact that goes with what was measured here', () => {
    const measured = ['holeDiameter', 'boltCircle', 'depthBehind'] as const;
    const draft = measured.reduce((before, key) => typeInto(before, key, '149', 'mm'), toDraft(bare, 1));
    const here = { ...draft, facts: { ...draft.facts, obstaclesLooked: true } };
    const { holeKind, bolts, behind, obstacles } = carryOver(here, other).facts;
    expect({ holeKind, bolts, behind, obstacles }).toEqual({
      holeKind: bare.holeKind,
      bolts: bare.bolts,
      behind: bare.behind,
      obstacles: [],
    });
  });

  test('says beforehand what it would bring, and nothing where nothing would come', () => {
    const brings = carriedDifferences(toDraft(bare, 1), other);
    expect(brings.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['Depth behind', 'Shape of the hole', 'Screw holes', 'Beams, rails and wires']),
    );
    expect(brings.find(({ label }) => label === 'Depth behind')).toMatchObject({
      before: 'not taken',
      after: '64 mm, carried over',
    });
    expect(carriedDifferences(carryOver(toDraft(bare, 1), other), other)).toEqual([]);
  });
});
