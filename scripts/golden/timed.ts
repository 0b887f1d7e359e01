// Makes core/program/golden/timed-results.json with a compiler and an emulator of the processor of the 5 V learner
// board: npm run golden:timed -- --processor NAME. Needs the Debian packages gcc-avr, avr-libc and simavr.
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { format, resolveConfig } from 'prettier';
import { readWholePrograms } from '@/core/program/golden/programs';
import type { TimedEdge, TimedResults } from '@/core/testing/golden-timing';

const { processor } = parseArgs({ options: { processor: { type: 'string' } } }).values;
if (processor === undefined) throw new Error('Which processor? npm run golden:timed -- --processor NAME');
const golden = 'core/program/golden';
const folder = mkdtempSync(join(tmpdir(), 'timed-'));
const CLOCK_HERTZ = 16e6;
const ESCAPE = String.fromCharCode(27);

function run(source: string): readonly TimedEdge[] {
  const [file, binary] = [join(folder, 'program.cpp'), join(folder, 'program.elf')];
  // Functions may be called before they are defined, as on the boards.
  writeFileSync(file, `#include "timed.hpp"\n${source}`);
  const words = [`-mmcu=${processor!}`, '-DF_CPU=16000000UL', '-Os', '-std=gnu++11', '-Iscripts/golden'];
  execFileSync('avr-g++', [...words, file, '-o', binary, '-lm'], { stdio: ['ignore', 'ignore', 'pipe'] });
  const { stdout, stderr } = spawnSync('simavr', ['-m', processor!, '-f', '16000000', binary], {
    encoding: 'utf8',
    timeout: 60_000,
  });
  let cycles = 0;
  let noting: number | undefined;
  let count = 0;
  return `${stdout}${stderr}`
    .replaceAll(`${ESCAPE}[32m`, '')
    .replaceAll(`${ESCAPE}[0m`, '')
    .split('\n')
    .flatMap((line) => {
      const edge = /^(\d+) (\d+) ([01])\.?$/.exec(line.trim());
      if (!edge) return [];
      count += 1;
      if (count <= 2) {
        noting = Number(edge[1]);
        return [];
      }
      // Each edge is noted with the cycles since the one before, and with what noting that one took.
      cycles += Number(edge[1]) - noting!;
      return [[cycles / CLOCK_HERTZ, Number(edge[2]), Number(edge[3])] as const];
    });
}

const edges: Record<string, readonly TimedEdge[]> = {};
for (const { name, source } of readWholePrograms(readFileSync(join(golden, 'timed.txt'), 'utf8'))) {
  edges[name] = run(source);
  console.log(`${name}: ${edges[name].length} edges`);
}
rmSync(folder, { recursive: true });
const version = execFileSync('avr-g++', ['--version'], { encoding: 'utf8' }).split('\n')[0]!;
const results: TimedResults = {
  madeWith: `${version}, -Os, run by simavr on an emulated processor at 16 MHz`,
  edges,
};
writeFileSync(
  join(golden, 'timed-results.json'),
  await format(JSON.stringify(results), { ...(await resolveConfig('package.json')), parser: 'json' }),
);
