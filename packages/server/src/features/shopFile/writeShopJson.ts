/** The whole shop as an open file, in text that is made as it is read: a history of years never stands in memory. */
import type { DataSource, EntityManager } from 'typeorm';
import type { PictureFiles } from '../photos/PictureFiles';
import { SettingsStore } from '../settings/SettingsStore';
import { jsonList } from './jsonList';
import { atOneMoment } from './readRows';
import {
  readHistory,
  readImports,
  readJobs,
  readPeople,
  readPhotos,
  readPictures,
  readRecords,
  readShelf,
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
  yield* jsonList('people', readPeople(manager));
  yield* jsonList('connectors', readRecords(manager, 'connector'));
  yield* jsonList('parts', readRecords(manager, 'part'));
  yield* jsonList('vehicles', readRecords(manager, 'vehicle'));
  yield* jsonList('jobs', readJobs(manager));
  yield* jsonList('history', readHistory(manager));
  yield* jsonList('imports', readImports(manager));
  yield* jsonList('photos', readPhotos(manager));
  yield* jsonList('shelf', readShelf(manager));
  yield* jsonList('pictures', readPictures(manager, pictures));
  yield '}\n';
}
