import type { DataSource, EntityManager } from 'typeorm';
import {
  patternDefaults,
  type CutFrom,
  type PatternInput,
  type PatternSettings,
  type PatternView,
} from '@aspecta/contract/pattern';
import { layerOf, panelOf, type Panel } from '@aspecta/core/body';
import { inRing, perimeter, toRing, type Point, type Ring } from '@aspecta/core/geometry';
import { blankOf, sectionsOf, turnPlace, turnsOf, type Section } from '@aspecta/core/pattern';
import type { ClosedJoint } from '@aspecta/core/repair';
import { isBought, keepsPanel } from '@aspecta/core/verdict';
import type { CutService } from '../cut/service.ts';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { JointService } from '../repair/service.ts';
import type { VerdictService } from '../verdict/service.ts';
import { cutsOf, PatternEntity, type Cut, type PatternRow } from './entities.ts';
import { repairName } from '../verdict/named.ts';

interface Services {
  verdicts: VerdictService;
  joints: JointService;
  cuts: CutService;
}

/** The way to a blank: piece of the repair → its joints → how each edge goes on → what is cut from flat sheet. */
export class PatternService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  /** What is cut for a piece, or for one of the sections in which it goes in. */
  async view(caller: Caller, repairId: string, section = 0): Promise<PatternView> {
    const row = await this.db.getRepository(PatternEntity).findOneBy({ id: repairId });
    const views = await this.viewsWith(caller, repairId, row);
    // A section that is no more, since the piece goes in otherwise now, gives way to the first.
    return (views[section] ?? views[0]!)();
  }

  /** Every section of a piece. */
  async sections(caller: Caller, repairId: string): Promise<PatternView[]> {
    const row = await this.db.getRepository(PatternEntity).findOneBy({ id: repairId });
    return (await this.viewsWith(caller, repairId, row)).map((view) => view());
  }

  async save(
    caller: Caller,
    repairId: string,
    { version, ...settings }: PatternInput,
    section: number,
  ): Promise<PatternView> {
    const { vehicle, repair } = await this.services.verdicts.own(caller, repairId);
    // What cannot be folded is refused before it is kept.
    for (const view of await this.viewsWith(caller, repairId, { id: repairId, settings, cutFrom: null, version }))
      view();
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (version === 0 && !(await manager.existsBy(PatternEntity, { id: repairId })))
        await manager.insert(PatternEntity, { id: repairId, settings, cutFrom: null, version: 1 });
      else
        await changeOnce(manager, {
          target: PatternEntity,
          id: repairId,
          seen: version,
          changes: { settings },
          current: () => this.view(caller, repairId, section),
        });
      await record(manager, caller, vehicle.id, 'cut', `Pattern for ${repairName(vehicle.plan, repair)} changed`);
    });
    return this.view(caller, repairId, section);
  }

  /** A blank was cut from a sheet of the rack. */
  async cut(manager: EntityManager, repairId: string, cut: Cut): Promise<void> {
    const row = await manager.findOneBy(PatternEntity, { id: repairId });
    // What was cut for a piece that was parted otherwise is no part of this one.
    const others = cutsOf(row).filter(({ section, of }) => of === cut.of && section !== cut.section);
    const cutFrom = [...others, cut].sort((a, b) => a.section - b.section);
    if (row) await manager.update(PatternEntity, { id: repairId }, { cutFrom, version: row.version + 1 });
    else await manager.insert(PatternEntity, { id: repairId, settings: patternDefaults, cutFrom, version: 1 });
  }

  /** A sheet of the rack was not cut after all. */
  async uncut(manager: EntityManager, repairId: string, sheetId: string): Promise<void> {
    const row = await manager.findOneBy(PatternEntity, { id: repairId });
    const cuts = cutsOf(row);
    const left = cuts.filter((cut) => cut.sheetId !== sheetId);
    if (row && left.length < cuts.length)
      await manager.update(
        PatternEntity,
        { id: repairId },
        { cutFrom: left.length > 0 ? left : null, version: row.version + 1 },
      );
  }

  private async viewsWith(caller: Caller, repairId: string, row: PatternRow | null): Promise<(() => PatternView)[]> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    if (keepsPanel(repair.choice))
      throw new ServerProblem('invalid', 'Nothing is let in here: this panel is kept, so there is nothing to cut out.');
    const panel = panelOf(vehicle.plan, repair.panel);
    const held = await this.services.joints.view(caller, repairId);
    const layer = layerOf(panel, held.layer);
    // What was kept before one of them was added takes what is usual for it.
    const settings: PatternSettings = { ...patternDefaults, ...row?.settings };
    const thickness = settings.thickness ?? layer.thickness;
    const gap = held.whole ? 0 : (await this.services.cuts.plan(caller, repairId)).settings.kerf;
    const { traced } = settings;
    const bought = isBought(repair.choice) && !traced;
    const whole = traced?.ring ?? held.piece;
    // A card has its flanges on it already: it ends where it was traced.
    const joints = traced ? [tracedEdge(traced.ring)] : held.joints.filter(({ line }) => line.length > 1);
    const mounts = traced ? [] : panel.mounts.filter(({ at }) => inRing(at, whole));
    const fittings = [...mounts.map(({ name, at }) => ({ name, at, diameter: 0 })), ...settings.fittings];
    const otherSide = vehicle.plan.panels.find(
      ({ id, mirrorOf }) => mirrorOf?.panel === panel.id || panel.mirrorOf?.panel === id,
    );
    const cuts = cutsOf(row);
    const sections = sectionsOf(whole, joints);
    return sections.map((own, section) => (): PatternView => {
      const blank = blankOf({
        ...{ piece: own.piece, joints: own.joints, whole, thickness, material: layer.material },
        ...{ radius: settings.radius, gap, trim: settings.trim, choices: settings.turns },
        bought,
        // What comes with its edges is not bent.
        strips: traced || bought ? [] : panel.flanges,
        panel: traced ? whole : panel.outline,
        holes: traced ? [] : panel.holes,
        fittings: fittings.filter(({ at }) => sectionAt(sections, at) === section),
      });
      const turns = turnsOf(own.joints, settings.turns, bought);
      const cut = cuts.find((one) => one.of === sections.length && one.section === section);
      return {
        ...{ repairId, panel: panel.id, layer: layer.id, asBuilt: layer.thickness, thickness, settings, blank },
        material: layer.material,
        ...{ piece: own.piece, section, sections: sections.length },
        joints: own.joints.map((joint) => ({
          ...{ name: joint.name, kind: joint.kind, closing: joint.closing, line: [...joint.line] },
          at: turnPlace(joint),
        })),
        notes: notesOn({
          ...{ panel, traced, piece: own.piece, thickness, asBuilt: layer.thickness },
          parted: sections.length > 1,
          bought: bought && (held.whole ? 'whole' : 'part'),
          laps: turns.some(({ width, angle }) => width > 0 && angle === 0),
          drains: blank.holes.length,
        }),
        otherSide: otherSide?.name ?? null,
        version: row?.version ?? 0,
        cutFrom: cut ? cutView(cut) : null,
        cutOtherwise: cuts.filter(({ of }) => of !== sections.length).map(cutView)[0] ?? null,
      };
    });
  }
}

