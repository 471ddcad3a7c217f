import type { DataSource } from 'typeorm';
import {
  COAT_WORDS,
  type ProductInput,
  type ProductView,
  type SystemsInput,
  type SystemsView,
} from '@aspecta/contract/close';
import { COAT_KINDS, usualProducts, usualSystems } from '@aspecta/core/close';
import { note } from '../account/audit.ts';
import { changeOnce } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { notFound } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { ShopEntity } from '../shop/entities.ts';
import { ProductEntity } from './entities.ts';

/** With what a shop coats: its products, and which of their kinds go onto which side of the metal. */
export class ProductService {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  /** Products of the shop, and the usual ones of each kind. */
  async list(caller: Caller): Promise<ProductView[]> {
    const own = await this.db
      .getRepository(ProductEntity)
      .find({ where: { shopId: caller.shopId }, order: { name: 'ASC' } });
    return [
      ...own.map(({ shopId: _shopId, weldThrough, ...row }) => ({
        ...row,
        weldThrough: Boolean(weldThrough),
        usual: false,
      })),
      ...COAT_KINDS.map((kind) => ({
        ...usualProducts[kind],
        id: kind,
        name: COAT_WORDS[kind],
        usual: true,
        version: 0,
      })),
    ];
  }

  async add(caller: Caller, input: ProductInput): Promise<ProductView[]> {
    needs('owner', caller);
    const known = await this.db.getRepository(ProductEntity).findOneBy({ id: input.id });
    if (known && known.shopId !== caller.shopId) throw notFound('product');
    if (!known)
      await changeOfShop(this.db, caller.shopId, async (manager) => {
        const row = { ...input, shopId: caller.shopId, version: 1 };
        await manager.createQueryBuilder().insert().into(ProductEntity).values(row).orIgnore().execute();
        await note(manager, caller, `Product added: ${input.name}`);
      });
    return this.list(caller);
  }

  async change(
    caller: Caller,
    { id, version, ...changes }: ProductInput & { version: number },
  ): Promise<ProductView[]> {
    needs('owner', caller);
    if (!(await this.db.getRepository(ProductEntity).existsBy({ id, shopId: caller.shopId })))
      throw notFound('product');
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await changeOnce(manager, {
        target: ProductEntity,
        id,
        seen: version,
        changes,
        current: () => this.list(caller),
      });
      await note(manager, caller, `Product changed: ${changes.name}`);
    });
    return this.list(caller);
  }

  async remove(caller: Caller, id: string): Promise<ProductView[]> {
    needs('owner', caller);
    const row = await this.db.getRepository(ProductEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('product');
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.delete(ProductEntity, { id });
      await note(manager, caller, `Product taken away: ${row.name}`);
    });
    return this.list(caller);
  }

  /** What goes onto each side of the metal from now on; null: as is usual. */
  async changeSystems(caller: Caller, { systems, version }: SystemsInput): Promise<SystemsView> {
    needs('owner', caller);
    const current = async (): Promise<SystemsView> => {
      const shop = await this.db.getRepository(ShopEntity).findOneByOrFail({ id: caller.shopId });
      return { systems: shop.systems ?? usualSystems, usual: !shop.systems, version: shop.version };
    };
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      const changes = { systems };
      await changeOnce(manager, { target: ShopEntity, id: caller.shopId, seen: version, changes, current });
      await note(manager, caller, systems ? 'Coats for each side of the metal changed' : 'Coats as is usual again');
    });
    return current();
  }
}
