// Draws every exercise of the demo course, bench and schematic, into docs/drawings: npm run drawings.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { DEFAULT_HOUSE_RULES } from '@/core/course/house-rules';
import { drawBench } from '@/core/drawing/bench';
import { legibilityOf } from '@/core/drawing/legibility';
import { drawSchematic } from '@/core/drawing/schematic';
import { writeSvg } from '@/core/drawing/svg';
import { formOf, readExercise, type Exercise } from '@/core/formats/exercise';
import { buildSteps } from '@/core/plan/build-steps';
import { howMany } from '@/core/words/words';
import { layoutSchematic } from '@/engines/schematic-here';

const folder = 'docs/drawings';
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder);

const page: string[] = [
  '# The drawings of the demo course',
  '',
  'Made by `npm run drawings`; do not edit by hand. Every layout is computed from the exercise’s parts and',
  'nets, and proven: extracting it gives the nets again.',
  '',
];

async function draw(exercise: Exercise, name: string, title: string): Promise<void> {
  const { reference, data } = exercise;
  const bench = drawBench(reference);
  const { crossings, mostOfOne, namesOnWires } = legibilityOf(bench);
  writeFileSync(`${folder}/${name}-bench.svg`, writeSvg(bench, `${title}, bench`));
  writeFileSync(
    `${folder}/${name}-schematic.svg`,
    writeSvg(await drawSchematic(reference, layoutSchematic), `${title}, schematic`),
  );
  const steps = buildSteps(reference, DEFAULT_HOUSE_RULES.wiringOrder);
  page.push(
    `## ${title}`,
    '',
    data.aim,
    '',
    `![Bench drawing of ${title}](drawings/${name}-bench.svg)`,
    '',
    `${howMany(crossings, 'crossing')} of wires, at most ${mostOfOne} of one wire; ${howMany(namesOnWires, 'name')} on another wire.`,
    '',
    `![Schematic of ${title}](drawings/${name}-schematic.svg)`,
    '',
    `${steps.length} build steps; the first: ${steps[0]!.text} The last: ${steps.at(-1)!.text}`,
    '',
  );
}

for (const file of readdirSync('demo/course').sort()) {
  const read = readExercise(readFileSync(`demo/course/${file}`, 'utf8'));
  if (!read.ok) throw new Error(`${file}: ${read.problems[0]?.message ?? ''}`);
  const name = file.replace('.json', '');
  const { data } = read.value;
  await draw(read.value, name, data.title);
  for (const { name: form } of data.forms ?? []) {
    const other = formOf(data, form);
    if (!other.ok) throw new Error(`${file}: ${other.problems[0]?.message ?? ''}`);
    await draw(other.value, `${name}-${form.replace(/\W+/g, '-')}`, `${data.title}, ${form}`);
  }
}
writeFileSync('docs/drawings.md', page.join('\n'));
console.log(`${readdirSync(folder).length} drawings`);
