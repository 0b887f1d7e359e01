import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { readKit } from '@/core/kit/kit-csv';
import { unpackCourse } from '@/core/package/archive';
import { LAYOUT, PROGRAM } from '@/core/testing/beacon';
import { run } from './run';

const EXERCISE = join(process.cwd(), 'demo/course/01-beacon.json');

const folders: string[] = [];
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true })));

/** Runs a command line in a folder that holds these files. */
async function didaktor(files: Readonly<Record<string, string | Buffer>>, ...words: readonly string[]) {
  const folder = mkdtempSync(join(tmpdir(), 'didaktor-'));
  folders.push(folder);
  for (const [name, content] of Object.entries({ 'w.csv': LAYOUT, 'p.cpp': PROGRAM, ...files }))
    writeFileSync(join(folder, name), content);
  let [out, error] = ['', ''];
  const code = await run(words, { out: (text) => (out += text), error: (text) => (error += text), folder });
  return { code, out, error, folder };
}

const CHECK = ['check', '--exercise', EXERCISE, '--wiring', 'w.csv', '--code', 'p.cpp'];

describe('check', () => {
  test('ends with 0 for a build that passes, and prints the report as JSON', async () => {
    const { code, out, error } = await didaktor({}, ...CHECK, '--json');
    expect(code).toBe(0);
    expect(error).toBe('');
    expect(JSON.parse(out)).toMatchObject({
      format: 'didaktor/report@1',
      verdict: 'as-drawn',
      engine: expect.stringContaining('didaktor-core'),
    });
  });

  describe('of an exercise that is open', () => {
    const file = join(process.cwd(), 'demo/course/14-harbour-signal.json');
    const { layout, program } = JSON.parse(readFileSync(file, 'utf8')) as { layout: string; program: string };
    const judged = (said: string | undefined) =>
      didaktor(
        { 'w.csv': layout, 'p.cpp': program, 's.txt': said ?? '' },
        ...['check', '--exercise', file, '--wiring', 'w.csv', '--code', 'p.cpp'],
        ...(said === undefined ? [] : ['--stated', 's.txt']),
      );

    test('goes by what is stated', async () => {
      const right = await judged('D1 lit 2 s, dark 3 s\n\nD2 lit 1 s, dark 4 s\n');
      expect({ code: right.code, error: right.error }).toEqual({ code: 0, error: '' });
      expect((await judged('D1 lit 2 s, dark 3 s\n\nD2 lit 2 s, dark 4 s\n')).code).toBe(1);
    });

    test.each([
      [undefined, /^--stated is missing: Say first what yours does/],
      ['D1 lit 2 s, dark 3 s\n', /^s\.txt: Say first what yours does: at least 2/],
      ['D1 lit 2 s, dark 3 s\n\nD2 sings\n', /^s\.txt: line 3: /],
    ])('ends with 2 and a line for %j', async (said, message) => {
      const { code, error } = await judged(said);
      expect(code).toBe(2);
      expect(error).toMatch(message);
    });
  });

  test.each([
    ['an empty program', '', 'cannot-tell'],
    ['a program that does not compile', 'void setup() {', 'does-not-work'],
    ['a program that never ends', 'void setup() { while (1) { } }\nvoid loop() { }', 'does-not-work'],
    [
      'a program that counts without end',
      'long x; void setup() { while (1) { x++; } }\nvoid loop() { }',
      'does-not-work',
    ],
    ['a program that recurses', 'void f() { f(); }\nvoid setup() { f(); }\nvoid loop() { }', 'does-not-work'],
    [
      'a program that prints without end',
      'void setup() { Serial.begin(2000000); }\nvoid loop() { while (1) Serial.print("x"); }',
      'does-not-work',
    ],
    [
      'a program that nests 50,000 deep',
      `void setup() { int x = ${'('.repeat(50_000)}1${')'.repeat(50_000)}; }\nvoid loop() { }`,
      'cannot-tell',
    ],
  ])('ends with 1 for %s', async (_, program, verdict) => {
    const { code, out, error } = await didaktor({ 'p.cpp': program }, ...CHECK, '--json');
    expect({ code, error }).toEqual({ code: 1, error: '' });
    const report = JSON.parse(out) as { verdict: string; findings: { cause: boolean }[] };
    expect(report.verdict).toBe(verdict);
    expect(report.findings.some((finding) => finding.cause)).toBe(true);
  });

  test.each([
    ['an unknown pin', { 'w.csv': LAYOUT.replace('U1.13', 'U1.77') }, /w\.csv: line 8: .*77/],
    ['an unknown kind', { 'w.csv': LAYOUT.replace(/,led,/g, ',sponge,') }, /w\.csv: line 4: .*sponge/],
    ['two megabytes of text', { 'w.csv': 'x'.repeat(2_000_000) }, /w\.csv: .*too long/],
    ['a binary wiring', { 'w.csv': Buffer.from([0xff, 0xfe, 0x00, 0x81]) }, /w\.csv: .*not UTF-8/],
    ['a NUL in the program', { 'p.cpp': 'void setup() {\n\0}' }, /p\.cpp: line 2: .*NUL/],
    ['a damaged exercise', { 'e.json': '{ "format": ' }, /e\.json: .*not JSON/],
    [
      'an exercise with an unknown board',
      {
        'e.json': JSON.stringify({
          format: 'didaktor/exercise@1',
          id: 'x',
          title: 'X',
          board: 'nope',
          parts: [{ ref: 'U1', kind: 'board' }],
          nets: [],
        }),
      },
      /e\.json: board: .*nope/,
    ],
    [
      'an exercise whose layout misses a net',
      {
        'e.json': JSON.stringify({
          format: 'didaktor/exercise@1',
          id: 'x',
          title: 'X',
          board: 'learner-5v',
          parts: [{ ref: 'U1', kind: 'board' }],
          nets: [{ name: 'n', points: ['U1.13', 'U1.12'] }],
          layout: LAYOUT,
        }),
      },
      /e\.json: nets\[0\]: .*nothing at U1\.12/,
    ],
  ])('ends with 2 and one line for %s', async (_, files, line) => {
    const exercise = 'e.json' in files ? 'e.json' : EXERCISE;
    const { code, out, error } = await didaktor(
      files,
      'check',
      '--exercise',
      exercise,
      '--wiring',
      'w.csv',
      '--code',
      'p.cpp',
    );
    expect({ code, out }).toEqual({ code: 2, out: '' });
    expect(error).toMatch(line);
    expect(error.trim().split('\n')).toHaveLength(1);
  });

  test('says what there is to whoever asks for help, with every command', async () => {
    for (const words of [['--help'], ['help'], ['check', '-h']]) {
      const { code, out, error } = await didaktor({}, ...words);
      expect([code, error]).toEqual([0, '']);
      for (const command of ['check', 'solve', 'run', 'lint', 'layout', 'mutate', 'export'])
        expect(out).toMatch(new RegExp(`^  ${command} +--|^  ${command} +\\(--`, 'm'));
    }
  });

  test('ends with 2 for what is no command, no option and no file', async () => {
    for (const words of [
      ['fly'],
      ['check'],
      ['check', '--fast'],
      ['check', '--exercise', 'none.json'],
      ['solve', '--wiring', '.'],
    ])
      expect((await didaktor({}, ...words)).code, words.join(' ')).toBe(2);
  });

  test('of a folder is printed as JSON, a report for each', async () => {
    const submissions = join(process.cwd(), 'demo/submissions/beacon');
    const words = ['check', '--exercise', EXERCISE, '--submissions', submissions, '--json'];
    const { code, out } = await didaktor({}, ...words);
    expect(code).toBe(1);
    const all = JSON.parse(out) as {
      submissions: { name: string; report: { format: string } }[];
      counts: object;
    };
    expect(all.submissions).toHaveLength(28);
    expect(all.submissions.every(({ report }) => report.format === 'didaktor/report@1')).toBe(true);
    expect(all.counts).toMatchObject({ 'as-drawn': 9, 'cannot-tell': 1 });
  });

  test('of a folder prints a line per hand-in and a summary', async () => {
    const { code, out } = await didaktor(
      {},
      'check',
      '--exercise',
      EXERCISE,
      '--submissions',
      join(process.cwd(), 'demo/submissions/beacon'),
    );
    expect(code).toBe(1);
    expect(out).toContain('ilka-1: does-not-work polarity-reversed\n');
    expect(out.trim().split('\n').at(-1)).toBe(
      '28 submissions: 9 as-drawn, 2 works-differently, 14 does-not-work, 2 works-at-risk, 1 cannot-tell',
    );
  });
});

