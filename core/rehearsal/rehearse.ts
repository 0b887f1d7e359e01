import type { BoardProfile } from '../boards';
import { effort, effortLeft, within } from '../effort';
import type { Program } from '../program';
import type { Machine, ProgramRun } from '../program/machine';
import { Restart, Stop, type EndReason } from '../program/stop';
import type { Wiring } from '../wiring/wiring';
import { BoardHost } from './board-host';
import { Circuit } from '../wiring/circuit';
import type { RehearsalOptions } from './options';
import { SolvedCircuit } from './solved-circuit';
import type { Trace } from './trace';

/** Enough for a busy minute of virtual time, and over within a few seconds of real time. */
const DEFAULT_STEPS = 15_000_000;
const EFFORT_OF_A_STEP = 100;
/** For what a program does to its pins: as many changes as are kept of a run. */
const MORE_EFFORT = 4e8;

/**
 * Runs a compiled program on a wiring. The same input gives the same trace. `circuit` is the wiring with what
 * other runs have worked out of it; `watch` is handed the run before it begins.
 */
export function rehearse(
  program: NonNullable<Program['compiled']>,
  wiring: Wiring,
  board: BoardProfile,
  options: RehearsalOptions,
  circuit = new SolvedCircuit(new Circuit(wiring)),
  watch: (run: ProgramRun) => void = () => undefined,
): Trace {
  const wanted = options.steps ?? DEFAULT_STEPS;
  const steps = Math.min(wanted, Math.floor(effortLeft() / EFFORT_OF_A_STEP));
  const host = new BoardHost(circuit, board, options);
  const run = program.begin(host, {
    clockHz: board.clockHz,
    endCycle: Math.round(options.seconds * board.clockHz),
    steps,
    dataBytes: board.memory.dataBytes,
    skip: options.skip ?? true,
  });
  host.attach(run.machine);
  run.machine.callRoutine = run.call;
  watch(run);
  // Large values and busy circuits make a step longer than usual; a run that is all of these ends as a busy one.
  const bounded = within(steps * EFFORT_OF_A_STEP + MORE_EFFORT, () => runToEnd(run, host));
  const trace = host.trace(bounded.ended ? bounded.value : 'steps');
  // A run that stops because whoever asked may ask no more is no answer; that is thrown here.
  effort(trace.steps * EFFORT_OF_A_STEP);
  return trace;
}

function runToEnd({ machine, start, pass }: ProgramRun, host: BoardHost): EndReason {
  for (;;) {
    try {
      start();
      for (;;) pass();
    } catch (error) {
      if (error instanceof Restart) {
        const reason = restart(machine, host, error);
        if (reason) return reason;
      } else if (error instanceof Stop) return error.reason;
      // A call chain deeper than this engine's own stack is deeper than the board's memory too.
      else if (error instanceof RangeError) return 'memory';
      else throw error;
    }
  }
}

/** Lets the program begin again at its time, or says why it does not. */
function restart(machine: Machine, host: BoardHost, { atSeconds }: Restart): EndReason | undefined {
  const at = Number.isFinite(atSeconds) ? atSeconds : host.powerReturns();
  machine.restart(Math.min(machine.endCycle, Math.ceil(at * machine.clockHz)));
  if (machine.cycles >= machine.endCycle) return 'time';
  host.attach(machine);
  return undefined;
}
