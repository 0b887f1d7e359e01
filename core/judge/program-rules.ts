import type { BoardProfile } from '../boards';
import { quantity, type Observation } from '../finding';
import type { ProgramProblem } from '../program';
import type { Trace } from '../rehearsal/trace';
import { figure, milliamps, seconds } from '../units';

/** The observation in a program problem, without what only the compiler needs. */
export function problemObservation(problem: ProgramProblem): Observation {
  return {
    code: problem.code,
    severity: problem.severity,
    line: problem.line,
    column: problem.column,
    message: problem.message,
    hints: problem.hints,
    ...(problem.repair ? { repair: problem.repair } : {}),
  };
}

/** Pins written to that were never made outputs, with what reaches their lamps instead. */
export function directionUnset(
  trace: Trace,
  pulledUpMa: (pin: string) => number | undefined,
): readonly Observation[] {
  const pins = [...new Set(trace.undirected.map((write) => write.pin))];
  return pins.map((name) => {
    const writes = trace.undirected.filter((write) => write.pin === name);
    const { pin, level, line } = writes.find((write) => write.level === 'high') ?? writes[0]!;
    const currentMa = pulledUpMa(pin);
    const effect =
      level === 'low'
        ? 'Nothing happens.'
        : currentMa === undefined
          ? 'Only the weak pull-up inside the board is switched on.'
          : `Only the weak pull-up inside the board is switched on: ${milliamps(currentMa)} flow, a faint glow at most.`;
    return {
      code: 'direction-unset',
      severity: 'fault',
      line,
      column: 1,
      message: `Line ${line} writes to pin ${pin}, but no line made it an output. ${effect}`,
      hints: [
        `What must the board be told about pin ${pin} before it can drive something?`,
        `Pin ${pin} is written to in line ${line}, and no pinMode line that has run says OUTPUT for it.`,
        `Add pinMode(${pin}, OUTPUT); to setup.`,
      ],
      evidence: { currentMa: quantity(level === 'low' ? 0 : (currentMa ?? 0), 'mA') },
    };
  });
}

/** Loops that neither end nor wait, and what the processor does wrong without a word. */
export function runtimeTrouble(trace: Trace, board: BoardProfile): readonly Observation[] {
  const found: Observation[] = [];
  const { loop, reason, line, at } = trace.ended;
  const isEndless = loop !== undefined && !loop.paused && (loop.seconds > 1 || reason === 'steps');
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
        `Change the condition in line ${loop.line} so that it becomes false, or take the loop away: loop() repeats by itself.`,
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
    found.push({
      code: 'runtime-error',
      severity: 'fault',
      line: error.line,
      column: 1,
      message:
        error.kind === 'division'
          ? `Line ${error.line} divides by zero. The board says nothing and goes on with a wrong number.`
          : `Line ${error.line} uses place ${figure(error.index ?? 0)} of “${error.name}”, which has the places 0 to ${(error.length ?? 1) - 1}. The board says nothing and uses whatever lies there.`,
      hints:
        error.kind === 'division'
          ? [
              `Can the number behind / in line ${error.line} be zero?`,
              `When line ${error.line} runs, it divides by 0.`,
              `Ask before line ${error.line} whether the number is zero.`,
            ]
          : [
              `How many places does “${error.name}” have, and which is the last?`,
              `Line ${error.line} asks for place ${error.index}; the last is ${(error.length ?? 1) - 1}.`,
              `Keep the index in line ${error.line} between 0 and ${(error.length ?? 1) - 1}.`,
            ],
      evidence:
        error.kind === 'index'
          ? { index: quantity(error.index ?? 0, ''), length: quantity(error.length ?? 0, '') }
          : {},
    });
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
}

/** A level that the program sets for so short a time that nobody sees it: its pause is missing. */
export function missingPause(trace: Trace, eyeSeconds: number): readonly Observation[] {
  for (const [pin, changes] of trace.pins) {
    const steps = changes
      .slice(1)
      .map((change, index) => ({ ...changes[index]!, lasts: change.at - changes[index]!.at }))
      .slice(1);
    for (const mode of ['high', 'low'] as const) {
      const same = steps.filter((step) => step.drive.mode === mode);
      if (same.length < 2 || !same.every((step) => step.lasts < eyeSeconds)) continue;
      const { line, lasts } = same[0]!;
      const both = steps.every((step) => step.lasts < eyeSeconds);
      const hertz = 1 / (steps[0]!.lasts + (steps[1]?.lasts ?? steps[0]!.lasts));
      const state = mode === 'high' ? 'on' : 'off';
      return [
        {
          code: 'missing-pause',
          severity: 'fault',
          line,
          column: 1,
          message: both
            ? `Pin ${pin} changes ${figure(hertz)} times a second, faster than an eye can follow: no pause stands between line ${line} and the next change.`
            : `After line ${line} pin ${pin} is ${state} for only ${seconds(lasts)}, too short to be seen: a pause is missing there.`,
          hints: [
            `After line ${line}, how long does the lamp stay ${state}?`,
            `Between line ${line} and the next change of pin ${pin} lie ${seconds(lasts)}.`,
            `Add a pause, delay(…);, straight after line ${line}.`,
          ],
          evidence: { lastsS: quantity(lasts, 's'), perSecond: quantity(hertz, 'Hz') },
        },
      ];
    }
  }
  return [];
}