test('the command as it is installed judges a folder on all cores, and says the same', async () => {
  const words = ['check', '--exercise', EXERCISE, '--submissions', 'demo/submissions/beacon'];
  const { status, stdout, stderr } = spawnSync('node', ['scripts/cli.mjs', ...words], {
    encoding: 'utf8',
    env: { ...process.env, INIT_CWD: process.cwd() },
  });
  expect(stderr).toBe('');
  const here = await didaktor({}, ...words.with(-1, join(process.cwd(), 'demo/submissions/beacon')));
  expect([status, stdout]).toEqual([here.code, here.out]);
});

describe('solve', () => {
  test('prints every point of the table in full form, parts, pins and what floats', async () => {
    const { code, out } = await didaktor({}, 'solve', '--wiring', 'w.csv', '--set', '13=high', '--json');
    const solved = JSON.parse(out) as {
      nodes: Record<string, number | null>;
      parts: Record<string, { mA: number; mW: number }>;
      pins: Record<string, { mA: number }>;
      floating: string[];
    };
    expect(code).toBe(0);
    for (const point of ['B1.a5', 'U1.13', 'D1.anode', 'B1.a-6', 'U1.GND'])
      expect(solved.nodes).toHaveProperty([point]);
    expect(solved.parts['D1']!.mA).toBeCloseTo(8.53, 1);
    expect(solved.pins['13']!.mA).toBeCloseTo(solved.parts['R1']!.mA, 6);
    expect(solved.floating).toEqual([]);
  });

  test('says null for a point that floats', async () => {
    const { out } = await didaktor(
      { 'w.csv': `${LAYOUT}R2,resistor,330,1,B1.a20\nR2,resistor,330,2,B1.a24\n` },
      'solve',
      '--wiring',
      'w.csv',
      '--json',
    );
    expect(JSON.parse(out)).toMatchObject({
      nodes: { 'B1.a20': null },
      floating: expect.arrayContaining(['B1.a20', 'R2.1']),
    });
  });

  test.each(['13=loud', '99=high', '13=pwm:128', '9=pwm:300'])('refuses --set %s', async (setting) => {
    const { code, error } = await didaktor({}, 'solve', '--wiring', 'w.csv', '--set', setting);
    expect(code).toBe(2);
    expect(error).toContain(setting);
  });
});

