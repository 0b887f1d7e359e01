import { quantity, type Observation } from '../../findings/finding';
import type { RunRule } from '../subject';

/** Interrupts that the board does not have, and routines that stick. */
export const interruptTrouble: RunRule = ({ trace }, { board }) => {
  const able = board.pins.filter(({ interrupt }) => interrupt !== undefined).map(({ name }) => name);
  const dead = trace.deadInterrupts.map(({ number, line }): Observation => ({
    code: 'pin-lacks-function',
    severity: 'fault',
    line,
    column: 1,
    message:
      number < 0
        ? `Line ${line} uses an interrupt on a pin that has none. ${able.length === 0 ? 'No pin on this board has one.' : `Pins that have one: ${able.join(', ')}.`}`
        : `Line ${line} asks for interrupt ${number}, which the board does not have. A pin’s number is not its interrupt number.`,
    hints: [
      `Which pins of the board can interrupt the program?`,
      `Line ${line} names ${number < 0 ? 'a pin without an interrupt' : `interrupt ${number}`}.`,
      `Write digitalPinToInterrupt(${able[0] ?? 'PIN'}) in line ${line}.`,
    ],
    evidence: { interrupt: quantity(number, '') },
  }));
  const { stuckInInterrupt: line } = trace;
  if (line === undefined) return dead;
  return [
    ...dead,
    {
      code: 'wait-in-interrupt',
      severity: 'fault',
      line,
      column: 1,
      message: `Line ${line} waits inside an interrupt routine. The clock stops there, so the program never gets out.`,
      hints: [
        `What should an interrupt routine do, and what should it leave to loop?`,
        `The program gets stuck in line ${line}, inside an interrupt routine.`,
        `Only set a variable in the routine, and do the waiting in loop.`,
      ],
    },
  ];
};
