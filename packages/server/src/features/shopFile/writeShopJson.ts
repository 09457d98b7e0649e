/** The whole shop as an open file, in text that is made as it is read: a history of years never stands in memory. */
import type { DataSource, EntityManager } from 'typeorm';
import { SettingsStore } from '../settings/SettingsStore';
import { atOneMoment } from './readRows';
import { readHistory, readImports, readJobs, readPeople, readRecords, readVersions } from './shopFileRows';

export function writeShopJson(db: DataSource): AsyncGenerator<string> {
  return atOneMoment(db, write);
}

async function* write(manager: EntityManager): AsyncGenerator<string> {
  yield '{"format":"shop","version":2';
  yield `,"settings":${JSON.stringify(await new SettingsStore(manager).get())}`;
  yield `,"versions":${JSON.stringify(await readVersions(manager))}`;
  yield* list('people', readPeople(manager));
  yield* list('connectors', readRecords(manager, 'connector'));
  yield* list('parts', readRecords(manager, 'part'));
  yield* list('vehicles', readRecords(manager, 'vehicle'));
  yield* list('jobs', readJobs(manager));
  yield* list('history', readHistory(manager));
  yield* list('imports', readImports(manager));
  yield '}\n';
}

async function* list(key: string, items: AsyncGenerator<unknown>): AsyncGenerator<string> {
  yield `,\n"${key}":[`;
  let separator = '\n';
  for await (const item of items) {
    yield separator + JSON.stringify(item);
    separator = ',\n';
  }
  yield ']';
}
