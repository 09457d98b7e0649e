/** The whole catalogue as a parts pack, in text that is made as it is read. */
import type { DataSource, EntityManager } from 'typeorm';
import { jsonList } from '../shopFile/jsonList';
import { atOneMoment } from '../shopFile/readRows';
import { readRecords } from '../shopFile/shopFileRows';

export function writePartsPack(db: DataSource): AsyncGenerator<string> {
  return atOneMoment(db, write);
}

async function* write(manager: EntityManager): AsyncGenerator<string> {
  yield '{"format":"parts","version":2';
  yield* jsonList('connectors', readRecords(manager, 'connector'));
  yield* jsonList('parts', readRecords(manager, 'part'));
  yield '}\n';
}
