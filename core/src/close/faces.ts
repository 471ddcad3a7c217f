import { hollowsAt, panelOf, pieceName, sheetOf, sidesInReach, type BodyPlan, type Cavity } from '../body/index.ts';
import { area } from '../geometry/index.ts';
import { keepsPanel, type OptionId } from '../verdict/index.ts';

/** A repair as its faces need it. */
export interface OpenedRepair {
  id: string;
  panel: string;
  /** Sheets of the panel that it is on; the outermost where they are left out. */
  layers?: readonly string[] | undefined;
  choice: OptionId;
  /** mm² of metal that it was decided for; where the whole panel is new, its sheet counts. */
  area: number;
}

/**
 * A face that repairs lay bare: in a hollow, or the outside or the back of the metal that was worked on.
 * One in a hollow cannot be reached any more when the last of its repairs is welded.
 */
export interface Face {
  id: string;
  name: string;
  kind: 'hollow' | 'outside' | 'back';
  panel: string;
  layer: string | null;
  /** Id of the hollow that it looks into. */
  cavity: string | null;
  /** Repairs that lay it bare. */
  repairs: string[];
  /** Repairs whose welds shut it. */
  closedBy: string[];
  /** mm² */
  area: number;
}

/** Times the metal of a repair that is reached from inside a hollow: the burnt edges beside it too; common practice, no published source. */
const BURNT = 1.5;

/** A new panel from edge to edge. */
const isNew = ({ choice }: OpenedRepair) => choice === 'whole' || choice === 'make';
/** mm² that are bare afterwards, on one face: of a panel that is new all of it. */
const bareArea = (body: BodyPlan, repair: OpenedRepair): number =>
  isNew(repair) ? area(sheetOf(panelOf(body, repair.panel))) : repair.area;

/**
 * Which faces do these repairs lay bare, and which of them can be reached no more when they are welded?
 *
 * @param body with its hollows; repairs on its panels
 * @example facesOf(bodyPlan('saloon'), [{ id: 'r', panel: 'sill-l', choice: 'patch', area: 1e4 }]).filter(({ closedBy }) => closedBy.length > 0).length // → 2
 */
export function facesOf(body: BodyPlan, repairs: readonly OpenedRepair[]): Face[] {
  const known = repairs.filter(({ panel }) => body.panels.some(({ id }) => id === panel));
  const opened = known
    .filter(({ choice }) => !keepsPanel(choice))
    .map((repair) => ({ repair, hollows: hollowsAt(body, repair) }));
  const opens = (cavity: Cavity) =>
    opened.filter(({ hollows }) => hollows.includes(cavity)).map(({ repair }) => repair);
  const hollows = body.cavities.flatMap((cavity): Face[] => {
    const own = opens(cavity);
    if (own.length === 0) return [];
    const bare = own.reduce((sum, repair) => sum + bareArea(body, repair) * (isNew(repair) ? 1 : BURNT), 0);
    return cavity.walls.map(({ panel, layer }) => {
      const wall = panelOf(body, panel);
      const sheet = wall.layers.find(({ id }) => id === layer)?.name ?? layer;
      const ids = own.map(({ id }) => id);
      return {
        id: `${cavity.id}/${panel}/${layer}`,
        name: `${wall.layers.length > 1 ? `${sheet} of ` : ''}${wall.name}, inside`,
        kind: 'hollow',
        panel,
        layer,
        cavity: cavity.id,
        repairs: ids,
        closedBy: ids,
        area: bare,
      };
    });
  });
  const sides = known.flatMap((repair): Face[] => {
    const { id, panel, layers = [], choice } = repair;
    const name = pieceName(panelOf(body, panel), layers);
    const face = (kind: 'outside' | 'back', word: string): Face => ({
      id: `${id} ${kind}`,
      name: `${name}, ${word}`,
      kind,
      panel,
      layer: null,
      cavity: null,
      repairs: [id],
      closedBy: [],
      area: bareArea(body, repair),
    });
    const reached = sidesInReach(body, repair);
    // The back of an inner sheet is the side from which it is worked on.
    const back = () => face('back', reached.includes('outside') ? 'back' : 'inner side');
    if (keepsPanel(choice)) return [reached[0] === 'back' ? back() : face('outside', 'outside')];
    return reached.map((side) => (side === 'back' ? back() : face('outside', 'outside')));
  });
  return [...hollows, ...sides];
}
