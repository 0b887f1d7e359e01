// Makes core/electrics/golden/voltages.json with the reference simulator: npm run golden:circuits.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { prepareBench } from '@/core/electrics/bench';
import { settledBench } from '@/core/electrics/bench-point';
import {
  goldenCircuits,
  goldenDrives,
  goldenStates,
  goldenWiring,
  type GoldenCircuit,
} from '@/core/electrics/golden/circuits';
import { writeSpice } from '@/core/formats/spice';
import { Circuit } from '@/core/wiring/circuit';
import { nameOf } from '@/core/wiring/wiring';

const version = execFileSync('ngspice', ['--version'], { encoding: 'utf8' })
  .split('\n')
  .map((line) => /ngspice-([\d.]+)/.exec(line)?.[1])
  .find((found) => found !== undefined);

const folder = mkdtempSync(join(tmpdir(), 'golden-'));

/** Volts of every netlist node as the simulator computes them from the exported netlist. */
function simulate(circuit: GoldenCircuit): Record<string, number> {
  const wiring = goldenWiring(circuit);
  const drives = goldenDrives(circuit);
  const bench = settledBench(prepareBench(new Circuit(wiring), { states: goldenStates(circuit) }), drives);
  const nodes = bench.circuit.nodes
    .filter(({ id }) => bench.solverNode[id] !== 0)
    .map(({ id, points }) => ({ vector: `n${id}`, point: nameOf(points[0]!) as string }));
  const output = join(folder, 'volts.txt');
  // Tighter than the defaults, so that the figures are the circuit's and not the tolerance's.
  const control = [
    '.options reltol=1e-6 abstol=1e-13 vntol=1e-9 gmin=1e-12 itl1=500',
    '.control',
    'set width=200',
    'set numdgt=12',
    'op',
    ...nodes.map(({ vector }) => `print v(${vector})`),
    'quit 0',
    '.endc',
  ].join('\n');
  const source = join(folder, 'circuit.cir');
  writeFileSync(source, writeSpice(bench, drives, circuit.name).replace(/^\.op$/m, control));
  execFileSync('ngspice', ['-b', '-o', output, source], { stdio: 'pipe' });
  const text = readFileSync(output, 'utf8');
  const volts: Record<string, number> = {};
  for (const { vector, point } of nodes) {
    const match = new RegExp(`v\\(${vector}\\) = ([-+.\\de]+)`).exec(text);
    if (!match) throw new Error(`${circuit.name}: no voltage of ${vector}\n${text}`);
    volts[point] = Number(Number(match[1]).toPrecision(9));
  }
  return volts;
}

const voltages = Object.fromEntries(goldenCircuits.map((circuit) => [circuit.name, simulate(circuit)]));
rmSync(folder, { recursive: true });
writeFileSync(
  'core/electrics/golden/voltages.json',
  `${JSON.stringify({ madeBy: `the circuit simulator of Debian's package ngspice ${version}, from the netlists of export --as spice`, voltages }, null, 1)}\n`,
);
console.log(`${Object.keys(voltages).length} circuits`);
