import { quantity, type Observation } from '../../findings/finding';
import type { SilentError } from '../../program/machine';
import { figure, seconds } from '../../units';
import type { RunRule } from '../subject';

/** Loops that neither end nor wait, and what the processor does wrong without a word. */
export const runtimeTrouble: RunRule = ({ trace }, { board, wording }) => {
  const found: Observation[] = [];
  const { loop, reason, line, at } = trace.ended;
  const isEndless =
    loop !== undefined && !loop.paused && !loop.looks && (loop.seconds > 1 || reason === 'steps');
  if (isEndless)
    found.push({
      code: 'never-ends',
      severity: 'fault',
      line: loop.line,
      column: 1,
      message: `The loop in line ${loop.line} begins at ${seconds(at - loop.seconds)} and never ends. What stands behind it never runs.`,
      hints: [
        `When does the loop in line ${loop.line} stop repeating?`,
        `The loop in line ${loop.line} still runs after ${seconds(loop.seconds)}: its condition never becomes false.`,
        `Change the condition in line ${loop.line} so that it becomes false, ${wording.repeats}.`,
      ],
      evidence: { runningS: quantity(loop.seconds, 's') },
    });
  const { failure } = trace;
  if (failure)
    found.push({
      code: 'runtime-error',
      severity: 'fault',
      line: failure.line,
      column: 1,
      message: `Line ${failure.line} stops the program with an error: ${failure.kind}${failure.message === '' ? '' : `, ${failure.message}`}. All pins are let go.`,
      hints: [
        `What does the board print when it stops?`,
        `It stops in line ${failure.line}: ${failure.kind}.`,
        `Change line ${failure.line} so that it does not come to that, or catch the error with try and except.`,
      ],
      evidence: {},
    });
  if (reason === 'memory')
    found.push({
      code: 'runtime-error',
      severity: 'fault',
      line: Math.max(1, line),
      column: 1,
      message: `At ${seconds(at)} the memory of the board is full in line ${line}: a function calls itself again and again. The board starts over each time.`,
      hints: [
        `Which function is called in line ${line}, and who calls it?`,
        `The ${board.memory.dataBytes} bytes of the board are full at ${seconds(at)}, in line ${line}.`,
        `Let the function in line ${line} end before it calls itself; loop() repeats by itself.`,
      ],
      evidence: { memoryBytes: quantity(board.memory.dataBytes, 'bytes'), afterS: quantity(at, 's') },
    });
  if (reason === 'output' || (reason === 'steps' && !isEndless))
    found.push({
      code: 'never-ends',
      severity: 'fault',
      line: Math.max(1, line),
      column: 1,
      message:
        reason === 'output'
          ? `Line ${line} writes without end and without a pause: the run was stopped at ${seconds(at)}.`
          : `The program is still busy in line ${line} without a pause when the run is given up, at ${seconds(at)}.`,
      hints: [
        `How often does line ${line} run in one second?`,
        `Line ${line} was still running at ${seconds(at)}, with no pause between its turns.`,
        `Put a pause behind line ${line}, or let the loop around it end.`,
      ],
      evidence: { stoppedS: quantity(at, 's') },
    });
  const seen = new Set<string>();
  for (const error of trace.silentErrors) {
    const key = `${error.kind}${error.line}`;
    if (seen.has(key)) continue;
    seen.add(key);
    found.push(silent(error));
  }
  for (const { number, line: at } of trace.unknownPins)
    found.push({
      code: 'runtime-error',
      severity: 'fault',
      line: at,
      column: 1,
      message: `Line ${at} uses pin ${number}, which the ${board.short} does not have. Nothing happens there.`,
      hints: [
        `Which pins does the board have?`,
        `There is no pin ${number} on this board.`,
        `Use a pin of the board in line ${at}.`,
      ],
      evidence: { pin: quantity(number, '') },
    });
  return found;
};

/** What the board computed wrong without a word. */
function silent(error: SilentError): Observation {
  const { kind, line, index = 0, length = 0 } = error;
  const base = { severity: 'fault', line, column: 1 } as const;
  switch (kind) {
    case 'division':
      return {
        ...base,
        code: 'runtime-error',
        message: `Line ${line} divides by zero. The board says nothing and goes on with a wrong number.`,
        hints: [
          `Can the number behind / in line ${line} be zero?`,
          `When line ${line} runs, it divides by 0.`,
          `Ask before line ${line} whether the number is zero.`,
        ],
      };
    case 'index':
      return {
        ...base,
        code: 'runtime-error',
        message: `Line ${line} uses place ${figure(index)} of “${error.name}”, which has the places 0 to ${length - 1}. The board says nothing and uses whatever lies there.`,
        hints: [
          `How many places does “${error.name}” have, and which is the last?`,
          `Line ${line} asks for place ${index}; the last is ${length - 1}.`,
          `Keep the index in line ${line} between 0 and ${length - 1}.`,
        ],
        evidence: { index: quantity(index, ''), length: quantity(length, '') },
      };
    case 'text':
      return {
        ...base,
        code: 'runtime-error',
        message: `The text in line ${line} grows to ${length} letters, more than the memory of the board holds. It is lost.`,
        hints: [
          `How long can the text in line ${line} become?`,
          `It would have ${length} letters in line ${line}.`,
          `Begin the text anew from time to time, or print it piece by piece.`,
        ],
        evidence: { letters: quantity(length, '') },
      };
    case 'overflow':
      return {
        ...base,
        code: 'number-overflow',
        message: `In line ${line} the number ${figure(index)} is too large for its type on this board. It becomes ${figure(length)}, and the program goes on with that.`,
        hints: [
          `How large can the number in line ${line} become?`,
          `${figure(index)} does not fit in line ${line}; it becomes ${figure(length)}.`,
          `Use a larger type, such as long, for what is worked out in line ${line}.`,
        ],
        evidence: { wanted: quantity(index, ''), held: quantity(length, '') },
      };
    case 'range':
      return {
        ...base,
        code: 'out-of-range',
        message: `Line ${line} sets a brightness of ${figure(index)}; 0 to ${figure(length)} are possible.`,
        hints: [
          `Which numbers can line ${line} come to?`,
          `Line ${line} comes to ${figure(index)}, outside of 0 to ${figure(length)}.`,
          `Keep the number in line ${line} between 0 and ${figure(length)}.`,
        ],
        evidence: { value: quantity(index, ''), most: quantity(length, '') },
      };
    case 'pause':
      return {
        ...base,
        code: 'negative-pause',
        message: `Line ${line} is told to wait for less than no time. The program stops there.`,
        hints: [
          `Can the time in line ${line} fall below zero?`,
          `When line ${line} runs, its time is below zero.`,
          `Keep the time in line ${line} above zero.`,
        ],
      };
  }
}
