import { neverCalled } from '../../habit-problems';
import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Expression } from '../tree';
import { numberOf } from '../values';
import { allParts, allStatements, expressionsOf } from '../walk';
import type { Facts, Habit } from './habit';
import { reads } from './pins';

/** Functions that are not called, or called in a way that is none. */
export const callHabits: Habit = (facts) => {
  const bodies = [facts.tree.body, ...facts.tree.functions.map(({ body }) => body)];
  const statements = bodies.flatMap((body) => allStatements(body));
  const parts = statements.flatMap((one) => expressionsOf(one).flatMap((expression) => allParts(expression)));
  return [
    ...statements.flatMap((one) => (one.node === 'expression' ? nothingDone(one.expression, facts) : [])),
    ...parts.flatMap((part) => [
      ...calledMember(part, facts),
      ...bracketed(part, facts),
      ...decimalComma(part, facts),
    ]),
    ...uncalled(facts),
  ];
};

/** What stands on the line of an expression, from where it begins. */
interface Written {
  readonly line: number;
  readonly column: number;
  readonly text: string;
}

/** An expression of one line as it is written, with what it belongs to; `undefined` where it goes over several. */
function writtenOf({ span }: Expression, source: string, pattern: RegExp): Written | undefined {
  const line = source.split('\n')[span.line - 1] ?? '';
  // The place of a member is that of its name; what it belongs to stands before it.
  for (const found of line.matchAll(pattern)) {
    const column = found.index + 1;
    if (column <= span.column && column + found[0].length > span.column)
      return { line: span.line, column, text: found[0] };
  }
  return undefined;
}

/** `blink` and `button.value` as lines of their own. */
function nothingDone(expression: Expression, { tree, source, pins }: Facts): readonly ProgramProblem[] {
  const { line, column } = expression.span;
  const own = tree.functions.find((one) => expression.node === 'name' && one.name === expression.name);
  if (expression.node === 'name' && own) {
    const { name } = expression;
    const isOfNothing = own.parameters.length === 0;
    const text = isOfNothing
      ? `Write ${name}() instead of ${name} in line ${line}.`
      : `Write ${name}( ) with what it is given in line ${line}.`;
    return [
      warning(
        'no-effect',
        'fault',
        { line, column },
        `Line ${line}: ${name} is a function; without parentheses it does nothing.`,
        [`How is ${name} called elsewhere?`, `In line ${line} nothing stands behind ${name}.`, text],
        isOfNothing
          ? textRepair(text, { line, column: column + name.length, length: 0, by: '()' })
          : undefined,
      ),
    ];
  }
  const isRead = reads(expression, 'digital', pins) || reads(expression, 'analog', pins);
  const whole = isRead ? writtenOf(expression, source, /[\w.]+/g) : undefined;
  if (!whole) return [];
  return [
    warning(
      'no-effect',
      'fault',
      { line, column: whole.column },
      `Line ${line} reads ${whole.text} and keeps it nowhere, so the line changes nothing.`,
      [
        `Where does what is read in line ${line} go?`,
        `Nothing stands in front of ${whole.text} that would keep it.`,
        `Keep ${whole.text} in a variable, and use that.`,
      ],
    ),
  ];
}

/** `led.value(True)`, `button.value()`: what a pin gives is no function. */
function calledMember(part: Expression, { source, pins }: Facts): readonly ProgramProblem[] {
  if (part.node !== 'call' || part.callee.node !== 'attribute' || part.callee.name !== 'value') return [];
  const { owner } = part.callee;
  const whole = owner.node === 'name' && pins.has(owner.name) && writtenOf(part, source, /[\w.]+\([^()]*\)/g);
  if (!whole || part.values.length > 1) return [];
  const { line, column, text: there } = whole;
  const member = there.slice(0, there.indexOf('('));
  const given = there.slice(there.indexOf('(') + 1, -1).trim();
  const by = given === '' ? member : `${member} = ${given}`;
  const text = `Write ${by} instead of ${there} in line ${line}.`;
  return [
    warning(
      'arguments',
      'fault',
      { line, column },
      `Line ${line}: ${member} is a value and no function. ${given === '' ? 'It is read without parentheses.' : 'It is given with an equals sign.'}`,
      [
        `Is ${member} something that is done, or something that is so?`,
        `In line ${line} there are parentheses behind ${member}.`,
        text,
      ],
      textRepair(text, { line, column, length: there.length, by }),
    ),
  ];
}

/** `time.sleep[0.5]`, `blink[2]`: brackets for parentheses. */
function bracketed(part: Expression, { tree, source }: Facts): readonly ProgramProblem[] {
  if (part.node !== 'index') return [];
  const { owner } = part;
  const isFunction =
    (owner.node === 'attribute' && owner.name === 'sleep') ||
    (owner.node === 'name' && tree.functions.some(({ name }) => name === owner.name));
  const whole = isFunction ? writtenOf(part, source, /[\w.]+\[[^[\]]*\]/g) : undefined;
  if (!whole) return [];
  const { line, column, text: there } = whole;
  const by = `${there.slice(0, -1).replace('[', '(')})`;
  const text = `Write ${by} instead of ${there} in line ${line}.`;
  const name = there.slice(0, there.indexOf('['));
  return [
    warning(
      'arguments',
      'fault',
      { line, column },
      `Line ${line}: ${name} is a function. What it is given goes in round parentheses, not in brackets.`,
      [
        `Which signs stand round what a function is given?`,
        `In line ${line} there are brackets [ ] behind ${name}.`,
        text,
      ],
      textRepair(text, { line, column, length: there.length, by }),
    ),
  ];
}

/** `time.sleep(0,5)`: a comma for the point. */
function decimalComma(part: Expression, { source }: Facts): readonly ProgramProblem[] {
  if (part.node !== 'call' || part.values.length !== 2) return [];
  const { callee, values } = part;
  const isPause = (callee.node === 'attribute' || callee.node === 'name') && callee.name === 'sleep';
  const areWhole = values.every((one) => one.node === 'constant' && Number.isInteger(numberOf(one.value)));
  const whole = isPause && areWhole ? writtenOf(part, source, /[\w.]+\([^()]*\)/g) : undefined;
  if (!whole) return [];
  const { line, column, text: there } = whole;
  const by = there.replace(/\s*,\s*/, '.');
  const text = `Write ${by} instead of ${there} in line ${line}.`;
  return [
    warning(
      'arguments',
      'fault',
      { line, column },
      `Line ${line}: the comma makes two numbers, and sleep takes one. Decimals are written with a point.`,
      [
        `How many numbers are given to sleep in line ${line}?`,
        `A comma stands between two values; decimals have a point.`,
        text,
      ],
      textRepair(text, { line, column, length: there.length, by }),
    ),
  ];
}

/** A function of the program itself that no line calls. */
function uncalled({ tree, source }: Facts): readonly ProgramProblem[] {
  return tree.body.flatMap((statement): readonly ProgramProblem[] => {
    const own = statement.node === 'function' ? tree.functions[statement.index] : undefined;
    if (!own || [...source.matchAll(new RegExp(`\\b${own.name}\\b`, 'g'))].length > 1) return [];
    const alone = 'What stands in a function runs only when the function is called.';
    return [neverCalled(statement.span, own.name, { call: `${own.name}()`, alone })];
  });
}