const SENSING = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,half,,
P1,potentiometer,10k,1,a-1
P1,potentiometer,10k,wiper,U1.A0
P1,potentiometer,10k,2,a+1
S1,button,,1,U1.2
S1,button,,3,a-2
W1,wire,red,1,U1.5V
W1,wire,red,2,a+9
W2,wire,black,1,U1.GND
W2,wire,black,2,a-9
`;

describe('solve with parts in a state', () => {
  const volts = async (...state: readonly string[]) => {
    const { code, out, error } = await didaktor(
      { 's.csv': SENSING },
      ...['solve', '--wiring', 's.csv', '--json', '--set', '2=pullup', ...state],
    );
    expect({ code, error }).toEqual({ code: 0, error: '' });
    return (JSON.parse(out) as { nodes: Record<string, number> }).nodes;
  };

  test.each([
    ['0', 0.0005],
    ['0.25', 1.25],
    ['1', 5],
  ])('a knob at %s gives %d V', async (position, expected) => {
    expect((await volts('--turn', `P1=${position}`))['U1.A0']).toBeCloseTo(expected, 2);
  });

  test('a pressed button pulls its input down, and lets go', async () => {
    expect((await volts('--press', 'S1'))['U1.2']).toBeLessThan(0.01);
    expect((await volts())['U1.2']).toBeGreaterThan(4.9);
  });

  test.each([
    [['--turn', 'P1=2'], 'goes from 0 to 1'],
    [['--turn', 'P1'], 'write it like'],
    [['--press', 'P1'], 'cannot be done to a potentiometer'],
    [['--light', 'L9=0.5'], 'no part L9'],
  ])('refuses %j', async (state, words) => {
    const { code, error } = await didaktor({ 's.csv': SENSING }, 'solve', '--wiring', 's.csv', ...state);
    expect(code).toBe(2);
    expect(error).toContain(words);
  });
});

describe('export', () => {
  test('writes a netlist in which every point of the wiring stands', async () => {
    const { code, out } = await didaktor(
      {},
      'export',
      '--wiring',
      'w.csv',
      '--as',
      'spice',
      '--set',
      '13=high',
    );
    expect(code).toBe(0);
    for (const point of ['B1.a5', 'U1.13', 'D1.anode', 'B1.a-6', 'U1.GND']) expect(out).toContain(point);
    expect(out).toMatch(/^RR1_\d+ n\d+ 0 330$/m);
    expect(out).toMatch(/^\.end$/m);
  });

  test('takes an exercise, and writes into a file', async () => {
    const { code, out } = await didaktor(
      {},
      ...['export', '--exercise', EXERCISE, '--as', 'spice', '--out', 'beacon.cir'],
    );
    expect({ code, out }).toEqual({ code: 0, out: '' });
  });

  test.each([
    [['--as', 'spice'], 'one of --wiring and --exercise'],
    [['--wiring', 'w.csv', '--as', 'poem'], 'known are spice, svg'],
    [['--wiring', 'w.csv', '--as', 'svg', '--view', 'side'], 'known are bench, schematic'],
    [['--wiring', 'w.csv', '--as', 'spice', '--set', '9=pwm:3'], 'one state'],
    [['--wiring', 'w.csv', '--as', 'spice', '--out', 'no/such/folder/f'], 'cannot be written'],
  ])('refuses %j', async (given, words) => {
    const { code, error } = await didaktor({}, 'export', ...given);
    expect(code).toBe(2);
    expect(error).toContain(words);
  });
});

test.each(['bench', 'schematic'])('export draws the %s as SVG with every part', async (view) => {
  const { code, out } = await didaktor({}, 'export', '--wiring', 'w.csv', '--as', 'svg', '--view', view);
  expect(code).toBe(0);
  expect(out).toMatch(/^<svg /);
  for (const ref of ['D1', 'R1']) expect(out).toContain(`data-ref="${ref}"`);
});

describe('layout', () => {
  const SECOND = join(process.cwd(), 'demo/course/02-leading-lights.json');

  test('prints a wiring table that is the exercise’s circuit', async () => {
    const { code, out } = await didaktor({}, 'layout', '--exercise', SECOND);
    expect(code).toBe(0);
    const solved = await didaktor(
      { 'l.csv': out },
      'solve',
      '--wiring',
      'l.csv',
      '--set',
      '12=high',
      '--json',
    );
    const { parts } = JSON.parse(solved.out) as { parts: Record<string, { mA: number }> };
    expect(parts['D1']!.mA).toBeGreaterThan(7);
    expect(parts['D2']!.mA).toBeCloseTo(0, 3);
  });

  test('follows the exercise’s own house rules, and refuses one that does not exist', async () => {
    const data = JSON.parse(readFileSync(SECOND, 'utf8')) as object;
    const ruled = (rules: object) => ({ 'e.json': JSON.stringify({ ...data, layout: '', rules }) });
    const compact = {
      parts: [
        { ref: 'U1', kind: 'board', value: 'learner-5v' },
        { ref: 'B1', kind: 'breadboard', value: 'half' },
        { ref: 'D1', kind: 'led', value: 'red' },
        { ref: 'R1', kind: 'resistor', value: '330' },
      ],
      nets: [
        { name: 'signal', points: ['U1.12', 'R1.1'] },
        { name: 'lamp', points: ['R1.2', 'D1.anode'] },
        { name: 'ground', points: ['D1.cathode', 'U1.GND'] },
      ],
      scenarios: [],
      program: '',
      free: {},
    };
    const lay = (rules: object) =>
      didaktor(
        { 'e.json': JSON.stringify({ ...data, ...compact, layout: '', rules }) },
        'layout',
        '--exercise',
        'e.json',
      );
    expect((await lay({ cathode: 'into-rail' })).out).toMatch(/D1,led,red,cathode,B1\.[aj]-/);
    expect((await lay({ cathode: 'own-row' })).out).not.toMatch(/D1,led,red,cathode,B1\.[aj]-/);
    const bad = await didaktor(ruled({ cathode: 'sideways' }), 'layout', '--exercise', 'e.json');
    expect(bad.code).toBe(2);
    expect(bad.error).toContain('rules.cathode');
  });

  test('keeps an earlier layout where it can', async () => {
    const { code, out } = await didaktor({}, 'layout', '--exercise', SECOND, '--keep', 'w.csv');
    expect(code).toBe(0);
    // The resistor of the beacon stays where it lies.
    expect(out).toContain('R1,resistor,330,1,B1.d6');
  });

  test('refuses an exercise without a breadboard, and one that does not fit, in one line', async () => {
    const data = JSON.parse(readFileSync(SECOND, 'utf8')) as { parts: { kind: string }[]; layout?: string };
    const bare = { ...data, layout: '', parts: data.parts.filter((part) => part.kind !== 'breadboard') };
    const none = await didaktor({ 'e.json': JSON.stringify(bare) }, 'layout', '--exercise', 'e.json');
    expect(none).toMatchObject({ code: 2, error: expect.stringContaining('no breadboard') });
    const pins = Array.from({ length: 20 }, (_, index) => index + 1);
    const crowded = {
      ...data,
      layout: '',
      parts: [
        { ref: 'U1', kind: 'board', value: 'learner-5v' },
        { ref: 'B1', kind: 'breadboard', value: 'mini' },
        ...pins.flatMap((number) => [
          { ref: `D${number}`, kind: 'led', value: 'red' },
          { ref: `R${number}`, kind: 'resistor', value: '330' },
        ]),
      ],
      nets: pins.flatMap((number) => [
        { name: `a${number}`, points: [`D${number}.anode`, `R${number}.1`] },
        { name: `b${number}`, points: [`D${number}.cathode`, `R${number}.2`] },
      ]),
      scenarios: [],
    };
    const full = await didaktor({ 'e.json': JSON.stringify(crowded) }, 'layout', '--exercise', 'e.json');
    expect(full.code).toBe(2);
    expect(full.error).toMatch(/does not fit on a mini breadboard: \d+ of its 20 LEDs can be placed/);
  });
});

describe('run', () => {
  test('prints what changes, and why it ended', async () => {
    const { code, out } = await didaktor(
      {},
      'run',
      '--wiring',
      'w.csv',
      '--code',
      'p.cpp',
      '--for',
      '4s',
      '--json',
    );
    const { changes, ended } = JSON.parse(out) as {
      changes: { t: number; signal: string; value: string | number }[];
      ended: string;
    };
    expect({ code, ended }).toEqual({ code: 0, ended: 'time' });
    const lit = changes.filter(({ signal, value }) => signal === 'D1' && Number(value) > 0);
    expect(lit.map(({ t }) => Math.round(t * 10) / 10)).toEqual([0, 3]);
    expect(changes.some(({ signal, value }) => signal === 'U1.13' && value === 'high')).toBe(true);
  });

  test('writes a value-change dump', async () => {
    const { out } = await didaktor({}, 'run', '--wiring', 'w.csv', '--code', 'p.cpp', '--for', '1s', '--vcd');
    expect(out).toContain('$timescale 1 us $end');
    expect(out).toMatch(/\$var wire 1 ! pin_13 \$end/);
    expect(out.trim().split('\n').at(-1)).toBe('#1000000');
  });

  test('takes typed text as a stimulus, and refuses what it cannot play', async () => {
    const program =
      'void setup() { Serial.begin(9600); }\nvoid loop() { if (Serial.available() > 0) { Serial.print((char) Serial.read()); } }';
    const words = [
      'run',
      '--wiring',
      'w.csv',
      '--code',
      'p.cpp',
      '--for',
      '2s',
      '--stimuli',
      's.json',
      '--json',
    ];
    const typed = await didaktor({ 'p.cpp': program, 's.json': '[{ "at": 1, "serial": "tide" }]' }, ...words);
    expect(JSON.parse(typed.out)).toMatchObject({ serial: 'tide' });
    const none = await didaktor({ 's.json': '[{ "at": 1, "press": "S1" }]' }, ...words);
    expect(none).toMatchObject({
      code: 2,
      error: expect.stringContaining('s.json: [0]: the table has no part S1'),
    });
    const odd = await didaktor({ 's.json': '[{ "at": 1, "press": "D1" }]' }, ...words);
    expect(odd).toMatchObject({ code: 2, error: expect.stringContaining('cannot be done to an LED') });
    const again = await didaktor({ 'p.cpp': program, 's.json': '[{ "at": 1, "reset": true }]' }, ...words);
    expect(again.code).toBe(0);
    expect((await didaktor({ 's.json': '[{ "at": 1, "sing": true }]' }, ...words)).code).toBe(2);
  });

  test('presses a button and turns a potentiometer while the program runs', async () => {
    const program = `void setup() { pinMode(2, INPUT_PULLUP); Serial.begin(9600); }
