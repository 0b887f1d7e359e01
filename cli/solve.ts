import { findPin, type BoardProfile } from '@/core/boards';
import { prepareBench, solveBench, type PinDrive } from '@/core/electrics/bench';
import { netlistOf } from '@/core/wiring/netlist';
import { loadWiring, options, required, Unusable } from './input';
import type { Command } from './run';

/** `solve`: voltages and currents of a wiring in one state of its pins. */
export const solve: Command = async (words, { out, folder }) => {
  const given = options(words, {
    wiring: { type: 'string' },
    set: { type: 'string', multiple: true },
    json: { type: 'boolean' },
  });
  const path = required(given.wiring, 'wiring');
  const wiring = await loadWiring(path, folder);
  const drives = new Map<string, PinDrive>();
  for (const setting of given.set ?? []) {
    const [pin, drive] = readSetting(setting, wiring.board?.profile);
    drives.set(pin, drive);
  }
  const netlist = netlistOf(wiring);
  const point = solveBench(prepareBench(wiring, netlist), drives);
  if (point.trouble)
    throw new Unusable(
      `${path}: the circuit has no solution: ${point.trouble === 'contradiction' ? 'ideal sources contradict each other' : 'the search does not settle'}`,
    );
  const result = {
    nodes: Object.fromEntries([...netlist.nodeAt].map(([name, node]) => [name, point.volts[node] ?? null])),
    parts: Object.fromEntries(
      [...point.parts].map(([ref, { currentMa, powerMw }]) => [ref, { mA: currentMa, mW: powerMw }]),
    ),
    pins: Object.fromEntries(
      [...point.pins].map(([pin, { volts, currentMa }]) => [pin, { volts, mA: currentMa }]),
    ),
    floating: [...netlist.nodeAt].filter(([, node]) => point.volts[node] === null).map(([name]) => name),
  };
  if (given.json) out(`${JSON.stringify(result, null, 2)}\n`);
  else {
    const volts = Object.entries(result.nodes).map(
      ([name, value]) => `${name} ${value === null ? 'floats' : `${value.toFixed(4)} V`}`,
    );
    const parts = Object.entries(result.parts).map(
      ([ref, { mA, mW }]) => `${ref} ${mA.toFixed(4)} mA ${mW.toFixed(3)} mW`,
    );
    const pins = Object.entries(result.pins).map(
      ([pin, { volts: value, mA }]) =>
        `pin ${pin} ${value === null ? 'floats' : `${value.toFixed(4)} V`} ${mA.toFixed(4)} mA`,
    );
    out(`${[...volts, ...parts, ...pins].join('\n')}\n`);
  }
  return 0;
};

/** `13=high`, `2=pullup`, `9=pwm:128`. */
function readSetting(text: string, board: BoardProfile | undefined): [string, PinDrive] {
  const match = /^([^=]+)=(high|low|input|pullup|pwm:(\d+))$/i.exec(text.trim());
  if (!match) throw new Unusable(`--set ${text}: write it like 13=high, 2=pullup or 9=pwm:128`);
  const pin = board && findPin(board, match[1]!.replace(/^[A-Z]+\d*\./i, ''));
  if (!board || !pin) throw new Unusable(`--set ${text}: the board has no pin ${match[1]}`);
  if (match[3] === undefined)
    return [pin.name, { mode: match[2]!.toLowerCase() as 'high' | 'low' | 'input' | 'pullup' }];
  const value = Number(match[3]);
  if (!pin.functions.includes('pwm')) throw new Unusable(`--set ${text}: pin ${pin.name} has no PWM`);
  if (value > board.pwm.range) throw new Unusable(`--set ${text}: PWM goes from 0 to ${board.pwm.range}`);
  return [pin.name, { mode: 'pwm', duty: value / board.pwm.range }];
}
