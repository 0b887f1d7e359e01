import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Span } from '../../syntax';
import type { Expression, Statement } from '../tree';
import { allParts, allStatements, bare, cellOf, expressionsOf } from '../walk';
import type { Habit } from './habit';
import { writtenIn } from './pin-uses';
import { swappedIn } from './swapped-values';

const READING: readonly string[] = ['digitalRead', 'analogRead', 'pulseIn'];
const DRIVING: readonly string[] = [
  'digitalWrite',
  'analogWrite',
  'tone',
  'noTone',
  'shiftOut',
  'Servo.attach',
];
const LEVEL = /^(?:HIGH|LOW|true|false|0|1)$/;

/** Names that are given to analog pins: `const int KNOB = A0;`, `#define KNOB A0`. */
const ANALOG = /(?<=\b(?:int|byte|uint8_t) |#define )(\w+)(?= *=? *A\d+\b)/g;

/** Values that are no pins, of functions to which a reading is given. */
const GIVEN: Readonly<Record<string, number>> = {
  analogWrite: 1,
  digitalWrite: 1,
  tone: 1,
  delay: 0,
  map: 0,
};

/**
 * The number of a pin where what is read there is meant: `if (BUTTON == LOW)`, `if (BUTTON)`, `analogWrite(LED, KNOB)`.
 */
export const readingHabits: Habit = (facts) => {
  const { tree, source } = facts;
  const written = writtenIn(source);
  const pins = new Map([
    ...[...source.matchAll(ANALOG)].map(([, name = '']) => [name, new Set<string>()] as const),
    ...facts.pinNames,
  ]);
  const statements = tree.functions.flatMap(({ body }) => allStatements(body));
  const parts = statements.flatMap((one) => expressionsOf(one).flatMap((expression) => allParts(expression)));
  const stored = new Set(
    parts.flatMap((part) => (part.node === 'store' || part.node === 'update' ? [cellOf(part.place)] : [])),
  );
  /** The name of a pin that an expression is, and which no line makes another one. */
  const pinIn = (expression: Expression): string | undefined => {
    const inner = bare(expression);
    // What a function is given may be another pin each time.
    const isFixed =
      inner.node === 'constant' ||
      (inner.node === 'load' && inner.place.area === 'global' && !stored.has(cellOf(inner.place)));
    const name = written(inner.span);
    return isFixed && pins.has(name) ? name : undefined;
  };
  const isUsedBy = (name: string, functions: readonly string[]): boolean =>
    functions.some((one) => pins.get(name)!.has(one));

  const asked = statements.flatMap((statement) =>
    questionsOf(statement).flatMap((question) => {
      const name = pinIn(question);
      return name === undefined ? [] : [meant(name, bare(question).span, asking(`digitalRead(${name})`))];
    }),
  );
  // A comparison that is a line of its own is told as such.
  const alone = new Set(
    statements.flatMap((one) => (one.node === 'expression' ? [bare(one.expression)] : [])),
  );
  const compared = parts.flatMap((part) => {
    if (part.node !== 'compare' || alone.has(part)) return [];
    const name = pinIn(part.left);
    const other = written(bare(part.right).span);
    const isEqual = part.operator === '==' || part.operator === '!=';
    const isMeant = isEqual ? LEVEL.test(other) : bare(part.right).node === 'constant' && !pins.has(other);
    return name !== undefined && isMeant
      ? [meant(name, bare(part.left).span, asking(`${isEqual ? 'digitalRead' : 'analogRead'}(${name})`))]
      : [];
  });
  const given = parts.flatMap((part) => {
    const place = part.node === 'builtin' ? GIVEN[part.name] : undefined;
    const value = part.node === 'builtin' && place !== undefined ? part.arguments[place] : undefined;
    const name = value && pinIn(value);
    if (swappedIn(part, facts)) return [];
    // Whoever reads a pin, or drives it, may mean its number elsewhere.
    if (!value || name === undefined || isUsedBy(name, READING) || isUsedBy(name, DRIVING)) return [];
    const called = part.node === 'builtin' ? part.name : '';
    const reading = called === 'digitalWrite' ? `digitalRead(${name})` : `analogRead(${name})`;
    // A reading has more steps than a brightness.
    const steps = Math.round((facts.ranges.analog + 1) / (facts.ranges.pwm + 1));
    const by = called === 'analogWrite' && steps > 1 ? `${reading} / ${steps}` : reading;
    return [meant(name, bare(value).span, { code: 'arguments', reading, by })];
  });
  return [...asked, ...compared, ...given];
};

/** What an instruction asks, question by question. */
function questionsOf(statement: Statement): readonly Expression[] {
  const isAsking = statement.node === 'if' || (statement.node === 'loop' && statement.kind !== 'for');
  const apart = (expression: Expression): readonly Expression[] => {
    const inner = bare(expression);
    if (inner.node === 'both' || inner.node === 'either') return [inner.left, inner.right].flatMap(apart);
    return inner.node === 'not' ? apart(inner.operand) : [inner];
  };
  return isAsking && statement.condition ? apart(statement.condition) : [];
}

/** What is meant instead of a pin's number. */
interface Reading {
  readonly code: 'always-true' | 'arguments';
  readonly reading: string;
  /** What is written in place of the number. */
  readonly by: string;
}

const asking = (reading: string): Reading => ({ code: 'always-true', reading, by: reading });

function meant(name: string, { line, column }: Span, { code, reading, by }: Reading): ProgramProblem {
  const text = `Write ${by} instead of ${name} in line ${line}.`;
  return warning(
    code,
    'fault',
    { line, column },
    `Line ${line}: ${name} is the number of a pin and stays the same. What is read at the pin is ${reading}.`,
    [
      `Does line ${line} need the number of the pin, or what is read there?`,
      `${name} is only the number of the pin.`,
      text,
    ],
    textRepair(text, { line, column, length: name.length, by }),
  );
}
