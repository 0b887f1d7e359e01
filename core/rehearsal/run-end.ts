import type { Machine } from '../program/machine';
import type { EndReason } from '../program/stop';
import type { Trace } from './trace';

/** How a run ended, with the loop that was running then. */
export function endOf(machine: Machine, reason: EndReason): Trace['ended'] {
  const loop = machine.loops[0];
  return {
    reason,
    at: machine.seconds,
    line: machine.line,
    ...(loop
      ? {
          loop: {
            ...loop,
            seconds: machine.seconds - loop.sinceCycle / machine.clockHz,
            paused: machine.pauses > loop.pausesBefore,
            looks: machine.inputs > loop.inputsBefore,
          },
        }
      : {}),
  };
}
