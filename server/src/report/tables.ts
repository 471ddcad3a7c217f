import { signOf, textCell } from '@aspecta/core/survey';
import { csvOf, workbookOf } from '../files/table.ts';
import type { Inspection } from './inspection.ts';
import { stateWords } from './words.ts';

const PANEL_COLUMNS = [
  'panel',
  'state',
  'coverage',
  'readings',
  'thinnest_mm',
  'deepest_coating_um',
  'share_under_limit',
  'doubt',
  'deepest_pit_expected_mm',
  'chance_of_a_hole',
  'zones',
  'finds',
];

/** One line for each panel, also for those that were not inspected. */
function panelRows({ panels, notInspected }: Inspection): (string | number)[][] {
  const known = panels.map((report) => {
    const map = report.maps[0]?.map;
    const pits = report.pits.find(({ view }) => view.result)?.view.result;
    return [
      report.panel.name,
      stateWords(report.state.state, 'workshop'),
      round(report.state.coverage),
      report.state.readings,
      beyond('<', report.state.thinnest, report.state.thinnestUnder),
      beyond('>', report.state.deepestCoating, report.state.deepestOver),
      map ? round(map.summary.underLimit) : '',
      map ? round(map.summary.underLimitSd) : '',
      pits ? round(pits.deepestExpected) : '',
      pits ? round(pits.perforationProbability) : '',
      report.zones.length,
      report.finds.length,
    ];
  });
  return [...known, ...notInspected.map((panel) => [panel.name, 'not inspected', 0, 0, '', '', '', '', '', '', 0, 0])];
}

const FIND_COLUMNS = [
  'panel',
  'layer',
  'u_mm',
  'v_mm',
  'found',
  'load_bearing',
  'note',
  'by',
  'at',
  'cured',
  'cured_at',
];
const findRows = ({ walk }: Inspection): (string | number)[][] =>
  walk.finds.map((find) => [
    find.panel,
    find.layer,
    find.u,
    find.v,
    signOf(find.sign).title,
    find.structural ? 'yes' : 'no',
    textCell(find.note),
    textCell(find.by),
    find.at,
    textCell(find.closed?.note ?? ''),
    find.closed?.at ?? '',
  ]);

/** A figure, marked where its gauge was at the end of its range. */
const beyond = (mark: string, value: number | null, is: boolean) =>
  value === null ? '' : is ? `${mark}${value}` : value;
const round = (value: number) => Math.round(value * 10_000) / 10_000;

/** The panels of an inspection as CSV. */
export const inspectionCsv = (inspection: Inspection): Buffer =>
  csvOf({ columns: PANEL_COLUMNS, rows: panelRows(inspection) });

/** Panels and finds of an inspection as a workbook. */
export const inspectionXlsx = (inspection: Inspection): Promise<Buffer> =>
  workbookOf({
    Panels: { columns: PANEL_COLUMNS, rows: panelRows(inspection) },
    Finds: { columns: FIND_COLUMNS, rows: findRows(inspection) },
  });
