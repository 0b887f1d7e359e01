// Makes core/program/golden/results.json with a compiler and an emulator of the processor of the 5 V learner
// board: npm run golden:programs -- --processor NAME, the name that compiler and emulator have for an 8-bit
// processor with 32 KB of flash memory. Needs the Debian packages gcc-avr, avr-libc and simavr.
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { format, resolveConfig } from 'prettier';
import { readGoldenPrograms, type GoldenResults } from '@/core/program/golden/programs';

const { processor } = parseArgs({ options: { processor: { type: 'string' } } }).values;
if (processor === undefined) throw new Error('Which processor? npm run golden:programs -- --processor NAME');
const style = await resolveConfig('package.json');
const golden = 'core/program/golden';
const ESCAPE = String.fromCharCode(27);
const folder = mkdtempSync(join(tmpdir(), 'golden-'));
const firstLine = (program: string, ...words: readonly string[]): string =>
  execFileSync(program, words, { encoding: 'utf8' }).split('\n')[0]!;

/** The lines that a program prints on the emulated processor. */
function run(source: string): readonly string[] {
  const [file, binary] = [join(folder, 'program.cpp'), join(folder, 'program.elf')];
  writeFileSync(file, `#include "board.hpp"\n${source}`);
  const words = [
    `-mmcu=${processor!}`,
    '-DF_CPU=16000000UL',
    '-Os',
    '-std=gnu++11',
    '-fno-threadsafe-statics',
    '-Iscripts/golden',
  ];
  execFileSync('avr-g++', [...words, file, '-o', binary, '-lm'], { stdio: ['ignore', 'ignore', 'pipe'] });
  const { stdout, stderr } = spawnSync('simavr', ['-m', processor!, '-f', '16000000', binary], {
    encoding: 'utf8',
    timeout: 20_000,
  });
  // The emulator shows each printed line in a colour of its own, and a dot for what ends it.
  return `${stdout}${stderr}`
    .split(`${ESCAPE}[32m`)
    .slice(1)
    .map((piece) => piece.slice(0, piece.indexOf(`\n${ESCAPE}[0m`)).replace(/\.$/, ''));
}

const printed: Record<string, readonly string[]> = {};
for (const { name, source } of readGoldenPrograms(readFileSync(join(golden, 'programs.txt'), 'utf8'))) {
  printed[name] = run(source);
  console.log(`${name}: ${printed[name].join(' | ')}`);
}
rmSync(folder, { recursive: true });
const results: GoldenResults = {
  madeWith: `${firstLine('avr-g++', '--version')}, -Os, run by simavr on an emulated processor at 16 MHz`,
  printed,
};
writeFileSync(
  join(golden, 'results.json'),
  await format(JSON.stringify(results), { ...style, parser: 'json' }),
);
