import { In, type DataSource } from 'typeorm';
import type { WayChange, WaySay, WayView } from '@aspecta/contract/way';
import { panelOf, type Panel } from '@aspecta/core/body';
import { boxOf, type Ring } from '@aspecta/core/geometry';
import type { JobRepair } from '@aspecta/core/job';
import { waysIn } from '@aspecta/core/way';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { JointService } from '../repair/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import { WayEntity } from './entities.ts';
import { repairName } from '../verdict/named.ts';

/** mm of play, T-16; of depth as long as nobody has measured. */
const USUAL: WaySay = { depth: 50, clearance: 50, lines: [], routes: [], chosen: null };

interface Services {
  verdicts: VerdictService;
  joints: JointService;
  shops: ShopService;
}

/** How the piece gets in: the piece → the openings that were told → whole or in sections → what each way costs → the one that is taken. */
export class WayService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller, repairId: string): Promise<WayView> {
    const stored = await this.db.getRepository(WayEntity).findOneBy({ id: repairId });
    return this.viewOf(caller, repairId, stored ?? { ...USUAL, version: 0 });
  }

  /** Says anew how the piece gets in; what cannot be reckoned is refused before it is kept. */
  async say(caller: Caller, repairId: string, { version, ...said }: WayChange): Promise<WayView> {
    const { vehicle, repair } = await this.services.verdicts.own(caller, repairId);
    if (said.chosen !== null && !said.routes.some(({ id }) => id === said.chosen))
      throw new ServerProblem(
        'invalid',
        'The way that is taken is not among the ways any more; choose another.',
        'chosen',
      );
    const view = await this.viewOf(caller, repairId, { ...said, version });
    // Joints, fits and welds follow from the lines along which it is parted.
    const used = view.results.find(({ id }) => id === said.chosen)?.lines.map(({ line }) => line) ?? null;
    const before = await this.db.getRepository(WayEntity).findOneBy({ id: repairId });
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (version === 0 && !(await manager.existsBy(WayEntity, { id: repairId })))
        await manager.insert(WayEntity, { id: repairId, ...said, used, version: 1 });
      else
        await changeVersioned(manager, {
          target: WayEntity,
          id: repairId,
          seen: version,
          changes: { ...said, used },
          current: () => this.view(caller, repairId),
        });
      if (said.chosen !== (before?.chosen ?? null)) {
        const name = repairName(vehicle.plan, repair);
        const taken = said.routes.find(({ id }) => id === said.chosen);
        const sections = view.results.find(({ id }) => id === said.chosen)?.sections.length ?? 0;
        const how = sections > 1 ? `, in ${sections} sections` : '';
        await record(
          manager,
          caller,
          vehicle.id,
          'cut',
          `${name}: ${taken ? `in by ${taken.name}${how}` : 'no way in is chosen any more'}`,
        );
      }
    });
    return this.view(caller, repairId);
  }

  /** What comes off for these repairs, and goes back; those of which no way was chosen are left out. */
  async access(repairIds: readonly string[]): Promise<ReadonlyMap<string, NonNullable<JobRepair['access']>>> {
    if (repairIds.length === 0) return new Map();
    const rows = await this.db.getRepository(WayEntity).findBy({ id: In([...repairIds]) });
    return new Map(
      rows.flatMap(({ id, routes, chosen }) => {
        const parts = routes.find((route) => route.id === chosen)?.parts ?? [];
        if (parts.length === 0) return [];
        const sum = (of: 'off' | 'on') => parts.reduce((total, part) => total + part[of], 0);
        return [[id, { what: parts.map(({ what }) => what), off: sum('off'), on: sum('on') }] as const];
      }),
    );
  }

  private async viewOf(caller: Caller, repairId: string, { version, ...said }: WayChange): Promise<WayView> {
    const [{ repair, vehicle }, joints, { rates, metalwork }] = await Promise.all([
      this.services.verdicts.own(caller, repairId),
      this.services.joints.view(caller, repairId),
      this.services.shops.shop(caller),
    ]);
    const panel = panelOf(vehicle.plan, repair.panel);
    const { depth, clearance, lines, routes, chosen } = said;
    const {
      routes: results,
      best,
      cheapest,
    } = waysIn({
      ...{ piece: joints.piece, depth, clearance, lines, routes },
      ...{ rate: rates.hour, visible: panel.visible },
      ...{ rather: metalwork.passage, finish: metalwork.finish },
    });
    return {
      ...{ repairId, panel: panel.id, piece: joints.piece },
      ...{ depth, clearance, lines, routes, chosen, results, best, cheapest, version },
      suggested: suggestedFor(panel, joints.piece),
    };
  }
}

/** mm. A line nearer to the edge than this parts nothing off. */
const LEAST = 60;

/** The middle of every fold, crease or flange that runs through the piece, and the middle of the piece itself. */
function suggestedFor(panel: Panel, piece: Ring): WayView['suggested'] {
  const box = boxOf(piece);
  const stiff = [
    ...panel.flanges.map(({ name, outline }) => ({ name, box: boxOf(outline) })),
    ...panel.creases.map(({ name, line }) => ({ name, box: boxOf(line) })),
  ].map(({ name, box: own }) => {
    const across = own.maxU - own.minU < own.maxV - own.minV;
    const at = across ? (own.minU + own.maxU) / 2 - box.minU : (own.minV + own.maxV) / 2 - box.minV;
    return { name, across, at: Math.round(at) };
  });
  const [wide, high] = [box.maxU - box.minU, box.maxV - box.minV];
  const across = wide >= high;
  return [
    ...stiff.filter((line) => line.at > LEAST && line.at < (line.across ? wide : high) - LEAST),
    { name: 'the middle', across, at: Math.round((across ? wide : high) / 2) },
  ];
}
