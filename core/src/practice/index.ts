export {
  goneOn,
  LEVELS,
  practiceCar,
  practiceReading,
  shareAt,
  type Level,
  type PracticeCar,
  type PracticeGauge,
  type PracticePanel,
  type PracticeSeed,
} from './car.ts';
export {
  scorePractice,
  type PanelScore,
  type PracticeAnswer,
  type PracticeChoice,
  type PracticeHours,
  type PracticeScore,
} from './score.ts';
