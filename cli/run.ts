import { check } from './check';
import type { Command, ExitCode, Terminal } from './command';
import { exportTo } from './export';
import { layout } from './layout';
import { lint } from './lint';
import { rehearse } from './rehearse';
import { solve } from './solve';
import { Unusable } from './input';

const commands: Readonly<Record<string, Command>> = {
  check,
  solve,
  run: rehearse,
  lint,
  layout,
  export: exportTo,
};

const USAGE = `didaktor COMMAND
  check --exercise E.json --wiring W.csv --code P [--json]
  check --exercise E.json --submissions DIR [--json]
  solve --wiring W.csv [--set 13=high …] [--press S1] [--turn P1=0.5] [--light L1=0.3]
        [--warm T1=31] [--distance X1=0.4] [--motion X2] [--json]
  run   --wiring W.csv --code P --for 10s [--stimuli S.json] [--json|--vcd]
  lint  --code P [--board learner-5v] [--json]
  layout --exercise E.json [--keep W.csv]
  export (--exercise E.json | --wiring W.csv) --as spice|svg [--view bench|schematic] [--out F]
`;

/** Runs one command line. Never shows a stack trace for bad input. */
export async function run(words: readonly string[], terminal: Terminal): Promise<ExitCode> {
  const [name, ...rest] = words;
  const command = name === undefined ? undefined : commands[name];
  if (!command) {
    terminal.error(name === undefined ? USAGE : `“${name}” is no command\n${USAGE}`);
    return 2;
  }
  try {
    return await command(rest, terminal);
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    terminal.error(`${error.message.replace(/\n/g, ' ')}\n`);
    return 2;
  }
}
