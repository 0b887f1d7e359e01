import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { FindingCode } from '../findings/finding';
import { exerciseFrom } from '../formats/exercise';
import { canonicalReport, reportSchema } from '../formats/report';
import { compileProgram } from '../program';
import { beacon, beaconFile, causes, checkBeacon, grammars, LAYOUT, PROGRAM } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import { check } from './check';

const folder = 'demo/submissions/beacon';
const expected = JSON.parse(readFileSync(`${folder}/expected.json`, 'utf8')) as Readonly<
  Record<string, { verdict: string; causes: string[] }>
>;
const submission = (name: string): [wiring: string, program: string] => [
  readFileSync(`${folder}/${name}/wiring.csv`, 'utf8'),
  readFileSync(`${folder}/${name}/program.cpp`, 'utf8'),
];

describe('the class’s hand-ins', () => {
  const names = readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name);

  test('are at least 18, and each one has an expectation', () => {
    expect(names.length).toBeGreaterThanOrEqual(18);
    expect(names.sort()).toEqual(Object.keys(expected).sort());
  });

  test.each(names)('%s is judged as its author meant it', (name) => {
    const report = checkBeacon(...submission(name));
    expect({ verdict: report.verdict, causes: causes(report) }).toEqual(expected[name]);
  });

  test.each(names)('%s gets a whole report, the same byte for byte each time', (name) => {
    const report = checkBeacon(...submission(name));
    expect(reportSchema.parse(JSON.parse(JSON.stringify(report)))).toBeTruthy();
    expect(canonicalReport(checkBeacon(...submission(name)))).toBe(canonicalReport(report));
    for (const finding of report.findings) {
      expect(new Set(finding.hints).size, finding.code).toBe(3);
      expect(finding.message.length).toBeGreaterThan(20);
      expect(`${finding.message} ${finding.hints.join(' ')}`).not.toMatch(/undefined|NaN|\[object/);
    }
  });
});

const without = (ref: string, table = LAYOUT): string =>
  table
    .split('\n')
    .filter((line) => !line.startsWith(`${ref},`))
    .join('\n');
const moved = (end: string, to: string, table = LAYOUT): string => {
  const [ref, leg] = end.split('.') as [string, string];
  return table.replace(new RegExp(`^(${ref},.*,${leg},).*$`, 'm'), `$1${to}`);
};
const writing = (from: string | RegExp, to: string): string => {
  const changed = PROGRAM.replace(from, to);
  if (changed === PROGRAM) throw new Error(`nothing to change: ${from}`);
  return changed;
};

