import { isInside, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [OF_OBJECT, OF_RANGE] = [1.61, 1.61];
const MAKERS = /^(?:DigitalInOut|AnalogIn|AnalogOut)$/;

/** `state = key`: the object of a pin where its value is meant. */
function valuesOfObjects({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  // A function in which an object is made may be one that gives it back.
  const making = new Set(
    blocks.flatMap((block) =>
      block.head === 'function' &&
      tokens.some(({ text, line }) => MAKERS.test(text) && isInside(line, block)) &&
      tokens.some(({ text, line }) => text === 'return' && isInside(line, block))
        ? [block.headTokens[1]?.text ?? '']
        : [],
    ),
  );
  const objects = new Set(
    tokens.flatMap(({ kind, text, line }, index) =>
      kind === 'word' &&
      tokens[index + 1]?.text === '=' &&
      tokens
        .slice(index + 2, index + 6)
        .some((one) => one.line === line && (MAKERS.test(one.text) || making.has(one.text)))
        ? [text]
        : [],
    ),
  );
  /** What the objects of a class keep: `self.io = DigitalInOut(pin)`. */
  const isField = (index: number): boolean =>
    tokens[index - 1]?.text === '.' && tokens[index - 2]?.text === 'self' && objects.has(tokens[index]!.text);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const first = isField(index) ? index - 2 : index;
    const [before, after] = [tokens[first - 1], tokens[index + 1]];
    const isAsked =
      before?.line === token.line &&
      /^(?:=|if|elif|while|not|and|or|[!=]=|[<>]=?|return|[(,*/+-])$/.test(before.text);
    const isBare = after === undefined || after.line > token.line || !/^[.(=]$/.test(after.text);
    if (!objects.has(token.text) || !isAsked || !isBare) return [];
    const name = first < index ? `self.${token.text}` : token.text;
    return [
      {
        edits: [{ line: token.line, column: token.endColumn, length: 0, by: '.value' }],
        text: `Write ${name}.value instead of ${name} in line ${token.line}.`,
        cost: OF_OBJECT,
      },
    ];
  });
}

/** `for n in times:`: the number itself, where one goes round so many times. */
function rangesOfNumbers({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [counter, sign, end] = [tokens[index - 2], tokens[index - 1], tokens[index + 1]];
    const isCounted =
      sign?.text === 'in' && tokens[index - 3]?.text === 'for' && counter !== undefined && end?.text === ':';
    return isCounted && (token.kind === 'word' || token.kind === 'number')
      ? [written(token, `range(${token.text})`, OF_RANGE)]
      : [];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofPythonValues: readonly Rule[] = [valuesOfObjects, rangesOfNumbers];
