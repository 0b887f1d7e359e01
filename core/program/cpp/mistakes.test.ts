import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import type { FindingCode } from '../../finding';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';
import { applyTextEdit } from '../problem';

const board = shippedBoards.get('learner-5v')!;
const problems = (source: string) => compileProgram(source, board, grammars).problems;

/**
 * A right program with a place marked by `|` where something is missing, or with a wrong stretch in
 * `[[…]]`: the first problem must stand exactly there.
 */
function marked(text: string): { readonly source: string; readonly line: number; readonly column: number } {
  const at = text.includes('[[') ? text.indexOf('[[') : text.indexOf('|');
  const before = text.slice(0, at);
  return {
    source: text.replace(/\[\[|\]\]|\|/g, ''),
    line: before.split('\n').length,
    column: at - before.lastIndexOf('\n'),
  };
}

const inLoop = (body: string): string =>
  `const int LAMP = 13;\nint count = 0;\nvoid setup() {\n  pinMode(LAMP, OUTPUT);\n}\nvoid loop() {\n${body}\n}\n`;
const wholes: Readonly<Record<FindingCode & string, readonly string[]>> = {
  'syntax-semicolon': [
    inLoop('  digitalWrite(LAMP, HIGH)|\n  delay(500);'),
    inLoop('  digitalWrite(LAMP, HIGH);\n  delay(500)|'),
    inLoop('  count++|\n  delay(count);'),
    inLoop('  count = count + 1|\n  delay(count);'),
    inLoop('  int wait = 500|\n  delay(wait);'),
    inLoop('  if (count > 3) {\n    count = 0|\n  }'),
    inLoop('  if (count > 3)\n    count = 0|\n  delay(5);'),
    inLoop('  for (int i = 0| i < 3; i++) {\n    delay(5);\n  }'),
    inLoop('  for (int i = 0; i < 3| i++) {\n    delay(5);\n  }'),
    inLoop('  Serial.println("tide")|\n  delay(5);'),
    inLoop('  while (count < 3) {\n    count++|\n  }'),
    inLoop('  return|'),
    inLoop('  int steps[] = {1, 2, 3}|\n  delay(steps[0]);'),
    inLoop('  digitalWrite(LAMP, HIGH)| // lit\n  delay(500);'),
    inLoop('  digitalWrite(LAMP, HIGH)|  delay(500);'),
    'int lamp = 13|\nint other = 12;\nvoid setup() { }\nvoid loop() { }\n',
    'int lamp = 13|\n\nvoid setup() { }\nvoid loop() { }\n',
    'int twice(int x) {\n  return 2 * x|\n}\nvoid setup() { }\nvoid loop() { }\n',
    '#define LAMP 13[[;]]\nvoid setup() { pinMode(LAMP, OUTPUT); }\nvoid loop() { }\n',
  ],
  'syntax-paren': [
    inLoop('  digitalWrite(LAMP, HIGH|;'),
    inLoop('  digitalWrite(LAMP, HIGH)[[)]];'),
    inLoop('  delay| 500);'),
    inLoop('  if (count > 3| {\n    delay(5);\n  }'),
    inLoop('  if| count > 3) {\n    delay(5);\n  }'),
    inLoop('  while (digitalRead(2) == HIGH| {\n    delay(5);\n  }'),
    inLoop('  for (int i = 0; i < 3; i++| {\n    delay(5);\n  }'),
    inLoop('  int x = (count + 1 * 2|;'),
    inLoop('  int x = (count + 1)[[)]] * 2;'),
    inLoop('  delay(max(count, 3)|;'),
    'void setup| {\n}\nvoid loop() {\n}\n',
    'void setup() {\n  pinMode(13, OUTPUT|;\n}\nvoid loop() {\n}\n',
  ],
  'syntax-brace': [
    'void setup() {\n  pinMode(13, OUTPUT);|\nvoid loop() {\n  delay(5);\n}\n',
    'void setup() {\n  pinMode(13, OUTPUT);|\n\nvoid loop() {\n  delay(5);\n}\n',
    'void setup() {\n}\nvoid loop() {\n  delay(5);|\n',
    'void setup() {\npinMode(13, OUTPUT);\ndelay(5);|\nvoid loop() {\n}\n',
    'void setup()|\n  pinMode(13, OUTPUT);\n}\nvoid loop() {\n}\n',
    'void setup() {\n}\nvoid loop()|\n  delay(5);\n}\n',
    'void setup() {\n}\nvoid loop() {\n  delay(5);\n}\n[[}]]\n',
    'void setup() {\n}\n[[}]]\nvoid loop() {\n}\n',
    'void setup() {\n}\nvoid loop() {\n  if (true) {\n    delay(5);|\n  delay(6);\n}\n',
    'void setup() {\n}\nvoid loop() {\n  while (true) {\n    if (false) {\n      delay(5);|\n  }\n}\n',
    'void setup() {\n}\nvoid loop() {\n  if (true)|\n    delay(5);\n    delay(6);\n  }\n}\n',
  ],
  'syntax-quote': [
    inLoop('  Serial.println("tide|);'),
    inLoop('  Serial.print("a b c|);\n  delay(5);'),
    inLoop("  char c = 'x|;"),
    inLoop('  Serial.println([[“]]tide”);'),
    inLoop('  Serial.println([[„]]tide“);'),
    inLoop("  char c = [['ab']];"),
  ],
  'syntax-other': [
    inLoop('  digitalWrite(LAMP| HIGH);'),
    inLoop('  delay(max(3| 4));'),
    inLoop('[[\u00a0]]delay(5);'),
    inLoop('  delay(５０);'.replace('５', '[[５]]')),
    inLoop('  [[LAMP]] = 12;'),
    'void setup() {\n}\nvoid loop() {\n}\n[[delay(5);]]\n',
  ],
  'name-case': [
    inLoop('  [[digitalwrite]](LAMP, HIGH);'),
    inLoop('  [[DigitalWrite]](LAMP, HIGH);'),
    inLoop('  digitalWrite([[lamp]], HIGH);'),
    inLoop('  digitalWrite(LAMP, [[High]]);'),
    inLoop('  [[Delay]](500);'),
    inLoop('  [[serial]].println(1);'),
    inLoop('  Serial.[[printLn]](1);'),
    inLoop('  [[Int]] x = 3;'),
    inLoop('  if (digitalRead(2) == [[low]]) { delay(5); }'),
    'void setup() {\n  [[PinMode]](13, OUTPUT);\n}\nvoid loop() { }\n',
    'void [[SetUp]]() {\n}\nvoid loop() { }\n',
    'void setup() {\n}\nvoid [[Loop]]() { }\n',
  ],
  'name-unknown': [
    inLoop('  [[dealy]](500);'),
    inLoop('  [[digtalWrite]](LAMP, HIGH);'),
    inLoop('  digitalWrite([[lamb1]], HIGH);'),
    inLoop('  digitalWrite(LAMP, [[ON]]);'),
    inLoop('  [[cuont]] = 3;'),
    inLoop('  delay([[wait]]);'),
    inLoop('  [[Lamp2]].on();'),
  ],
  'name-out-of-scope': [
    'void setup() {\n  int wait = 5;\n  delay(wait);\n}\nvoid loop() {\n  delay([[wait]]);\n}\n',
    'void loop() {\n  delay([[wait]]);\n}\nvoid setup() {\n  int wait = 5;\n}\n',
    inLoop('  if (count > 3) {\n    int wait = 5;\n  }\n  delay([[wait]]);'),
    inLoop('  for (int i = 0; i < 3; i++) { }\n  delay([[i]]);'),
  ],
  'name-redeclared': [
    'int a = 1;\nint [[a]] = 2;\nvoid setup() { }\nvoid loop() { }\n',
    'void setup() { }\nvoid loop() { }\nvoid [[setup]]() { }\n',
    inLoop('  int x = 1;\n  int [[x]] = 2;'),
  ],
  arguments: [
    inLoop('  [[digitalWrite(LAMP)]];'),
    inLoop('  [[delay()]];'),
    inLoop('  [[delay(1, 2)]];'),
    inLoop('  digitalWrite(LAMP, [["HIGH"]]);'),
    inLoop('  int x = [[delay(5)]];'),
    inLoop('  [[delay]];'),
    inLoop('  float f = [[1.5 % 2]];'),
  ],
  'assign-in-condition': [
    inLoop('  if (count [[=]] 3) { delay(5); }'),
    inLoop('  while (count [[=]] 3) { delay(5); }'),
  ],
  'missing-entry': ['|void setup() { }\n', '|int x = 5;\nvoid loop() { }\n'],
} as never;

const cases = Object.entries(wholes).flatMap(([code, texts]) => texts.map((text) => [code, text] as const));

describe('a beginner’s mistake is told at the place where it was made', () => {
  test.each(cases)('%s: %j', (code, text) => {
    const { source, line, column } = marked(text);
    const [first] = problems(source);
    expect({ code: first?.code, line: first?.line, column: first?.column }).toEqual({ code, line, column });
  });

  test('in at least ninety cases', () => {
    expect(cases.length).toBeGreaterThanOrEqual(90);
  });
});

describe('a repair of a mistake', () => {
  test.each(cases)('takes it away and brings no other: %s, %j', (_, text) => {
    const { source } = marked(text);
    const before = problems(source);
    const [first] = before;
    const edits = (first?.repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
    if (edits.length === 0) return;
    const after = problems(edits.reduce(applyTextEdit, source));
    expect(
      after.filter(
        (problem) =>
          problem.code === first!.code && problem.line === first!.line && problem.column === first!.column,
      ),
    ).toEqual([]);
    expect(after.length).toBeLessThanOrEqual(before.length);
  });
});
