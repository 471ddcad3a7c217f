import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { alreadyThere } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { GaugeHoldEntity, type GaugeHoldRow } from './entities.ts';

/** s for which a hold lasts, and ms between its renewals: the hold of a server that has died ends by itself. */
const LASTS = 30;
const RENEWED_EVERY = 10_000;

/** Who has which gauge in hand, over all server processes; by the clock of the database, which they share. */
export class GaugeHolds {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  async list(): Promise<GaugeHoldRow[]> {
    return this.db
      .getRepository(GaugeHoldEntity)
      .createQueryBuilder('hold')
      .where('hold.until > UTC_TIMESTAMP(3)')
      .getMany();
  }

  /**
   * Takes a gauge in hand; the same person may take it from one page to another.
   * @param lost called when somebody else has it, or the hold could not be renewed
   * @returns how to put it down
   */
  async take(caller: Caller, gauge: { id: string; name: string }, lost: () => void): Promise<() => Promise<void>> {
    const holder = randomUUID();
    // Raw: only where nobody else holds it, in one statement.
    await this.db.query(
      `INSERT INTO gauge_hold (gaugeId, holder, personId, shopId, name, until)
        VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ${LASTS} SECOND)
        ON DUPLICATE KEY UPDATE
          holder = IF(@free := (until <= UTC_TIMESTAMP(3) OR personId = VALUES(personId)), VALUES(holder), holder),
          shopId = IF(@free, VALUES(shopId), shopId), name = IF(@free, VALUES(name), name),
          until = IF(@free, VALUES(until), until), personId = IF(@free, VALUES(personId), personId)`,
      [gauge.id, holder, caller.personId, caller.shopId, caller.name],
    );
    const row = await this.db.getRepository(GaugeHoldEntity).findOneBy({ gaugeId: gauge.id });
    if (row?.holder !== holder)
      throw alreadyThere(
        'gauge',
        `${gauge.name} is in the hands of ${row?.shopId === caller.shopId ? row.name : 'another shop'}; it can be taken when it is put down.`,
      );
    const timer = setInterval(() => {
      void this.renew(gauge.id, holder).then(
        (still) => still || lost(),
        () => undefined,
      );
    }, RENEWED_EVERY);
    timer.unref();
    return async () => {
      clearInterval(timer);
      await this.db.getRepository(GaugeHoldEntity).delete({ gaugeId: gauge.id, holder });
    };
  }

  private async renew(gaugeId: string, holder: string): Promise<boolean> {
    const { affectedRows } = (await this.db.query(
      `UPDATE gauge_hold SET until = UTC_TIMESTAMP(3) + INTERVAL ${LASTS} SECOND WHERE gaugeId = ? AND holder = ?`,
      [gaugeId, holder],
    )) as { affectedRows: number };
    return affectedRows === 1;
  }
}
