import { In, type DataSource } from 'typeorm';
import {
  CLOSING_WORDS,
  JOINT_WORDS,
  type ClosingChange,
  type FastenerMark,
  type JointsView,
  type JointView,
} from '@aspecta/contract/repair';
import { personUnits } from '@aspecta/contract/shop';
import { boughtSheet, edgeName, hollowsAt, isSeen, panelOf, sheetOf, type Panel } from '@aspecta/core/body';
import { lineLength, minus, toLine, type Point } from '@aspecta/core/geometry';
import {
  closedJoints,
  closedWork,
  closingNotes,
  closingsOf,
  fastenersOf,
  isInSheet,
  lowEdge,
  meanHours,
  ownersOf,
  panelJoints,
  pieceJoints,
  placeOf,
  spotReach,
  straightRuns,
  type ClosedJoint,
  type JointChoice,
  type Metalwork,
  type Paces,
  type Tools,
} from '@aspecta/core/repair';
import type { Limits } from '@aspecta/core/survey';
import { isLetIn, isMade, keepsPanel } from '@aspecta/core/verdict';
import type { CutService } from '../cut/service.ts';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { Caller } from '../http/session.ts';
import { ServerProblem } from '../http/problems.ts';
import type { PaceService } from '../pace/service.ts';
import { tellsDay } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import { drillMap } from './drillMap.ts';
import { FastenerEntity, JointChoiceEntity } from './entities.ts';
import { sectionSeams } from '../way/sectionSeams.ts';
import { layersOf, repairName } from '../verdict/named.ts';

interface Services {
  verdicts: VerdictService;
  cuts: CutService;
  shops: ShopService;
  paces: PaceService;
}

