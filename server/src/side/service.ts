import { IsNull, type DataSource } from 'typeorm';
import { pinsAlong } from '@aspecta/contract/cut';
import type { SideDone, SideInput, SideView } from '@aspecta/contract/side';
import { Problem } from '@aspecta/core';
import { otherSideOf, panelOf, type OtherSide } from '@aspecta/core/body';
import { anticlockwise, area, type Point } from '@aspecta/core/geometry';
import type { JointChoice } from '@aspecta/core/repair';
import { jobSteps } from '@aspecta/core/job';
import { isCutIn } from '@aspecta/core/verdict';
import { CutEntity } from '../cut/entities.ts';
import type { CutService } from '../cut/service.ts';
import type { OwnVehicle } from '../garage/service.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { JobService } from '../job/service.ts';
import { JointChoiceEntity, type JointChoiceRow } from '../repair/entities.ts';
import type { JointService } from '../repair/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { ZoneService } from '../survey/zones.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import type { VerdictService } from '../verdict/service.ts';

interface Services {
  verdicts: VerdictService;
  zones: ZoneService;
  cuts: CutService;
  joints: JointService;
  jobs: JobService;
}

interface Here {
  repair: RepairRow;
  vehicle: OwnVehicle;
  other: OtherSide;
}

/** The same on the other side: what is there already → its decision → line and joints of the first side, mirrored → what the first side took. */
export class SideService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller, repairId: string): Promise<SideView | null> {
    const here = await this.here(caller, repairId);
    if (!here) return null;
    const { repair, vehicle, other } = here;
    const [there, zones, cut, choices, took] = await Promise.all([
      this.decidedThere(here),
      this.openThere(here),
      this.db.getRepository(CutEntity).findOneBy({ id: repairId }),
      this.db.getRepository(JointChoiceEntity).findOneBy({ id: repairId }),
      this.took(vehicle, repair),
    ]);
    const areas = new Map((await this.services.zones.ofVehicle(vehicle.id)).map((zone) => [zone.id, areaOf(zone)]));
    return {
      panel: other.panel.id,
      panelName: other.panel.name,
      repairs: there.map(({ id, zones: own }) => ({
        id,
        areaMm2: own.reduce((sum, zone) => sum + (areas.get(zone.id) ?? 0), 0),
      })),
      zones: zones.map((zone) => ({ id: zone.id, area: areaOf(zone) })),
      line: isCutIn(repair.choice) && Boolean(cut?.corners),
      joints: saidOf(choices).length,
      took,
    };
  }

  /** Decides the same on the other side, or takes the figures over into what is decided there. */
  async same(caller: Caller, repairId: string, { into, id, zoneIds }: SideInput): Promise<SideDone> {
    const here = await this.here(caller, repairId);
    if (!here)
      throw new ServerProblem('invalid', 'This panel has no other side: it lies in the middle of the car.', 'panel');
    const target = into ?? (await this.decide(caller, here, { id, zoneIds }));
    const { repair: there } = await this.services.verdicts.own(caller, target);
    if (there.vehicleId !== here.vehicle.id || there.panel !== here.other.panel.id)
      throw new ServerProblem('invalid', `That repair is not one of ${here.other.panel.name}.`, 'into');
    if (there.choice !== here.repair.choice)
      throw new ServerProblem('invalid', 'The other side is decided otherwise; its figures are its own.', 'into');
    const notes = [...(await this.lineOver(caller, here, target)), ...(await this.jointsOver(caller, here, target))];
    return { repair: await this.services.verdicts.repair(caller, target), notes };
  }

  private async here(caller: Caller, repairId: string): Promise<Here | null> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    const other = otherSideOf(vehicle.plan, panelOf(vehicle.plan, repair.panel));
    return other && { repair, vehicle, other };
  }

  private decidedThere({ repair, vehicle, other }: Here): Promise<RepairRow[]> {
    return this.db.getRepository(RepairEntity).find({
      where: {
        vehicleId: vehicle.id,
        panel: other.panel.id,
        choice: repair.choice,
        done: false,
        deletedAt: IsNull(),
      },
      order: { decidedAt: 'ASC' },
    });
  }

  /** Damage of the other side of which nothing is decided. */
  private async openThere({ vehicle, other }: Here): Promise<ZoneRow[]> {
    const [zones, repairs] = await Promise.all([
      this.services.zones.ofVehicle(vehicle.id),
      this.db.getRepository(RepairEntity).findBy({ vehicleId: vehicle.id, deletedAt: IsNull() }),
    ]);
    const decided = new Set(repairs.flatMap((row) => row.zones.map(({ id }) => id)));
    return zones.filter(({ id, panel }) => panel === other.panel.id && !decided.has(id));
  }

  /** Of the damage that is there; where none is mapped, of that of the first side, mirrored. */
  private async decide(
    caller: Caller,
    here: Here,
    { id, zoneIds }: { id: string; zoneIds: readonly string[] },
  ): Promise<string> {
    const { repair, vehicle, other } = here;
    const open = await this.openThere(here);
    const name = panelOf(vehicle.plan, repair.panel).name;
    const reason = `As on the other side (${name})`;
    if (open.length > 0) {
      const of = open.map((zone) => zone.id);
      await this.services.verdicts.decide(caller, vehicle.id, { id, zoneIds: of, choice: repair.choice, reason });
      return id;
    }
    const zones = await this.services.verdicts.damageOf(repair);
    if (zoneIds.length < zones.length)
      throw new ServerProblem('invalid', 'The damage of this side has changed; look at it again.', 'zoneIds');
    for (const [i, zone] of zones.entries())
      await this.services.zones.add(caller, vehicle.id, {
        id: zoneIds[i]!,
        panel: other.panel.id,
        layer: zone.layer,
        ring: mirrored(zone.ring, other),
        holes: zone.holes.map((hole) => mirrored(hole, other)),
        class: zone.class,
        evidence: 'map',
        note: `Mirrored from ${name}: look before it is cut`,
        overruled: 'As on the other side, where it was looked at',
      });
    const of = zoneIds.slice(0, zones.length);
    await this.services.verdicts.decide(caller, vehicle.id, { id, zoneIds: of, choice: repair.choice, reason });
    return id;
  }

  private async lineOver(caller: Caller, { repair, other }: Here, target: string): Promise<string[]> {
    const rows = this.db.getRepository(CutEntity);
    const [from, to] = await Promise.all([rows.findOneBy({ id: repair.id }), rows.findOneBy({ id: target })]);
    if (!isCutIn(repair.choice) || !from?.corners) return [];
    const corners = mirrored(from.corners, other);
    const pins = pinsAlong(corners, from.corners.map(other.mirror), from.pins);
    try {
      await this.services.cuts.save(caller, target, { ...from.settings, corners, pins, version: to?.version ?? 0 });
      return ['The line of the first side was taken over, mirrored.'];
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return [`The line of the first side could not be taken over: ${error.message}`];
    }
  }

  private async jointsOver(caller: Caller, { repair, other }: Here, target: string): Promise<string[]> {
    const stored = await this.db.getRepository(JointChoiceEntity).findOneBy({ id: repair.id });
    const said = saidOf(stored);
    if (said.length === 0) return [];
    const { taken, left } = await this.services.joints.takeOver(
      caller,
      target,
      // How many fasteners were found is a matter of each side.
      said.map(({ found: _found, at, ...choice }) => ({ ...choice, at: other.mirror([at[0], at[1]]) })),
    );
    return [
      ...(taken > 0 ? [`${taken} ${taken === 1 ? 'joint is' : 'joints are'} closed as on the first side.`] : []),
      ...(left > 0 ? [`${left} ${left === 1 ? 'joint has' : 'joints have'} no like on this side; look at them.`] : []),
    ];
  }

  private async took(vehicle: OwnVehicle, { id }: RepairRow): Promise<SideView['took']> {
    const { words, input } = await this.services.jobs.gathered(vehicle);
    const steps = jobSteps(input);
    const noted = words.filter(({ step, spent }) => step.startsWith(`${id} `) && (spent ?? 0) > 0);
    if (noted.length === 0) return null;
    const reckoned = (step: string) => steps.find((one) => one.id === step)?.hours ?? 0;
    return {
      spent: noted.reduce((sum, { spent }) => sum + spent!, 0),
      reckoned: noted.reduce((sum, { step }) => sum + reckoned(step), 0),
    };
  }
}

/** mm² */
const areaOf = ({ ring, holes }: Pick<ZoneRow, 'ring' | 'holes'>): number => area([ring, ...holes]);
/** Joints of which somebody has said how they are closed; one that was counted alone is a matter of its side. */
const saidOf = (stored: JointChoiceRow | null): readonly JointChoice[] =>
  stored?.choices.filter(({ closing, pitch }) => closing !== undefined || pitch !== undefined) ?? [];

const mirrored = (ring: readonly (readonly number[])[], { mirror }: OtherSide): [number, number][] =>
  anticlockwise(ring.map(([u, v]) => mirror([u!, v!] as Point))).map(([u, v]): [number, number] => [u, v]);
