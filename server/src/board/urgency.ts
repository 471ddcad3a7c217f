/** Which next step goes before which: what holds others up comes first. */
export const URGENCY = {
  withdraw: 95,
  checkArrived: 90,
  decideAgain: 85,
  order: 80,
  decide: 70,
  job: 60,
  ask: 50,
  measure: 30,
} as const;
