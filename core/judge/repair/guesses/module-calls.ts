import type { Token } from '../../../program/token';
import { bodyOf, isInside, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';

const [COST, PLACE] = [1.6, 1.3];

/** A call of a method of a module: `lcd.setCursor(0, 0);`. */
interface Call {
  readonly object: string;
  readonly method: string;
  /** From the point to the end of the statement. */
  readonly rest: string;
  readonly first: Token;
}

/**
 * What the exercise's own program asks of its module and this one asks of its own nowhere: at the beginning of setup, or
 * before the first thing that a block shows, as the exercise has it.
 */
function moduleCallsMissing(form: Form, asked: Form): readonly Guess[] {
  if (form.language === 'python') return [];
  return modulesIn(form).flatMap(({ type, name }): readonly Guess[] => {
    const other = modulesIn(asked).find((module) => module.type === type);
    if (!other) return [];
    const [own, wanted] = [callsOf(name, form), callsOf(other.name, asked)];
    const has = new Set(own.map(({ method }) => method));
    const missing = wanted.filter(
      ({ method }, index) => !has.has(method) && wanted.findIndex((one) => one.method === method) === index,
    );
    const texts = new Set(form.tokens.flatMap(({ kind, text }) => (kind === 'text' ? [text] : [])));
    const unsaid = wanted.filter(
      ({ method, rest }) =>
        /^print/.test(method) && /^\("[^"]*"\);$/.test(rest) && !texts.has(rest.slice(1, -2)),
    );
    const said = unsaid.flatMap(({ method, rest }) =>
      form.blocks.flatMap(({ statements }) =>
        statements
          .filter(({ text }) => text.startsWith(`${name}.`))
          .map((one) => putIn(form, one, `${name}.${method}${rest}`, COST)),
      ),
    );
    const called = missing.flatMap(({ method, rest, first }) => {
      const statement = `${name}.${method}${rest}`;
      const asksOnce = bodyOf('setup', asked);
      const isOnce = asksOnce !== undefined && isInside(first.line, asksOnce);
      const setup = bodyOf('setup', form);
      if (isOnce)
        return setup
          ? [
              putIn(form, setup.statements.at(-1) ?? setup, statement, COST),
              putIn(form, setup, statement, COST),
            ]
          : [];
      return firstCallsIn(name, own, form).map(({ first: { line, column } }) => ({
        edits: [{ line, column, length: 0, by: `${statement} ` }],
        text: `Add ${statement} before line ${line}.`,
        cost: COST,
      }));
    });
    return [
      ...madeAsAsked({ type, name }, form, asked),
      ...placesAsAsked(own, wanted),
      // What is written from the first place on needs no clearing.
      ...called.toSorted((one, other) => Number(/clear/.test(one.text)) - Number(/clear/.test(other.text))),
      ...said,
    ];
  });
}

/** Where a display writes: a place that the exercise's own program does not go to, as it has it. */
function placesAsAsked(own: readonly Call[], wanted: readonly Call[]): readonly Guess[] {
  const placesOf = (calls: readonly Call[]): readonly Call[] =>
    calls.filter(({ method, rest }) => method === 'setCursor' && /^\(\d+, ?\d+\);$/.test(rest));
  const plain = ({ rest }: Call): string => rest.replace(/\s/g, '');
  const places = [...new Set(placesOf(wanted).map(plain))];
  return placesOf(own)
    .filter((call) => !places.includes(plain(call)))
    .flatMap((call) =>
      places.map((place) => {
        const [was, by] = [call.rest.slice(0, -1), place.slice(0, -1).replace(',', ', ')];
        const column = call.first.column + `${call.object}.${call.method}`.length;
        return {
          edits: [{ line: call.first.line, column, length: was.length, by }],
          text: `Write ${call.method}${by} instead of ${call.method}${was} in line ${call.first.line}.`,
          cost: PLACE,
        };
      }),
    );
}

/** What a module is made with, as the exercise makes its own: the address of a display. */
function madeAsAsked({ type }: Module, form: Form, asked: Form): readonly Guess[] {
  const [own, wanted] = [form, asked].map(({ tokens }) => {
    const at = tokens.findIndex(({ text }, index) => text === type && tokens[index + 2]?.text === '(');
    const close = at < 0 ? -1 : tokens.findIndex(({ text }, index) => index > at && text === ')');
    return at < 0 ? [] : tokens.slice(at + 3, close);
  });
  if (own!.length !== wanted!.length) return [];
  return own!.flatMap((token, index) =>
    token.kind === 'number' && token.text !== wanted![index]!.text
      ? [written(token, wanted![index]!.text, COST)]
      : [],
  );
}

/** A module, and what a program calls the object that it makes of it. */
interface Module {
  readonly type: string;
  readonly name: string;
}

/** Modules that a program makes an object of: `LiquidCrystal_I2C lcd(0x27, 16, 2);`, `Servo arm;`. */
function modulesIn({ tokens }: Form): readonly Module[] {
  return tokens.flatMap(({ kind, text }, index) => {
    const [name, after] = [tokens[index + 1], tokens[index + 2]?.text ?? ''];
    const isMade =
      kind === 'word' && /^[A-Z]\w+$/.test(text) && name?.kind === 'word' && /^[(;]$/.test(after);
    return isMade && text !== 'String' ? [{ type: text, name: name.text }] : [];
  });
}

function callsOf(object: string, { tokens, source }: Form): readonly Call[] {
  return tokens.flatMap((first, index): readonly Call[] => {
    const [point, method, open] = tokens.slice(index + 1, index + 4);
    if (first.text !== object || point?.text !== '.' || open?.text !== '(' || !method) return [];
    const stop = tokens.find(({ text }, at) => at > index && text === ';');
    if (stop?.line !== first.line) return [];
    const rest = (source.split('\n')[first.line - 1] ?? '').slice(open.column - 1, stop.endColumn - 1);
    return [{ object, method: method.text, rest, first }];
  });
}

/** The first of the calls that show something in each block that has some. */
function firstCallsIn(object: string, calls: readonly Call[], { blocks }: Form): readonly Call[] {
  const shows = calls.filter(({ method }) => /^(?:print|write)/.test(method));
  return blocks.flatMap(({ statements }) => {
    const first = statements.find(({ text }) => new RegExp(`^${object}\\.(?:print|write)`).test(text));
    return shows.filter((call) => call.first === first?.first);
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofModuleCalls: readonly Rule[] = [moduleCallsMissing];
