// Writes docs/accuracy.md from the golden figures: npm run accuracy.
import { readFileSync, writeFileSync } from 'node:fs';
import { shippedBoards } from '@/core/boards';
import { goldenCircuits } from '@/core/electrics/golden/circuits';
import { deviations, isWithin } from '@/core/electrics/golden/deviation';
import golden from '@/core/electrics/golden/voltages.json' with { type: 'json' };
import programResults from '@/core/program/golden/results.json' with { type: 'json' };
import { readGoldenPrograms } from '@/core/program/golden/programs';
import { printedLines } from '@/core/program/golden/run';
import { nodeGrammars } from '@/grammars/node';

const voltages: Readonly<Record<string, Readonly<Record<string, number>>>> = golden.voltages;

const rows = goldenCircuits.map((circuit) => {
  const found = deviations(circuit, voltages[circuit.name]!);
  const held = found.filter(({ solved }) => solved !== null);
  return {
    circuit,
    nodes: held.length,
    floating: found.length - held.length,
    millivolts: Math.max(0, ...held.map(({ volts }) => Math.abs(volts) * 1e3)),
    within: found.every(isWithin),
  };
});
const groups = [...new Set(goldenCircuits.map(({ group }) => group))];
const shown = (millivolts: number): string => (millivolts < 0.0005 ? '< 0.001' : millivolts.toFixed(3));

const grammars = await nodeGrammars();
const board = shippedBoards.get('learner-5v')!;
const printed: Readonly<Record<string, readonly string[]>> = programResults.printed;
const programs = readGoldenPrograms(readFileSync('core/program/golden/programs.txt', 'utf8')).map(
  (program) => {
    const lines = printedLines(program, board, grammars);
    const topic = program.name.slice(0, program.name.indexOf(':'));
    return { topic, lines: lines.length, agrees: lines.join('\n') === printed[program.name]?.join('\n') };
  },
);
const agreeing = programs.filter(({ agrees }) => agrees).length;
const topics = [...new Set(programs.map(({ topic }) => topic))];

const text = `# Accuracy

Made by \`npm run accuracy\`; do not edit by hand.

## Voltages of circuits

${rows.length} circuits are solved by the core and by ${golden.madeBy.replace(/, from.*/, '')}, both from the
same netlist. \`npm run golden:circuits\` makes the reference figures again (it needs that package);
they are kept in \`core/electrics/golden/voltages.json\` and compared in the unit tests. The aim is
0.5 % or 2 mV at every node. Nodes that float have no voltage worth comparing.

${rows.filter(({ within }) => within).length} of ${rows.length} circuits are within the aim at all their ${rows.reduce((sum, { nodes }) => sum + nodes, 0)} nodes.

| group | circuits | nodes | largest difference, mV |
|---|---|---|---|
${groups
  .map((group) => {
    const own = rows.filter(({ circuit }) => circuit.group === group);
    return `| ${group} | ${own.length} | ${own.reduce((sum, { nodes }) => sum + nodes, 0)} | ${shown(Math.max(...own.map(({ millivolts }) => millivolts)))} |`;
  })
  .join('\n')}

| circuit | nodes | floating | largest difference, mV |
|---|---|---|---|
${rows.map(({ circuit, nodes, floating, millivolts }) => `| ${circuit.name} | ${nodes} | ${floating} | ${shown(millivolts)} |`).join('\n')}

## Programs on the processor

${programs.length} small programs were compiled with ${programResults.madeWith}; what they printed is kept in
\`core/program/golden/results.json\` and compared in the unit tests, character by character.
\`npm run golden:programs\` makes it again (it needs the Debian packages gcc-avr, avr-libc and simavr).
Statements, operators, types and number formats are the compiler's and the emulated processor's; the serial line
that prints is our own (\`scripts/golden/board.hpp\`), as are the library's macros, so these show the language
and not the wiring. What the language leaves open, such as the overflow of an \`int\`, is shown as the processor
does it at run time: \`volatile\` keeps the compiler from working it out.

${agreeing} of ${programs.length} programs print the same.

| topic | programs | lines | the same |
|---|---|---|---|
${topics
  .map((topic) => {
    const own = programs.filter((program) => program.topic === topic);
    return `| ${topic} | ${own.length} | ${own.reduce((sum, { lines }) => sum + lines, 0)} | ${own.filter(({ agrees }) => agrees).length} |`;
  })
  .join('\n')}
`;
writeFileSync('docs/accuracy.md', text);
console.log(
  `${rows.filter(({ within }) => within).length} of ${rows.length} within the aim, ${agreeing} of ${programs.length} programs the same`,
);
