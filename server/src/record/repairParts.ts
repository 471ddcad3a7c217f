import { In, IsNull, type DataSource } from 'typeorm';
import { CLOSING_WORDS, FASTENER_WORDS } from '@aspecta/contract/repair';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import { PROCESS_WORDS } from '@aspecta/contract/weld';
import { ZONE_CLASSES } from '@aspecta/contract/survey';
import { panelOf, type Panel } from '@aspecta/core/body';
import { FitEntity, FitOverruleEntity, type FitOverruleRow, type FitRow } from '../fit/entities.ts';
import { keepsPanel } from '@aspecta/core/verdict';
import type { OwnVehicle } from '../garage/service.ts';
import { OrderEntity, type OrderRow } from '../order/entities.ts';
import { PatternEntity, type PatternRow } from '../pattern/entities.ts';
import type { Chapter } from '../station.ts';
import { ZoneEntity, type ZoneRow } from '../survey/entities.ts';
import { clockOf } from '../shop/clock.ts';
import { tellsDay, type TellsDay } from '../shop/day.ts';
import { picturesFor, picturesOf, type WorkTimes } from './pictures.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import { WeldEntity, WeldStepEntity, type WeldRow, type WeldStepRow } from '../weld/entities.ts';
import { layersOf, repairName } from '../verdict/named.ts';

/** What a reader is told beside what was done: why it was decided so, and how long it was reckoned to take. */
export interface Tells {
  reasons: boolean;
  hours: boolean;
}

/** Each repair of a car in words: what was wrong, what was decided and why, the metal, how it was joined, by whom and when. */
export async function repairParts(db: DataSource, vehicle: OwnVehicle, tells: Tells): Promise<Chapter[]> {
  const repairs = await db
    .getRepository(RepairEntity)
    .find({ where: { vehicleId: vehicle.id, deletedAt: IsNull() }, order: { decidedAt: 'ASC' } });
  if (repairs.length === 0) return [];
  const ids = In(repairs.map(({ id }) => id));
  const [clock, zones, patterns, welds, ticks, fits, overruled, orders, photos] = await Promise.all([
    clockOf(db, vehicle.shopId),
    db.getRepository(ZoneEntity).findBy({ vehicleId: vehicle.id }),
    db.getRepository(PatternEntity).findBy({ id: ids }),
    db.getRepository(WeldEntity).findBy({ id: ids }),
    db.getRepository(WeldStepEntity).findBy({ weldId: ids }),
    db.getRepository(FitEntity).find({ where: { repairId: ids }, order: { at: 'ASC' } }),
    db.getRepository(FitOverruleEntity).findBy({ repairId: ids }),
    db.getRepository(OrderEntity).findBy({ repairId: ids }),
    picturesOf(db, vehicle.id),
  ]);
  const day = tellsDay(clock);
  return repairs.map((repair) => {
    const panel = panelOf(vehicle.plan, repair.panel);
    const weld = welds.find(({ id }) => id === repair.id);
    const ticked = ticks.filter(({ weldId }) => weldId === repair.id);
    return {
      lasting: true,
      pictures: picturesFor(vehicle, repair, workTimes(repair, weld, ticked), photos),
      title: `${repairName(vehicle.plan, repair)}: ${OPTION_WORDS[repair.choice].name.toLowerCase()}`,
      lines: [
        ...damageLines(repair, zones),
        ...decisionLines(repair, tells, day),
        ...metalLines(
          panel,
          repair,
          patterns.find(({ id }) => id === repair.id),
        ),
        ...partLines(orders.filter(({ repairId }) => repairId === repair.id)),
        ...fitLines(
          fits.filter(({ repairId }) => repairId === repair.id),
          overruled.find(({ repairId }) => repairId === repair.id),
        ),
        ...(weld ? weldLines(weld, ticked, day) : []),
        repair.done ? 'Finished.' : 'Not finished.',
      ],
    };
  });
}

/** From its first weld to its last, where all of them are done. */
function workTimes({ done }: RepairRow, weld: WeldRow | undefined, ticks: readonly WeldStepRow[]): WorkTimes {
  const times = ticks.map(({ at }) => at).sort((a, b) => a.getTime() - b.getTime());
  const all = done || (weld !== undefined && ticks.length >= weld.plan.steps.length);
  return { began: times[0] ?? null, over: all ? (times.at(-1) ?? null) : null };
}