/** The joints of a repair: piece → stretches → how each is closed → fasteners in place → what is loose or opened of them → hours. */
export class JointService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller, repairId: string): Promise<JointsView> {
    const stored = await this.db.getRepository(JointChoiceEntity).findOneBy({ id: repairId });
    return this.viewWith(caller, repairId, stored?.choices ?? [], stored?.version ?? 0);
  }

  /** Chooses how the stretch that passes a place is closed, or leaves it to the house rules again. */
  async choose(caller: Caller, repairId: string, { version, at, ...change }: ClosingChange): Promise<JointsView> {
    const { vehicle, repair } = await this.services.verdicts.own(caller, repairId);
    const [before, stored] = await Promise.all([
      this.view(caller, repairId),
      this.db.getRepository(JointChoiceEntity).findOneBy({ id: repairId }),
    ]);
    const index = before.joints.findIndex(
      ({ kind, at: place, line }) =>
        kind === change.kind &&
        (change.alone ? toLine(at, line) : Math.hypot(place[0] - at[0], place[1] - at[1])) < SAME_JOINT,
    );
    if (index < 0)
      throw new ServerProblem(
        'invalid',
        'This joint is not there any more: the line was changed. Look at the joints as they are now.',
        'at',
      );
    // What was said of this stretch before, under whatever place, gives way.
    const sameSort = before.joints.map((joint) => ({ ...joint, kind: `${joint.kind} ${Boolean(joint.alone)}` }));
    const choices = (stored?.choices ?? []).filter(
      (one) =>
        Boolean(one.alone) !== change.alone ||
        !ownersOf(sameSort, [{ at: one.at, kind: `${one.kind} ${Boolean(one.alone)}` }]).has(index),
    );
    const { closing, pitch, found, kind, alone } = change;
    const said = Object.entries({ closing, pitch, found }).filter(([, value]) => value !== null);
    if (said.length > 0) choices.push({ at, kind, ...(alone ? { alone } : {}), ...Object.fromEntries(said) });
    // A closing that such a joint cannot have is refused before it is kept.
    await this.viewWith(caller, repairId, choices, version);
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (version === 0 && !(await manager.existsBy(JointChoiceEntity, { id: repairId })))
        await manager.insert(JointChoiceEntity, { id: repairId, choices, version: 1 });
      else
        await changeVersioned(manager, {
          target: JointChoiceEntity,
          id: repairId,
          seen: version,
          changes: { choices },
          current: () => this.view(caller, repairId),
        });
      const name = repairName(vehicle.plan, repair);
      const how = `${closing ? CLOSING_WORDS[closing].toLowerCase() : 'the way of the house'}${found === null ? '' : `, ${found} fasteners counted`}`;
      await record(
        manager,
        caller,
        vehicle.id,
        'cut',
        `${name}: ${(JOINT_WORDS[kind] ?? kind).toLowerCase()} closed by ${how}`,
      );
    });
    return this.view(caller, repairId);
  }

  /** Closes joints as was chosen for those of another repair; says how many have their like here. What was chosen here before gives way. */
  async takeOver(
    caller: Caller,
    repairId: string,
    wanted: readonly JointChoice[],
  ): Promise<{ taken: number; left: number }> {
    const { vehicle, repair } = await this.services.verdicts.own(caller, repairId);
    const { joints } = await this.view(caller, repairId);
    const choices = wanted.filter((one) =>
      closedJoints(joints, { visible: true, choices: [one] }).some(({ chosen }) => chosen),
    );
    if (choices.length === 0) return { taken: 0, left: wanted.length };
    // A closing that such a joint cannot have is refused before it is kept.
    await this.viewWith(caller, repairId, choices, 0);
    await changeOf(this.db, vehicle.id, async (manager) => {
      const rows = manager.getRepository(JointChoiceEntity);
      const stored = await rows.findOneBy({ id: repairId });
      if (stored) await rows.update({ id: repairId }, { choices, version: stored.version + 1 });
      else await rows.insert({ id: repairId, choices, version: 1 });
      const name = repairName(vehicle.plan, repair);
      await record(manager, caller, vehicle.id, 'cut', `${name}: ${choices.length} joints closed as on the other side`);
    });
    return { taken: choices.length, left: wanted.length - choices.length };
  }

  /** Notes what was found or done at some fasteners; the last word counts. */
  async mark(caller: Caller, repairId: string, { ids, state }: FastenerMark): Promise<JointsView> {
    const { vehicle } = await this.services.verdicts.own(caller, repairId);
    const view = await this.view(caller, repairId);
    const strange = ids.find((id) => !view.fasteners.some((fastener) => fastener.id === id));
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
      const name = panelOf(vehicle.plan, view.panel).name;
      await record(manager, caller, vehicle.id, 'cut', `${ids.length} fasteners of ${name}: ${state}`);
    });
    return { ...view, fasteners: await this.known(repairId, view.joints) };
  }

  /** The drill map for the car, as PDF. */
  async drillMap(caller: Caller, repairId: string): Promise<{ panel: string; file: Buffer }> {
    const [view, { vehicle }, shop] = await Promise.all([
      this.view(caller, repairId),
      this.services.verdicts.own(caller, repairId),
      this.services.shops.shop(caller),
    ]);
    const file = await drillMap(view, {
      vehicle: vehicle.nickname,
      panel: panelOf(vehicle.plan, view.panel),
      units: personUnits(shop),
      by: caller.name,
      on: tellsDay(shop.timeZone)(new Date()),
    });
    return { panel: view.panel, file };
  }

  private async viewWith(
    caller: Caller,
    repairId: string,
    choices: readonly JointChoice[],
    version: number,
  ): Promise<JointsView> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    const panel = panelOf(vehicle.plan, repair.panel);
    const [cut, { schools, limits, metalwork, tools }, paces] = await Promise.all([
      isLetIn(repair.choice) ? this.services.cuts.plan(caller, repairId) : null,
      this.services.shops.shop(caller),
      this.services.paces.of(caller),
    ]);
    const piece = cut?.line.outline ?? panel.outline;
    const layers = layersOf(repair);
    const layer = cut?.layer ?? boughtSheet(panel, layers) ?? panel.layers[0]!.id;
    const held = cut ? pieceJoints(vehicle.plan, panel, piece, layer) : panelJoints(vehicle.plan, panel, layer);
    const asBuilt = [...held, ...(await sectionSeams(this.db, repairId, piece))];
    const visible = isSeen(panel, layers);
    // A panel that is kept has no joints that are opened.
    const joints = keepsPanel(repair.choice) ? [] : closedJoints(asBuilt, { visible, schools, choices });
    const how = { visible, made: isMade(repair.choice), paces, finish: metalwork.finish };
    const hollow = hollowsAt(vehicle.plan, { panel: panel.id, layers }).length > 0;
    const views = joints.map((joint) =>
      jointView(joint, panel, { ...how, limits, tools, low: hollow ? metalwork.lowEdge : undefined }),
    );
    const work = closedWork(joints, how);
    return {
      repairId,
      panel: panel.id,
      choice: repair.choice,
      layer,
      piece: [...piece],
      whole: !cut,
      joints: views,
      version,
      fasteners: await this.known(repairId, joints),
      hours: meanHours(work, paces),
      work: work.map((element) => ({
        name: element.name,
        count: element.count,
        unit: element.unit,
        hours: meanHours([element], paces),
      })),
    };
  }

  /** The fasteners of these joints with what is known of each. Where the old lip stays, none of them is opened. */
  private async known(repairId: string, joints: readonly ClosedJoint[]): Promise<JointsView['fasteners']> {
    const rows = await this.db.getRepository(FastenerEntity).findBy({ repairId });
    const said = new Map(rows.map((row) => [row.place, row]));
    const opened = joints.map((joint) =>
      !isInSheet(joint) && joint.closing === 'butt' ? { ...joint, fasteners: 0 } : joint,
    );
    return fastenersOf(opened).map((fastener) => ({
      ...fastener,
      state: said.get(fastener.id)?.state ?? 'holds',
      by: said.get(fastener.id)?.by ?? null,
    }));
  }
}

