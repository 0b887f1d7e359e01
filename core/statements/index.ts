export { alternativesTo } from './alternatives';
export { circuitOf, takenPins } from './circuit';
export { BOARD_REF, splitPoint } from './stated';
export type { PartLine, StatedCircuit, StatedLine, StatedNet, StatedPart } from './stated';
export { completionsOf, type Completion } from './complete';
export { USUAL_KIT, type Kit } from './kit';
export { adviseOnPins, type PinAdvice } from './pin-advice';
export { readLine } from './read';
export { withPins, withWord } from './rewrite';
export { recipeFor } from './recipes';
export { legByLegLine, sayCircuit, type SayableCircuit } from './say';
export { DEFAULT_STATEMENT_RULES } from './statement';
export type {
  Assumption,
  Offer,
  Piece,
  ReadLine,
  Slot,
  Statement,
  StatementContext,
  StatementRules,
  Trouble,
} from './statement';
export type { TakenPins } from './wishes';
