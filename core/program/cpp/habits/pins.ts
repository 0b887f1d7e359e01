import { textRepair, warning, type ProgramProblem } from '../../problem';
import { allExpressions, bare } from '../walk';
import type { Facts, Habit } from './habit';
import { writtenIn, type PinUse } from './pin-uses';

/** How often a plain number may name a pin before a name would serve. */
const OFTEN = 3;

/** Pins that are set up and never used, pins taken for variables, and plain numbers that stand for a pin again and again. */
export const pinHabits: Habit = (facts) => {
  const uses = facts.pinUses;
  return [...levelsForPins(facts), ...unusedPins(facts.source, uses), ...magicNumbers(facts.source, uses)];
};

function unusedPins(source: string, uses: readonly PinUse[]): readonly ProgramProblem[] {
  const rest = uses.filter(({ name }) => name !== 'pinMode');
  // What is worked out while it runs may be any pin.
  if (rest.some(({ pin }) => pin === undefined)) return [];
  const used = new Set(rest.map(({ pin }) => pin));
  const lines = source.split('\n');
  return uses.flatMap(({ name: called, pin, span }) => {
    if (called !== 'pinMode' || pin === undefined || used.has(pin)) return [];
    const { line, column } = span;
    const written = (lines[line - 1] ?? '').slice(column - 1, span.endColumn - 1);
    const name = /^\w+$/.test(written) ? written : String(pin);
    return [
      warning(
        'pin-unused',
        'advice',
        { line, column },
        `Line ${line} sets up pin ${name}, but no line uses it.`,
        [
          `What is connected to pin ${name}, and which line uses it?`,
          `Pin ${name} is set up in line ${line}, but never written or read.`,
          `Use pin ${name}, or remove line ${line}.`,
        ],
      ),
    ];
  });
}

/** `lamp = HIGH;`, where lamp is the number of a pin: the pin stays as it is, and lamp is another number. */
function levelsForPins(facts: Facts): readonly ProgramProblem[] {
  const written = writtenIn(facts.source);
  const all = facts.tree.functions.flatMap(({ body }) => allExpressions(body));
  const pins = facts.pinNames;
  const levels = new Set(
    all.flatMap((expression) => {
      const level =
        expression.node === 'builtin' && expression.name === 'digitalWrite' && expression.arguments[1];
      return level ? [written(bare(level).span)] : [];
    }),
  );
  return all.flatMap((expression): readonly ProgramProblem[] => {
    if (expression.node !== 'store') return [];
    const [, name, level] = /^(\w+)\s*=\s*(HIGH|LOW)$/.exec(written(expression.span)) ?? [];
    if (name === undefined || level === undefined || !pins.has(name) || levels.has(name)) return [];
    const { line, column, endColumn } = expression.span;
    const by = `digitalWrite(${name}, ${level})`;
    const text = `Write ${by} instead of ${name} = ${level} in line ${line}.`;
    return [
      warning(
        'arguments',
        'fault',
        { line, column },
        `Line ${line}: ${name} is the number of a pin. This line makes it ${level === 'HIGH' ? 1 : 0}, and switches nothing.`,
        [
          `What does ${name} stand for: what the pin does, or its number?`,
          `After line ${line}, ${name} is the number of another pin.`,
          text,
        ],
        textRepair(text, { line, column, length: endColumn - column, by }),
      ),
    ];
  });
}

function magicNumbers(source: string, uses: readonly PinUse[]): readonly ProgramProblem[] {
  const lines = source.split('\n');
  const plain = uses.filter(({ span }) =>
    /^\d+$/.test((lines[span.line - 1] ?? '').slice(span.column - 1, span.endColumn - 1)),
  );
  const pins = [...new Set(plain.map(({ pin }) => pin))];
  return pins.flatMap((pin) => {
    const own = plain.filter((use) => use.pin === pin);
    const [first] = own;
    if (own.length < OFTEN || !first) return [];
    const { line, column } = first.span;
    return [
      warning(
        'magic-number',
        'advice',
        { line, column },
        `Pin number ${pin} is written in ${own.length} places. A name would say what is connected there, and you would change it in one place.`,
        [
          `What is joined to pin ${pin}?`,
          `${pin} is written ${own.length} times, first in line ${line}.`,
          `Give pin ${pin} a name at the top: const int LED_PIN = ${pin};`,
        ],
      ),
    ];
  });
}
