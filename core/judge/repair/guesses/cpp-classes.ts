import { linesPut } from '../lines-put';
import { closing } from '../token-places';
import { isInside, type Form } from './form';
import { functionsIn } from './functions';
import { inCpp, type Guess, type Rule } from './guess';

const COST = 0.95;

/** A class of a program, with where its body begins and ends. */
interface OwnClass {
  readonly name: string;
  /** Whether its members are private until something else is said: a `struct` has public ones. */
  readonly isPrivate: boolean;
  readonly open: number;
  readonly close: number;
}

const classesIn = ({ tokens }: Form): readonly OwnClass[] =>
  tokens.flatMap(({ text }, index): readonly OwnClass[] => {
    const [name, brace] = [tokens[index + 1], tokens[index + 2]];
    const close =
      /^(?:class|struct)$/.test(text) && brace?.text === '{'
        ? closing(tokens, index + 2, '{', '}')
        : undefined;
    return close === undefined
      ? []
      : [{ name: name!.text, isPrivate: text === 'class', open: index + 2, close }];
  });

/** The constructor of a class: its parameters, and the places of its brackets. */
function constructorOf({ tokens }: Form, { name, open, close }: OwnClass) {
  const at = tokens.findIndex(
    ({ text }, index) => index > open && index < close && text === name && tokens[index + 1]?.text === '(',
  );
  const end = at < 0 ? undefined : closing(tokens, at + 1, '(', ')');
  if (end === undefined) return undefined;
  const takes = tokens
    .slice(at + 2, end)
    .filter((_, index) => /^[,)]$/.test(tokens[at + 3 + index]?.text ?? ''));
  return { at, end, takes: takes.map(({ text }) => text) };
}

/** What is declared in the body of a class and is no function. */
const fieldsOf = ({ tokens }: Form, { open, close }: OwnClass): readonly string[] => {
  let depth = 0;
  return tokens.slice(open + 1, close).flatMap(({ kind, text }, index) => {
    depth += /[({]/.test(text) ? 1 : /[)}]/.test(text) ? -1 : 0;
    const next = tokens[open + 2 + index]?.text ?? '';
    return depth === 0 && kind === 'word' && /^[;=]$/.test(next) && tokens[open + index]?.kind === 'word'
      ? [text]
      : [];
  });
};

/** `Button(int pin) {}`, `Button(int pin) { pin = pin; }`: what a new object is given is kept in none of its fields. */
function givenAndForgotten(form: Form): readonly Guess[] {
  const { tokens } = form;
  return classesIn(form).flatMap((own): readonly Guess[] => {
    const constructor = constructorOf(form, own);
    const body = constructor && closing(tokens, constructor.end + 1, '{', '}');
    if (!constructor || body === undefined) return [];
    const inside = tokens.slice(constructor.end + 2, body);
    const bracket = tokens[constructor.end]!;
    return constructor.takes.flatMap((name): readonly Guess[] => {
      const told = {
        why: `Line ${bracket.line} takes ${name} for a new ${own.name}, and keeps it in no field.`,
        ask: `Where does a ${own.name} keep its ${name}?`,
      };
      const uses = inside.flatMap((token, at) => (token.text === name ? [{ token, at }] : []));
      const [first] = uses;
      if (
        first &&
        fieldsOf(form, own).includes(name) &&
        inside[first.at + 1]?.text === '=' &&
        inside[first.at - 1]?.text !== '.' &&
        inside[first.at - 1]?.text !== '->'
      )
        return [
          {
            edits: [{ line: first.token.line, column: first.token.column, length: 0, by: 'this->' }],
            text: `Write this->${name} instead of the first ${name} in line ${first.token.line}.`,
            cost: COST,
            told,
          },
        ];
      if (first) return [];
      const fields = fieldsOf(form, own);
      const like = fields.includes(name) ? [name] : fields;
      return like.map((field) => ({
        edits: [{ line: bracket.line, column: bracket.endColumn, length: 0, by: ` : ${field}(${name})` }],
        text: `Add : ${field}(${name}) in line ${bracket.line}, right after the parentheses.`,
        cost: COST,
        told,
      }));
    });
  });
}

