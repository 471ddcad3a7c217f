import { expectedOn } from '../order/tracking.ts';
import { In, IsNull, Not, type DataSource } from 'typeorm';
import type { HeldShares, JobInput, JobRepair, OrderedPart, OwnStep } from '@aspecta/core/job';
import { otherSideOf, type BodyPlan } from '@aspecta/core/body';
import { usualMetalwork } from '@aspecta/core/repair';
import { expectedIn } from '@aspecta/core/order';
import { signOf } from '@aspecta/core/survey';
import { isBought } from '@aspecta/core/verdict';
import type { OwnVehicle } from '../garage/service.ts';
import { OrderEntity, type OrderRow } from '../order/entities.ts';
import { FastenerEntity } from '../repair/entities.ts';
import { ShopEntity } from '../shop/entities.ts';
import { FindEntity, ZoneEntity } from '../survey/entities.ts';
import { OfferEntity, RepairEntity, type OfferRow, type RepairRow } from '../verdict/entities.ts';
import { layersOf } from '../verdict/named.ts';
import { weldProgress, type WeldProgress } from '../weld/progress.ts';
import {
  OwnStepEntity,
  StepClockEntity,
  StepWordEntity,
  type OwnStepRow,
  type StepClockRow,
  type StepWordRow,
} from './entities.ts';

/** What the job of a car is made from, and what was said of its steps. */
export interface Gathered {
  input: JobInput;
  words: readonly StepWordRow[];
  own: readonly OwnStepRow[];
  clocks: readonly StepClockRow[];
}

/** What other stations know to be done: of the car's frame by car, of coats and trial fits by repair. */
interface Known {
  now: Date;
  held: ReadonlyMap<string, HeldShares>;
  coated: ReadonlyMap<string, NonNullable<JobRepair['coated']>>;
  fitted: ReadonlyMap<string, number>;
  access: ReadonlyMap<string, NonNullable<JobRepair['access']>>;
  dressed: ReadonlyMap<string, number>;
}

/** A step of somebody's own as it is kept. */
export const ownStepOf = ({ id, title, hours, after, before, waits, dry }: OwnStepRow): Required<OwnStep> => ({
  ...{ id, title, hours, after, before: before ?? [] },
  waits: Boolean(waits),
  dry: Boolean(dry),
});

/** All that is known of these cars, asked for at once. */
export async function gather(
  db: DataSource,
  vehicles: readonly OwnVehicle[],
  { now, held, coated, fitted, access, dressed }: Known,
): Promise<ReadonlyMap<string, Gathered>> {
  const vehicleId = In(vehicles.map(({ id }) => id));
  const [shops, repairs, orders, offers, zones, finds, words, own, clocks] = await Promise.all([
    db.getRepository(ShopEntity).findBy({ id: In([...new Set(vehicles.map(({ shopId }) => shopId))]) }),
    db.getRepository(RepairEntity).find({ where: { vehicleId, deletedAt: IsNull() }, order: { decidedAt: 'ASC' } }),
    db.getRepository(OrderEntity).findBy({ vehicleId, state: Not(In(['withdrawn', 'returned', 'kept'])) }),
    db.getRepository(OfferEntity).findBy({ vehicleId }),
    db.getRepository(ZoneEntity).find({
      where: { vehicleId, deletedAt: IsNull() },
      select: { id: true, vehicleId: true, panel: true },
    }),
    db.getRepository(FindEntity).findBy({ vehicleId, deletedAt: IsNull() }),
    db.getRepository(StepWordEntity).findBy({ vehicleId }),
    db.getRepository(OwnStepEntity).find({ where: { vehicleId }, order: { at: 'ASC' } }),
    db.getRepository(StepClockEntity).find({ where: { vehicleId }, order: { since: 'ASC' } }),
  ]);
  const shopOf = ({ shopId }: OwnVehicle) => shops.find(({ id }) => id === shopId);
  const ticked = await tickedOf(db, repairs);
  return new Map(
    vehicles.map((vehicle): [string, Gathered] => {
      const of = <R extends { vehicleId: string | null }>(rows: readonly R[]) =>
        rows.filter((row) => row.vehicleId === vehicle.id);
      const decided = of(repairs);
      const inRepair = new Set(decided.flatMap((repair) => repair.zones.map(({ id }) => id)));
      const lead = (order: OrderRow) => expected(order, of(offers), now);
      const loose = of(orders).filter((order) => order.repairId === null && order.unneeded === null);
      return [
        vehicle.id,
        {
          words: of(words),
          clocks: of(clocks),
          own: of(own),
          input: {
            body: vehicle.plan,
            repairs: decided.map((row) => ({
              ...jobRepair(row, of(orders), { lead, ticked, coated, fitted, access, dressed }),
              took: tookThere(row, { decided, words: of(words), plan: vehicle.plan }),
            })),
            parts: loose.map((order) => ({
              id: order.id,
              title: order.item ?? vehicle.plan.panels.find(({ id }) => id === order.panel)?.name ?? order.panel,
              order: partOf(order, lead),
            })),
            finds: of(finds)
              .filter(({ closed, sign }) => !closed && signOf(sign).weight > 0)
              .map(({ id, panel, sign, note }) => ({
                id,
                panel,
                text: [signOf(sign).title, note].filter((part) => part !== '').join(' – '),
              })),
            undecided: [
              ...new Set(
                of(zones)
                  .filter(({ id }) => !inRepair.has(id))
                  .map(({ panel }) => panel),
              ),
            ],
            own: of(own).map(ownStepOf),
            held: held.get(vehicle.id),
            paints: Boolean(shopOf(vehicle)?.paints),
            systems: shopOf(vehicle)?.systems ?? undefined,
            metalwork: { ...usualMetalwork, ...shopOf(vehicle)?.metalwork },
          },
        },
      ];
    }),
  );
}

