import {
  COAT_WORDS,
  type CloseView,
  type ClosingRepair,
  type CoatView,
  type FaceView,
  type NeedView,
  type ProductView,
} from '@aspecta/contract/close';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import {
  CANS,
  coatNeeds,
  coversOf,
  coats as coatTimes,
  dewPoint,
  facesOf,
  proof,
  protects,
  type CoatSystems,
  type Face,
} from '@aspecta/core/close';
import type { JobRepair } from '@aspecta/core/job';
import { signOf } from '@aspecta/core/survey';
import type { FindRow } from '../survey/entities.ts';
import type { RepairRow } from '../verdict/entities.ts';
import type { WeldProgress } from '../weld/progress.ts';
import type { CoatRow, OverruleRow } from './entities.ts';
import { layersOf, repairName } from '../verdict/named.ts';

/** All that is known of the faces of a car. */
export interface Closing {
  plan: BodyPlan;
  repairs: readonly RepairRow[];
  coats: readonly CoatRow[];
  /** Those that are open. */
  finds: readonly FindRow[];
  welds: ReadonlyMap<string, WeldProgress>;
  overruled: readonly OverruleRow[];
  /** What the shop puts onto each side of the metal. */
  systems: CoatSystems;
}

const HOUR = 3_600_000;

/** mm² of a repair where its decision did not note the area: a hand's breadth. */
const USUAL_AREA = 10_000;

function known({ plan, repairs, coats, welds }: Closing) {
  const areaOf = ({ zones }: RepairRow) => zones.reduce((sum, { area = USUAL_AREA }) => sum + area, 0);
  const all = facesOf(
    plan,
    repairs.map((repair) => ({
      ...{ id: repair.id, panel: repair.panel, choice: repair.choice },
      layers: layersOf(repair),
      area: areaOf(repair),
    })),
  );
  /** A coat from before a decision was on metal that is opened since: the last of them counts. */
  const bared = ({ repairs: ids }: Face) =>
    Math.max(...repairs.filter(({ id }) => ids.includes(id)).map(({ decidedAt }) => decidedAt.getTime()));
  const coatsOf = (face: Face) =>
    coats.filter((coat) => coat.faces.includes(face.id) && coat.at.getTime() >= bared(face));
  const isDone = (id: string) => repairs.some((repair) => repair.id === id && repair.done);
  // A repair that somebody has called done is not asked again for what stays in reach.
  const faces = all.filter(
    (face) => face.closedBy.length > 0 || coatsOf(face).length > 0 || !face.repairs.every(isDone),
  );
  const coated = new Set(faces.filter((face) => coatsOf(face).some(({ kind }) => protects(kind))).map(({ id }) => id));
  const welded = new Set(
    repairs.filter(({ id, done }) => done || (welds.get(id)?.share ?? 0) >= 1).map(({ id }) => id),
  );
  return { faces, coatsOf, coated, ...proof(faces, coated, welded) };
}

/** Every face with its state and the coats that are on it, oldest first. */
export function facesWithCoats(closing: Closing): { face: Face; state: FaceView['state']; coats: CoatView[] }[] {
  const { faces, coatsOf, states } = known(closing);
  return faces.map((face) => ({ face, state: states.get(face.id)!, coats: coatsOf(face).map(coatView) }));
}

/** What the coats of a car still take, by the products of the shop where it has its own of a kind. */
export function needsOf(closing: Closing, products: readonly ProductView[]): NeedView[] {
  const faces = facesWithCoats(closing).flatMap(({ face, state, coats }) =>
    // Where somebody has said that it stays bare, nothing is bought.
    state === 'shut-bare'
      ? []
      : [{ ...face, visible: panelOf(closing.plan, face.panel).visible, on: coats.map(({ kind }) => kind) }],
  );
  const own = Object.fromEntries(products.filter(({ usual }) => !usual).map((product) => [product.kind, product]));
  return coatNeeds(faces, own, closing.systems).map(({ kind, ...need }) => ({
    ...{ kind, ...need, can: CANS[kind] },
    name: own[kind]?.name ?? COAT_WORDS[kind],
  }));
}

