import { DataSource } from 'typeorm';
import { stations } from '../stations.ts';
import type { DatabaseAddress } from './address.ts';
import { migrations } from './migrations/index.ts';

export function createDataSource(address: DatabaseAddress): DataSource {
  return new DataSource({
    type: 'mariadb',
    host: address.host,
    port: address.port,
    username: address.user,
    password: address.password,
    database: address.database,
    charset: 'utf8mb4_unicode_ci',
    timezone: 'Z',
    dateStrings: ['DATE'],
    poolSize: 10,
    entities: stations.flatMap((station) => [...(station.entities ?? [])]),
    migrations: [...migrations, ...stations.flatMap((station) => station.migrations ?? [])],
    migrationsTransactionMode: 'each',
  });
}
