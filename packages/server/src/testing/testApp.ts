/** The application over HTTP on a test database, with people signed in, and what tests ask of it. */
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { PERSON_HEADER, ROLES_HEADER } from '@low-quarry/core/contracts/contract';
import type { Job, JobInList, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Me } from '@low-quarry/core/contracts/sessions';
import type { Place, Side } from '@low-quarry/core/model';
import type { Express } from 'express';
import { pino } from 'pino';
import supertest from 'supertest';
import type { DataSource } from 'typeorm';
import { createApp } from '../app';
import { createDataSource } from '../db/dataSource';
import { readDemoPeople } from '../demo/demoFiles';
import { loadDemo } from '../demo/loadDemo';
import { BackupService } from '../features/backup/BackupService';
import { createRunners } from '../features/backup/runners';
import { ShopReplacement } from '../features/backup/ShopReplacement';
import { readGoods } from '../features/library/readGoods';
import { ChangeFeed } from '../features/live/ChangeFeed';
import { PictureFiles } from '../features/photos/PictureFiles';
import { readTemplates } from '../features/vehicles/readTemplates';
import { createServer } from '../http/createServer';
import { Hold } from '../http/Hold';
import { runHere } from '../tasks/here';
import { WorkQueue } from '../work/WorkQueue';
import { countingIds, createTestDatabase, DEMO_DIR, NOW, STARTER_DIR, type TestDatabase } from './testDatabase';

export type Http = ReturnType<typeof supertest.agent>;

export type TestApp = TestDatabase & {
  readonly app: Express;
  readonly server: Server;
  readonly backups: BackupService | null;
  readonly work: WorkQueue | null;
  readonly hold: Hold;
  readonly heavy: DataSource;
  readonly now: () => Date;
  /** Where it listens. */
  readonly origin: string;
  /** The owner's browser; nobody's in an empty shop. */
  readonly http: Http;
  /** A browser of its own, in which nobody is signed in. */
  readonly browser: () => Http;
  /** A browser in which this person of the demo shop is signed in. */
  readonly signedIn: (name: string, password?: string) => Promise<Http>;
  /** Moves the server's clock, ms. */
  readonly wait: (ms: number) => void;
  /** Every open job, page after page. */
  readonly listJobs: (http?: Http) => Promise<readonly JobInList[]>;
  readonly jobNumber: (number: number) => Promise<{ job: Job; openings: OpeningWithState[] }>;
  readonly opening: (jobNumber: number, place: Place, side: Side) => Promise<OpeningWithState>;
};

export async function createTestApp({
  backupDir = null,
  photoDir = null,
  allowedHosts = [],
  trustedProxies = [],
  mayBeDemo = true,
  ...options
}: {
  readonly empty?: boolean;
  readonly backupDir?: string | null;
  readonly photoDir?: string | null;
  readonly allowedHosts?: readonly string[];
  readonly trustedProxies?: readonly string[];
  readonly mayBeDemo?: boolean;
} = {}): Promise<TestApp> {
  const database = await createTestDatabase({ ...options, hasQueue: backupDir !== null });
  const { db, addresses } = database;
  const counted = countingIds();
  // Apart from those of the template, and of another shop that is brought in.
  const newId = () => counted().replace('4000', options.empty ? '4eee' : '4fff');
  let late = 0;
  const now = () => new Date(NOW.getTime() + late);
  const people = await readDemoPeople(DEMO_DIR);
  const log = pino({ level: process.env.LQ_SHOW_LOG ? 'debug' : 'silent' });
  const feed = new ChangeFeed(db, addresses.appUrl, log);
  await feed.start();
  const heavy = await createDataSource(addresses.appUrl, 'heavy').initialize();
  const hold = new Hold();
  const open = {
    close: async () => {
      await work?.stop();
      await feed.stop();
      for (const each of [db, heavy, database.owner]) await each.destroy();
    },
    open: async () => {
      for (const each of [db, heavy, database.owner]) await each.initialize();
      await feed.start();
      await work?.start();
    },
  };
  const replacement = new ShopReplacement(addresses, hold, open, mayBeDemo, log);
  const pictures = photoDir === null ? null : new PictureFiles(photoDir);
  const tools = { binDir: process.env.LQ_PG_BIN ?? null, appUrl: addresses.appUrl, pictures };
  const backups = backupDir ? new BackupService({ dir: backupDir, ...tools }, replacement, now) : null;
  const work =
    backups &&
    new WorkQueue(
      { db, appUrl: addresses.appUrl, log, now, newId: randomUUID },
      createRunners({ db, hold, backups, pictures, appUrl: addresses.appUrl, runBeside: runHere, now, newId }),
    );
  await work?.start();
  const templates = await readTemplates(STARTER_DIR, log);
  const app = createApp({
    db,
    heavy,
    hold,
    log,
    now,
    newId,
    runTask: runHere,
    appUrl: addresses.appUrl,
    webDir: null,
    templates,
    goods: await readGoods(STARTER_DIR, log),
    backups,
    pictures,
    work,
    feed,
    demo: {
      signIns: async () => people,
      load: () => loadDemo(db, { goods: null, dir: DEMO_DIR, templates, pictures }, { now, newId }),
    },
    allowedHosts,
    trustedProxies,
  });
  const server = createServer(app, null);
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const browser = () => supertest.agent(origin).set('Origin', origin);
  const signedIn = async (name: string, own?: string) => {
    const http = browser();
    const password = own ?? people.find((each) => each.name === name)?.password ?? '';
    const { body } = await http.post('/api/session').send({ name, password }).expect(200);
    return asPerson(http, body.me);
  };
  const http = options.empty ? browser() : await signedIn('Okke');
  const listJobs = async (asked = http) => {
    const jobs: JobInList[] = [];
    for (let page = 1; ; page++) {
      const { body } = await asked.get('/api/jobs').query({ page }).expect(200);
      jobs.push(...body.jobs);
      if (jobs.length >= body.total) return jobs;
    }
  };
  const jobNumber = async (number: number) => {
    const found = (await listJobs()).find((job) => job.number === number);
    if (!found) throw new Error(`there is no job ${number}`);
    return (await http.get(`/api/jobs/${found.id}`).expect(200)).body;
  };
  const opening = async (number: number, place: Place, side: Side) => {
    const { openings } = await jobNumber(number);
    const found = openings.find((each: OpeningWithState) => each.record.place === place && each.record.side === side);
    if (!found) throw new Error(`job ${number} has no ${place} ${side}`);
    return found;
  };
  const drop = async () => {
    await work?.stop();
    await feed.stop();
    server.closeAllConnections();
    server.close();
    if (heavy.isInitialized) await heavy.destroy();
    await database.drop();
  };
  const wait = (ms: number) => {
    late += ms;
  };
  return {
    ...database,
    app,
    backups,
    work,
    hold,
    heavy,
    now,
    server,
    origin,
    http,
    browser,
    signedIn,
    wait,
    listJobs,
    jobNumber,
    opening,
    drop,
  };
}

/** From now on every request of this browser says that it comes from that person's screen. */
export function asPerson(http: Http, { id, roles }: Pick<Me, 'id' | 'roles'>): Http {
  return http.set(PERSON_HEADER, id).set(ROLES_HEADER, roles.join(','));
}