/** mm. A choice is told by the middle of its joint; two that lie so near are the same. */
const SAME_JOINT = 5;

function jointView(
  joint: ClosedJoint,
  panel: Panel,
  how: {
    visible: boolean;
    made: boolean;
    paces: Paces;
    finish: Metalwork['finish'];
    limits: Limits;
    tools: Tools | null | undefined;
    /** School of the shop for the low edge of a hollow, where the panel is a wall of one. */
    low: Metalwork['lowEdge'] | undefined;
  },
): JointView {
  const runs = joint.kind === 'cut' ? straightRuns(joint.line) : [];
  const { trim: _trim, ...shown } = joint;
  const name = joint.alone ? `${joint.name}, towards the ${facing(panel, joint.line)}` : joint.name;
  return {
    ...shown,
    name,
    at: pair(placeOf(joint)),
    runs:
      runs.length > 1
        ? runs.map((line) => ({ at: pair(placeOf({ line })), length: lineLength(line), name: facing(panel, line) }))
        : [],
    ways: [...closingsOf(joint)],
    notes: [
      ...reachNotes(joint, panel, how.tools),
      ...closingNotes(joint, {
        ...{ mounts: panel.mounts, radius: how.limits.mountRadius },
        low: lowEdge(panel, [joint]) > 0 ? how.low : undefined,
      }),
    ],
    hours: meanHours(closedWork([joint], how), how.paces),
  };
}

/** What the spot welder that stands here does not reach; nothing as long as nobody has said what stands here. */
function reachNotes(joint: ClosedJoint, panel: Panel, tools: Tools | null | undefined): string[] {
  const note = tools ? spotReach(joint, sheetOf(panel), tools.spotArm) : null;
  return note === null ? [] : [note];
}

const pair = ([u, v]: Point): [number, number] => [u, v];
/** Which edge of the panel a run of the piece faces; the piece lies on its left. */
function facing(panel: Panel, line: readonly Point[]): string {
  const [du, dv] = minus(line.at(-1)!, line[0]!);
  return edgeName(panel, [dv, -du]);
}
