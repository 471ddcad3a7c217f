import { OPTION_WORDS } from '@aspecta/contract/verdict';
import type { OrderLine } from '@aspecta/contract/order';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { textCell } from '@aspecta/core/survey';
import { csvOf, workbookOf } from '../files/table.ts';
import type { StepWordRow } from '../job/entities.ts';
import type { RepairRow } from '../verdict/entities.ts';

/** What costs are made from: decisions, hours that were noted, lines of the order book. */
export interface CostsInput {
  plan: BodyPlan;
  repairs: readonly RepairRow[];
  words: readonly StepWordRow[];
  orders: readonly OrderLine[];
}

const COLUMNS = [
  'what',
  'decided_for',
  'done',
  'hours_reckoned',
  'hours_noted',
  'cost_reckoned',
  'currency_reckoned',
  'parts_landed',
  'currency_parts',
];

/** One line for each repair, then what was ordered or noted beside all of them. Money in major units, hours in decimals. */
export function costRows({ plan, repairs, words, orders }: CostsInput): (string | number)[][] {
  const counts = orders.filter(({ state }) => state !== 'withdrawn' && state !== 'returned');
  const landed = (lines: readonly OrderLine[]) => lines.reduce((sum, line) => sum + line.landed, 0) / 100;
  const noted = (of: (step: string) => boolean) =>
    round(words.filter(({ step }) => of(step)).reduce((sum, { spent }) => sum + (spent ?? 0), 0));
  const rows = repairs.map(({ id, panel, choice, done, hours, cost, currency }): (string | number)[] => {
    const own = counts.filter((line) => line.repairId === id);
    return [
      textCell(panelOf(plan, panel).name),
      OPTION_WORDS[choice].name,
      done ? 'yes' : 'no',
      round(hours.p50),
      noted((step) => step.startsWith(`${id} `)),
      round(cost.p50 / 100),
      currency,
      landed(own),
      own[0]?.currency ?? '',
    ];
  });
  const loose = counts
    .filter((line) => !repairs.some(({ id }) => id === line.repairId))
    .map((line): (string | number)[] => [
      textCell(line.panelName),
      'ordered beside',
      line.state === 'fitted' ? 'yes' : 'no',
      '',
      '',
      '',
      '',
      line.landed / 100,
      line.currency,
    ]);
  const beside = noted((step) => !repairs.some(({ id }) => step.startsWith(`${id} `)));
  const rest = beside > 0 ? [['Steps of the whole car', 'noted beside', '', '', beside, '', '', '', '']] : [];
  return [...rows, ...loose, ...rest];
}

const round = (value: number) => Math.round(value * 100) / 100;

const table = (input: CostsInput) => ({ columns: COLUMNS, rows: costRows(input) });
export const costsCsv = (input: CostsInput): Buffer => csvOf(table(input));
export const costsXlsx = (input: CostsInput): Promise<Buffer> => workbookOf({ Costs: table(input) });
