export {
  blankOf,
  type Blank,
  type BlankBend,
  type BlankEdge,
  type BlankInput,
  type BlankStep,
  type Fitting,
} from './blank.ts';
export {
  layOut,
  LEAST_LEFT,
  type LaidOut,
  type LaidSheet,
  type LayOutInput,
  type SheetInStock,
  type WantedBlank,
} from './sheets.ts';
export { sectionsOf, type Section } from './sections.ts';
export { turnPlace, turnsOf, usualTurn, type KnownTurn, type Turn, type TurnChoice } from './turns.ts';