describe('a mistake in the wiring', () => {
  test.each<[what: string, table: string, code: FindingCode]>([
    ['a wire one row above', moved('W1.2', 'B1.a4'), 'off-by-one'],
    ['a wire one row below, where the resistor is', moved('W1.2', 'B1.a7'), 'leg-open'],
    ['a resistor one row off', moved('R1.1', 'B1.d7'), 'off-by-one'],
    ['a lamp turned round', moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5')), 'polarity-reversed'],
    ['a wire across the trough', moved('W1.2', 'B1.f5'), 'gap-not-crossed'],
    ['a resistor in the plus rail', moved('R1.2', 'B1.a+6'), 'rail-unpowered'],
    ['ground on the rail of the other side', moved('W2.2', 'B1.j-1'), 'rail-unpowered'],
    ['no ground wire', without('W2'), 'rail-unpowered'],
    ['a resistor with both legs in one row', moved('R1.2', 'B1.a6'), 'part-bypassed'],
    ['a lamp with both legs in one row', moved('D1.cathode', 'B1.c5'), 'part-bypassed'],
    [
      'a lamp straight into the ground rail',
      without('R1', moved('D1.cathode', 'B1.a-6')),
      'no-series-resistor',
    ],
    ['no lamp', without('D1'), 'part-missing'],
    ['10 kΩ', LAYOUT.replace(/,330,/g, ',10k,'), 'resistor-value'],
    ['33 Ω', LAYOUT.replace(/,330,/g, ',33,'), 'resistor-value'],
    ['supply joined to ground', `${LAYOUT}W3,wire,red,1,U1.5V\nW3,wire,red,2,B1.a-9\n`, 'supply-short'],
    ['the pin joined to ground', `${LAYOUT}W3,wire,red,1,B1.b5\nW3,wire,red,2,B1.a-9\n`, 'pin-short'],
    ['a pin that the program does not use', moved('W1.1', 'U1.12'), 'pin-disagrees'],
    ['a hanging lamp leg', moved('D1.cathode', ''), 'leg-open'],
  ])('%s is told by its cause, and its repair passes', (_, table, code) => {
    const report = checkBeacon(table);
    expect(['does-not-work', 'works-at-risk']).toContain(report.verdict);
    expect(causes(report)[0]).toBe(code);
    const [cause] = report.findings;
    expect(cause!.repair, 'there is a repair').toBeDefined();
  });

  test('that is fixed to a pin is a wrong pin', () => {
    const fixed = exerciseFrom({ ...JSON.parse(beaconFile), free: {} });
    const wiring = readWiring(moved('W1.1', 'U1.12'));
    if (!fixed.ok || !wiring.ok) throw new Error();
    const report = check(
      fixed.value,
      { wiring: wiring.value, program: compileProgram(PROGRAM, beacon.board, grammars) },
      grammars,
    );
    expect(causes(report)).toEqual(['wrong-pin']);
  });

  test('has numbers from its own circuit, so that other numbers give other hints', () => {
    const [one, other] = ['33', '47'].map(
      (ohms) => checkBeacon(LAYOUT.replace(/,330,/g, `,${ohms},`)).findings[0]!,
    );
    expect(one!.code).toBe(other!.code);
    expect(one!.evidence['currentMa']!.amount).toBeGreaterThan(other!.evidence['currentMa']!.amount);
    expect(one!.hints).not.toEqual(other!.hints);
  });
});

describe('a mistake in the program', () => {
  test.each<[what: string, program: string, code: FindingCode]>([
    ['a missing semicolon', writing('delay(500);', 'delay(500)'), 'syntax-semicolon'],
    ['a missing brace', writing(/}\n$/, ''), 'syntax-brace'],
    ['a missing parenthesis', writing('HIGH)', 'HIGH'), 'syntax-paren'],
    ['the wrong case', writing('digitalWrite', 'digitalwrite'), 'name-case'],
    ['a misspelt name', writing('delay(500)', 'dela(500)'), 'name-unknown'],
    ['no direction', writing('pinMode(LAMP, OUTPUT);', ''), 'direction-unset'],
    ['the wrong direction', writing('OUTPUT', 'INPUT'), 'direction-unset'],
    ['another pin than the wire', writing('= 13', '= 12'), 'pin-disagrees'],
    ['no second pause', writing('  delay(2500);\n', ''), 'missing-pause'],
    ['a time that is off', writing('2500', '250'), 'timing-off'],
    ['seconds for milliseconds', writing('2500', '2.5'), 'timing-off'],
    ['both levels high', writing('LOW', 'HIGH'), 'not-dark'],
    ['a loop that never ends', writing('delay(500);', 'while (true) { }'), 'never-ends'],
    [
      'everything in setup',
      'void setup() {\n  pinMode(13, OUTPUT);\n  digitalWrite(13, HIGH);\n  delay(500);\n  digitalWrite(13, LOW);\n  delay(2500);\n}\nvoid loop() {\n}\n',
      'stays-off',
    ],
    [
      'a lamp that is never switched',
      'void setup() {\n  pinMode(13, OUTPUT);\n}\nvoid loop() {\n  delay(500);\n}\n',
      'not-lit',
    ],
    [
      'recursion',
      'void f() { f(); }\nvoid setup() { pinMode(13, OUTPUT); f(); }\nvoid loop() { }\n',
      'runtime-error',
    ],
  ])('%s is told by its cause', (_, program, code) => {
    const report = checkBeacon(LAYOUT, program);
    expect(report.verdict).toBe('does-not-work');
    expect(causes(report)).toEqual([code]);
  });

  test('no pause at all is two that are missing, each told in the lines of the program as it is', () => {
    const report = checkBeacon(LAYOUT, writing(/ {2}delay\(\d+\);\n/g, ''));
    const told = report.findings.filter(({ cause }) => cause);
    expect(told.map(({ code }) => code)).toEqual(['missing-pause', 'missing-pause']);
    const lines = told.map(({ repair }) => Number(/after line (\d+)/.exec(repair!.text)![1]));
    expect(lines[1]).toBe(lines[0]! + 1);
    expect(told[1]!.message).toContain(`After line ${lines[1]} `);
  });

  test('an empty program cannot be told', () => {
    const report = checkBeacon(LAYOUT, ' // nothing\n');
    expect(report.verdict).toBe('cannot-tell');
    expect(causes(report)).toHaveLength(1);
  });

  test('what is not supported is not called wrong', () => {
    expect(checkBeacon(LAYOUT, `template <typename T> T same(T a) { return a; }\n${PROGRAM}`).verdict).toBe(
      'cannot-tell',
    );
  });
});

