import type { DataSource } from 'typeorm';
import type { PracticeEnd, PracticeRead, PracticeResult, PracticeView } from '@aspecta/contract/practice';
import { practiceCar, practiceReading, type PracticeSeed } from '@aspecta/core/practice';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import type { Workbench } from '../work/bench.ts';
import { PracticeBestEntity } from './entities.ts';

/** A made-up car: what shows → readings → decisions → the truth and a score. It never meets a real one; only the best is kept. */
export class PracticeService {
  private readonly db: DataSource;
  private readonly shops: ShopService;
  private readonly bench: Workbench;

  constructor(db: DataSource, { shops, bench }: { shops: ShopService; bench: Workbench }) {
    this.db = db;
    this.shops = shops;
    this.bench = bench;
  }

  async view(caller: Caller, { plan, level, seed }: PracticeSeed): Promise<PracticeView> {
    const car = practiceCar({ plan, level, seed });
    return {
      ...{ plan, level, seed, readings: car.readings, best: await this.best(caller, { plan, level, seed }) },
      // Never the damage itself.
      panels: car.panels.map(({ panel, sign }) => ({ panel, sign })),
    };
  }

  read({ panel, at, gauge, n, ...seed }: PracticeRead): { value: number } {
    return { value: practiceReading(practiceCar(seed), { panel, at, gauge, n }) };
  }

  async end(caller: Caller, end: PracticeEnd): Promise<PracticeResult> {
    const { rates, schools } = await this.shops.shop(caller);
    const { score, truth } = await this.bench.run('practiceScore', { end, rules: { rates, schools } }, caller.personId);
    const at = { personId: caller.personId, plan: end.plan, level: end.level, seed: end.seed };
    const repository = this.db.getRepository(PracticeBestEntity);
    const known = await repository.findOneBy(at);
    if (!known || known.points < score.points)
      await repository.upsert({ ...at, points: score.points, at: new Date() }, ['personId', 'plan', 'level', 'seed']);
    return { score, truth, best: (await this.best(caller, end))! };
  }

  private async best({ personId }: Caller, { plan, level, seed }: PracticeSeed): Promise<PracticeView['best']> {
    const row = await this.db.getRepository(PracticeBestEntity).findOneBy({ personId, plan, level, seed });
    return row && { points: row.points, at: row.at.toISOString() };
  }
}