export function closeView(
  closing: Closing,
  told: Pick<CloseView, 'products' | 'temperature' | 'reminders' | 'systems'>,
): CloseView {
  const { faces, coatsOf, states, before } = known(closing);
  const { plan, finds, welds, overruled } = closing;
  const cavityOf = (face: Face) => plan.cavities.find(({ id }) => id === face.cavity);
  return {
    ...told,
    needs: needsOf(closing, told.products),
    faces: faces.map((face): FaceView => {
      const cavity = cavityOf(face);
      const panels = cavity ? cavity.walls.map(({ panel }) => panel) : [face.panel];
      const holes = plan.panels.filter(({ id }) => panels.includes(id)).flatMap((panel) => panel.holes);
      return {
        ...face,
        state: states.get(face.id)!,
        coats: coatsOf(face).map(coatView),
        cavityName: cavity?.name ?? null,
        drains: [...new Set(holes.filter(({ id }) => cavity?.drains.includes(id)).map(({ name }) => name))],
        finds: finds
          .filter(({ panel }) => panels.includes(panel))
          .filter(({ sign }) => signOf(sign).weight > 0)
          .map(({ sign, note }) => [signOf(sign).title, note].filter((part) => part !== '').join(' – ')),
      };
    }),
    repairs: closing.repairs
      .filter(({ id }) => faces.some((face) => face.repairs.includes(id)))
      .map((repair): ClosingRepair => {
        const { id, panel, done } = repair;
        const rule = overruled.find(({ repairId }) => repairId === id);
        return {
          id,
          panel,
          name: repairName(closing.plan, repair),
          welded: welds.get(id)?.share ?? null,
          done: Boolean(done),
          bare: before.filter(({ repairs }) => repairs.includes(id)).map(({ face }) => face),
          overruled: rule ? { reason: rule.reason, by: rule.by, at: rule.at.toISOString() } : null,
        };
      }),
  };
}

/** Names of the faces that the welds of a repair would shut bare; none where somebody has overruled it. */
export function bareOf(closing: Closing, repairId: string): string[] {
  if (closing.overruled.some((row) => row.repairId === repairId)) return [];
  const { faces, before } = known(closing);
  return before
    .filter(({ repairs }) => repairs.includes(repairId))
    .map(({ face }) => {
      const { name, cavity } = faces.find(({ id }) => id === face)!;
      return `${closing.plan.cavities.find(({ id }) => id === cavity)?.name ?? ''}: ${name}`;
    });
}

/** Shares of a repair that are coated: of the faces it shuts, of those that stay in reach, of what lies over the primer; null where it has none. */
export function coatedShares(closing: Closing): ReadonlyMap<string, NonNullable<JobRepair['coated']>> {
  const { faces, coated, coatsOf } = known(closing);
  const share = (own: readonly boolean[]) => (own.length === 0 ? null : own.filter(Boolean).length / own.length);
  return new Map(
    closing.repairs.map(({ id }) => {
      const own = faces.filter(({ repairs }) => repairs.includes(id));
      const isCoated = (some: readonly Face[]) => share(some.map((face) => coated.has(face.id)));
      return [
        id,
        {
          behind: isCoated(own.filter(({ closedBy }) => closedBy.length > 0)),
          primed: isCoated(own.filter(({ closedBy }) => closedBy.length === 0)),
          painted: share(
            own
              .filter((face) => face.kind === 'outside' && panelOf(closing.plan, face.panel).visible)
              .map((face) => coatsOf(face).some((coat) => coat.kind === 'paint')),
          ),
          covered: share(
            own.flatMap((face) =>
              coversOf({ kind: face.kind, visible: panelOf(closing.plan, face.panel).visible }, closing.systems).map(
                (kind) => coatsOf(face).some((coat) => coat.kind === kind),
              ),
            ),
          ),
        },
      ];
    }),
  );
}

function coatView(row: CoatRow): CoatView {
  const { vehicleId: _vehicleId, faces: _faces, hours, latest, least, at, ...coat } = row;
  const { next } = coatTimes({
    coats: [{ id: row.id, hours, latest }],
    start: 0,
    temperature: [{ from: 0, celsius: row.celsius }],
    least,
  }).coats[0]!;
  const moment = (after: number) => new Date(at.getTime() + after * HOUR).toISOString();
  return {
    ...coat,
    at: at.toISOString(),
    next: { earliest: moment(next.earliest), latest: next.latest === null ? null : moment(next.latest) },
    damp:
      row.humidity !== null &&
      row.steel !== null &&
      !dewPoint({ air: row.celsius, humidity: row.humidity, steel: row.steel }).apply,
  };
}
