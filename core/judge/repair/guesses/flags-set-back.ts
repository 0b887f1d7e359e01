import { isInside, type Block, type Form } from './form';
import { putIn, type Guess, type Rule } from './guess';
import { end, givenOutright } from './places';

const [SAID, BACK] = [1.4, 1.72];
const OPPOSITE: ReadonlyMap<string, string> = new Map([
  ['True', 'False'],
  ['False', 'True'],
  ['true', 'false'],
  ['false', 'true'],
]);
/** Places in which a flag is set back; a program with more is not mended by trying. */
const MOST = 16;

/** What each flag is given, in the order of the lines. */
function valuesOf({
  tokens,
}: Form): ReadonlyMap<string, readonly { readonly value: string; readonly line: number }[]> {
  const found = new Map<string, { value: string; line: number }[]>();
  tokens.forEach(({ kind, text, line }, index) => {
    const value = givenOutright(tokens, index)?.text ?? '';
    if (kind !== 'word' || tokens[index + 1]?.text !== '=' || tokens[index - 1]?.text === '.') return;
    const all = found.get(text) ?? [];
    found.set(text, [...all, { value: OPPOSITE.has(value) ? value : '', line }]);
  });
  return found;
}

/** A flag that is set and never set back: set back first thing in each other question and function. */
function flagsSetBack(form: Form): readonly Guess[] {
  const { blocks, language } = form;
  const guesses = [...valuesOf(form)].flatMap(([name, given]): readonly Guess[] => {
    const [first, ...later] = given;
    const [set] = later;
    const isNeverBack =
      first &&
      set &&
      OPPOSITE.has(first.value) &&
      later.every(({ value }) => value === OPPOSITE.get(first.value));
    if (!isNeverBack) return [];
    const places = blocks.filter(
      (block) =>
        /^(?:if|else|function)$/.test(block.head) &&
        block.opens &&
        !later.some(({ line }) => isInside(line, block)) &&
        !isMaker(block) &&
        isKnownIn(name, block, form),
    );
    return places.map((block) => ({
      ...putIn(form, block, `${name} = ${first.value}${end(form)}`, BACK),
      told: {
        why: `Once ${name} is ${set.value}, it stays so: no line makes it ${first.value} again.`,
        ask: `When should ${name} become ${first.value} again?`,
      },
    }));
  });
  const said = language === 'python' ? globalsSet(form) : [];
  return [...said, ...guesses.slice(0, MOST)];
}

/** Whether a line in a block sets the name of the whole program: in Python a function has to say so. */
const isKnownIn = (name: string, block: Block, { tokens, blocks, language }: Form): boolean => {
  if (language !== 'python') return true;
  const around = blocks.find(
    (one) => one.head === 'function' && (one === block || isInside(block.opens!.line, one)),
  );
  return (
    !around ||
    (around !== block &&
      tokens.some(
        ({ text, line }, index) =>
          text === name &&
          isInside(line, around) &&
          tokens.some((one, at) => at < index && one.line === line && one.text === 'global'),
      ))
  );
};

/** What sets up, and what makes an object or gives one back, sets no flag back. */
const isMaker = ({ headTokens, statements }: Block): boolean =>
  headTokens.some(({ text }) => /^(?:setup|__init__)$/.test(text)) ||
  statements.some(({ text }) => /\.(?:direction|pull)\b/.test(text));

/** `global running` in a function that never sets it: what it is not anywhere else. */
function globalsSet(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const given = valuesOf(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const block = blocks.findLast((one) => one.head === 'function' && isInside(token.line, one));
    const isSaid = tokens.some(
      ({ text, line }, at) => at < index && line === token.line && text === 'global',
    );
    if (!block || !isSaid || token.kind !== 'word') return [];
    const isSet = tokens.some(
      ({ text, line }, at) =>
        text === token.text && isInside(line, block) && /^(?:[-+*/]?=)$/.test(tokens[at + 1]?.text ?? ''),
    );
    const values = [...new Set((given.get(token.text) ?? []).map(({ value }) => value))].filter(
      (value) => value !== '',
    );
    return isSet
      ? []
      : values.map((value) => ({
          edits: [
            {
              line: token.line,
              column: tokens.findLast(({ line }) => line === token.line)!.endColumn,
              length: 0,
              by: `\n${block.space}${token.text} = ${value}`,
            },
          ],
          text: `Add ${token.text} = ${value} after line ${token.line}.`,
          cost: SAID,
          told: {
            why: `Line ${token.line} says that the function sets ${token.text}, and no line of it does.`,
            ask: `What does the function do with ${token.text}?`,
          },
        }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofFlagsSetBack: readonly Rule[] = [flagsSetBack];
