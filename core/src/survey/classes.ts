/** House rules of the survey; every figure is common practice, no published source, and can be changed. */
export interface SurveyRules {
  /** Upper ends of the coating classes bare, original, repainted and heavy, µm. */
  coatingUm: { bare: number; original: number; repainted: number; heavy: number };
  /** Metal left as a share of the as-built thickness at which sound, worn and thin end. */
  metalShare: { sound: number; worn: number; thin: number; through: number };
  /** Metal can be welded where it is at least this share of as built… */
  weldableShare: number;
  /** …and at least this thick, mm. */
  weldableMm: number;
  /** A place farther than this from any reading counts as not measured, mm. */
  reachMm: number;
  /** A class is called where its probability reaches this… */
  certainty: number;
  /** …and nothing is before so many readings on different places. */
  fewestToCall: number;
}

export const surveyRules: SurveyRules = {
  coatingUm: { bare: 60, original: 180, repainted: 350, heavy: 1000 },
  metalShare: { sound: 0.9, worn: 0.75, thin: 0.5, through: 0.15 },
  weldableShare: 0.7,
  weldableMm: 0.6,
  reachMm: 130,
  certainty: 0.9,
  fewestToCall: 6,
};

export type CoatingClass = 'bare' | 'original' | 'repainted' | 'heavy' | 'filler';
export type MetalClass = 'sound' | 'worn' | 'thin' | 'failing' | 'through';

/** What does a coating reading (µm) say? Reading principle: ISO 2808, ISO 2178. */
export function coatingClass(coatingUm: number, rules = surveyRules): CoatingClass {
  const { bare, original, repainted, heavy } = rules.coatingUm;
  if (coatingUm < bare) return 'bare';
  if (coatingUm < original) return 'original';
  if (coatingUm < repainted) return 'repainted';
  return coatingUm <= heavy ? 'heavy' : 'filler';
}

/** How deep is the filler under a coating reading, mm? The paint over it counts as one repaint. */
export function fillerDepth(coatingUm: number, rules = surveyRules): number {
  return coatingClass(coatingUm, rules) === 'filler' ? (coatingUm - rules.coatingUm.repainted) / 1000 : 0;
}

/** What is left of the sheet? Classes by metal left as a share of as built (EN ISO 16809 for the measurement). */
export function metalClass(metalMm: number, asBuiltMm: number, rules = surveyRules): MetalClass {
  const share = metalMm / asBuiltMm;
  const { sound, worn, thin, through } = rules.metalShare;
  if (share >= sound) return 'sound';
  if (share >= worn) return 'worn';
  if (share >= thin) return 'thin';
  return share >= through ? 'failing' : 'through';
}

/** Below this much metal, mm, a sheet of this as-built thickness cannot be welded to. */
export function weldableLimit(asBuiltMm: number, rules = surveyRules): number {
  return Math.min(asBuiltMm, Math.max(rules.weldableShare * asBuiltMm, rules.weldableMm));
}
