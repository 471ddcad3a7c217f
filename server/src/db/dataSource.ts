import { DataSource } from 'typeorm';
import { AuditEntity, GuestEntity, InvitationEntity } from '../account/entities.ts';
import { PlanEntity } from '../body/entities.ts';
import { CutEntity } from '../cut/entities.ts';
import { EventEntity } from '../events/entities.ts';
import { VehicleEntity } from '../garage/entities.ts';
import { GaugeHoldEntity } from '../gauge/entities.ts';
import { OrderEntity } from '../order/entities.ts';
import { PersonEntity, ShopEntity } from '../shop/entities.ts';
import {
  FindEntity,
  ForecastEntity,
  LookEntity,
  PhotoEntity,
  PitEntity,
  ReadingEntity,
  ZoneEntity,
  ZoneVersionEntity,
} from '../survey/entities.ts';
import { OfferEntity, RepairEntity } from '../verdict/entities.ts';
import { WeldEntity, WeldStepEntity } from '../weld/entities.ts';
import { migrations } from './migrations/index.ts';

export interface DatabaseAddress {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
}

/** The address from ASPECTA_DB_* in the environment; the start script sets them. */
export function databaseAddress(env: NodeJS.ProcessEnv = process.env): DatabaseAddress {
  return {
    host: env['ASPECTA_DB_HOST'] ?? '127.0.0.1',
    port: Number(env['ASPECTA_DB_PORT'] ?? 33_961),
    user: env['ASPECTA_DB_USER'] ?? 'aspecta',
    password: env['ASPECTA_DB_PASSWORD'] ?? '',
    database: env['ASPECTA_DB_NAME'] ?? 'aspecta',
  };
}

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
    entities: [
      ShopEntity,
      PersonEntity,
      VehicleEntity,
      ReadingEntity,
      ZoneEntity,
      ZoneVersionEntity,
      ForecastEntity,
      FindEntity,
      LookEntity,
      PitEntity,
      PhotoEntity,
      PlanEntity,
      OfferEntity,
      RepairEntity,
      CutEntity,
      WeldEntity,
      WeldStepEntity,
      OrderEntity,
      EventEntity,
      InvitationEntity,
      GuestEntity,
      AuditEntity,
      GaugeHoldEntity,
    ],
    migrations,
    migrationsTransactionMode: 'each',
  });
}
