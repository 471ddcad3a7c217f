import { listCalculations, type CalculationView } from './index.ts';

interface Schema {
  description?: string;
  type?: string;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
}

/** docs/methods.md, from the catalogue: what each calculation answers, takes, gives, rests on and asks to mind. */
export function methodsDoc(): string {
  const subjects = [...new Set(listCalculations().map(({ id }) => id.split('.')[0]!))];
  return [
    '# Methods',
    '',
    'Written from the catalogue in `contract/src/calc` by `npm run docs`; edit the catalogue, not this file.',
    'Each calculation is a pure function in `core/src/<subject>` and is called by its id: `./aspecta calc ID < in.json`,',
    '`POST /api/calc/ID`, or in the Bench book. `GET /api/calc` lists all of them with JSON Schemas.',
    'Lengths are mm, areas mm², angles degrees, money minor units, unless a field says otherwise.',
    '“T-nn” are rules of thumb of the trade: common practice, no published source.',
    '',
    ...subjects.flatMap((subject) => [
      `## ${subject}`,
      '',
      ...listCalculations()
        .filter(({ id }) => id.startsWith(`${subject}.`))
        .flatMap(entryDoc),
    ]),
  ].join('\n');
}

function entryDoc({ id, title, question, sources, cautions, input, output, example }: CalculationView): string[] {
  return [
    `### \`${id}\` – ${title}`,
    '',
    question,
    '',
    ...fields('Takes', input as Schema),
    ...fields('Gives', output as Schema),
    `**Rests on** ${sources.join('; ')}.`,
    '',
    ...cautions.flatMap((caution) => [`> ${caution}`, '']),
    `Example: \`${shortened(JSON.stringify(example))}\``,
    '',
  ];
}

const shortened = (text: string) => (text.length > 420 ? `${text.slice(0, 420)} …` : text);

function fields(name: string, { properties = {}, required = [] }: Schema): string[] {
  const lines = Object.entries(properties).map(([key, field]) => {
    const inner = Object.entries(field.properties ?? field.items?.properties ?? {}).map(
      ([k, f]) => `${k}${f.description ? ` (${f.description})` : ''}`,
    );
    const told = [field.description ?? '', inner.length > 0 ? `{${inner.join(', ')}}` : ''].filter(Boolean).join(': ');
    return `- \`${key}\`${required.includes(key) ? '' : ' (may be left out)'} – ${told || 'see the example'}`;
  });
  return [`**${name}**`, '', ...lines, ''];
}
