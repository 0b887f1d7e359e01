import type { Token } from '../../../program/token';
import { counterOf } from './places';
import { isInside, type Block, type Form } from './form';
import { written, type Guess } from './guess';

const [PLACE, WHOLE_LIST] = [1.66, 1.6];

/** The loops that count, with what they count with. */
const countingIn = ({ blocks }: Form): readonly { readonly block: Block; readonly counter: string }[] =>
  blocks.flatMap((block) => {
    const counter = block.head === 'loop' && block.opens ? counterOf(block.headTokens) : undefined;
    return counter === undefined ? [] : [{ block, counter }];
  });

/** The innermost loop that counts around a token. */
function counterAt(token: Token, form: Form): string | undefined {
  const around = countingIn(form).filter(({ block }) => isInside(token.line, block));
  return around.sort((one, other) => (other.block.opens?.line ?? 0) - (one.block.opens?.line ?? 0))[0]
    ?.counter;
}

/** `leds[0]` and `leds[most]` in a loop that counts: the place that it has come to. */
export function placesCounted(form: Form): readonly Guess[] {
  const { tokens } = form;
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [open, close] = [tokens[index - 1], tokens[index + 1]];
    const isPlace = open?.text === '[' && close?.text === ']' && tokens[index - 2]?.kind === 'word';
    if (!isPlace || (token.kind !== 'word' && token.kind !== 'number')) return [];
    const counter = counterAt(token, form);
    return counter === undefined || counter === token.text ? [] : [written(token, counter, PLACE)];
  });
}

/** `digitalWrite(leds, HIGH)` in a loop that counts: one of the list. */
export function listsAsOne(form: Form): readonly Guess[] {
  const { tokens } = form;
  // Where it is given for a pin, that is what it seems to hold.
  const lists = new Set(
    tokens.flatMap(({ kind, text }, index) =>
      kind === 'word' && tokens[index + 1]?.text === '[' ? [text] : [],
    ),
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    const isGiven = /^[(,]$/.test(before) && /^[),]$/.test(after) && tokens[index - 2]?.text !== 'len';
    if (!isGiven || !lists.has(token.text)) return [];
    const counter = counterAt(token, form);
    return counter === undefined ? [] : [written(token, `${token.text}[${counter}]`, WHOLE_LIST)];
  });
}