const cutView = ({ sheet, by, at, section, of }: Cut): CutFrom => ({ sheet, by, at, section, of });

/** The section in which something sits, or in whose flange. */
function sectionAt(sections: readonly Section[], at: Point): number {
  const far = sections.map(({ piece }) => (inRing(at, piece) ? 0 : toRing(at, piece)));
  return far.indexOf(Math.min(...far));
}

interface Noted {
  panel: Panel;
  traced: PatternSettings['traced'];
  piece: Ring;
  parted: boolean;
  thickness: number;
  asBuilt: number;
  bought: 'whole' | 'part' | false;
  laps: boolean;
  drains: number;
}

/** The edge of what was traced, as one joint all round. */
const tracedEdge = (ring: Ring): ClosedJoint => ({
  ...{ kind: 'free', name: 'as traced', closing: 'make', fasteners: 0, welds: 0, chosen: false, counted: false },
  ...{ length: perimeter(ring), line: [...ring, ring[0]!] },
});

/** What a flat pattern does not say by itself. */
function notesOn({ panel, traced, piece, parted, thickness, asBuilt, bought, laps, drains }: Noted): string[] {
  const out: string[] = [];
  if (parted)
    out.push(
      'It goes in parted, and is cut out section by section. What overlaps at a seam goes on beyond one of the two sections; hold both together on the bench before either is trimmed.',
    );
  if (bought === 'whole')
    out.push('This panel is bought as a whole: a pattern is only needed if it has to be made after all.');
  if (bought === 'part')
    out.push(
      'Cut from the bought panel along this outline: its own edges come with it. Hold each against the car, and say below where one has to be made otherwise.',
    );
  if (panel.curvature === 'double')
    out.push(
      'This panel is curved both ways: flat sheet has to be stretched for it, and the pattern is where to begin. Take a paper template from the car or from the other side before cutting.',
    );
  if (panel.curvature === 'single')
    out.push(
      'This panel is curved one way: the pattern is measured along its surface. Roll it first, then turn its edges.',
    );
  if (traced)
    out.push(
      `Cut to what was traced (${traced.from}): lay a tape over its length and its width before it is cut, a picture is as true as the points that were marked on it.`,
    );
  const held = traced ? [] : panel.mounts.filter(({ at }) => inRing(at, piece)).map(({ name }) => name);
  if (held.length > 0)
    out.push(
      `Nuts, brackets or mounts sit in this piece (${held.join(', ')}): measure their places before the old piece goes, and move what is good over to the new one.`,
    );
  if (thickness < asBuilt - 0.06)
    out.push(
      `The sheet is thinner than the ${asBuilt.toFixed(2)} mm that was there: metal of equal thickness counts, and where load is carried nothing else does.`,
    );
  if (laps) out.push('What lies under its neighbour is primed on both faces before it closes.');
  if (drains > 0) out.push('Drains and holes are cut in the flat, edges dressed: water leaves as it did before.');
  return out;
}
