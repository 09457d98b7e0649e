/** The application over HTTP on a test database, and what tests ask of it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Place, Side } from '@low-quarry/core/model/place';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../app';
import { countingIds, createTestDatabase, NOW, type TestDatabase } from './testDatabase';

export type TestApp = TestDatabase & {
  readonly http: ReturnType<typeof supertest>;
  readonly jobNumber: (number: number) => Promise<{ job: Job; openings: OpeningWithState[] }>;
  readonly opening: (jobNumber: number, place: Place, side: Side) => Promise<OpeningWithState>;
};

export async function createTestApp(options: { readonly empty?: boolean } = {}): Promise<TestApp> {
  const database = await createTestDatabase(options);
  const newId = countingIds();
  const app = createApp({
    db: database.db,
    log: pino({ level: 'silent' }),
    now: () => NOW,
    newId: () => newId().replace('4000', '4fff'),
    webDir: null,
  });
  const http = supertest(app);
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
  return { ...database, http, jobNumber, opening };
}
