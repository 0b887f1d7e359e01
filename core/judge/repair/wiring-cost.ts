/** Costs by what a hand has to do; docs/findings.md says how they were chosen. */
export const cost = {
  row: 1,
  side: 1.1,
  rail: 1.5,
  pin: 1.6,
  farther: 2,
  turn: 1,
  shift: 1.2,
  swap: 1.9,
  value: 1.4,
  remove: 2.5,
  addWire: 2.7,
  addPart: 3,
  insertPart: 3.5,
} as const;
/** A part is seated by its legs, a wire is not: its end is the likelier slip. */
export const PART_LEG = 0.2;
/** An end that sits where the drawing has it is the less likely slip. */
export const AS_DRAWN = 0.6;
/** Ground in a plus rail, or a supply in a minus rail, works and misleads whoever reads the marks. */
export const WRONG_SIGN = 1;
/** Something put in where the drawing has it is what the hand left out. */
export const BACK_AS_DRAWN = -0.3;
