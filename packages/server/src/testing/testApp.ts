/** The application over HTTP on a test database, with people signed in, and what tests ask of it. */
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Place, Side } from '@low-quarry/core/model/place';
import type { Express } from 'express';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../app';
import { readDemoPeople } from '../demo/demoFiles';
import { loadDemo } from '../demo/loadDemo';
import { BackupService } from '../features/backup/BackupService';
import { ChangeFeed } from '../features/live/ChangeFeed';
import { countingIds, createTestDatabase, DEMO_DIR, NOW, type TestDatabase } from './testDatabase';

export type Http = ReturnType<typeof supertest.agent>;

export type TestApp = TestDatabase & {
  readonly app: Express;
  /** Where it listens. */
  readonly origin: string;
  /** The owner's browser; nobody's in an empty shop. */
  readonly http: Http;
  /** A browser of its own, in which nobody is signed in. */
  readonly browser: () => Http;
  /** A browser in which this person of the demo shop is signed in. */
  readonly signedIn: (name: string) => Promise<Http>;
  /** Moves the server's clock, ms. */
  readonly wait: (ms: number) => void;
  readonly jobNumber: (number: number) => Promise<{ job: Job; openings: OpeningWithState[] }>;
  readonly opening: (jobNumber: number, place: Place, side: Side) => Promise<OpeningWithState>;
};

/** Tests try more than people do. */
const MOST_TRIES = 1000;

export async function createTestApp({
  mostTries = MOST_TRIES,
  backupDir = null,
  ...options
}: {
  readonly empty?: boolean;
  readonly mostTries?: number;
  readonly backupDir?: string | null;
} = {}): Promise<TestApp> {
  const database = await createTestDatabase(options);
  const counted = countingIds();
  // Apart from those of the template, and of another shop that is brought in.
  const newId = () => counted().replace('4000', options.empty ? '4eee' : '4fff');
  let late = 0;
  const now = () => new Date(NOW.getTime() + late);
  const people = await readDemoPeople(DEMO_DIR);
  const feed = new ChangeFeed(database.db, database.url, pino({ level: 'silent' }));
  await feed.start();
  const app = createApp({
    db: database.db,
    log: pino({ level: 'silent' }),
    now,
    newId,
    webDir: null,
    mostTries,
    backups: backupDir
      ? new BackupService({ dir: backupDir, binDir: process.env.LQ_PG_BIN ?? null, databaseUrl: database.url }, now)
      : null,
    feed,
    demo: { signIns: async () => people, load: () => loadDemo(database.db, DEMO_DIR, { now, newId }) },
  });
  const server = app.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const browser = () => supertest.agent(origin).set('Origin', origin);
  const signedIn = async (name: string) => {
    const http = browser();
    const { password } = people.find((each) => each.name === name) ?? { password: '' };
    await http.post('/api/session').send({ name, password }).expect(200);
    return http;
  };
  const http = options.empty ? browser() : await signedIn('Okke');
  const jobNumber = async (number: number) => {
    const { body } = await http.get('/api/jobs').expect(200);
    const found = body.jobs.find((job: Job) => job.number === number);
    return (await http.get(`/api/jobs/${found.id}`).expect(200)).body;
  };
  const opening = async (number: number, place: Place, side: Side) => {
    const { openings } = await jobNumber(number);
    const found = openings.find((each: OpeningWithState) => each.record.place === place && each.record.side === side);
    if (!found) throw new Error(`job ${number} has no ${place} ${side}`);
    return found;
  };
  const drop = async () => {
    await feed.stop();
    server.closeAllConnections();
    server.close();
    await database.drop();
  };
  const wait = (ms: number) => {
    late += ms;
  };
  return { ...database, app, origin, http, browser, signedIn, wait, jobNumber, opening, drop };
}
