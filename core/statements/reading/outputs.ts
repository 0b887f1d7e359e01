import type { Ref } from '../../brand';
import type { PartKind } from '../../parts';
import type { Token } from '../tokens';

/** The outputs of a chip that parts can hang on as on pins, in their order; none of a part that has no row of them. */
export const outputsOf = (kind: PartKind): readonly string[] =>
  kind.spokenTo
    ? kind.legs
        .filter(({ name, role }) => role === 'output' && /\d$/.test(name))
        .map(({ name }): string => name)
        .sort()
    : [];

/** What stands for all outputs of a chip in a line, until it is known how many of them are needed. */
export const ALL_OUTPUTS = 'outputs';

const CHIP = String.raw`(?:the )?(?:8[- ]bit )?(?:shift[- ]register|chip)`;
const ONE = '(?:q)?([0-7a-h])';
const TO = String.raw`(?: ?- ?| ?\.\. ?| (?:to|through|thru) )`;

interface Way {
  readonly words: RegExp;
  /** Whether the words mean a chip only where they say on what something is. */
  readonly isAfterSign: boolean;
}

/** `a` is what other chips print for the first output. */
const numberOf = (sign: string): number => (/\d/.test(sign) ? Number(sign) : sign.charCodeAt(0) - 97);

/** A transistor goes by a Q and a number too: where a name is given to one, and where one of its legs is meant. */
const NAMES = /^(?:as|named|called)$/;
const OF_TRANSISTOR = /^q\d (?:base|collector|emitter|gate|drain|source)\b/;

const SIGN = /^(?:on|to|at|behind|via|through|from|of|by)$/;
/** Signs that mean something else of a part, as `via 220` a resistor. */
const SAYS_ON = /^(?:behind|via|through|from|by)$/;

/**
 * The words of a line with the outputs of the sheet's only chip by their points: `q3`, `Q0 to Q7`, `output 3 of the
 * shift register`, `X1’s outputs`, `behind the shift register`. Each word keeps its columns.
 */
export function withOutputs(tokens: readonly Token[], chip: Ref): readonly Token[] {
  const name = chip.toLowerCase();
  const owner = `(?:${CHIP}|${name})`;
  const of = `(?: (?:of|on|from) ${owner})?`;
  const ways: readonly Way[] = [
    { words: new RegExp(`^q([0-7a-h])(?:${TO}${ONE})?${of}(?= |$)`), isAfterSign: false },
    {
      words: new RegExp(
        `^(?:the |its |all )*(?:${owner}(?:'s|s)? )?outputs? ${ONE}(?:${TO}${ONE})?${of}(?= |$)`,
      ),
      isAfterSign: false,
    },
    { words: new RegExp(`^(?:the |its |all )*(?:8 )?outputs${of}(?= |$)`), isAfterSign: true },
    { words: new RegExp(`^${owner}(?:'s|s)?(?: (?:8 )?outputs)?(?= |$)`), isAfterSign: true },
    { words: new RegExp(`^${name}\\.q([0-7a-h])${TO}(?:${name}\\.)?${ONE}(?= |$)`), isAfterSign: false },
  ];
  const said: Token[] = [];
  for (let at = 0; at < tokens.length;) {
    const rest = tokens
      .slice(at)
      .map(({ text }) => text)
      .join(' ');
    const isAfterSign = SIGN.test(said.at(-1)?.text ?? '');
    const found =
      at === 0 || NAMES.test(said.at(-1)!.text) || OF_TRANSISTOR.test(rest)
        ? undefined
        : ways
            .filter((way) => isAfterSign || !way.isAfterSign)
            .map(({ words }) => words.exec(rest))
            .find((match) => match !== null);
    if (!found) {
      said.push(tokens[at]!);
      at += 1;
      continue;
    }
    const last = at + found[0].split(' ').length - 1;
    const [, first, end] = found;
    const range = end === undefined ? '' : `-${numberOf(end)}`;
    const text = first === undefined ? `${name}.${ALL_OUTPUTS}` : `${name}.q${numberOf(first)}${range}`;
    const before = said.at(-1);
    if (before && SAYS_ON.test(before.text)) said[said.length - 1] = { ...before, text: 'on' };
    said.push({ text, from: tokens[at]!.from, to: tokens[last]!.to });
    at = last + 1;
  }
  return said;
}
