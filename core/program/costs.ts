import type { ScalarType } from './cpp/types';

/**
 * Cycles that operations take on the 8-bit boards, from the processor's published instruction timings
 * and from counting the instructions of the usual library routines; docs/timing.md has the table.
 * They decide how fast a busy loop turns; pauses and edges hang on the clock itself.
 */
export const libraryCycles = {
  pinMode: 70,
  digitalWrite: 38,
  digitalRead: 36,
  analogWrite: 90,
  /** 13 converter clocks at a 128th of the processor's clock, and the call. */
  analogRead: 13 * 128 + 80,
  millis: 30,
  micros: 50,
  delay: 40,
  map: 1500,
  random: 1400,
  small: 12,
  /** One character put into the serial buffer. */
  print: 80,
  tone: 400,
  servo: 60,
  /** One bit that is clocked out: the data pin once, the clock pin twice. */
  shiftBit: 190,
  /** One letter sent to a display on the two-wire bus at 100 kHz: two halves, each clocked with three bytes. */
  displayLetter: 17_000,
  /** Sixteen bits sent to a panel. */
  panelRow: 16 * 190 + 120,
  attachInterrupt: 60,
} as const;

/** Saving the registers, running to the routine through the table, and coming back. */
export const INTERRUPT_CYCLES = 82;

/** A call with its return. */
export const CALL_CYCLES = 8;
/** A taken branch with its test. */
export const BRANCH_CYCLES = 2;
/** Finding an element of an array, besides working out its index. */
export const INDEX_CYCLES = 2;
/** What runs between two passes of the repeating function. */
export const PASS_CYCLES = 6;

const width = (type: ScalarType): number =>
  type.kind === 'integer' ? type.bits / 8 : type.kind === 'float' ? 4 : type.kind === 'pointer' ? 2 : 1;

/** Loading or storing a value: two cycles a byte. */
export const moveCycles = (type: ScalarType): number => 2 * width(type);

/** One arithmetic operation on operands of a type. */
export function operationCycles(operator: string, type: ScalarType): number {
  if (type.kind === 'float') return operator === '/' ? 480 : operator === '*' ? 135 : 85;
  const bytes = width(type);
  switch (operator) {
    case '*':
      return bytes === 1 ? 4 : bytes === 2 ? 10 : 40;
    case '/':
    case '%':
      return bytes === 1 ? 90 : bytes === 2 ? 220 : 620;
    case '<<':
    case '>>':
      return 4 * bytes;
    default:
      return bytes;
  }
}
