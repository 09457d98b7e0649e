/** The whole shop as an open file, in text that is made as it is read: a history of years never stands in memory. */
import type { DataSource, EntityManager } from 'typeorm';
import type { PictureFiles } from '../photos/PictureFiles';
import { SettingsStore } from '../settings/SettingsStore';
import { atOneMoment } from './readRows';
import {
  readHistory,
  readImports,
  readJobs,
  readPeople,
  readPhotos,
  readPictures,
  readRecords,
  readVersions,
} from './shopFileRows';

/** @param pictures null where there are none: then the photos go out without */
export function writeShopJson(db: DataSource, pictures: PictureFiles | null): AsyncGenerator<string> {
  return atOneMoment(db, (manager) => write(manager, pictures));
}

async function* write(manager: EntityManager, pictures: PictureFiles | null): AsyncGenerator<string> {
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
  yield* list('photos', readPhotos(manager));
  yield* list('pictures', readPictures(manager, pictures));
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
