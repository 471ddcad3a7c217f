import { readFileSync } from 'node:fs';
import { calculate } from '@aspecta/contract/calc';
import { Problem } from '@aspecta/core';

/*
 * `aspecta calc ID < in.json`: one JSON input, or JSON Lines with one input a line.
 * A single input that is refused exits 2; with lines each refusal is a line {"problem":…} and the exit is 0.
 */
function answer(id: string, text: string): { result: unknown } | { problem: object } {
  try {
    return { result: calculate(id, JSON.parse(text)) };
  } catch (error) {
    if (error instanceof Problem) return { problem: { code: error.code, field: error.field, detail: error.message } };
    if (error instanceof SyntaxError)
      return { problem: { code: 'bad-json', field: 'input', detail: 'The input is not valid JSON.' } };
    throw error;
  }
}

function isOneDocument(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return text.trim().split('\n').length < 2;
  }
}

const id = process.argv[2] ?? '';
const text = readFileSync(0, 'utf8');
if (isOneDocument(text)) {
  const given = answer(id, text);
  if ('problem' in given) {
    process.stderr.write(`${JSON.stringify({ problem: given.problem })}\n`);
    process.exitCode = 2;
  } else process.stdout.write(`${JSON.stringify(given.result)}\n`);
} else {
  for (const line of text.split('\n')) {
    if (line.trim() === '') continue;
    const given = answer(id, line);
    process.stdout.write(`${JSON.stringify('problem' in given ? given : given.result)}\n`);
  }
}
