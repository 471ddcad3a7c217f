import { calculate } from '@aspecta/contract/calc';
import { lineAround, lineByHand, thinMetal } from '@aspecta/core/cut';
import { compareWelds, inTurn, planRepair, weldNames, type WeldSide } from '@aspecta/core/weld';
import { layOut } from '@aspecta/core/pattern';
import { outlineFrom } from '../body/outlineFiles.ts';
import { cutCard, type CardContext } from '../cut/card.ts';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { weldCard, type WeldCardContext } from '../weld/card.ts';
import type { CutPlanView } from '@aspecta/contract/cut';
import { inspectionFile } from '../report/file.ts';
import { ends, planAll, planJob } from '../plan/planning.ts';
import { outlineFile } from '../shape/outlineFiles.ts';
import { practiceScore } from '../practice/scoring.ts';
import { readingsFile, readReadings } from '../survey/files.ts';
import { portfolio } from '@aspecta/core/verdict';
import { weighRepair } from '../verdict/weighing.ts';
import { ServerProblem } from '../http/problems.ts';

/**
 * All that is too heavy for the thread that answers requests, by name: what reads files that
 * people send, what writes files, and the long computations. Input and answer are plain data.
 */
export const jobs = {
  /** The body as it was sent is read here too: a large one takes its time. */
  calc: ({ id, text }: { id: string; text: string }) => calculate(id, parsed(text)),
  outlineFrom: ({ text, name }: { text: string; name: string }) => outlineFrom(text, name),
  outlineFile,
  readReadings: ({ bytes, plan }: { bytes: Uint8Array; plan: Parameters<typeof readReadings>[1] }) =>
    readReadings(Buffer.from(bytes), plan),
  readingsFile: ({
    readings,
    format,
  }: {
    readings: Parameters<typeof readingsFile>[0];
    format: Parameters<typeof readingsFile>[1];
  }) => readingsFile(readings, format),
  inspectionFile,
  lineAround,
  lineByHand,
  thinMetal,
  weldCard: ({ view, context }: { view: WeldPlanView; context: WeldCardContext }) => weldCard(view, context),
  cutCard: ({ plan, context }: { plan: CutPlanView; context: CardContext }) => cutCard(plan, context),
  planRepair,
  /** How long several plans take, and how much they pull; not their steps. */
  weldEach: ({ inputs }: { inputs: readonly Parameters<typeof planRepair>[0][] }) =>
    inputs.map((input) => {
      const { totalTime, waitTime, distortionIndex } = planRepair(input);
      return { total: totalTime, wait: waitTime, pull: distortionIndex };
    }),
  compareWelds,
  inTurn: ({ sides }: { sides: readonly [WeldSide, WeldSide] }) => inTurn(sides),
  weldNames,
  planJob,
  planAll,
  ends: ({ inputs }: { inputs: Parameters<typeof ends>[0] }) => ends(inputs),
  weighRepair,
  /** Several in one go: they are wanted together, and are one request. */
  weighEach: ({ repairs }: { repairs: readonly Parameters<typeof weighRepair>[0][] }) => repairs.map(weighRepair),
  portfolio,
  practiceScore,
  layOut: (input: Parameters<typeof layOut>[0]) => layOut(input),
} as const;

export type JobName = keyof typeof jobs;
export type JobInput<N extends JobName> = Parameters<(typeof jobs)[N]>[0];
export type JobAnswer<N extends JobName> = Awaited<ReturnType<(typeof jobs)[N]>>;

function parsed(text: string): unknown {
  try {
    return JSON.parse(text === '' ? '{}' : text);
  } catch {
    throw new ServerProblem('bad-json', 'The request is not valid JSON.');
  }
}
