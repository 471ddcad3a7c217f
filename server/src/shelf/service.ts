import type { DataSource } from 'typeorm';
import type { ShelfInput, ShelfView } from '@aspecta/contract/shelf';
import { litres, usualProducts } from '@aspecta/core/close';
import { shelf, type ShelfUse } from '@aspecta/core/shelf';
import type { ProductService } from '../close/products.ts';
import type { CloseService } from '../close/service.ts';
import { facesWithCoats, needsOf, type Closing } from '../close/view.ts';
import { changeOnce } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import { needs as must, type Caller } from '../http/session.ts';
import { ShelfEntity, type ShelfRow } from './entities.ts';
import { weldUses } from './welded.ts';

interface Services {
  garage: GarageService;
  closes: CloseService;
  products: ProductService;
}

/** What is used up: counted once → down by what welds and coats have used → what the work that is left takes → what is short. */
export class ShelfService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller): Promise<ShelfView> {
    must('viewer', caller);
    const rows = await this.db.getRepository(ShelfEntity).find({
      where: { shopId: caller.shopId },
      order: { kind: 'ASC', useBy: 'ASC', name: 'ASC' },
    });
    const { used, needs } = await this.uses(caller);
    const lines = shelf({
      items: rows.map(({ since, useBy, ...row }) => ({
        ...row,
        since: since.getTime(),
        // To the end of its day.
        useBy: useBy === null ? null : Date.parse(`${useBy}T23:59:59Z`),
      })),
      used,
      needs,
      now: Date.now(),
    });
    return {
      items: rows.map(itemView),
      lines: lines.map((line) => ({ ...line, cars: carsOf(needs.filter(({ kind }) => kind === line.kind)) })),
    };
  }

  /** What is on the shelf, counted now. The same one sent again, because its answer was lost, is taken as done. */
  async add(caller: Caller, input: ShelfInput): Promise<ShelfView> {
    must('worker', caller);
    const known = await this.db.getRepository(ShelfEntity).findOneBy({ id: input.id });
    if (known && known.shopId !== caller.shopId) throw notFound('thing on the shelf');
    if (!known) {
      const row = { ...input, shopId: caller.shopId, since: new Date(), by: caller.name, version: 1 };
      await this.db.createQueryBuilder().insert().into(ShelfEntity).values(row).orIgnore().execute();
    }
    return this.view(caller);
  }

  /** Counted anew, or described otherwise: what was used before is in the new count. */
  async change(caller: Caller, { id, version, ...changes }: ShelfInput & { version: number }): Promise<ShelfView> {
    must('worker', caller);
    await this.own(caller, id);
    await changeOfShop(this.db, caller.shopId, (manager) =>
      changeOnce(manager, {
        ...{ target: ShelfEntity, id, seen: version },
        changes: { ...changes, since: new Date(), by: caller.name },
        current: () => this.view(caller),
      }),
    );
    return this.view(caller);
  }

  async remove(caller: Caller, id: string): Promise<ShelfView> {
    must('worker', caller);
    await this.own(caller, id);
    await this.db.getRepository(ShelfEntity).delete({ id });
    return this.view(caller);
  }

  private async own(caller: Caller, id: string): Promise<ShelfRow> {
    const row = await this.db.getRepository(ShelfEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('thing on the shelf');
    return row;
  }

  /** What welds and coats of all cars have used, and what those that are left take. */
  private async uses(caller: Caller): Promise<{ used: (ShelfUse & { at: number })[]; needs: CarNeed[] }> {
    const vehicles = await this.services.garage.all(caller);
    const [closings, products] = await Promise.all([
      this.services.closes.closings(vehicles),
      this.services.products.list(caller),
    ]);
    const coverage = Object.fromEntries(products.filter(({ usual }) => !usual).map((one) => [one.kind, one]));
    const repairs = [...closings.values()].flatMap((closing) => closing.repairs);
    const welds = await weldUses(
      this.db,
      repairs.map(({ id }) => id),
    );
    return {
      used: [
        ...welds.flatMap((weld) => weld.used),
        ...[...closings.values()].flatMap((closing) => coatUses(closing, coverage)),
      ],
      needs: vehicles.flatMap(({ id: vehicle, nickname: car }) => {
        const closing = closings.get(vehicle)!;
        const open = new Set(closing.repairs.filter(({ done }) => !done).map(({ id }) => id));
        return [
          ...welds.filter(({ repair }) => open.has(repair)).flatMap((weld) => weld.needs),
          ...needsOf(closing, products).map(({ kind, litres: amount }) => ({ kind, amount })),
        ].map((need) => ({ ...need, vehicle, car }));
      }),
    };
  }
}

type CarNeed = ShelfUse & { vehicle: string; car: string };

/** Litres that each coat of a car has taken, with when it went on. */
function coatUses(
  closing: Closing,
  own: Readonly<Record<string, { coverage: number }>>,
): (ShelfUse & { at: number })[] {
  return facesWithCoats(closing).flatMap(({ face, coats }) =>
    coats.map(({ kind, at }) => ({
      kind,
      amount: litres(face.area, own[kind] ?? usualProducts[kind]),
      at: Date.parse(at),
    })),
  );
}

/** The cars that need something, the one that takes most first. */
function carsOf(needs: readonly CarNeed[]): { vehicle: string; car: string; amount: number }[] {
  const sums = new Map<string, { vehicle: string; car: string; amount: number }>();
  for (const { vehicle, car, amount } of needs) {
    const known = sums.get(vehicle) ?? { vehicle, car, amount: 0 };
    sums.set(vehicle, { ...known, amount: known.amount + amount });
  }
  return [...sums.values()].filter(({ amount }) => amount > 0).sort((a, b) => b.amount - a.amount);
}

const itemView = ({ shopId: _shop, since, ...row }: ShelfRow): ShelfView['items'][number] => ({
  ...row,
  since: since.toISOString(),
});