void loop() { if (digitalRead(2) == LOW) { Serial.println(analogRead(A0) > 900); delay(1000); } }`;
    const stimuli =
      '[{ "at": 1, "press": "S1", "for": 0.2 }, { "at": 2, "turn": "P1", "to": 1 }, { "at": 3, "press": "S1" }]';
    const { out } = await didaktor(
      { 's.csv': SENSING, 'p.cpp': program, 's.json': stimuli },
      ...['run', '--wiring', 's.csv', '--code', 'p.cpp', '--for', '3.5s', '--stimuli', 's.json', '--json'],
    );
    expect(JSON.parse(out)).toMatchObject({ serial: '0\r\n1\r\n' });
  });

  test('refuses a program that the board’s compiler would refuse, with its line', async () => {
    const { code, error } = await didaktor(
      { 'p.cpp': PROGRAM.replace('500);', '500)') },
      'run',
      '--wiring',
      'w.csv',
      '--code',
      'p.cpp',
      '--for',
      '1s',
    );
    expect(code).toBe(2);
    expect(error).toMatch(/p\.cpp: line 10, column 13: /);
  });

  test.each(['ten', '-1s', '0', '1h'])('refuses the duration %s', async (duration) => {
    expect(
      (await didaktor({}, 'run', '--wiring', 'w.csv', '--code', 'p.cpp', `--for=${duration}`)).code,
    ).toBe(2);
  });
});

describe('an exercise that cannot be read', () => {
  const beacon = JSON.parse(readFileSync(EXERCISE, 'utf8')) as {
    scenarios: [{ expect: object[]; stimuli: object[] }];
  };
  const saidOf = async (
    change: (scenario: { expect: object[]; stimuli?: object[] }) => void,
  ): Promise<string> => {
    const exercise = structuredClone(beacon);
    change(exercise.scenarios[0]);
    const files = { 'e.json': JSON.stringify(exercise) };
    const { code, error } = await didaktor(
      files,
      'check',
      '--exercise',
      'e.json',
      '--wiring',
      'w.csv',
      '--code',
      'p.cpp',
    );
    expect(code).toBe(2);
    return error;
  };

  test('is told the key of an expectation that is misspelt, and the known ones', async () => {
    const said = await saidOf(({ expect: all }) => all.push({ lamp: 'D1', rythm: [0.5, 2.5] }));
    expect(said).toMatch(/expect\[\d\]: “rythm” is not known in an expectation; known are .*\brhythm\b/);
  });

  test('is told what is wrong with a value, and which keys belong together', async () => {
    expect(await saidOf(({ expect: all }) => all.push({ lamp: 'D1', is: 'bright' }))).toContain('is: ');
    expect(await saidOf(({ expect: all }) => all.push({ lamp: 'D1' }))).toContain('lamp with rhythm');
    expect(await saidOf((scenario) => (scenario.stimuli = [{ pres: 'S1', at: 1 }]))).toContain(
      '“pres” is not known in a stimulus',
    );
  });
});

describe('lint', () => {
  test('takes the language from the name of the file', async () => {
    const { out } = await didaktor(
      { 'p.py': 'import time\nwhile True\n    time.sleep(1)\n' },
      'lint',
      '--code',
      'p.py',
      '--json',
    );
    expect(JSON.parse(out)).toMatchObject([{ code: 'colon-missing', line: 2 }]);
  });

  test('ends with 0 for a clean program and with 1 for a fault', async () => {
    expect(await didaktor({}, 'lint', '--code', 'p.cpp', '--json')).toMatchObject({ code: 0, out: '[]\n' });
    const { code, out } = await didaktor(
      { 'p.cpp': PROGRAM.replace('pinMode(LAMP, OUTPUT);', '') },
      'lint',
      '--code',
      'p.cpp',
      '--json',
    );
    expect(code).toBe(1);
    expect(JSON.parse(out)).toMatchObject([{ code: 'direction-unset', line: 9 }]);
  });
});

describe('run --noise', () => {
  test('lets a pin that nothing holds read by chance, the same in each run', async () => {
    const files = {
      'p.cpp':
        'void setup() { Serial.begin(9600); for (int i = 0; i < 20; i++) Serial.println(analogRead(A0)); }\nvoid loop() { }',
    };
    const words = ['run', '--wiring', 'w.csv', '--code', 'p.cpp', '--for', '1s', '--json'];
    const printed = async (...more: string[]): Promise<Set<string>> => {
      const { code, out } = await didaktor(files, ...words, ...more);
      expect(code).toBe(0);
      return new Set((JSON.parse(out) as { serial: string }).serial.trim().split('\n'));
    };
    expect((await printed()).size).toBeLessThan(3);
    expect((await printed('--noise')).size).toBeGreaterThan(10);
    expect(await printed('--noise')).toEqual(await printed('--noise'));
  });
});

describe('mutate', () => {
  test('prints each slip, what names it, and what the check says of it', async () => {
    const { code, out } = await didaktor({}, 'mutate', '--exercise', EXERCISE, '--json');
    expect(code).toBe(0);
    const { mutants, counts } = JSON.parse(out) as {
      mutants: { mutant: string; expected: string; outcome: string; said: string | null }[];
      counts: Record<string, number>;
    };
    expect(mutants.length).toBeGreaterThan(40);
    expect(Object.values(counts).reduce((sum, count) => sum + count)).toBe(mutants.length);
    expect(mutants.find(({ mutant }) => mutant.startsWith('a part the wrong way round'))).toMatchObject({
      expected: 'polarity-reversed',
      said: 'polarity-reversed',
      outcome: 'right-cause',
    });
  });

  test('prints a line for each and a summary', async () => {
    const { out } = await didaktor({}, 'mutate', '--exercise', EXERCISE);
    const lines = out.trim().split('\n');
    expect(lines[0]).toMatch(/^[a-z-]+ {2}\S.*: .* expected [a-z-]+, said [a-z-]+/);
    expect(lines.at(-1)).toBe(`${lines.length - 1} mutants: ${lines.at(-1)!.replace(/^\d+ mutants: /, '')}`);
  });

  test('ends with 1 where the reference itself does not pass', async () => {
    const exercise = JSON.parse(readFileSync(EXERCISE, 'utf8')) as { program: string };
    const dark = { ...exercise, program: exercise.program.replace('HIGH', 'LOW') };
    const { code, error } = await didaktor(
      { 'e.json': JSON.stringify(dark) },
      'mutate',
      '--exercise',
      'e.json',
    );
    expect(code).toBe(1);
    expect(error).toMatch(/^e\.json: .*does not pass/);
  });
});

describe('export of a handout', () => {
  test('writes a PDF', async () => {
    const given = ['export', '--exercise', EXERCISE, '--as', 'handout-pdf', '--out', 'beacon.pdf'];
    const { code, folder } = await didaktor({}, ...given);
    expect(code).toBe(0);
    expect(readFileSync(join(folder, 'beacon.pdf'), 'latin1').slice(0, 5)).toBe('%PDF-');
  });

  test('writes Markdown that is one file', async () => {
    const { code, out } = await didaktor({}, 'export', '--exercise', EXERCISE, '--as', 'markdown');
    expect(code).toBe(0);
    expect(out).toMatch(/^# Beacon\n/);
    expect(out).toContain('](data:image/svg+xml;base64,');
    expect(out).not.toContain('](pictures/');
  });

  test.each([
    [['--as', 'pdf'], /--exercise is missing/],
    [['--as', 'booklet'], /--course is missing/],
    [['--as', 'booklet', '--course', 'nowhere'], /nowhere: the folder cannot be opened/],
    [['--exercise', EXERCISE, '--as', 'pdf', '--paper', 'A3'], /--paper A3: known are A4, Letter/],
    [
      ['--exercise', EXERCISE, '--as', 'pdf', '--form', 'teacher'],
      /--form teacher: known are student, instructor/,
    ],
  ])('refuses %j', async (words, expected) => {
    const { code, error } = await didaktor({}, 'export', ...words);
    expect(code).toBe(2);
    expect(error).toMatch(expected);
  });
});

describe('export of what a class needs', () => {
  const COURSE = join(process.cwd(), 'demo/course');

  test('counts the kit of an exercise for a class, as a list that reads as stock', async () => {
    const given = ['export', '--exercise', EXERCISE, '--as', 'kit-csv', '--class', '9', '--per-bench', '2'];
    const { code, out } = await didaktor({}, ...given);
    expect(code).toBe(0);
    const read = readKit(out);
    expect(read.ok && read.value.aside).toEqual([]);
    // Four benches for nine learners, one of them with three, and a spare of each.
    expect(out).toContain('led,amber,,1,1,5,amber LED,D1');
  });

  test('counts the most of each sort that one of several exercises needs', async () => {
    const { out } = await didaktor({}, 'export', '--course', COURSE, '--as', 'kit-csv', '--class', '1');
    expect(out).toMatch(/^servo,standard,,8,/m);
  });

  test('is all zero for a class of nobody', async () => {
    const { code, out } = await didaktor(
      {},
      'export',
      '--exercise',
      EXERCISE,
      '--as',
      'kit-csv',
      '--class',
      '0',
    );
    expect(code).toBe(0);
    for (const row of out.trim().split('\r\n').slice(1)) expect(row).toMatch(/,\d+,0,0,/);
  });

  test('plans a meeting by the minute, and says what to cut where it is too long', async () => {
    const given = ['export', '--exercise', EXERCISE, '--as', 'run-sheet'];
    const short = await didaktor({}, ...given, '--minutes', '30');
    expect(short.code).toBe(0);
    expect(short.out).toContain('# Run sheet: Beacon');
    expect(short.out).toMatch(/longer than the 30 min that there are/);
    expect(short.out).toContain('- Check the bags before class: saves');
    expect((await didaktor({}, ...given, '--minutes', '90')).out).toMatch(/It fits into 90 min/);
    const table = await didaktor({}, 'export', '--exercise', EXERCISE, '--as', 'run-sheet-csv');
    expect(table.out).toMatch(/^from,minutes,phase,title/);
  });

  test('packs a course that reads as the same exercises', async () => {
    const given = ['export', '--course', COURSE, '--as', 'package', '--title', 'Harbour', '--out', 'c.zip'];
    const { code, folder } = await didaktor({}, ...given);
    expect(code).toBe(0);
    const read = await unpackCourse(new Uint8Array(readFileSync(join(folder, 'c.zip'))));
    expect(read.ok && [read.value.title, read.value.exercises.length]).toEqual(['Harbour', 14]);
  });

  test('draws as PNG and writes the wiring as the table that it is', async () => {
    const drawn = await didaktor({}, 'export', '--wiring', 'w.csv', '--as', 'png', '--out', 'w.png');
    expect(readFileSync(join(drawn.folder, 'w.png')).subarray(1, 4).toString()).toBe('PNG');
    const table = await didaktor({}, 'export', '--wiring', 'w.csv', '--as', 'csv');
    expect(table.out.trim()).toBe(LAYOUT.trim());
  });

  test.each([
    [['--as', 'kit-csv'], /name one of --exercise and --course/],
    [['--as', 'kit-csv', '--exercise', EXERCISE, '--class=-1'], /--class -1: a whole number from 0 to 1000/],
    [['--as', 'kit-csv', '--exercise', EXERCISE, '--class', '2.5'], /--class 2\.5: a whole number/],
    [
      ['--as', 'run-sheet', '--exercise', EXERCISE, '--per-bench', '0'],
      /--per-bench 0: a whole number from 1/,
    ],
    [['--as', 'package', '--course', 'nowhere'], /nowhere: the folder cannot be opened/],
    [['--exercise', EXERCISE, '--as', 'pdf', '--extras', 'poem'], /--extras poem: known are tour, bands/],
  ])('refuses %j', async (words, expected) => {
    const { code, error } = await didaktor({}, 'export', ...words);
    expect(code).toBe(2);
    expect(error).toMatch(expected);
  });
});
