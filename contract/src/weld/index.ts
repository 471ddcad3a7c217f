import type { ArcProcess, Position, Strategy, WeldPlan } from '@aspecta/core/weld';

export interface WeldSettingsInput {
  process: ArcProcess;
  position: Position;
  handWarm: number;
  strategy: Strategy;
}

export interface WeldPlanView {
  repairId: string;
  panel: string;
  input: WeldSettingsInput;
  plan: WeldPlan;
  /** Steps that are done, with the time of the server. */
  done: { n: number; at: string; by: string }[];
  /** Who has read the cautions, and when. */
  acknowledged: { by: string; at: string } | null;
  version: number;
  /** The outline of the cut for which this was planned, to draw it. */
  joints: { points: [number, number][]; closed: boolean }[];
}

export const weldDefaults: WeldSettingsInput = { process: 'mig', position: 'flat', handWarm: 50, strategy: 'coolest' };
