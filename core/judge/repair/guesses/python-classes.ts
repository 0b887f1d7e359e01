import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';

const [TAKEN, OF_ITSELF, GIVEN_BACK] = [1.2, 1.25, 1.35];
/** What beginners write for the name of the method that makes an object. */
const NEARLY_INIT = /^(?:_{0,3}(?:init|int|inti|init_)_{0,3})$/;

interface Method {
  readonly block: Block;
  readonly name: Token;
  /** Its parenthesis, and the names of what it takes. */
  readonly open: Token;
  readonly taken: readonly string[];
}

/** The methods of the classes of a program, each with the class that it belongs to. */
function methodsIn({ blocks, language }: Form): readonly (Method & { readonly of: Block })[] {
  if (language !== 'python') return [];
  const classes = blocks.filter(({ headTokens }) => headTokens[0]?.text === 'class');
  return blocks.flatMap((block) => {
    const [, name, open] = block.headTokens;
    const of = classes.find((one) => block.opens && isInside(block.opens.line, one));
    if (block.head !== 'function' || !of || !name || open?.text !== '(') return [];
    const taken = block.headTokens.slice(3).flatMap(({ kind, text }) => (kind === 'word' ? [text] : []));
    return [{ block, name, open, taken, of }];
  });
}

/** `def was_pressed():` in a class: a method is given its object first. */
export const selfTaken = (form: Form): readonly Guess[] =>
  methodsIn(form).flatMap(({ block, name, open, taken }): readonly Guess[] => {
    const isAsked = form.tokens.some(({ text, line }) => text === 'self' && isInside(line, block));
    if (taken[0] === 'self' || !isAsked) return [];
    return [
      {
        edits: [
          {
            line: open.line,
            column: open.endColumn,
            length: 0,
            by: taken.length > 0 ? 'self, ' : 'self',
          },
        ],
        text: `Write self first between the parentheses of ${name.text} in line ${open.line}.`,
        cost: TAKEN,
        told: {
          why: `Line ${open.line}: a function of a class is given its object first, and ${name.text} has no name for it.`,
          ask: `Whose is ${name.text}, and how does it get to know that?`,
        },
      },
    ];
  });

/** The names that a class keeps in its objects: `self.last`. */
const fieldsOf = (of: Block, tokens: readonly Token[]): ReadonlySet<string> =>
  new Set(
    tokens.flatMap(({ text, line }, index) =>
      text === 'self' && tokens[index + 1]?.text === '.' && isInside(line, of) && tokens[index + 2]
        ? [tokens[index + 2]!.text]
        : [],
    ),
  );

/** `io.value`, `last = now` in a method: what an object keeps is said of itself. */
const fieldsOfItself = (form: Form): readonly Guess[] => {
  const { tokens } = form;
  return methodsIn(form).flatMap(({ block, taken, of }) => {
    const fields = fieldsOf(of, tokens);
    return tokens.flatMap((token, index): readonly Guess[] => {
      const isOwn = fields.has(token.text) && !taken.includes(token.text) && isInside(token.line, block);
      if (!isOwn || tokens[index - 1]?.text === '.' || tokens[index + 1]?.text === '(') return [];
      return [
        {
          ...written(token, `self.${token.text}`, OF_ITSELF),
          told: {
            why: `Line ${token.line}: without self, ${token.text} is a name of this function alone, and not what the object keeps.`,
            ask: `Where does the object keep ${token.text}?`,
          },
        },
      ];
    });
  });
};

/** `def _init_(self, pin):`: two lines before and behind. */
const makersNamed = (form: Form): readonly Guess[] => {
  const methods = methodsIn(form);
  return methods.flatMap(({ name, of }): readonly Guess[] => {
    const isMade = methods.some((other) => other.of === of && other.name.text === '__init__');
    return !isMade && NEARLY_INIT.test(name.text)
      ? [
          {
            ...written(name, '__init__', TAKEN),
            told: {
              why: `Line ${name.line}: what makes an object of a class is called __init__, with two underscores on both sides.`,
              ask: `What is the function called that makes an object?`,
            },
          },
        ]
      : [];
  });
};

/** What an object keeps and no method sets again, asked in one: set there to what was worked out. */
const fieldsKeptUp = (form: Form): readonly Guess[] => {
  const { tokens } = form;
  const methods = methodsIn(form);
  const setIn = (field: string, block: Block): boolean =>
    tokens.some(
      ({ text, line }, index) =>
        text === field &&
        tokens[index - 1]?.text === '.' &&
        tokens[index - 2]?.text === 'self' &&
        /^[-+*/]?=$/.test(tokens[index + 1]?.text ?? '') &&
        isInside(line, block),
    );
  return methods.flatMap(({ block, name, of }) => {
    const inside = tokens.filter(({ line }) => isInside(line, block));
    // What holds a pin stays what it is.
    const isPlain = (field: string): boolean =>
      tokens.some(
        ({ text }, index) =>
          text === field &&
          tokens[index - 1]?.text === '.' &&
          tokens[index + 1]?.text === '=' &&
          /^(?:True|False|\d.*)$/.test(tokens[index + 2]?.text ?? ''),
      );
    const asked = [...fieldsOf(of, inside)].filter(
      (field) =>
        isPlain(field) &&
        !methods.some((one) => one.of === of && one.name.text !== '__init__' && setIn(field, one.block)),
    );
    const locals = block.statements.flatMap(({ first }) =>
      tokens[tokens.indexOf(first) + 1]?.text === '=' && first.text !== 'self' ? [first.text] : [],
    );
    const last = block.statements.at(-1);
    if (name.text === '__init__' || !last) return [];
    return asked.flatMap((field) =>
      [...new Set(locals)].map((local, at) => ({
        ...putIn(form, last, `self.${field} = ${local}`, GIVEN_BACK + 0.01 * at),
        told: {
          why: `${name.text} asks for self.${field}, and no line ever sets it again.`,
          ask: `When does self.${field} become something else?`,
        },
      })),
    );
  });
};

/** The rules of this subject that something in a program speaks for. */
export const ofPythonClasses: readonly Rule[] = [selfTaken, fieldsOfItself, makersNamed, fieldsKeptUp];
