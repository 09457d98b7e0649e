/** The connections to PostgreSQL. The schema is made by migrations only. */
import 'reflect-metadata';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { ChoiceEntity } from '../features/choices/ChoiceEntity';
import { ChangeEntity } from '../features/history/ChangeEntity';
import { JobEntity } from '../features/jobs/JobEntity';
import { ConnectorEntity } from '../features/library/ConnectorEntity';
import { PartEntity } from '../features/library/PartEntity';
import { ListEntity } from '../features/lists/ListEntity';
import { OpeningEntity } from '../features/openings/OpeningEntity';
import { PersonEntity } from '../features/people/PersonEntity';
import { PhotoEntity } from '../features/photos/PhotoEntity';
import { AttemptEntity } from '../features/sessions/AttemptEntity';
import { DeviceEntity } from '../features/sessions/DeviceEntity';
import { SessionEntity } from '../features/sessions/SessionEntity';
import { SettingsEntity } from '../features/settings/SettingsEntity';
import { ShelfEntity } from '../features/shelf/ShelfEntity';
import { VehicleEntity } from '../features/vehicles/VehicleEntity';
import { OnceEntity } from '../http/OnceEntity';
import { WorkEntity } from '../work/WorkEntity';
import { FirstTables1764000000000 } from './migrations/1764000000000-FirstTables';
import { BracketChains1764100000000 } from './migrations/1764100000000-BracketChains';
import { PeopleAndSessions1764200000000 } from './migrations/1764200000000-PeopleAndSessions';
import { History1764300000000 } from './migrations/1764300000000-History';
import { LibraryVersions1764400000000 } from './migrations/1764400000000-LibraryVersions';
import { Guards1764500000000 } from './migrations/1764500000000-Guards';
import { Layers1764600000000 } from './migrations/1764600000000-Layers';
import { Answers1764700000000 } from './migrations/1764700000000-Answers';
import { Works1764800000000 } from './migrations/1764800000000-Works';
import { CatalogueVersion1764900000000 } from './migrations/1764900000000-CatalogueVersion';
import { JobEnds1764900100000 } from './migrations/1764900100000-JobEnds';
import { HistoryWords1764900200000 } from './migrations/1764900200000-HistoryWords';
import { PartsImports1764900300000 } from './migrations/1764900300000-PartsImports';
import { Work1764900400000 } from './migrations/1764900400000-Work';
import { Variants1764900500000 } from './migrations/1764900500000-Variants';
import { Intake1764900600000 } from './migrations/1764900600000-Intake';
import { Baseline1764900700000 } from './migrations/1764900700000-Baseline';
import { Questions1764900800000 } from './migrations/1764900800000-Questions';
import { Photos1764900900000 } from './migrations/1764900900000-Photos';
import { Facts1764901000000 } from './migrations/1764901000000-Facts';
import { Offers1764901100000 } from './migrations/1764901100000-Offers';
import { Shelf1764901200000 } from './migrations/1764901200000-Shelf';
import { PartFigures1764901300000 } from './migrations/1764901300000-PartFigures';
import { ListsAsked1764901400000 } from './migrations/1764901400000-ListsAsked';
import { AmplifierPlans1764901500000 } from './migrations/1764901500000-AmplifierPlans';
import { CrossoversAndBoxes1764901600000 } from './migrations/1764901600000-CrossoversAndBoxes';
import { Bay1764901700000 } from './migrations/1764901700000-Bay';
import { Bookings1764901800000 } from './migrations/1764901800000-Bookings';
import { SmallParts1765001900000 } from './migrations/1765001900000-SmallParts';

/** In the order in which they are run. */
const MIGRATIONS = [
  FirstTables1764000000000,
  BracketChains1764100000000,
  PeopleAndSessions1764200000000,
  History1764300000000,
  LibraryVersions1764400000000,
  Guards1764500000000,
  Layers1764600000000,
  Answers1764700000000,
  Works1764800000000,
  CatalogueVersion1764900000000,
  JobEnds1764900100000,
  HistoryWords1764900200000,
  PartsImports1764900300000,
  Work1764900400000,
  Variants1764900500000,
  Intake1764900600000,
  Baseline1764900700000,
  Questions1764900800000,
  Photos1764900900000,
  Facts1764901000000,
  Offers1764901100000,
  Shelf1764901200000,
  PartFigures1764901300000,
  ListsAsked1764901400000,
  AmplifierPlans1764901500000,
  CrossoversAndBoxes1764901600000,
  Bay1764901700000,
  Bookings1764901800000,
  SmallParts1765001900000,
] as const;

export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name);

/** The schema that this program knows, as the `timestamp` of its last migration. */
export const SCHEMA = Number(/\d+$/.exec(MIGRATION_NAMES.at(-1) ?? '')?.[0] ?? 0);

/** Long enough for a busy two-core machine, short enough that a person is told before they give up. */
const CONNECT_TIMEOUT_MS = 10_000;
const MINUTE_MS = 60_000;

/**
 * What a connection waits for at the most, by the kind of work. A wait without an end holds a connection, and ten of those
 * hold the shop.
 *
 * - `work`: what people do; saves and reads of single records.
 * - `heavy`: searches through the history and reads of everything, apart, so that none of them starves a save.
 * - `owner`: migrations, which may take their time.
 */
const KINDS = {
  work: { most: 10, statementMs: 15_000, lockMs: 5000, idleInTransactionMs: 30_000 },
  heavy: { most: 3, statementMs: 20_000, lockMs: 5000, idleInTransactionMs: 10 * MINUTE_MS },
  owner: { most: 2, statementMs: 0, lockMs: 0, idleInTransactionMs: 0 },
} as const;

/** As the database's owner, for migrations, and for what throws everything away. */
export function createOwnerDataSource(url: string, { upTo }: { readonly upTo?: string } = {}): DataSource {
  return dataSource(url, 'owner', upTo);
}

/** As the login that the running server works under. */
export function createDataSource(appUrl: string, kind: 'work' | 'heavy' = 'work'): DataSource {
  return dataSource(appUrl, kind);
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

function dataSource(url: string, kind: keyof typeof KINDS, upTo = MIGRATION_NAMES.at(-1)): DataSource {
  const { most, statementMs, lockMs, idleInTransactionMs } = KINDS[kind];
  const settings = {
    'lq.schema': SCHEMA,
    statement_timeout: statementMs,
    lock_timeout: lockMs,
    idle_in_transaction_session_timeout: idleInTransactionMs,
  };
  return new DataSource({
    type: 'postgres',
    url,
    entities: [
      SettingsEntity,
      ConnectorEntity,
      PartEntity,
      VehicleEntity,
      JobEntity,
      ListEntity,
      OpeningEntity,
      ChoiceEntity,
      PhotoEntity,
      ShelfEntity,
      PersonEntity,
      DeviceEntity,
      SessionEntity,
      AttemptEntity,
      OnceEntity,
      ChangeEntity,
      WorkEntity,
    ],
    migrations: MIGRATIONS.slice(0, MIGRATION_NAMES.indexOf(upTo ?? '') + 1),
    migrationsTransactionMode: 'each',
    synchronize: false,
    extra: {
      max: most,
      connectionTimeoutMillis: CONNECT_TIMEOUT_MS,
      Client: HeardClient,
      keepAlive: true,
      options: Object.entries(settings)
        .map(([name, value]) => `-c ${name}=${value}`)
        .join(' '),
    },
  });
}
