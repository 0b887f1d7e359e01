import type { Span } from '../../syntax';
import type { Expression, ProgramTree } from '../tree';
import { allExpressions, bare } from '../walk';

/** Functions that name a pin, and which of their values do. */
const pinArguments: Readonly<Record<string, readonly number[]>> = {
  pinMode: [0],
  digitalWrite: [0],
  digitalRead: [0],
  analogWrite: [0],
  analogRead: [0],
  tone: [0],
  noTone: [0],
  pulseIn: [0],
  shiftOut: [0, 1],
  digitalPinToInterrupt: [0],
  'Servo.attach': [1],
  'LedControl.new': [1, 2, 3],
};
/** A place where a program names a pin, and the function that takes it. */
export interface PinUse {
  readonly name: string;
  /** The pin, when it is known beforehand. */
  readonly pin: number | undefined;
  readonly span: Span;
}

/** Every place where a program names a pin. */
export function pinUsesOf(tree: ProgramTree): readonly PinUse[] {
  const statements = [...tree.globals, ...tree.functions.map(({ body }) => body)];
  return statements.flatMap((statement) =>
    allExpressions(statement).flatMap((expression): readonly PinUse[] => {
      if (expression.node !== 'builtin') return [];
      const { name } = expression;
      const [first] = expression.arguments;
      // The number of an interrupt: which pin makes it, the board knows.
      if (name === 'attachInterrupt' && first && !isOfPin(first))
        return [{ name, pin: undefined, span: bare(first).span }];
      return (pinArguments[name] ?? []).flatMap((index) => {
        const given = expression.arguments[index];
        return given ? [{ name, pin: valueOf(given), span: bare(given).span }] : [];
      });
    }),
  );
}

function isOfPin(interrupt: Expression): boolean {
  const inner = bare(interrupt);
  return inner.node === 'builtin' && inner.name === 'digitalPinToInterrupt';
}

function valueOf(expression: Expression): number | undefined {
  const inner = bare(expression);
  return inner.node === 'constant' ? inner.value : undefined;
}

/** What stands in a stretch of one line of a program. */
export function writtenIn(source: string): (span: Span) => string {
  const lines = source.split('\n');
  return ({ line, column, endColumn }) => (lines[line - 1] ?? '').slice(column - 1, endColumn - 1);
}

/** Names that stand for pins, with the functions that each is given to. */
export function pinNamesOf(
  uses: readonly PinUse[],
  source: string,
): ReadonlyMap<string, ReadonlySet<string>> {
  const written = writtenIn(source);
  const names = new Map<string, Set<string>>();
  for (const { name: called, span } of uses) {
    const name = written(span);
    if (!/^[A-Za-z_]\w*$/.test(name)) continue;
    const givenTo = names.get(name) ?? new Set();
    names.set(name, givenTo.add(called));
  }
  return names;
}
