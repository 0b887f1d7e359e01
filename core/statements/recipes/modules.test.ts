import { describe, expect, test } from 'vitest';
import { circuitOf, DEFAULT_STATEMENT_RULES, sayCircuit, USUAL_KIT, type StatementContext } from '..';
import { shippedBoards } from '../../boards';
import { buildFor } from '../../judge/build';
import { check } from '../../judge/check';
import { grammars } from '../../testing/beacon';
import { exerciseSaid } from '../../testing/exercise-said';

const context = (board: string): StatementContext => ({
  board: shippedBoards.get(board)!,
  rules: DEFAULT_STATEMENT_RULES,
  kit: USUAL_KIT,
});
const stated = (board: string, ...lines: readonly string[]) =>
  circuitOf(
    lines.map((text) => ({ text, refs: [] })),
    context(board),
  );
const netsOf = ({ nets }: { readonly nets: readonly { readonly points: readonly string[] }[] }) =>
  nets.map(({ points }) => [...points].sort().join(' ')).sort();

const LOW_BOARDS = ['python-3v3', 'wifi-3v3'] as const;
const MODULES = [
  'relay on 5',
  'distance sensor trig 5 echo 6',
  'motion sensor on 5',
  'LED matrix on 5, 6, 7',
  'temperature sensor on A0',
  'shift register on 5, 6, 7',
] as const;

describe('a module is hooked up so that it works on its board', () => {
  test.each(LOW_BOARDS.flatMap((board) => MODULES.map((line) => [board, line] as const)))(
    '%s: %s',
    (board, line) => {
      const isPython = board.startsWith('python');
      const exercise = exerciseSaid({
        id: 'module',
        board,
        lines: [line],
        program: isPython
          ? 'import time\nprint("go")\nwhile True:\n    time.sleep(1)\n'
          : 'void setup() { Serial.begin(9600); Serial.println("go"); }\nvoid loop() {}\n',
        scenarios: [{ name: 'begins', lasts: 2, done: [], seen: ['prints "go"'] }],
      });
      const build = buildFor(exercise, exercise.reference, exercise.data.program, grammars);
      expect(check(exercise, build, grammars).findings).toEqual([]);
    },
  );

  test('5 V parts are fed from the 5 V socket, and that is told', () => {
    const { lines, nets } = stated('python-3v3', 'relay on 5');
    expect(netsOf({ nets })).toContain('K1.vcc U1.5V');
    expect(lines[0]!.assumptions).toContainEqual(
      expect.objectContaining({ says: 'from 5V', words: 'from 5V' }),
    );
  });

  test('an output of 5 V reaches a pin of 3.3 V through a divider, of which no word speaks', () => {
    const { lines, nets, parts } = stated('wifi-3v3', 'distance sensor trig 5 echo 6');
    expect(parts.map(({ ref, value }) => `${ref} ${value}`.trim())).toEqual(['X1', 'R1 1k', 'R2 1.8k']);
    expect(netsOf({ nets })).toEqual(
      expect.arrayContaining(['R1.1 X1.echo', 'R1.2 R2.1 U1.D6', 'R2.2 U1.GND X1.gnd', 'U1.5V X1.vcc']),
    );
    const divider = lines[0]!.assumptions.find(({ says }) => says.includes('divider'));
    expect(divider).toMatchObject({ says: 'a divider of 1k and 1.8k before pin D6' });
    expect(divider).not.toHaveProperty('words');
  });

  test('a board of 5 V needs neither', () => {
    const { parts, nets } = stated('learner-5v', 'distance sensor trig 5 echo 6');
    expect(parts).toHaveLength(1);
    expect(netsOf({ nets })).toContain('U1.6 X1.echo');
  });

  test('a bus stays at what the pins take, though its display then shows nothing', () => {
    expect(netsOf(stated('wifi-3v3', 'LCD on I2C')).join()).toContain('U1.3V3 X1.vcc');
  });

  test('what a line says of the supply is kept', () => {
    expect(netsOf(stated('python-3v3', 'relay on 5 from 3V3')).join()).toContain('K1.vcc U1.3V3');
  });
});

describe('and is said and read back', () => {
  test.each(
    LOW_BOARDS.flatMap((board) =>
      [...MODULES, 'relay on 5 from 3V3', 'motion sensor on 5 from 3V3', 'LCD on I2C', '0x3f LCD on I2C'].map(
        (line) => [board, line] as const,
      ),
    ),
  )('%s: %s', (board, line) => {
    const made = stated(board, line);
    const said = sayCircuit(made, context(board));
    expect(netsOf(circuitOf(said, context(board)))).toEqual(netsOf(made));
    expect(said).toHaveLength(1);
  });

  test.each(['5', '6'])('without its divider it is said by its legs, and stays so: echo on %s', (pin) => {
    const board = 'wifi-3v3';
    const whole = stated(board, `distance sensor trig 7 echo ${pin}`);
    const bare = {
      parts: whole.parts.filter(({ ref }) => ref === 'X1'),
      nets: [
        { name: 'N1', points: ['U1.5V', 'X1.vcc'] },
        { name: 'N2', points: ['U1.GND', 'X1.gnd'] },
        { name: 'N3', points: ['U1.D7', 'X1.trig'] },
        { name: 'N4', points: [`U1.D${pin}`, 'X1.echo'] },
      ],
      freePins: {},
    } as unknown as typeof whole;
    expect(netsOf(circuitOf(sayCircuit(bare, context(board)), context(board)))).toEqual(netsOf(bare));
  });

  test.each(['LCD 0x3f', 'LCD on I2C at address 0x3f', '16x2 LCD 0x3F on A4, A5'])(
    'an address: %s',
    (line) => {
      const made = stated('learner-5v', line);
      expect(made.lines[0]!.troubles).toEqual([]);
      expect(made.parts).toMatchObject([{ kind: 'text-display', value: '0x3f' }]);
      expect(circuitOf(sayCircuit(made, context('learner-5v')), context('learner-5v')).parts).toEqual(
        made.parts,
      );
    },
  );
});
