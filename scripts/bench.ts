// Measures the core against its aims: npm run bench. Medians, as the machine is noisy. With `--write`, the table goes
// into docs/speed.md too.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { format } from 'prettier';
import { boardsOf, readExercise, type Exercise } from '@/core/formats/exercise';
import { taskOf } from '@/core/course/exercise-layout';
import { check } from '@/core/judge/check';
import { examine } from '@/core/judge/examine';
import { referenceOf } from '@/core/judge/reference';
import type { Network, Element } from '@/core/solver/network';
import { fitJunction } from '@/core/solver/junction';
import { operatingPoint } from '@/core/solver/operating-point';
import { prepareBench } from '@/core/electrics/bench';
import { inspect } from '@/core/judge/inspect';
import { observationsOn } from '@/core/judge/rules';
import { place } from '@/core/plan/placement';
import { compileProgram } from '@/core/program';
import { rehearse } from '@/core/rehearsal/rehearse';
import { Circuit } from '@/core/wiring/circuit';
import { readWiring } from '@/core/wiring/read';
import { nodeGrammars } from '@/grammars/node';
import { programFor } from '@/core/judge/build';

const grammars = await nodeGrammars();
const beacon = readExercise(readFileSync('demo/course/01-beacon.json', 'utf8'));
if (!beacon.ok) throw new Error('the beacon cannot be read');
const exercise = beacon.value;
const { board, reference } = exercise;

/** Median milliseconds of `work` over some batches, after warming up. */
function median(work: () => unknown, batch: number, batches = 15): number {
  for (let index = 0; index < batch; index += 1) work();
  const times = Array.from({ length: batches }, () => {
    const begin = performance.now();
    for (let index = 0; index < batch; index += 1) work();
    return (performance.now() - begin) / batch;
  });
  return times.sort((a, b) => a - b)[Math.floor(batches / 2)]!;
}

const table: string[] = [];
const tell = (name: string, shown: string, aim: string, isWithin: boolean): void => {
  console.log(
    `${name.padEnd(72)} ${shown.padStart(10)}   aim ${aim.padStart(8)}   ${isWithin ? 'within' : 'OVER'}`,
  );
  table.push(`| ${name} | ${shown} | ${aim} | ${isWithin ? 'yes' : 'no'} |`);
};
const time = (milliseconds: number): string =>
  milliseconds < 0.1
    ? `${(milliseconds * 1e3).toFixed(1)} µs`
    : milliseconds < 1000
      ? `${milliseconds.toFixed(2)} ms`
      : `${(milliseconds / 1000).toFixed(1)} s`;
const row = (name: string, milliseconds: number, aim: number): void =>
  tell(
    name,
    time(milliseconds),
    aim < 0.1 ? `${aim * 1e3} µs` : aim < 1000 ? `${aim} ms` : `${aim / 1000} s`,
    milliseconds <= aim,
  );

// Ten parts: five LEDs with their resistors, on five pins.
const tenParts = readWiring(
  `ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\nW9,wire,black,1,U1.GND\nW9,wire,black,2,B1.a-1\n${[
    0, 1, 2, 3, 4,
  ]
    .map((index) => {
      const at = 3 + index * 3;
      return `D${index},led,red,anode,B1.e${at}\nD${index},led,red,cathode,B1.e${at + 1}\nR${index},resistor,330,1,B1.d${at + 1}\nR${index},resistor,330,2,B1.a-${at + 1}\nW${index},wire,green,1,U1.${13 - index}\nW${index},wire,green,2,B1.a${at}\n`;
    })
    .join('')}`,
);
if (!tenParts.ok) throw new Error(tenParts.problems[0]?.message);
const wiring = tenParts.value;
row(
  'netlist and rules, 10 parts',
  median(() => {
    const circuit = new Circuit(wiring, board);
    return observationsOn({
      built: {
        circuit,
        bench: prepareBench(circuit),
        board,
        states: [],
        floatingPins: undefined,
        usesSerial: false,
      },
    });
  }, 200),
  0.3,
);

