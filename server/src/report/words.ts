import { ZONE_CLASSES } from '@aspecta/contract/survey';
import type { PanelCondition } from '@aspecta/core/survey';
import { signOf } from '@aspecta/core/survey';
import { formatLength, inUnits, type PersonUnits } from '@aspecta/core/units';
import type { ReportReader as Reader } from '../station.ts';
import type { PanelReport } from './inspection.ts';
import type { TellsDay } from '../shop/day.ts';

/* What the report says, in the words of the trade and in plain ones. */

export type { ReportReader as Reader } from '../station.ts';

const STATES: Readonly<Record<string, Readonly<Record<Reader, string>>>> = {
  unmeasured: { workshop: 'not enough measured to say', customer: 'not looked at closely enough to say anything' },
  sound: { workshop: 'measured, sound where measured', customer: 'good where it was measured' },
  worn: { workshop: 'worn', customer: 'a little thinner than new' },
  thin: {
    workshop: 'thin: in part too thin to weld to',
    customer: 'rusted so thin in places that they must be replaced',
  },
  through: { workshop: 'rusted through', customer: 'rusted through' },
  filler: { workshop: 'filler', customer: 'repaired with filler instead of metal' },
  decided: { workshop: 'repair decided', customer: 'to be repaired; decided' },
  done: { workshop: 'repaired', customer: 'repaired' },
} satisfies Record<PanelCondition | 'decided' | 'done', Record<Reader, string>>;

export const stateWords = (state: string, reader: Reader): string => STATES[state]?.[reader] ?? state;

export const percent = (share: number): string =>
  share > 0 && share < 0.0005 ? '< 0.1 %' : `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
export const area = (mm2: number, units: PersonUnits): string => inUnits(`${Math.round(mm2 / 100)} cm²`, units);

/** Sentences on a panel, most important first. */
export function panelSentences(report: PanelReport, reader: Reader, units: PersonUnits, day: TellsDay): string[] {
  const plain = reader === 'customer';
  const sheet = (mm: number) => (units.length === 'in' ? `${(mm / 25.4).toFixed(3)} in` : `${mm.toFixed(2)} mm`);
  const lines: string[] = [];
  for (const { name, map, readings } of report.maps) {
    const { underLimit, underLimitSd, measured } = map.summary;
    lines.push(
      plain
        ? `About ${percent(underLimit)} of the ${name.toLowerCase()} (give or take ${percent(underLimitSd)}) is too thin to be welded to; ${percent(1 - measured)} of it was not measured.`
        : `${name}: ${percent(underLimit)} ± ${percent(underLimitSd)} below ${sheet(map.limit)}; measured ${percent(measured)}, ${readings} readings, a reading left out is met within ${sheet(map.leaveOneOutRmse)}.`,
    );
    if (map.outliers.length > 0 && !plain)
      lines.push(
        map.outliers.length === 1
          ? 'One reading does not fit its neighbours and should be taken again.'
          : `${map.outliers.length} readings do not fit their neighbours and should be taken again.`,
      );
  }
  if (report.state.thinnest !== null)
    lines.push(
      `Thinnest reading: ${report.state.thinnest === 0 ? 'a hole' : `${report.state.thinnestUnder ? 'less than ' : ''}${sheet(report.state.thinnest)}`}.`,
    );
  for (const { layer, view } of report.pits) {
    if (view.result)
      lines.push(
        plain
          ? `The pits in it are at most about ${sheet(view.result.deepestExpected)} deep; the chance that one is through is ${percent(view.result.perforationProbability)}.`
          : `Pits (${layer}): deepest expected ${sheet(view.result.deepestExpected)} ± ${sheet(view.result.standardError)} from ${view.patches.length} patches; chance of a hole ${percent(view.result.perforationProbability)}${view.rating ? `; rated ${view.rating.text}` : ''}.`,
      );
  }
  for (const zone of report.zones)
    lines.push(
      `${ZONE_CLASSES[zone.class]}: ${area(zone.area, units)} (${percent(zone.share)} of the panel)${plain ? '' : `, ${formatLength({ mm: zone.distances.edge, unit: units.length }).text} from the edge`}${zone.note ? `. ${zone.note}` : ''}`,
    );
  for (const find of report.finds)
    lines.push(
      `${find.structural ? (plain ? 'On load-bearing metal: ' : 'LOAD-BEARING: ') : ''}${signOf(find.sign).title}. ${signOf(find.sign).meaning}${find.note ? ` ${find.note}` : ''}${find.closed ? ` Cured ${day(find.closed.at)}: ${find.closed.note}` : ''}`,
    );
  return lines;
}
