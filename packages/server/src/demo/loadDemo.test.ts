import { cp, mkdtemp, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import {
  figuresOf,
  NOMINAL_SIZES,
  PART_KINDS,
  type PartKind,
  partName,
  toFitCatalogue,
} from '@low-quarry/core/catalogue';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import { doubtSpeakers } from '@low-quarry/core/doubt';
import { bestStack } from '@low-quarry/core/fit/bestStack';
import type { Baseline, OpeningRecord } from '@low-quarry/core/model';
import { toFitRules } from '@low-quarry/core/model/settings';
import { toFitOpening } from '@low-quarry/core/model/toFitOpening';
import { openPoints, RAIL, type RailStation, railOf } from '@low-quarry/core/stations';
import { rankCandidates } from '@low-quarry/core/testing/rankCandidates';
import { pino } from 'pino';
import { PartsStore } from '../features/library/PartsStore';
import { readGoods } from '../features/library/readGoods';
import { createTestApp, type TestApp } from '../testing/testApp';
import {
  countingIds,
  createTestDatabase,
  DEMO_DIR,
  NOW,
  STARTER_DIR,
  type TestDatabase,
  testDemo,
} from '../testing/testDatabase';
import { readDemoFiles } from './demoFiles';
import { loadDemo, resetDemo } from './loadDemo';

let app: TestApp;
let files: Awaited<ReturnType<typeof readDemoFiles>>;
beforeAll(async () => {
  app = await createTestApp();
  files = await readDemoFiles(DEMO_DIR);
});
afterAll(() => app.drop());

const ofKind = (kind: string) => files.parts.filter((part) => part.kind === kind);

describe('the demo shop is as large as it claims', () => {
  test('60 speakers of every nominal size by several makers, 25 brackets, 12 connectors, 20 adapters, vehicles with 3 to 6 openings', () => {
    expect(ofKind('speaker')).toHaveLength(60);
    expect(ofKind('bracket')).toHaveLength(25);
    expect(ofKind('harnessAdapter')).toHaveLength(20);
    expect(files.connectors).toHaveLength(12);
    expect(files.vehicles.length).toBeGreaterThanOrEqual(4);
    for (const { openings } of files.vehicles) {
      expect(openings.length).toBeGreaterThanOrEqual(3);
      expect(openings.length).toBeLessThanOrEqual(6);
    }
    const speakers = files.parts.flatMap((part) => (part.kind === 'speaker' ? [part] : []));
    expect(new Set(speakers.map(({ nominalSize }) => nominalSize))).toEqual(new Set(NOMINAL_SIZES));
    expect(new Set(speakers.map(({ maker }) => maker)).size).toBeGreaterThanOrEqual(4);
    const sixAndAHalf = speakers
      .filter(({ nominalSize }) => nominalSize === '6.5 in')
      .flatMap(({ mountingDepthMm }) => mountingDepthMm ?? []);
    expect(Math.max(...sixAndAHalf) - Math.min(...sixAndAHalf)).toBeGreaterThan(25);
  });

  test('no id stands for two things, and every adapter starts at a connector there is', () => {
    const ids = files.parts.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const connectors = new Set(files.connectors.map(({ id }) => id));
    for (const part of files.parts)
      if (part.kind === 'harnessAdapter') expect(connectors).toContain(part.fromConnectorId);
  });
});

describe('a car stands at every station of the rail', () => {
  /** Where everything before is done, and something is open. */
  async function standingAt(): Promise<ReadonlyMap<string, RailStation | undefined>> {
    const { body } = await app.http.get('/api/jobs').expect(200);
    const jobs: readonly JobInList[] = body.jobs;
    return new Map(
      jobs.map((job) => {
        const rail = railOf(openPoints(job, job.openings));
        return [job.registration, RAIL.find((station) => rail[station].open > 0)];
      }),
    );
  }

  test('from the telephone to the keys', async () => {
    const standing = await standingAt();
    expect(new Set(standing.values())).toEqual(new Set(RAIL));
    expect(Object.fromEntries(standing)).toMatchObject({
      'HIVE 2': 'measure',
      'MEND 1': 'match',
      'MEND 2': 'wire',
      'MEND 3': 'order',
      'MEND 4': 'build',
      'MEND 5': 'handOver',
    });
  });

  test('one variant is from a body template and one from another trim, and of neither anything is taken for seen', async () => {
    const begun = async (find: string) => {
      const { body } = await app.http.get(`/api/vehicles?find=${encodeURIComponent(find)}`).expect(200);
      return (await app.http.get(`/api/vehicles/${body.found[0].id}`).expect(200)).body.record;
    };
    const template = await begun('gannet');
    expect(template.beganAs).toEqual({ kind: 'template', name: 'Estate, 5 doors' });
    expect(template.openings.every(({ assumed }: OpeningRecord) => assumed.length > 0)).toBe(true);
    const carried = await begun('creel comfort');
    expect(carried.beganAs).toMatchObject({ kind: 'variant', vehicleId: 'veh-tollan-creel' });
    expect(carried.openings[0]).toMatchObject({ presence: 'notLooked', wiring: { kind: 'unknown' } });
    expect(carried.panels[0].grade).toBe('otherCar');
  });

  test('one baseline is signed, with three faults', async () => {
    const { body } = await app.http.get('/api/jobs?find=HIVE').expect(200);
    const { baseline } = body.jobs[0];
    expect(baseline.signed).not.toBeNull();
    const faults = Object.values(baseline.functions as Baseline['functions']).filter(
      ({ state }) => state === 'doesNot',
    );
    expect(faults).toHaveLength(3);
  });
});

describe('the traps are in it', () => {
  async function ranked(
    jobNumber: number,
    place: Parameters<TestApp['opening']>[1],
    side: Parameters<TestApp['opening']>[2],
  ) {
    const { record } = await app.opening(jobNumber, place, side);
    const ranking = rankCandidates(
      toFitOpening(record, files.shop.halfWidthsMm, String),
      toFitCatalogue(files.parts),
      toFitRules(files.shop),
    );
    const best = (id: string) => ranking.speakers.find(({ speakerId }) => speakerId === id)?.best;
    const fallOut = (check: string) =>
      ranking.speakers.filter((each) => each.best.verdict !== 'clears' && each.best.decidedBy === check).length;
    return { ranking, best, fallOut };
  }

  test('two 6.5-inch speakers of one maker: one clears the glass, the other hits', async () => {
    const { best } = await ranked(1, 'frontDoorLow', 'left');
    expect(best('spk-wrackline-shoal-65-slim')?.verdict).toBe('clears');
    expect(best('spk-wrackline-shoal-65')).toMatchObject({ verdict: 'hits' });
  });

  test.each([
    ['the warning sounds of the minibus', 3, 'dashCentre', 'centre', 'chime'],
    ['the rear doors of base trim, without wires,', 5, 'rearDoor', 'left', 'connector'],
  ] as const)(
    '%s hold whatever is chosen, and the candidates keep their own words',
    async (_, job, place, side, check) => {
      const { record } = await app.opening(job, place, side);
      const catalogue = toFitCatalogue(files.parts);
      const opening = toFitOpening(record, files.shop.halfWidthsMm, String);
      const verdicts = catalogue.speakers.map((speaker) => {
        const { judgement } = bestStack(opening, speaker, catalogue, toFitRules(files.shop));
        expect(judgement.checks.find(({ id }) => id === check)).toMatchObject({
          verdict: 'hold',
          countsFor: 'opening',
        });
        return judgement.verdict;
      });
      expect(new Set(verdicts).size).toBeGreaterThan(1);
      expect(verdicts).not.toContain('hold');
    },
  );

  test("one measurement decides the estate's front door: the glass depth is a class default", async () => {
    const { record } = await app.opening(4, 'frontDoorLow', 'left');
    const ownSize = files.parts.filter(
      (part) => part.kind !== 'speaker' || part.nominalSize === '6.75 in' || part.nominalSize === '6.5 in',
    );
    const catalogue = toFitCatalogue(ownSize);
    const rules = toFitRules(files.shop);
    const open = (of: typeof record) =>
      rankCandidates(toFitOpening(of, files.shop.halfWidthsMm, String), catalogue, rules).speakers.filter(
        ({ best }) => best.verdict === 'measure',
      ).length;
    const measured = {
      ...record,
      dimensions: {
        ...record.dimensions,
        depthBehind: { readingsMm: [66], source: 'depthStick' as const, entered: '66', takenBy: null, takenAt: null },
      },
    };
    expect(open(record)).toBeGreaterThanOrEqual(8);
    expect(open(measured)).toBeLessThanOrEqual(open(record) / 2);
  });
});

test('resetting gives the same shop again, whatever was done to it', async () => {
  // Sessions are reset with the rest: whoever was signed in signs in again.
  const snapshot = async () => (await (await app.signedIn('Okke')).get('/api/jobs').expect(200)).body;
  const before = await snapshot();
  await app.db.query(`DELETE FROM job WHERE number > 2`);
  await app.db.query(`UPDATE job SET customer = 'changed'`);
  await resetDemo(app.owner, await testDemo(), { now: () => NOW, newId: countingIds() });
  expect(await snapshot()).toEqual(before);
});

describe('with all that its trade has', () => {
  let whole: TestDatabase;
  beforeAll(async () => {
    whole = await createTestDatabase({ empty: true });
    const goods = await readGoods(STARTER_DIR, pino({ level: 'silent' }));
    await loadDemo(whole.db, { ...(await testDemo()), goods }, { now: () => NOW, newId: countingIds() });
  });
  afterAll(() => whole.drop());

  test('6 makers and more, 4 suppliers, 400 speakers, 20 sets, 120 brackets, 60 connectors with 150 leads, and a part of every kind', async () => {
    const parts = await new PartsStore(whole.db.manager).listAllParts();
    const count = (kind: PartKind) => parts.filter((part) => part.kind === kind).length;
    expect(new Set(parts.flatMap((part) => (part.kind === 'speaker' ? part.maker : []))).size).toBeGreaterThanOrEqual(
      6,
    );
    expect(new Set(parts.flatMap(({ offers }) => offers.map(({ supplier }) => supplier))).size).toBeGreaterThanOrEqual(
      4,
    );
    expect(count('speaker')).toBeGreaterThanOrEqual(400);
    expect(count('set')).toBeGreaterThanOrEqual(20);
    expect(count('bracket')).toBeGreaterThanOrEqual(120);
    expect(count('harnessAdapter')).toBeGreaterThanOrEqual(150);
    for (const kind of PART_KINDS) expect([kind, count(kind) > 0]).toEqual([kind, true]);
    const connectors = await new PartsStore(whole.db.manager).listAllConnectors();
    expect(connectors.length).toBeGreaterThanOrEqual(60);
    const used = new Set(parts.flatMap((part) => (part.kind === 'harnessAdapter' ? part.fromConnectorId : [])));
    expect(connectors.filter(({ id }) => used.has(id)).length).toBeGreaterThanOrEqual(50);
  });

  test('every speaker of it can be judged, no name stands twice, and hardly a figure is doubted', async () => {
    const parts = await new PartsStore(whole.db.manager).listAllParts();
    const speakers = parts.flatMap((part) => (part.kind === 'speaker' ? [part] : []));
    expect(toFitCatalogue(speakers).speakers).toHaveLength(speakers.length);
    const names = parts.map(partName);
    expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
    const { doubts } = doubtSpeakers(
      speakers.map((each) => ({ ...each, figures: figuresOf(each) })),
      [],
    );
    expect(doubts.size).toBeLessThan(speakers.length / 100);
  });

  test('it came in as one change, by the demo itself', async () => {
    const [, line] = await whole.db.query(
      `SELECT "label", "person_name", "after" FROM "change" WHERE "kind" = 'partsImport' ORDER BY "id"`,
    );
    expect(line).toMatchObject({ label: 'What the trade has', person_name: 'The demo shop', after: { changed: 0 } });
  });
});

describe('a broken file is named with the place in it', () => {
  let dir: string;
  beforeEach(async () => {
    dir = await mkdtemp(path.join(tmpdir(), 'demo-'));
    await cp(DEMO_DIR, dir, { recursive: true });
  });
  afterEach(() => rm(dir, { recursive: true }));

  test('a figure that is none', async () => {
    const file = path.join(dir, 'spacers.json');
    const [first, ...others] = JSON.parse(await readFile(file, 'utf8'));
    await writeFile(file, JSON.stringify([...others, { ...first, heightMm: 'tall' }]));
    await expect(readDemoFiles(dir)).rejects.toThrow(`demo/spacers.json at ${others.length}.heightMm: found "tall"; `);
  });

  test('a file that is cut short', async () => {
    await truncate(path.join(dir, 'vehicles.json'), 100);
    await expect(readDemoFiles(dir)).rejects.toThrow(/^demo\/vehicles\.json: found .*; JSON/);
  });

  test('a file that is not there', async () => {
    await rm(path.join(dir, 'jobs.json'));
    await expect(readDemoFiles(dir)).rejects.toThrow('jobs.json');
  });
});