/** A local variable of a method that should outlast it: a field of its object. */
function keptByTheObject(form: Form): readonly Guess[] {
  const { tokens, source } = form;
  const lines = source.split('\n');
  return classesIn(form).flatMap((own): readonly Guess[] => {
    const [first, last] = [tokens[own.open]!.line, tokens[own.close]!.line];
    return functionsIn(form)
      .filter(
        ({ name, block }) =>
          block.opens && block.opens.line > first && block.opens.line < last && name !== own.name,
      )
      .flatMap(({ block }) =>
        block.statements.flatMap((statement): readonly Guess[] => {
          const [, name] = /^\w+ (\w+) = (?:\d+|true|false|HIGH|LOW);$/.exec(statement.text) ?? [];
          const isSet = tokens.some(
            ({ text, line }, at) =>
              text === name &&
              line > statement.last.line &&
              isInside(line, block) &&
              /^[-+]?=$|^\+\+$/.test(tokens[at + 1]?.text ?? ''),
          );
          const line = statement.first.line;
          if (name === undefined || !isSet) return [];
          const space = ' '.repeat(tokens[own.close]!.column - 1 + 4);
          return [
            {
              edits: [
                linesPut(last, [lines[last - 1]!], [`${space}${statement.text}`, lines[last - 1]!]),
                linesPut(line, [lines[line - 1]!], []),
              ],
              text: `Move line ${line} out of its function, to the end of the class.`,
              cost: COST,
              told: {
                why: `Line ${line} makes ${name} anew each time that the function is called.`,
                ask: `What should ${name} still know when the function is called again?`,
              },
            },
          ];
        }),
      );
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofCppClasses: readonly Rule[] = inCpp([givenAndForgotten, keptByTheObject]);

/** What may be meant where a compiler refuses what is done with objects: members that are private, new ones without a value. */
export function membersMended(form: Form): readonly Guess[] {
  const { tokens } = form;
  const opened = classesIn(form)
    .filter(
      ({ isPrivate, open, close }) =>
        isPrivate && !tokens.slice(open, close).some(({ text }) => text === 'public'),
    )
    .map(({ open, name }): Guess => {
      const brace = tokens[open]!;
      return {
        edits: [{ line: brace.line, column: brace.endColumn, length: 0, by: '\n  public:' }],
        text: `Add public: after line ${brace.line}, at the beginning of ${name}.`,
        cost: COST,
      };
    });
  return [...opened, ...objectsGiven(form)];
}

/** `Button add;` where a new one wants its pin: what stands at the top and is used nowhere. */
function objectsGiven(form: Form): readonly Guess[] {
  const { tokens } = form;
  const times = (name: string): number => tokens.filter(({ text }) => text === name).length;
  const idle = tokens.flatMap(({ kind, text }, at) =>
    kind === 'word' && tokens[at + 1]?.text === '=' && tokens[at - 1]?.kind === 'word' && times(text) === 1
      ? [text]
      : [],
  );
  return classesIn(form)
    .filter((own) => constructorOf(form, own)?.takes.length === 1)
    .flatMap(({ name }) =>
      tokens.flatMap((token, index): readonly Guess[] => {
        const [before, next, after] = [tokens[index - 1]?.text, tokens[index + 1], tokens[index + 2]?.text];
        const isEmpty = next?.text === '(' && after === ')';
        if (before !== name || token.kind !== 'word' || !(isEmpty || next?.text === ';')) return [];
        return idle.map((given) => ({
          edits: [{ line: token.line, column: token.endColumn, length: isEmpty ? 2 : 0, by: `(${given})` }],
          text: `Write ${token.text}(${given}) in line ${token.line}.`,
          cost: COST,
        }));
      }),
    );
}
