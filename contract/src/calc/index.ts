import { Problem } from '@aspecta/core';
import { catalogue, type Calculation } from './catalogue.ts';

export { catalogue, type Calculation };

/** A catalogue entry as it is listed on the wire. */
export interface CalculationView {
  id: string;
  title: string;
  question: string;
  source: string;
  example: Record<string, unknown>;
  /** JSON Schema of the input. */
  input: unknown;
}

/** The machine-readable list of all calculations. */
export function listCalculations(): CalculationView[] {
  return catalogue.map(({ id, title, question, source, example, input }) => ({
    id,
    title,
    question,
    source,
    example,
    input: jsonSchema(input),
  }));
}

function jsonSchema(schema: Calculation['input']): unknown {
  const standard = (
    schema as unknown as { '~standard': { jsonSchema?: { input(options: { target: string }): unknown } } }
  )['~standard'];
  return standard.jsonSchema?.input({ target: 'draft-2020-12' });
}

/**
 * Runs a calculation by its id.
 *
 * @throws Problem `unknown-calculation`, or whatever the calculation refuses, naming the field
 */
export function calculate(id: string, input: unknown): unknown {
  const entry = catalogue.find((candidate) => candidate.id === id);
  if (!entry)
    throw new Problem('unknown-calculation', 'id', `There is no calculation "${id}"; the list names all of them.`);
  const { error, value } = entry.input.validate(input, { convert: false });
  if (error) {
    const [detail] = error.details;
    throw new Problem('invalid', fieldOf(detail!.path), `${detail!.message.replaceAll('"', '')}.`);
  }
  return entry.run(value as never);
}

function fieldOf(path: readonly (string | number)[]): string {
  return (
    path.reduce<string>(
      (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text === '' ? part : `${text}.${part}`),
      '',
    ) || 'input'
  );
}
