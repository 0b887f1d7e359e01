import { prepareBench } from '@/core/electrics/bench';
import { solveBench } from '@/core/electrics/bench-point';
import { Circuit } from '@/core/wiring/circuit';
import { readState, stateOptions } from './bench-state';
import { loadWiring, options, required, Unusable } from './input';
import type { Command } from './command';

/** `solve`: voltages and currents of a wiring in one state of its pins and parts. */
export const solve: Command = async (words, { out, folder }) => {
  const given = options(words, {
    wiring: { type: 'string' },
    ...stateOptions,
    json: { type: 'boolean' },
  });
  const path = required(given.wiring, 'wiring');
  const wiring = await loadWiring(path, folder);
  const { drives, states } = readState(given, wiring);
  const circuit = new Circuit(wiring);
  const { nodeAt } = circuit.netlist;
  const point = solveBench(prepareBench(circuit, { states }), drives);
  if (point.trouble)
    throw new Unusable(
      `${path}: the circuit has no solution: ${point.trouble === 'contradiction' ? 'ideal sources contradict each other' : 'the search does not settle'}`,
    );
  const result = {
    nodes: Object.fromEntries([...nodeAt].map(([name, node]) => [name, point.volts[node] ?? null])),
    parts: Object.fromEntries(
      [...point.parts].map(([ref, { currentMa, powerMw }]) => [ref, { mA: currentMa, mW: powerMw }]),
    ),
    pins: Object.fromEntries(
      [...point.pins].map(([pin, { volts, currentMa }]) => [pin, { volts, mA: currentMa }]),
    ),
    floating: [...nodeAt].filter(([, node]) => point.volts[node] === null).map(([name]) => name),
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
