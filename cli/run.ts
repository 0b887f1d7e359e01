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
  check  --exercise E.json --wiring W.csv --code P [--stated S.txt] [--seen dark] [--json]
  check  --exercise E.json --submissions DIR [--json]
  solve  --wiring W.csv [--set 13=high …] [--press S1] [--turn P1=0.5] [--light L1=0.3]
         [--warm T1=31] [--distance X1=0.4] [--motion X2] [--json]
  run    --wiring W.csv --code P --for 10s [--stimuli S.json] [--noise] [--json|--vcd]
  lint   --code P [--board learner-5v] [--json]
  layout --exercise E.json [--keep W.csv]
  mutate --exercise E.json [--json]
  export (--exercise E.json | --wiring W.csv) --as spice|svg|png|csv [--view bench|schematic] [--out F]
  export --exercise E.json --as handout-pdf|markdown [--form student|instructor|projector]
         [--paper A4|Letter] [--columns 1|2] [--extras tour,bands] [--address URL] [--out F]
  export --course DIR --as booklet [--form …] [--paper …] [--columns …] [--out F]
  export (--exercise E.json | --course DIR) --as kit-csv [--class 24] [--per-bench 1]
  export (--exercise E.json | --course DIR) --as run-sheet|run-sheet-csv [--class 24] [--minutes 90]
  export (--exercise E.json | --course DIR) --as package [--title T] --out F
Exit 0: done, and of a check passed; 1: checked and not passed; 2: input that cannot be used.
The formats are described in docs/formats.md.
`;

/** Runs one command line. Never shows a stack trace for bad input. */
export async function run(words: readonly string[], terminal: Terminal): Promise<ExitCode> {
  const [name, ...rest] = words;
  if (words.some((word) => word === '--help' || word === '-h') || name === 'help') {
    terminal.out(USAGE);
    return 0;
  }
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
