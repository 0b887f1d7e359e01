import type { Command, ExitCode, Terminal } from './command';
import { Unusable } from './input';

/** Each is loaded when it is asked for: most of what one takes to start is what another needs. */
const commands: Readonly<Record<string, () => Promise<Command>>> = {
  check: async () => (await import('./check')).check,
  solve: async () => (await import('./solve')).solve,
  run: async () => (await import('./rehearse')).rehearse,
  lint: async () => (await import('./lint')).lint,
  layout: async () => (await import('./layout')).layout,
  mutate: async () => (await import('./mutate')).mutate,
  export: async () => (await import('./export')).exportTo,
};

const USAGE = `didaktor COMMAND
  check --exercise E.json --wiring W.csv --code P [--json]
  check --exercise E.json --submissions DIR [--json]
  solve --wiring W.csv [--set 13=high …] [--press S1] [--turn P1=0.5] [--light L1=0.3]
        [--warm T1=31] [--distance X1=0.4] [--motion X2] [--json]
  run   --wiring W.csv --code P --for 10s [--stimuli S.json] [--noise] [--json|--vcd]
  lint  --code P [--board learner-5v] [--json]
  layout --exercise E.json [--keep W.csv]
  mutate --exercise E.json [--json]
  export (--exercise E.json | --wiring W.csv) --as spice|svg [--view bench|schematic] [--out F]
`;

/** Runs one command line. Never shows a stack trace for bad input. */
export async function run(words: readonly string[], terminal: Terminal): Promise<ExitCode> {
  const [name, ...rest] = words;
  const load = name === undefined ? undefined : commands[name];
  if (!load) {
    terminal.error(name === undefined ? USAGE : `“${name}” is no command\n${USAGE}`);
    return 2;
  }
  try {
    const command = await load();
    return await command(rest, terminal);
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    terminal.error(`${error.message.replace(/\n/g, ' ')}\n`);
    return 2;
  }
}
