import type { Board } from '@aspecta/contract/board';
import type { Shop } from '@aspecta/contract/shop';
import type { FindView, PitsView, WalkView, ZoneView } from '@aspecta/contract/survey';
import { layerOf, sheetOf, type Panel } from '@aspecta/core/body';
import {
  FEWEST_READINGS,
  layerSamples,
  mapThickness,
  rulesWith,
  type Reading,
  type SurveyRules,
  type ThicknessMap,
} from '@aspecta/core/survey';
import { Problem } from '@aspecta/core';
import type { OwnVehicle } from '../garage/service.ts';
import type { Chapter } from '../station.ts';

/** All that is known of one panel, as it was recorded. */
export interface PanelGathered {
  panel: Panel;
  state: Board['panels'][number];
  readings: readonly Reading[];
  pits: { layer: string; view: PitsView }[];
  zones: ZoneView[];
  finds: FindView[];
  photos: ShownPicture[];
}

/** A picture on paper. */
export interface ShownPicture {
  path: string;
  caption: string;
}

/** The same with what is worked out from it. */
export interface PanelReport extends PanelGathered {
  /** One for each layer with enough readings. */
  maps: { layer: string; name: string; map: ThicknessMap; readings: number }[];
}

/** Everything that an inspection report rests on. */
export interface Gathered {
  vehicle: OwnVehicle;
  shop: Pick<Shop, 'name' | 'unit' | 'coatingUnit' | 'heatUnit' | 'timeZone' | 'limits'>;
  on: string;
  by: string;
  walk: WalkView;
  panels: PanelGathered[];
  notInspected: Panel[];
  /** What other stations have to say of the car. */
  chapters: (Chapter & { shown: ShownPicture[] })[];
  coverage: number;
}

/** Everything that it says, before it is set on paper. */
export interface Inspection extends Gathered {
  panels: PanelReport[];
}

/** Makes the maps of an inspection: the part that takes long. */
export const inspectionOf = (gathered: Gathered): Inspection => ({
  ...gathered,
  panels: gathered.panels.map((report) => ({
    ...report,
    maps: report.panel.layers.flatMap((layer) =>
      mapOf(report.panel, layer.id, { readings: report.readings, rules: rulesWith(gathered.shop.limits) }),
    ),
  })),
});

/** The map of a layer, where its readings make one. */
function mapOf(
  panel: Panel,
  layerId: string,
  { readings, rules }: { readings: readonly Reading[]; rules: SurveyRules },
): PanelReport['maps'] {
  const layer = layerOf(panel, layerId);
  const { metal } = layerSamples(panel, layerId, readings);
  if (new Set(metal.map((sample) => `${sample.u} ${sample.v}`)).size < FEWEST_READINGS) return [];
  try {
    const map = mapThickness({ sheet: sheetOf(panel), asBuilt: layer.thickness, readings: metal, rules });
    return [{ layer: layerId, name: layer.name, map, readings: metal.length }];
  } catch (error) {
    if (error instanceof Problem) return [];
    throw error;
  }
}
