import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [OF_OBJECT, OF_RANGE] = [1.61, 1.61];
const MAKERS = /^(?:DigitalInOut|AnalogIn|AnalogOut)$/;

/** `state = key`: the object of a pin where its value is meant. */
function valuesOfObjects({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const objects = new Set(
    tokens.flatMap(({ kind, text }, index) =>
      kind === 'word' &&
      tokens[index + 1]?.text === '=' &&
      tokens.slice(index + 2, index + 6).some((one) => MAKERS.test(one.text))
        ? [text]
        : [],
    ),
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1], tokens[index + 1]];
    const isAsked =
      before?.line === token.line &&
      /^(?:=|if|elif|while|not|and|or|[!=]=|[<>]=?|return|[(,*/+-])$/.test(before.text);
    const isBare = after === undefined || after.line > token.line || !/^[.(=]$/.test(after.text);
    return objects.has(token.text) && isAsked && isBare
      ? [written(token, `${token.text}.value`, OF_OBJECT)]
      : [];
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
