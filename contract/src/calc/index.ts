import { Problem, type Watch } from '@aspecta/core';
import { catalogue } from './catalogue.ts';
import type { Calculation } from './kit.ts';

export { catalogue };
export type { Calculation } from './kit.ts';

/** A catalogue entry as it is listed on the wire. */
export interface CalculationView {
  id: string;
  title: string;
  question: string;
  sources: readonly string[];
  cautions: readonly string[];
  heavy: boolean;
  example: Record<string, unknown>;
  /** JSON Schemas; units stand in the descriptions. */
  input: unknown;
  output: unknown;
}

/** The machine-readable list of all calculations. */
export function listCalculations(): CalculationView[] {
  return catalogue.map(({ id, title, question, sources, cautions, heavy, example, input, output }) => ({
    id,
    title,
    question,
    sources,
    cautions,
    heavy,
    example,
    input: jsonSchema(input),
    output: jsonSchema(output),
  }));
}

function jsonSchema(schema: Calculation['input']): unknown {
  const standard = (
    schema as unknown as { '~standard': { jsonSchema?: { input(options: { target: string }): unknown } } }
  )['~standard'];
  return standard.jsonSchema?.input({ target: 'draft-2020-12' });
}

/** The entry of an id. */
export function calculationOf(id: string): Calculation {
  const entry = catalogue.find((candidate) => candidate.id === id);
  if (!entry)
    throw new Problem('unknown-calculation', 'id', `There is no calculation "${id}"; the list names all of them.`);
  return entry;
}

/**
 * Runs a calculation by its id.
 *
 * @param watch told of progress by those that are heavy
 * @throws Problem `unknown-calculation`, or whatever the calculation refuses, naming the field
 */
export function calculate(id: string, input: unknown, watch?: Watch): unknown {
  const entry = calculationOf(id);
  const { error, value } = entry.input.validate(input, { convert: false });
  if (error) {
    const [detail] = error.details;
    throw new Problem('invalid', fieldOf(detail!.path), `${detail!.message.replaceAll('"', '')}.`);
  }
  return entry.run(value as never, watch);
}

function fieldOf(path: readonly (string | number)[]): string {
  return (
    path.reduce<string>(
      (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text === '' ? part : `${text}.${part}`),
      '',
    ) || 'input'
  );
}