describe('a pause in the wrong unit', () => {
  test('is told as that, with what it waits', () => {
    const [cause] = checkBeacon(LAYOUT, writing('2500', '2.5')).findings;
    expect(cause!.message).toMatch(
      /waits .* ms: delay counts in milliseconds, and 2\.5 looks like seconds\./,
    );
    expect(cause!.repair?.edits).toEqual([{ replace: expect.objectContaining({ by: '2500' }) as unknown }]);
  });
});

describe('two mistakes', () => {
  test('one in the wiring and one in the program are both causes', () => {
    const report = checkBeacon(moved('W1.2', 'B1.a4'), writing('2500', '250'));
    expect(causes(report)).toEqual(['off-by-one', 'timing-off']);
  });

  test('in the wiring are both causes, each with its own repair', () => {
    const report = checkBeacon(
      moved('W2.2', 'B1.j-1', moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5'))),
    );
    expect([...causes(report)].sort()).toEqual(['polarity-reversed', 'rail-unpowered']);
    expect(report.findings.filter((finding) => finding.cause && finding.repair)).toHaveLength(2);
  });

  test.each<[string, string, readonly string[]]>([
    [
      'both ends of one wire',
      moved('W1.1', 'U1.12', moved('W1.2', 'B1.a4')),
      ['off-by-one', 'pin-disagrees'],
    ],
    [
      'a turned lamp and a wrong value',
      moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5')).replace(/,330,/g, ',10k,'),
      ['polarity-reversed', 'resistor-value'],
    ],
    [
      'a wire across the trough and a turned lamp',
      moved('W1.2', 'B1.g5', moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5'))),
      ['polarity-reversed', 'gap-not-crossed'],
    ],
  ])('in the wiring: %s', (_, table, codes) => {
    expect([...causes(checkBeacon(table))].sort()).toEqual([...codes].sort());
  });

  test('of which the one in the program cannot be mended by one change are both found', () => {
    const endless = writing('delay(500);', 'for (long i = 0; i < 10; i = i) { int n = 0; n++; }');
    expect(causes(checkBeacon(moved('W1.2', 'B1.a4'), endless))).toEqual(['off-by-one', 'never-ends']);
    expect(causes(checkBeacon(moved('W1.2', 'B1.a4'), writing('const int LAMP = 13;', '')))).toEqual([
      'name-unknown',
      'off-by-one',
    ]);
  });

  test('of which one hides the other are both found', () => {
    const report = checkBeacon(
      moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5')),
      writing('HIGH);', 'HIGH)'),
    );
    expect(causes(report)).toEqual(['syntax-semicolon', 'polarity-reversed']);
  });
});

describe('a build without a program', () => {
  const seen = (table: string) => {
    const { verdict, findings } = checkBeacon(table, '');
    return { verdict, causes: findings.filter(({ cause }) => cause) };
  };

  test('is told that its wiring is right, where it is', () => {
    const {
      verdict,
      causes: [only, more],
    } = seen(LAYOUT);
    expect([verdict, only!.code, more]).toEqual(['cannot-tell', 'missing-entry', undefined]);
    expect(only!.message).toMatch(/^The wiring is as it should be\./);
  });

  test('is told what is wrong with its wiring, with its repair, dangers first', () => {
    expect(seen(moved('W1.2', 'B1.a4')).causes.map(({ code }) => code)).toEqual([
      'off-by-one',
      'missing-entry',
    ]);
    const short = seen(`${LAYOUT}W3,wire,red,1,U1.5V\nW3,wire,red,2,B1.a-9\n`);
    expect(short.causes.map(({ code, repair }) => [code, repair?.text])).toEqual([
      ['supply-short', 'Take out the red wire W3.'],
      ['missing-entry', undefined],
    ]);
  });
});

describe('what the exercise leaves free', () => {
  test.each([
    [
      'the resistor before the lamp',
      'D1,led,amber,anode,B1.e9\nD1,led,amber,cathode,B1.a-9\nR1,resistor,330,1,B1.a5\nR1,resistor,330,2,B1.a9\nW1,wire,yellow,1,U1.13\nW1,wire,yellow,2,B1.b5\nW2,wire,black,1,U1.GND\nW2,wire,black,2,B1.a-1\n',
    ],
    [
      'other names',
      'D7,led,amber,anode,B1.e5\nD7,led,amber,cathode,B1.e6\nR9,resistor,220,1,B1.d6\nR9,resistor,220,2,B1.a-6\nW1,wire,green,1,U1.13\nW1,wire,green,2,B1.a5\nW2,wire,blue,1,U1.GND\nW2,wire,blue,2,B1.a-1\n',
    ],
    [
      'no rail',
      'D1,led,amber,anode,B1.e5\nD1,led,amber,cathode,B1.e6\nR1,resistor,560,1,B1.d6\nR1,resistor,560,2,B1.d12\nW1,wire,yellow,1,U1.13\nW1,wire,yellow,2,B1.a5\nW2,wire,black,1,U1.GND\nW2,wire,black,2,B1.a12\n',
    ],
    [
      'parts plugged into the board',
      'D1,led,amber,anode,U1.13\nD1,led,amber,cathode,R1.1\nR1,resistor,330,1,\nR1,resistor,330,2,U1.GND\n',
    ],
  ])('%s is as drawn', (_, rows) => {
    expect(
      checkBeacon(`ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n${rows}`).verdict,
    ).toBe('as-drawn');
  });

  test.each(['2', '5', '12'])('pin %s is as drawn when wire and program agree', (pin) => {
    expect(checkBeacon(moved('W1.1', `U1.${pin}`), writing('= 13', `= ${pin}`)).verdict).toBe('as-drawn');
  });

  test('a pin outside of the range works differently, with advice', () => {
    const report = checkBeacon(moved('W1.1', 'U1.1'), writing('= 13', '= 1'));
    expect(report.verdict).toBe('works-differently');
    expect(report.findings).toMatchObject([{ code: 'pin-reserved', severity: 'advice', cause: false }]);
  });

  test('a value outside that still behaves is advice, one that passes a limit a risk', () => {
    const verdictOf = (ohms: string): [string, string] => {
      const report = checkBeacon(LAYOUT.replace(/,330,/g, `,${ohms},`));
      return [
        report.verdict,
        report.findings.find((finding) => finding.code === 'resistor-value')?.severity ?? 'none',
      ];
    };
    expect(verdictOf('220')).toEqual(['as-drawn', 'none']);
    expect(verdictOf('1k')).toEqual(['works-differently', 'advice']);
    expect(verdictOf('100')).toEqual(['works-at-risk', 'risk']);
  });
});

describe('an exercise without scenarios', () => {
  const plain = exerciseFrom({ ...JSON.parse(beaconFile), scenarios: [] });
  const judge = (table: string) => {
    const wiring = readWiring(table);
    if (!plain.ok || !wiring.ok) throw new Error();
    return check(
      plain.value,
      { wiring: wiring.value, program: compileProgram(PROGRAM, beacon.board, grammars) },
      grammars,
    );
  };

  test('is judged by its circuit', () => {
    expect(judge(LAYOUT).verdict).toBe('as-drawn');
    const report = judge(moved('W1.2', 'B1.a4'));
    expect(report.verdict).toBe('does-not-work');
    expect(causes(report)).toEqual(['off-by-one']);
  });
});

describe('what was really seen', () => {
  test('disagrees with a record that would work', () => {
    const report = checkBeacon(LAYOUT, PROGRAM, { sighting: 'dark' });
    expect(report.verdict).toBe('does-not-work');
    expect(causes(report)).toEqual(['bench-disagrees']);
  });

  test('agrees with a record that works, and with one that stays dark', () => {
    expect(checkBeacon(LAYOUT, PROGRAM, { sighting: 'right' }).verdict).toBe('as-drawn');
    const dark = checkBeacon(moved('W1.2', 'B1.a4'), PROGRAM, { sighting: 'dark' });
    expect(dark.findings.some((finding) => finding.code === 'bench-disagrees')).toBe(false);
  });
});

describe('any build at all', () => {
  test('is judged without a crash, and one that does not pass has a cause', () => {
    const place = fc.constantFrom(
      'B1.a5',
      'B1.b5',
      'B1.e5',
      'B1.e6',
      'B1.d6',
      'B1.a-6',
      'B1.a-1',
      'B1.a+2',
      'B1.f5',
      'B1.j-3',
      'U1.13',
      'U1.12',
      'U1.GND',
      'U1.5V',
      '',
    );
    fc.assert(
      fc.property(fc.array(place, { minLength: 8, maxLength: 8 }), (places) => {
        const ends = ['D1.anode', 'D1.cathode', 'R1.1', 'R1.2', 'W1.1', 'W1.2', 'W2.1', 'W2.2'];
        const table = ends.reduce((text, end, index) => moved(end, places[index]!, text), LAYOUT);
        if (!readWiring(table).ok) return;
        const report = checkBeacon(table);
        if (report.verdict !== 'as-drawn' && report.verdict !== 'works-differently')
          expect(causes(report).length).toBeGreaterThan(0);
        else expect(causes(report)).toEqual([]);
      }),
      { numRuns: 60, seed: 5 },
    );
  }, 120_000);
});
