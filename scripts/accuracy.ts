// Writes docs/accuracy.md from the golden figures: npm run accuracy.
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { shippedBoards } from '@/core/boards';
import { goldenCircuits } from '@/core/electrics/golden/circuits';
import { deviations, isWithin } from '@/core/electrics/golden/deviation';
import golden from '@/core/electrics/golden/voltages.json' with { type: 'json' };
import pythonResults from '@/core/program/golden/python-results.json' with { type: 'json' };
import timedResults from '@/core/program/golden/timed-results.json' with { type: 'json' };
import { isTimed, timingOf, type TimedResults } from '@/core/testing/golden-timing';
import programResults from '@/core/program/golden/results.json' with { type: 'json' };
import { compileProgram, type Language } from '@/core/program';
import { readGoldenPrograms, readWholePrograms } from '@/core/program/golden/programs';
import { readBeginners } from '@/core/program/beginners/programs';
import { printedLines } from '@/core/testing/golden-prints';
import { cppMistakes } from '@/core/program/mistakes/cpp';
import { marked, type MistakeTable } from '@/core/program/mistakes/marked';
import { pythonMistakes } from '@/core/program/mistakes/python';
import { nodeGrammars } from '@/grammars/node';
import { verdictFigures } from './accuracy-of-verdicts';

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
const pythonBoard = shippedBoards.get('python-3v3')!;
const pythonPrinted: Readonly<Record<string, readonly string[]>> = pythonResults.printed;
const pythonPrograms = readWholePrograms(readFileSync('core/program/golden/python.txt', 'utf8')).map(
  (program) => {
    const lines = printedLines(program, pythonBoard, grammars);
    return { lines: lines.length, agrees: lines.join('\n') === pythonPrinted[program.name]?.join('\n') };
  },
);
const pythonAgreeing = pythonPrograms.filter(({ agrees }) => agrees).length;

const beginners = (['cpp', 'python'] as const).map((language) => {
  const all = readBeginners(readFileSync(`core/program/beginners/${language}.txt`, 'utf8'), language);
  const own = language === 'cpp' ? board : pythonBoard;
  const running = all.filter(({ source }) =>
    compileProgram(source, own, grammars, language).problems.every(
      ({ stopsCompiler, unsupported }) => !stopsCompiler && !unsupported,
    ),
  );
  return {
    language,
    all: all.length,
    running: running.length,
    refused: all.filter((one) => !running.includes(one)),
  };
});

/** How many of the mistakes of a table are told with their code at their place. */
const told = (table: MistakeTable, language: Language): readonly MistakeRow[] =>
  Object.entries(table).map(([code, texts]) => ({
    code,
    language,
    places: texts.length,
    exact: texts.filter((text) => {
      const { source, line, column } = marked(text);
      const first = compileProgram(
        source,
        language === 'cpp' ? board : pythonBoard,
        grammars,
        language,
      ).problems.find(({ severity }) => severity === 'fault');
      return first?.code === code && first.line === line && first.column === column;
    }).length,
  }));
interface MistakeRow {
  readonly code: string;
  readonly language: Language;
  readonly places: number;
  readonly exact: number;
}
const mistakes = [...told(cppMistakes, 'cpp'), ...told(pythonMistakes, 'python')];
const sum = (numbers: readonly number[]): number => numbers.reduce((total, number) => total + number, 0);
const [places, exact] = [sum(mistakes.map((row) => row.places)), sum(mistakes.map((row) => row.exact))];
const timed = readWholePrograms(readFileSync('core/program/golden/timed.txt', 'utf8')).map(
  ({ name, source }) => {
    const edges = (timedResults.edges as unknown as TimedResults['edges'])[name]!;
    return { name, ...timingOf(source, edges, board, grammars) };
  },
);
const agreeing = programs.filter(({ agrees }) => agrees).length;
const topics = [...new Set(programs.map(({ topic }) => topic))];

const verdicts = verdictFigures(grammars);
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

## Times of edges

${timed.length} programs were compiled with ${timedResults.madeWith}, and the time of each edge of a pin noted
(\`npm run golden:timed\`; \`scripts/golden/timed.hpp\` has the library that they are compiled with, written as such
libraries usually are). The aim is 1 % or 20 µs for programs with pauses and 25 % for busy loops, counted from the
first edge. [timing.md](timing.md) says what is modelled.

| program | edges | largest deviation, µs | largest share, % | within |
|---|---|---|---|---|
${timed.map((row) => `| ${row.name} | ${row.edges} | ${(row.seconds * 1e6).toFixed(0)} | ${(row.share * 100).toFixed(2)} | ${isTimed(row.name, row) ? 'yes' : 'no'} |`).join('\n')}

## Python

${pythonPrograms.length} small programs are the same language on a board and on a computer: what ${pythonResults.madeWith} prints of
them is kept in \`core/program/golden/python-results.json\` (\`npm run golden:python\` makes it again).
${pythonAgreeing} of ${pythonPrograms.length} print the same, ${sum(pythonPrograms.map(({ lines }) => lines))} lines in all.

## Programs as beginners write them

\`core/program/beginners\` has programs as beginners write them and copy them from each other, of our own writing. Of the
others it is said what is not followed, and nothing is called wrong.

| language | programs | run |
| --- | --: | --: |
${beginners.map(({ language, all, running }) => `| ${language === 'cpp' ? 'C++' : 'Python'} | ${all} | ${running} (${((100 * running) / all).toFixed(0)} %) |`).join('\n')}

Not followed: ${beginners
  .flatMap(({ refused }) => refused.map((one) => `${one.name} (${one.refused?.replace(/[“”<]/g, '') ?? ''})`))
  .join('; ')
  .replace(/>/g, '')}.

## Mistakes at their place

\`core/program/mistakes\` has programs with one mistake each, and the line and column where it was made. Counted is
whether the first fault that is told has the right code and stands exactly there: ${exact} of ${places}
(${((100 * exact) / places).toFixed(1)} %).

| code | language | places | exact |
|---|---|---|---|
${mistakes.map((row) => `| ${row.code} | ${row.language === 'cpp' ? 'C++' : 'Python'} | ${row.places} | ${row.exact} |`).join('\n')}

${verdicts.text}`;
writeFileSync('docs/accuracy.md', await format(text, { parser: 'markdown', printWidth: 110 }));
console.log(
  `${rows.filter(({ within }) => within).length} of ${rows.length} within the aim, ${agreeing} of ${programs.length} programs the same, ${pythonAgreeing} of ${pythonPrograms.length} in Python, ${exact} of ${places} mistakes exact, ${timed.filter((row) => isTimed(row.name, row)).length} of ${timed.length} programs in time, ${verdicts.summary}`,
);
