import type { Token } from '../../../program/token';
import { declaresInside } from '../token-places';
import { isInside, type Block, type Form, type Statement } from './form';
import { functionsIn } from './functions';
import { inCpp, putIn, type Guess, type Rule } from './guess';
import { variablesIn } from './places';

const [COST, ELSEWHERE] = [1.45, 1.5];

/** `digitalWrite(LED, HIGH)` and never `LOW`, or the other way round: the other level in each case that has none. */
function levelsLeftOut(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const written = tokens.flatMap((token, index) => {
    const [open, pin, comma, level, close] = tokens.slice(index + 1, index + 6);
    const isWrite = token.text === 'digitalWrite' && open?.text === '(' && comma?.text === ',';
    return isWrite && pin ? [{ token, pin: pin.text, level: close?.text === ')' ? level!.text : '' }] : [];
  });
  return [...new Set(written.map(({ pin }) => pin))].flatMap((pin): readonly Guess[] => {
    const own = written.filter((one) => one.pin === pin);
    const [first] = own;
    const other = first?.level === 'HIGH' ? 'LOW' : 'HIGH';
    if (!/^(?:HIGH|LOW)$/.test(first?.level ?? '') || own.some(({ level }) => level !== first?.level))
      return [];
    return blocks
      .filter(
        ({ statements, head, headTokens, opens, closes }) =>
          statements.length > 0 &&
          head !== 'loop' &&
          headTokens[0]?.text !== 'setup' &&
          !own.some(({ token }) => token.line > (opens?.line ?? 0) && token.line <= (closes?.line ?? 0)),
      )
      .map((block) => ({
        ...putIn(
          form,
          block.statements.at(-1)!,
          `digitalWrite(${pin}, ${other});`,
          // The other case of the very question is the likeliest.
          block.head === 'else' && own.some(({ token }) => isJustBefore(token.line, block, form))
            ? COST
            : ELSEWHERE,
        ),
        told: {
          why: `The program makes ${pin} ${first!.level}, and no line ever makes it ${other}.`,
          ask: `When should ${pin} be ${other} again?`,
        },
      }));
  });
}

/** Whether a line stands in the case that ends where a block begins. */
const isJustBefore = (line: number, { opens }: Block, { blocks }: Form): boolean =>
  blocks.some((one) => one.closes?.line === opens?.line && isInside(line, one));

/**
 * A variable that questions ask for and that is only ever what it was at first: what a function is given, or what it is compared
 * with, kept in it.
 */
function neverAnotherValue(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const fields = new Set(fieldsIn(form));
  const names = new Set([...variablesIn(form), ...fields]);
  return [...names].flatMap((name): readonly Guess[] => {
    const others = tokens.flatMap(({ text }, at) => (text === name ? (comparedAt(tokens, at) ?? []) : []));
    if (others.length === 0 || valuesOf(name, tokens).size > 1) return [];
    const told = {
      why: `${name} is asked for, and no line makes it anything else than it was at first.`,
      ask: `What should ${name} remember, and from when on?`,
    };
    // What a class keeps; of other names it is said at the end of the loop.
    const kept = (fields.has(name) ? others : [])
      .filter(({ kind, text }) => kind === 'word' && !/^(?:LOW|HIGH|true|false)$/.test(text))
      .flatMap((value) => {
        const block = blocks.find(({ headTokens }) => headTokens.includes(value));
        const last = block?.statements.at(-1);
        return block ? [{ ...putIn(form, last ?? block, `${name} = ${value.text};`, COST), told }] : [];
      });
    const given = functionsIn(form).flatMap(({ takes, block }) =>
      takes.map((one): Guess => ({ ...putIn(form, block, `${name} = ${one};`, COST + 0.02), told })),
    );
    return [...kept, ...given];
  });
}

/** What a name at a place is compared with; `undefined` where it is not. */
function comparedAt(tokens: readonly Token[], at: number): Token | undefined {
  const isSign = (token: Token | undefined): boolean => /^(?:[=!]=|[<>]=?)$/.test(token?.text ?? '');
  if (isSign(tokens[at - 1])) return tokens[at - 2];
  return isSign(tokens[at + 1]) ? tokens[at + 2] : undefined;
}

/** The different values that a name is given, each by what it begins with. */
function valuesOf(name: string, tokens: readonly Token[]): ReadonlySet<string> {
  return new Set(
    tokens.flatMap(({ text }, at) => {
      const sign = tokens[at + 1]?.text ?? '';
      if (text !== name || !/^(?:[-+]?=|\+\+|--)$/.test(sign)) return [];
      return [sign === '=' ? `${tokens[at + 2]?.text} ${tokens[at + 3]?.text}` : sign];
    }),
  );
}

/** The fields of classes that have a first value. */
function fieldsIn({ tokens, blocks }: Form): readonly string[] {
  return tokens.flatMap(({ kind, text, line }, at) => {
    const isGiven = kind === 'word' && tokens[at + 1]?.text === '=' && tokens[at - 1]?.kind === 'word';
    if (!isGiven || !tokens[at - 1]!.startsLine || !declaresInside(tokens, at)) return [];
    const isInFunction = blocks.some((block) => block.head === 'function' && isInside(line, block));
    return isInFunction ? [] : [text];
  });
}

/** A count that only grows: back to nothing in each case that speaks of it and leaves it as it is. */
function countsSetBack(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const speaksOf =
    (name: string) =>
    ({ text }: Statement): boolean =>
      new RegExp(`\\b${name}\\b`).test(text);
  return variablesIn(form).flatMap((name): readonly Guess[] => {
    const changes = tokens.flatMap(({ text }, at) => (text === name ? [tokens[at + 1]?.text ?? ''] : []));
    const sets = tokens.flatMap(({ text }, at) => {
      if (text !== name || tokens[at + 1]?.text !== '=') return [];
      const stop = tokens.findIndex((token, index) => index > at && token.text === ';');
      return [tokens.slice(at + 2, stop).map((one) => one.text)];
    });
    // Its first value, and what it becomes out of itself.
    const grows =
      sets.length > 1 ? sets.slice(1).every((value) => value.includes(name)) : changes.includes('++');
    if (!grows || changes.includes('--')) return [];
    return blocks
      .filter(({ head, statements }) => /^(?:if|else)$/.test(head) && statements.some(speaksOf(name)))
      .filter(({ statements }) =>
        statements.every(({ text }) => !new RegExp(`\\b${name}\\s*(?:[-+]?=|\\+\\+)`).test(text)),
      )
      .map((block) => ({
        ...putIn(form, block, `${name} = 0;`, COST),
        told: { why: `${name} only grows: no line sets it back.`, ask: `When does ${name} begin again?` },
      }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofNeverSwitched: readonly Rule[] = inCpp([levelsLeftOut, neverAnotherValue, countsSetBack]);
