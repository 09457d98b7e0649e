/** The connection to PostgreSQL. The schema is made by migrations only. */
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { ChoiceEntity } from '../features/choices/ChoiceEntity';
import { JobEntity } from '../features/jobs/JobEntity';
import { OpeningEntity } from '../features/openings/OpeningEntity';
import { ConnectorEntity } from '../features/parts/ConnectorEntity';
import { PartEntity } from '../features/parts/PartEntity';
import { ShopEntity } from '../features/shop/ShopEntity';
import { VehicleEntity } from '../features/vehicles/VehicleEntity';
import { FirstTables1764000000000 } from './migrations/1764000000000-FirstTables';
import { BracketChains1764100000000 } from './migrations/1764100000000-BracketChains';

/** Long enough for a busy two-core machine, short enough that a person is told before they give up. */
const CONNECT_TIMEOUT_MS = 10_000;
const MOST_CONNECTIONS = 10;

export function createDataSource(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: [ShopEntity, ConnectorEntity, PartEntity, VehicleEntity, JobEntity, OpeningEntity, ChoiceEntity],
    migrations: [FirstTables1764000000000, BracketChains1764100000000],
    migrationsTransactionMode: 'each',
    synchronize: false,
    extra: { max: MOST_CONNECTIONS, connectionTimeoutMillis: CONNECT_TIMEOUT_MS },
  });
}
