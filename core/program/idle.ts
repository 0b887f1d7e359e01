import { Machine } from './machine';
import type { Language, Program } from './index';

/**
 * What stands in for a program where an exercise has none: nothing is done, and time goes by until the run is
 * over, so that a circuit that lives on its supply alone is watched as any other is.
 */
export const idleProgram = (language: Language): Program => ({
  source: '',
  language,
  problems: [],
  isEmpty: false,
  compiled: {
    begin: (host, limits) => {
      const machine = new Machine(host, limits);
      return {
        machine,
        start: () => machine.wait(Number.POSITIVE_INFINITY),
        pass: () => undefined,
        call: () => undefined,
        names: [],
      };
    },
  },
});
