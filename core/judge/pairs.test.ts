import { describe, expect, test } from 'vitest';
import type { FindingCode } from '../findings/finding';
import { causes, checkBeacon, LAYOUT, PROGRAM } from '../testing/beacon';

type Fault = readonly [what: string, make: (text: string) => string, code: FindingCode];

const moved = (end: string, to: string, table: string): string => {
  const [ref, leg] = end.split('.') as [string, string];
  return table.replace(new RegExp(`^(${ref},.*,${leg},).*$`, 'm'), `$1${to}`);
};
const without = (ref: string, table: string): string =>
  table
    .split('\n')
    .filter((line) => !line.startsWith(`${ref},`))
    .join('\n');

const inWiring: readonly Fault[] = [
  ['a wire one row off', (table) => moved('W1.2', 'B1.a4', table), 'off-by-one'],
  ['a resistor one row off', (table) => moved('R1.1', 'B1.d7', table), 'off-by-one'],
  [
    'a turned lamp',
    (table) => moved('D1.anode', 'B1.e6', moved('D1.cathode', 'B1.e5', table)),
    'polarity-reversed',
  ],
  ['a wire across the trough', (table) => moved('W1.2', 'B1.g5', table), 'gap-not-crossed'],
  ['a resistor in the plus rail', (table) => moved('R1.2', 'B1.a+6', table), 'rail-unpowered'],
  ['ground on the other side', (table) => moved('W2.2', 'B1.j-1', table), 'rail-unpowered'],
  ['a bypassed resistor', (table) => moved('R1.2', 'B1.b6', table), 'part-bypassed'],
  ['33 Ω', (table) => table.replace(/,330,/g, ',33,'), 'resistor-value'],
  ['10 kΩ', (table) => table.replace(/,330,/g, ',10k,'), 'resistor-value'],
  ['another pin', (table) => moved('W1.1', 'U1.12', table), 'pin-disagrees'],
  ['supply on ground', (table) => `${table}W3,wire,red,1,U1.5V\nW3,wire,red,2,B1.a-9\n`, 'supply-short'],
  ['the pin on ground', (table) => `${table}W4,wire,red,1,B1.b5\nW4,wire,red,2,B1.a-10\n`, 'pin-short'],
  ['no resistor', (table) => moved('D1.cathode', 'B1.a-8', without('R1', table)), 'no-series-resistor'],
  ['no lamp', (table) => without('D1', table), 'part-missing'],
];

const inProgram: readonly Fault[] = [
  ['a missing semicolon', (program) => program.replace('delay(500);', 'delay(500)'), 'syntax-semicolon'],
  ['a missing brace', (program) => program.replace(/}\n$/, ''), 'syntax-brace'],
  ['a wrong case', (program) => program.replace('digitalWrite', 'digitalwrite'), 'name-case'],
  ['no direction', (program) => program.replace('pinMode(LAMP, OUTPUT);', ''), 'direction-unset'],
  ['no pause', (program) => program.replace('  delay(2500);\n', ''), 'missing-pause'],
  ['a wrong time', (program) => program.replace('2500', '250'), 'timing-off'],
  ['both levels high', (program) => program.replace('LOW', 'HIGH'), 'not-dark'],
  [
    'a name inside setup',
    (program) =>
      program
        .replace('const int LAMP = 13;\n', '')
        .replace('void setup() {', 'void setup() {\n  int LAMP = 13;'),
    'name-out-of-scope',
  ],
  [
    'one = in a condition',
    (program) => program.replace('delay(500);', 'int n = 1; if (n = 0) { delay(500); }'),
    'assign-in-condition',
  ],
  ['a loop without end', (program) => program.replace('delay(500);', 'while (true) { }'), 'never-ends'],
];

describe('one mistake in the wiring and one in the program are both told as causes', () => {
  test.each(
    inWiring
      .flatMap((wiring) => inProgram.map((program) => [wiring, program] as const))
      .map(([wiring, program]) => [`${wiring[0]}, ${program[0]}`, wiring, program] as const),
  )('%s', (_, wiring, program) => {
    const report = checkBeacon(wiring[1](LAYOUT), program[1](PROGRAM));
    expect([...causes(report)].sort()).toEqual([wiring[2], program[2]].sort());
  });
});

describe('each mistake alone is the only cause', () => {
  test.each(inWiring)('%s', (_, make, code) => {
    expect(causes(checkBeacon(make(LAYOUT)))).toEqual([code]);
  });

  test.each(inProgram)('%s', (_, make, code) => {
    expect(causes(checkBeacon(LAYOUT, make(PROGRAM)))).toEqual([code]);
  });
});
