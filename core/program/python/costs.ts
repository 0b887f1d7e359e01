/**
 * Cycles that the interpreter of a 48 MHz board takes for each thing, from measuring loops on boards of this
 * class: a simple statement takes a few microseconds; docs/timing.md says what this is good for.
 */
export const pythonCycles = {
  statement: 60,
  constant: 20,
  name: 50,
  attribute: 180,
  operation: 140,
  index: 160,
  call: 700,
  library: 500,
  loop: 90,
  item: 60,
  print: 900,
} as const;
