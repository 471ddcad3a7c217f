import type { EdgePart } from './edgePart.ts';
import type { EdgeSpec } from './types.ts';

type PanelEdges = { rest: EdgeSpec } & Partial<Record<EdgePart, EdgeSpec>>;

/** mm between spots where nothing else is known (T-10). */
export const USUAL_PITCH = 40;
const spot = (pitch = USUAL_PITCH, sheets = 2): EdgeSpec => ({ kind: 'spot', pitch, sheets });
const hidden = (spec: EdgeSpec): EdgeSpec => ({ ...spec, hidden: true });
const bolt = (pitch: number): EdgeSpec => ({ kind: 'bolt', pitch, sheets: 2 });
const rivet = (pitch: number): EdgeSpec => ({ kind: 'rivet', pitch, sheets: 2 });
const hem: EdgeSpec = { kind: 'hem', sheets: 2, height: 10 };
const fold = (height: number): EdgeSpec => ({ kind: 'fold', height });
const returned = (height: number): EdgeSpec => ({ kind: 'return', height });
/** Folded in around the wheel and spotted to the housing behind. */
const arch: EdgeSpec = { kind: 'lip', height: 22, pitch: 40, sheets: 2 };
/** The gutter beside a roof: folded, and spotted to the cant rail below. */
const gutter: EdgeSpec = { kind: 'drip', height: 12, pitch: 30, sheets: 2 };

/*
 * How bodies of these kinds are put together; common practice, no published source. Panels of the
 * same name are built alike in all of them; what is different stands under the body.
 */
const COMMON: Readonly<Record<string, PanelEdges>> = {
  wing: { rest: bolt(180), behind: returned(15), arch },
  pillar: { rest: spot(35) },
  'door-skin': { rest: hem },
  'door-inner': { rest: hem },
  sill: { rest: spot(38), below: spot(38, 3), above: hidden(spot(38)) },
  quarter: { rest: spot(38), before: hidden(spot(35)), behind: spot(38, 3), arch },
  'slam-panel': { rest: spot(60) },
  'front-panel': { rest: spot(38) },
  'front-valance': { rest: spot(40), below: fold(12) },
  'rear-valance': { rest: spot(40), above: spot(38, 3), below: fold(15) },
  bonnet: { rest: hem },
  'boot-lid': { rest: hem },
  'front-lid': { rest: hem },
  'rear-lid': { rest: hem },
  tailgate: { rest: hem },
  'tailgate-inner': { rest: hem },
  roof: { rest: hidden(spot(35)), below: gutter, above: gutter },
  'rear-deck': { rest: spot(35) },
  'tail-panel': { rest: spot(38), below: spot(38, 3) },
  'boot-floor': { rest: spot(40), behind: spot(38, 3) },
  'floor-front': { rest: hidden(spot(40)) },
  'floor-rear': { rest: hidden(spot(40)) },
  'inner-wing': { rest: spot(40), above: bolt(180) },
  'hinge-post': { rest: spot(30) },
  'lock-post': { rest: spot(30) },
  'wheel-house': { rest: hidden(spot(40)), arch: spot(40) },
  'seat-bulkhead': { rest: spot(50) },
  tunnel: { rest: spot(38) },
};
const BODIES: Readonly<Record<string, Readonly<Record<string, PanelEdges>>>> = {
  pickup: {
    'cab-corner': { rest: spot(35), below: spot(40, 3), before: hidden(spot(35)) },
    'bed-side': { rest: bolt(250), above: returned(30), arch: { kind: 'lip', height: 22 } },
    'bed-inner': { rest: spot(50), above: fold(25) },
    'bed-floor': { rest: spot(60) },
    'wheel-tub': { rest: spot(40), arch: { kind: 'lip', height: 18 } },
  },
  offroader: {
    'tub-side': { rest: rivet(60), above: returned(25), arch: { kind: 'lip', height: 18 } },
    'upper-side': { rest: bolt(120) },
    'front-panel': { rest: bolt(120) },
    roof: { rest: bolt(150), below: { kind: 'drip', height: 12 }, above: { kind: 'drip', height: 12 } },
    'rear-corner': { rest: rivet(60) },
    'rear-door': { rest: hem },
    'rear-door-frame': { rest: hem },
    tunnel: { rest: bolt(120) },
    'inner-wing': { rest: bolt(150) },
    'seat-box': { rest: bolt(200) },
    'front-bumper': { rest: bolt(300) },
  },
  platform: {
    'pan-front': { rest: bolt(150) },
    'pan-rear': { rest: bolt(150) },
    'front-panel': { rest: spot(40), below: fold(12) },
  },
};
const WELDED: PanelEdges = { rest: spot(40) };
const BOLTED: PanelEdges = { rest: bolt(150) };

/** What the edges of a panel are as a rule, by its name within a body; otherwise by how it is held. */
export function edgeRulesOf(body: string, panel: { id: string; fixing: 'welded' | 'bolted' }): PanelEdges {
  const name = panel.id.replace(/-[lr]$/, '');
  return BODIES[body]?.[name] ?? COMMON[name] ?? (panel.fixing === 'bolted' ? BOLTED : WELDED);
}