/** What each step of the same work took on the other side of the car, where that was noted and is done. */
function tookThere(
  { id, panel, choice }: RepairRow,
  { decided, words, plan }: { decided: readonly RepairRow[]; words: readonly StepWordRow[]; plan: BodyPlan },
): JobRepair['took'] {
  const own = plan.panels.find((one) => one.id === panel);
  const other = own && otherSideOf(plan, own)?.panel;
  const first = other && decided.find((row) => row.panel === other.id && row.choice === choice && row.id !== id);
  if (!first) return undefined;
  const hours = words
    .filter(({ step, state, spent }) => step.startsWith(`${first.id} `) && state === 'done' && (spent ?? 0) > 0)
    .map(({ step, spent }) => [step.slice(first.id.length + 1), spent!] as const)
    // What a step took itself says most.
    .filter(([kind]) => !words.some(({ step, spent }) => step === `${id} ${kind}` && (spent ?? 0) > 0));
  return hours.length > 0 ? { panel: other.name, hours: Object.fromEntries(hours) } : undefined;
}

interface Ticked {
  fasteners: ReadonlyMap<string, number>;
  welds: ReadonlyMap<string, WeldProgress>;
}

/** Fasteners that were opened or found loose, and the share of each weld plan that is done. */
async function tickedOf(db: DataSource, repairs: readonly RepairRow[]): Promise<Ticked> {
  const ids = repairs.map(({ id }) => id);
  if (ids.length === 0) return { fasteners: new Map(), welds: new Map() };
  const [rows, welds] = await Promise.all([
    db.getRepository(FastenerEntity).find({ where: { repairId: In(ids) }, select: { repairId: true, place: true } }),
    weldProgress(db, ids),
  ]);
  const fasteners = new Map<string, number>();
  for (const { repairId } of rows) fasteners.set(repairId, (fasteners.get(repairId) ?? 0) + 1);
  return { fasteners, welds };
}

function jobRepair(
  { id, panel, zones, choice, done, hours, work }: RepairRow,
  orders: readonly OrderRow[],
  {
    lead,
    ticked,
    coated,
    fitted,
    access,
    dressed,
  }: { lead: Lead; ticked: Ticked } & Pick<Known, 'coated' | 'fitted' | 'access' | 'dressed'>,
): JobRepair {
  const order = isBought(choice) ? orders.filter(({ repairId }) => repairId === id).at(-1) : undefined;
  const fasteners = (work ?? [])
    .filter(({ name }) => /^(Drill out|Undo)/.test(name))
    .reduce((sum, { count }) => sum + count, 0);
  return {
    id,
    panel,
    layers: layersOf({ zones }),
    choice,
    done: Boolean(done),
    hours: hours.p50,
    work: work ?? [],
    order: order ? partOf(order, lead) : isBought(choice) && !done ? NONE_ORDERED : null,
    opened: fasteners > 0 ? Math.min(1, (ticked.fasteners.get(id) ?? 0) / fasteners) : null,
    welded: ticked.welds.get(id)?.share ?? null,
    fitted: fitted.get(id),
    access: access.get(id),
    dressed: dressed.get(id),
    coated: coated.get(id),
  };
}

/** A bought panel of which nothing is left in the book: what came was kept as sheet or sent back, or its line withdrawn. */
const NONE_ORDERED: OrderedPart = {
  state: 'wanted',
  missing: true,
  leadHours: expectedIn({ state: 'wanted', due: null, since: '' }, 0).hours,
};

/** What is bought, as the job needs it. */
const partOf = (row: OrderRow, lead: Lead): OrderedPart => {
  const { hours, undated } = lead(row);
  return { state: row.state, leadHours: hours, undated, reworkHours: row.arrival?.hours ?? 0 };
};

type Lead = (order: OrderRow) => ReturnType<typeof expectedIn>;

/** The step of its history from which its delivery counts: put off, or ordered. */
const sinceOf = ({ state, history }: OrderRow) =>
  (state === 'back-order' ? undefined : history.findLast((step) => step.state === 'ordered')) ?? history.at(-1)!;

const expected = (order: OrderRow, offers: readonly OfferRow[], now: Date): ReturnType<Lead> =>
  expectedIn(
    {
      state: order.state,
      // Whose parcel is followed comes when its carrier says so.
      due: expectedOn(order, null),
      since: sinceOf(order).on,
      quotedDays: offers.find(({ panel, maker }) => panel === order.panel && maker === order.maker)?.leadDays,
    },
    now.getTime(),
  );
