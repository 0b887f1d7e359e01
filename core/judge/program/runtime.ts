import { quantity, type Observation } from '../../findings/finding';
import type { SilentError } from '../../program/machine';
import { figure, seconds } from '../../units';
import type { RunRule } from '../subject';

/** Loops that neither end nor wait, and what the processor does wrong without a word. */
export const runtimeTrouble: RunRule = ({ trace }, { problems, board, wording }) => {
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
      message: `The loop in line ${loop.line} begins at ${seconds(at - loop.seconds)} and never ends. Nothing after this loop ever runs.`,
      hints: [
        `When should the loop in line ${loop.line} stop?`,
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
      message: `Line ${failure.line} stops the program with an error: ${failure.kind}${failure.message === '' ? '' : `, ${failure.message.replace(/\.$/, '')}`}. All pins are switched off.`,
      hints: [
        `What does the board print when it stops?`,
        `It stops in line ${failure.line}: ${failure.kind}.`,
        `Change line ${failure.line} so that this can’t happen, or catch the error with try and except.`,
      ],
      evidence: {},
    });
  if (reason === 'memory')
    found.push({
      code: 'runtime-error',
      severity: 'fault',
      line: Math.max(1, line),
      column: 1,
      message: `At ${seconds(at)} the board runs out of memory in line ${line}: a function calls itself again and again. The board restarts each time.`,
      hints: [
        `Which function is called in line ${line}, and who calls it?`,
        `The board’s ${board.memory.dataBytes} bytes are full at ${seconds(at)}, in line ${line}.`,
        `Let the function in line ${line} end instead of calling itself; loop() repeats anyway.`,
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
          ? `Line ${line} prints without end and without a delay: the run was stopped at ${seconds(at)}.`
          : `The program is still busy in line ${line}, without a delay, when the run is stopped at ${seconds(at)}.`,
      hints: [
        `How many times a second does line ${line} run?`,
        `Line ${line} was still running at ${seconds(at)}, with no delay between its turns.`,
        `Add a delay after line ${line}, or let the loop around it end.`,
      ],
      evidence: { stoppedS: quantity(at, 's') },
    });
  const seen = new Set<string>();
  for (const error of trace.silentErrors) {
    const key = `${error.kind}${error.line}`;
    if (seen.has(key)) continue;
    seen.add(key);
    // What the program's text shows already is said there, with what to write.
    const isShown =
      error.kind === 'range' &&
      problems.some(({ code, line: at }) => code === 'out-of-range' && at === error.line);
    if (!isShown) found.push(silent(error));
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
        `Use a pin that the board has in line ${at}.`,
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
        message: `Line ${line} divides by zero. The board doesn’t complain; it goes on with a wrong number.`,
        hints: [
          `Can the number after / in line ${line} be zero?`,
          `When line ${line} runs, it divides by 0.`,
          `Before line ${line}, check that the number is not zero.`,
        ],
      };
    case 'index':
      return {
        ...base,
        code: 'runtime-error',
        message: `Line ${line} uses index ${index} of “${error.name}”, which only goes from 0 to ${length - 1}. The board doesn’t complain; it uses whatever is there.`,
        hints: [
          `How many items does “${error.name}” have, and what is the last index?`,
          `Line ${line} asks for index ${index}; the last is ${length - 1}.`,
          `Keep the index in line ${line} between 0 and ${length - 1}.`,
        ],
        evidence: { index: quantity(index, ''), length: quantity(length, '') },
      };
    case 'text':
      return {
        ...base,
        code: 'runtime-error',
        message: `The text in line ${line} grows to ${length} characters, more than the board’s memory can hold. It is lost.`,
        hints: [
          `How long can the text in line ${line} get?`,
          `It would have ${length} characters in line ${line}.`,
          `Start the text again from time to time, or print it in pieces.`,
        ],
        evidence: { letters: quantity(length, '') },
      };
    case 'overflow':
      return {
        ...base,
        code: 'number-overflow',
        message: `In line ${line} the number ${figure(index)} is too large for its type on this board. It becomes ${figure(length)}, and the program goes on with that.`,
        hints: [
          `How large can the number in line ${line} get?`,
          `${figure(index)} does not fit in line ${line}; it becomes ${figure(length)}.`,
          `Use a larger type, such as long, for the calculation in line ${line}.`,
        ],
        evidence: { wanted: quantity(index, ''), held: quantity(length, '') },
      };
    case 'range':
      return {
        ...base,
        code: 'out-of-range',
        message: `Line ${line} sets a brightness of ${figure(index)}; it can only be 0 to ${figure(length)}.`,
        hints: [
          `What numbers can line ${line} work out?`,
          `Line ${line} gets ${figure(index)}, outside 0 to ${figure(length)}.`,
          `Keep the number in line ${line} between 0 and ${figure(length)}.`,
        ],
        evidence: { value: quantity(index, ''), most: quantity(length, '') },
      };
    case 'pause':
      return {
        ...base,
        code: 'negative-pause',
        message: `Line ${line} is told to wait for a negative time. The program stops there.`,
        hints: [
          `Can the time in line ${line} fall below zero?`,
          `When line ${line} runs, its time is below zero.`,
          `Keep the time in line ${line} above zero.`,
        ],
      };
  }
}
