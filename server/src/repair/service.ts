import { In, type DataSource } from 'typeorm';
import type { FastenerMark, JointsView } from '@aspecta/contract/repair';
import { panelOf } from '@aspecta/core/body';
import { fastenersOf, jointWork, meanHours, panelJoints, pieceJoints } from '@aspecta/core/repair';
import { isCutIn, keepsPanel } from '@aspecta/core/verdict';
import type { CutService } from '../cut/service.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { Caller } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import type { VerdictService } from '../verdict/service.ts';
import { FastenerEntity } from './entities.ts';

/** The joints of a repair: piece → stretches → fasteners in place → what is loose or opened of them → hours. */
export class JointService {
  private readonly db: DataSource;
  private readonly services: { verdicts: VerdictService; cuts: CutService };

  constructor(db: DataSource, services: { verdicts: VerdictService; cuts: CutService }) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller, repairId: string): Promise<JointsView> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    const panel = panelOf(vehicle.plan, repair.panel);
    const cut = isCutIn(repair.choice) ? await this.services.cuts.plan(caller, repairId) : null;
    const piece = cut?.line.outline ?? panel.outline;
    // A panel that is kept has no joints that are opened.
    const kept = keepsPanel(repair.choice);
    const joints = kept ? [] : cut ? pieceJoints(vehicle.plan, panel, piece) : panelJoints(vehicle.plan, panel);
    const rows = await this.db.getRepository(FastenerEntity).findBy({ repairId });
    const known = new Map(rows.map((row) => [row.place, row]));
    const own = joints.filter(({ kind }) => kind !== 'cut');
    const work = jointWork(own, {
      visible: panel.visible,
      made: repair.choice === 'patch' || repair.choice === 'make',
    });
    return {
      repairId,
      panel: panel.id,
      choice: repair.choice,
      piece: [...piece],
      whole: !cut,
      joints,
      fasteners: fastenersOf(joints).map((fastener) => ({
        ...fastener,
        state: known.get(fastener.id)?.state ?? 'holds',
        by: known.get(fastener.id)?.by ?? null,
      })),
      hours: meanHours(work),
      work: work.map((element) => ({
        name: element.name,
        count: element.count,
        unit: element.unit,
        hours: meanHours([element]),
      })),
    };
  }

  /** Notes what was found or done at some fasteners; the last word counts. */
  async mark(caller: Caller, repairId: string, { ids, state }: FastenerMark): Promise<JointsView> {
    const { vehicle } = await this.services.verdicts.own(caller, repairId);
    const { fasteners, panel } = await this.view(caller, repairId);
    const strange = ids.find((id) => !fasteners.some((fastener) => fastener.id === id));
    if (strange)
      throw new ServerProblem(
        'invalid',
        'This fastener is not on the map any more: the line was changed. Look at the map as it is now.',
        'ids',
      );
    await changeOf(this.db, vehicle.id, async (manager) => {
      const rows = manager.getRepository(FastenerEntity);
      if (state === 'holds') await rows.delete({ repairId, place: In(ids) });
      else
        await rows.upsert(
          ids.map((place) => ({ repairId, place, state, at: new Date(), by: caller.name })),
          ['repairId', 'place'],
        );
      const name = panelOf(vehicle.plan, panel).name;
      await record(manager, caller, vehicle.id, 'cut', `${ids.length} fasteners of ${name}: ${state}`);
    });
    return this.view(caller, repairId);
  }
}