function damageLines({ zones: decided }: RepairRow, zones: readonly ZoneRow[]): string[] {
  const own = zones.filter(({ id }) => decided.some((one) => one.id === id));
  const area = decided.reduce((sum, one) => sum + (one.area ?? 0), 0);
  const kinds = [...new Set(own.map((zone) => ZONE_CLASSES[zone.class].toLowerCase()))];
  if (kinds.length === 0) return [];
  return [`Damage: ${kinds.join(', ')}${area > 0 ? `, ${(area / 100).toFixed(0)} cm²` : ''}.`];
}

function decisionLines({ reason, decidedAt, decidedBy, hours }: RepairRow, tells: Tells, day: TellsDay): string[] {
  const why = reason === '' || !tells.reasons ? '' : `, because: ${reason.replace(/\.$/, '')}`;
  const effort = !tells.hours ? '' : ` About ${hours.p50.toFixed(1)} h were reckoned.`;
  return [`Decided on ${day(decidedAt)} by ${decidedBy}${why}.${effort}`];
}

/** The sheets that a repair is on, as they were built, and the metal that was let in where somebody has said it. */
function metalLines({ layers }: Panel, repair: RepairRow, pattern: PatternRow | undefined): string[] {
  const own = layers.filter(({ id }) => layersOf(repair).includes(id));
  const sheets = own.length > 0 ? own : layers.slice(0, 1);
  const letIn = pattern?.settings.thickness;
  return [
    ...sheets.map(
      ({ name, thickness, material }) =>
        `Metal as built: ${name.toLowerCase()}, ${material}, ${thickness.toFixed(2)} mm.`,
    ),
    ...(letIn && !keepsPanel(repair.choice) ? [`Metal let in: ${sheets[0]!.material}, ${letIn.toFixed(2)} mm.`] : []),
  ];
}

const partLines = (orders: readonly OrderRow[]): string[] =>
  orders.map(({ maker, state, quantity }) => `Part: ${quantity > 1 ? `${quantity} × ` : ''}by ${maker} (${state}).`);

function fitLines(fits: readonly FitRow[], overruled: FitOverruleRow | undefined): string[] {
  const last = fits.at(-1);
  if (!last) return [];
  const end = last.good
    ? 'the last one was within its limits'
    : overruled
      ? `welded as it fitted, because: ${overruled.reason}`
      : 'the last one was not within its limits';
  return [`${fits.length} trial ${fits.length === 1 ? 'fit' : 'fits'}; ${end}.`];
}

/** How many plugs, spots, bolts, rivets or small welds close a joint, in words. */
function counted({ closing, welds }: Pick<WeldRow['joints'][number], 'closing' | 'welds'>): string {
  const [one, many] = FASTENER_WORDS[closing] ?? ['weld', 'welds'];
  return `${welds} ${welds === 1 ? one : many}`;
}

function weldLines(
  { input, plan, joints, acknowledgedBy }: WeldRow,
  ticks: readonly WeldStepRow[],
  day: TellsDay,
): string[] {
  const ways = new Map<string, number>();
  for (const joint of joints) {
    const way = `${joint.name ?? joint.kind}: ${(CLOSING_WORDS[joint.closing] ?? 'welded').toLowerCase()}${joint.welds > 0 ? `, ${counted(joint)}` : ''}`;
    ways.set(way, (ways.get(way) ?? 0) + 1);
  }
  const times = ticks.map(({ at }) => at).sort((a, b) => a.getTime() - b.getTime());
  const people = [...new Set(ticks.map(({ by }) => by))];
  const [first, last] = times.length === 0 ? [] : [day(times[0]!), day(times.at(-1)!)];
  const when = first === last ? `on ${first}` : `between ${first} and ${last}`;
  const done =
    times.length === 0
      ? 'No weld is noted yet.'
      : `${ticks.length} of ${plan.steps.length} steps done ${when} by ${people.join(', ')}.`;
  return [
    `Joined by ${PROCESS_WORDS[input.process]} welding${input.copper ? ' with copper behind' : ''}: ${[...ways].map(([way, n]) => (n > 1 ? `${way} (${n} of them)` : way)).join('; ')}.`,
    done,
    ...(acknowledgedBy ? [`Cautions before welding read by ${acknowledgedBy}.`] : []),
  ];
}