// Fifteen nodes, five junctions: five LEDs with resistors between, fed from one source.
const model = fitJunction(1.8, 2.1);
const elements: Element[] = [{ type: 'source', from: 1, to: 0, volts: 5, ohms: 0.3 }];
for (let index = 0; index < 5; index += 1) {
  const node = 2 + index * 2;
  elements.push(
    { type: 'resistor', from: 1, to: node, ohms: 330 },
    { type: 'junction', from: node, to: node + 1, model },
    { type: 'resistor', from: node + 1, to: 0, ohms: 10 },
  );
}
for (let node = 12; node < 15; node += 1)
  elements.push(
    { type: 'resistor', from: node - 1, to: node, ohms: 1000 },
    { type: 'resistor', from: node, to: 0, ohms: 1000 },
  );
const circuit: Network = { nodeCount: 15, elements };
const warm = operatingPoint(circuit).volts;
row(
  'operating point, 15 nodes with 5 junctions, warm',
  median(() => operatingPoint(circuit, warm), 500),
  0.05,
);

const readCourse = (file: string): Exercise => {
  const found = readExercise(readFileSync(`demo/course/${file}`, 'utf8'));
  if (!found.ok) throw new Error(`${file}: ${found.problems[0]?.message}`);
  return found.value;
};
const onPython = readCourse('12-beacon-python.json');

/** The same work in both languages: programs of a length, and a minute of each kind of program. */
const languages = [
  {
    name: 'C++',
    of: exercise,
    long: `${exercise.data.program.replace(/void loop[\s\S]*/, '')}${Array.from({ length: 11 }, (_, index) => `void part${index}() {\n  int level = ${index};\n  if (level > 3) {\n    digitalWrite(LAMP, HIGH);\n  }\n  delay(level);\n}\n`).join('')}void loop() {\n  part0();\n}\n`,
    polling:
      'unsigned long last = 0; int seen = 0;\nvoid setup() { pinMode(2, INPUT_PULLUP); }\nvoid loop() { int now = digitalRead(2); if (now != seen) { seen = now; } if (millis() - last > 10000000UL) { last = millis(); } }',
    changing: 'unsigned long count = 0;\nvoid setup() { }\nvoid loop() { count++; delayMicroseconds(10); }',
  },
  {
    name: 'Python',
    of: onPython,
    long: `${onPython.data.program.replace(/while True:[\s\S]*/, '')}${Array.from({ length: 15 }, (_, index) => `def part${index}():\n    level = ${index}\n    if level > 3:\n        lamp.value = True\n    time.sleep(level)\n`).join('')}while True:\n    part0()\n`,
    polling:
      'import time\nimport board\nimport digitalio\nbutton = digitalio.DigitalInOut(board.D2)\nbutton.pull = digitalio.Pull.UP\nseen = True\nlast = 0\nwhile True:\n    now = button.value\n    if now != seen:\n        seen = now\n    if time.monotonic() - last > 10000:\n        last = time.monotonic()\n',
    changing: 'import time\ncount = 0\nwhile True:\n    count += 1\n    time.sleep(0.00001)\n',
  },
] as const;
for (const { name, of, long, polling, changing } of languages) {
  const read = (source: string) => programFor(of, source, grammars);
  const minute = (source: string, batch: number, batches = 15): number => {
    const { compiled, problems } = read(source);
    if (!compiled) throw new Error(problems[0]?.message);
    return median(
      () => rehearse(compiled, of.reference, of.board, { seconds: 60, steps: 1e9 }),
      batch,
      batches,
    );
  };
  row(
    `${name}: parse and check a program of ${long.split('\n').length} lines`,
    median(() => read(long).problems, 10),
    6,
  );
  row(`${name}: 60 s of virtual time, pauses`, minute(of.data.program, 10), 2);
  row(`${name}: 60 s polling an input and the clock each pass, nothing happening`, minute(polling, 10), 10);
  row(`${name}: 60 s in which every pass changes a variable`, minute(changing, 1, 3), 2000);
}

const program = compileProgram(exercise.data.program, board, grammars);
const three = {
  ...exercise,
  data: { ...exercise.data, scenarios: [0, 1, 2].flatMap(() => exercise.data.scenarios) },
};
const prepared = referenceOf(three, grammars);
row(
  'one full check with three scenarios',
  median(() => examine(prepared, { wiring: reference, program }), 20),
  10,
);

const faulty = readWiring(
  (exercise.data.layout ?? '').replace('W1,wire,yellow,2,B1.a5', 'W1,wire,yellow,2,B1.a4'),
);
if (!faulty.ok) throw new Error('the faulty wiring cannot be read');
row(
  'nearest repair, one wrong end, with the full report',
  median(() => check(exercise, { wiring: faulty.value, program }, grammars), 1, 9),
  300,
);

