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
        ? `Line ${line} asks for the interrupt of a pin that makes none. ${able.length === 0 ? 'No pin of this board does.' : `Pins that do: ${able.join(', ')}.`}`
        : `Line ${line} asks for interrupt ${number}, which the board does not have. The number of a pin is not that of its interrupt.`,
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
      message: `Line ${line} waits inside an interrupt routine. The clock stands still there, so the program never comes back.`,
      hints: [
        `What should an interrupt routine do, and what should it leave to loop?`,
        `The program stops in line ${line}, inside an interrupt routine.`,
        `Set a variable in the routine only, and wait in loop.`,
      ],
    },
  ];
};
