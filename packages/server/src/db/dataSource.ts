/** The connection to PostgreSQL. The schema is made by migrations only. */
import 'reflect-metadata';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { ChoiceEntity } from '../features/choices/ChoiceEntity';
import { ChangeEntity } from '../features/history/ChangeEntity';
import { JobEntity } from '../features/jobs/JobEntity';
import { OpeningEntity } from '../features/openings/OpeningEntity';
import { ConnectorEntity } from '../features/parts/ConnectorEntity';
import { PartEntity } from '../features/parts/PartEntity';
import { PersonEntity } from '../features/people/PersonEntity';
import { DeviceEntity } from '../features/sessions/DeviceEntity';
import { SessionEntity } from '../features/sessions/SessionEntity';
import { ShopEntity } from '../features/shop/ShopEntity';
import { VehicleEntity } from '../features/vehicles/VehicleEntity';
import { OnceEntity } from '../http/OnceEntity';
import { APP_ROLE } from './appRole';
import { FirstTables1764000000000 } from './migrations/1764000000000-FirstTables';
import { BracketChains1764100000000 } from './migrations/1764100000000-BracketChains';
import { PeopleAndSessions1764200000000 } from './migrations/1764200000000-PeopleAndSessions';
import { History1764300000000 } from './migrations/1764300000000-History';
import { LibraryVersions1764400000000 } from './migrations/1764400000000-LibraryVersions';

/** Long enough for a busy two-core machine, short enough that a person is told before they give up. */
const CONNECT_TIMEOUT_MS = 10_000;
const MOST_CONNECTIONS = 10;

/** As the database's owner, for migrations, and for what throws everything away. */
export function createOwnerDataSource(url: string): DataSource {
  return dataSource(url, 2, {});
}

/** As the role that the running server works under. */
export function createDataSource(url: string): DataSource {
  return dataSource(url, MOST_CONNECTIONS, { options: `-c role=${APP_ROLE}` });
}

/**
 * A connection that the database ends says so by an event, and one that nobody listens to ends the process. The pool
 * listens while a connection is idle and TypeORM while it is in use; between the two nobody does. The query that was on its
 * way fails by itself, and the pool makes another connection.
 */
class HeardClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => {});
  }
}

function dataSource(url: string, max: number, extra: { readonly options?: string }): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: [
      ShopEntity,
      ConnectorEntity,
      PartEntity,
      VehicleEntity,
      JobEntity,
      OpeningEntity,
      ChoiceEntity,
      PersonEntity,
      DeviceEntity,
      SessionEntity,
      OnceEntity,
      ChangeEntity,
    ],
    migrations: [
      FirstTables1764000000000,
      BracketChains1764100000000,
      PeopleAndSessions1764200000000,
      History1764300000000,
      LibraryVersions1764400000000,
    ],
    migrationsTransactionMode: 'each',
    synchronize: false,
    extra: { max, connectionTimeoutMillis: CONNECT_TIMEOUT_MS, Client: HeardClient, ...extra },
  });
}