const tideGauge = readCourse('07-tide-gauge.json');
const task = taskOf(tideGauge.data);
if (!task.ok) throw new Error('the tide gauge cannot be laid out');
row(
  'layout of the ten-LED bar with its potentiometer, proven',
  median(() => place(task.value), 1, 9),
  200,
);
row(
  'a look at the tide gauge’s wiring without a program',
  median(() => inspect(tideGauge, tideGauge.reference), 2, 9),
  100,
);

/** A class: of its thirty hand-ins for each exercise one in three is one of the faulty ones of the demo. */
const STUDENTS = 30;
const classWork = readdirSync('demo/course')
  .slice(0, 10)
  .map((file) => {
    const of = readCourse(file);
    const folder = `demo/faults/${of.data.id}`;
    const right = { source: of.data.program, wiring: of.reference };
    const faults = readdirSync(folder)
      .filter((name) => name !== 'expected.json')
      .map((name) => {
        const text = readFileSync(`${folder}/${name}`, 'utf8');
        if (!name.endsWith('.csv')) return { ...right, source: text };
        const wired = readWiring(text, { boards: boardsOf(of.data) });
        return wired.ok ? { ...right, wiring: wired.value } : right;
      });
    const builds = Array.from({ length: STUDENTS }, (_, student) =>
      student % 3 === 0 ? faults[(student / 3) % faults.length]! : right,
    );
    return { of, builds };
  });
const judgeClass = (): void => {
  for (const { of, builds } of classWork)
    for (const { source, wiring } of builds)
      check(of, { wiring, program: programFor(of, source, grammars) }, grammars);
};
judgeClass();
const begin = performance.now();
judgeClass();
row('a class of 30 students × 10 exercises, on one core', performance.now() - begin, 6000);

/** The checks of the demo's faults that take longest, whatever is wrong in them. */
const slowest = readdirSync('demo/course')
  .flatMap((file) => {
    const of = readCourse(file);
    const folder = `demo/faults/${of.data.id}`;
    if (!existsSync(folder)) return [];
    return readdirSync(folder)
      .filter((name) => name !== 'expected.json')
      .map((name) => {
        const text = readFileSync(`${folder}/${name}`, 'utf8');
        const wired = name.endsWith('.csv') ? readWiring(text, { boards: boardsOf(of.data) }) : undefined;
        const program = programFor(of, wired ? of.data.program : text, grammars);
        const wiring = wired?.ok ? wired.value : of.reference;
        const begin = performance.now();
        check(of, { wiring, program }, grammars);
        return { name: `${of.data.id}, ${name}`, milliseconds: performance.now() - begin };
      });
  })
  .sort((a, b) => b.milliseconds - a.milliseconds)
  .slice(0, 10);
console.log('the ten slowest checks of the demo’s faults:');
for (const { name, milliseconds } of slowest) console.log(`  ${name.padEnd(70)} ${time(milliseconds)}`);

/** The most that one of several checks adds: what is collected in between makes the others look smaller. */
const used = Math.max(
  ...Array.from({ length: 5 }, () => {
    const before = process.memoryUsage().heapUsed;
    const report = check(exercise, { wiring: faulty.value, program }, grammars);
    if (report.verdict !== 'does-not-work') throw new Error('the faulty wiring passes');
    return (process.memoryUsage().heapUsed - before) / 1e6;
  }),
);
tell('memory of one check, garbage included', `${used.toFixed(1)} MB`, '64 MB', used <= 64);

if (process.argv.includes('--write'))
  writeFileSync(
    'docs/speed.md',
    await format(
      `# Speed

Made by \`npm run bench -- --write\`, on ${cpus().length} cores that others use too. Medians; they differ by half from one time
to the next. A class is judged on one core here; its aim is what two cores have to do in half the time.

| work | measured | aim | within |
| --- | --: | --: | --- |
${table.join('\n')}

The ten slowest checks of the demo’s faults:

| fault | time |
| --- | --: |
${slowest.map(({ name, milliseconds }) => `| ${name} | ${time(milliseconds)} |`).join('\n')}
`,
      { parser: 'markdown', printWidth: 110 },
    ),
  );
