import type { BoardProfile, PinFunction } from '../../boards';
import type { Observation } from '../../findings/finding';
import type { BeyondPin } from '../../rehearsal/trace';
import type { RunRule } from '../subject';

/** Pins that a program measures at or dims with, and that cannot do it. */
export const beyondPins: RunRule = ({ trace }, { board }) =>
  trace.beyondPins.map((asked) =>
    asked.what === 'dim' ? cannotDim(asked, board) : cannotMeasure(asked, board),
  );

const ableTo = (board: BoardProfile, does: PinFunction): readonly string[] =>
  board.pins.filter(({ functions }) => functions.includes(does)).map(({ name }) => name);

function cannotDim({ pin, line, isTaken }: BeyondPin, board: BoardProfile): Observation {
  const { servo, tone } = board.timers;
  const taken = [...servo, ...tone];
  const able = ableTo(board, 'pwm').filter((name) => !isTaken || !taken.includes(name));
  const instead = able.length === 0 ? 'No pin of this board can.' : `Pins that can: ${able.join(', ')}.`;
  const why = isTaken
    ? `the program also uses a servo or a tone, which takes the timer of pin ${pin}`
    : `pin ${pin} can only be fully on or fully off`;
  return {
    code: 'pin-lacks-function',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} dims pin ${pin}, but ${why}: from half of the range on it is on, below it is off. ${instead}`,
    hints: [
      'Which pins of the board can dim an LED?',
      `Pin ${pin} in line ${line} ${isTaken ? 'has lost its PWM to a servo or a tone' : 'has no PWM'}.`,
      able.length === 0
        ? `Switch pin ${pin} on and off instead of dimming it.`
        : `Move the wire from pin ${pin} to pin ${able[0]}, and change the number in the program.`,
    ],
  };
}

function cannotMeasure({ pin, line }: BeyondPin, board: BoardProfile): Observation {
  const able = ableTo(board, 'analog');
  return {
    code: 'pin-lacks-function',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} measures at pin ${pin}, which can only tell high from low: the numbers mean nothing. ${able.length === 0 ? 'No pin of this board can measure.' : `Pins that can: ${able.join(', ')}.`}`,
    hints: [
      'Which pins of the board can measure a voltage?',
      `Pin ${pin} in line ${line} has no analog input.`,
      able.length === 0
        ? `Read pin ${pin} as high or low instead of measuring at it.`
        : `Move the wire from pin ${pin} to pin ${able[0]}, and change the number in the program.`,
    ],
  };
}
