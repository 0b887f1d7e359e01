import type { Token } from '../../../program/token';
import type { Form } from './form';
import { inCpp, written, type Guess, type Rule } from './guess';

const COST = 0.85;

/** `tone(BUZZER, …)` and `noTone(LED)`: another pin is silenced than the one that sounds. */
function othersSilenced({ tokens }: Form): readonly Guess[] {
  const givenTo = (name: string) =>
    tokens.filter((_, index) => tokens[index - 1]?.text === '(' && tokens[index - 2]?.text === name);
  const [sounding, silenced] = [givenTo('tone'), givenTo('noTone')];
  const putRight = (pins: readonly Token[], others: readonly Token[]): readonly Guess[] => {
    const names = [...new Set(others.map(({ text }) => text))];
    return pins
      .filter(({ text }) => !names.includes(text))
      .flatMap((pin) => names.map((name) => written(pin, name, COST)));
  };
  return [...putRight(silenced, sounding), ...putRight(sounding, silenced)];
}

/** `tone(BUZZER, 0);`: there is no such pitch, and the one before goes on. */
function noPitches({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [open, pin, comma, pitch, close] = tokens.slice(index + 1, index + 6);
    const isNone = open?.text === '(' && comma?.text === ',' && pitch?.text === '0' && close?.text === ')';
    if (token.text !== 'tone' || !isNone || !pin || close.line !== token.line) return [];
    const [by, was] = [`noTone(${pin.text})`, `tone(${pin.text}, 0)`];
    return [
      {
        edits: [{ line: token.line, column: token.column, length: close.endColumn - token.column, by }],
        text: `Write ${by} instead of ${was} in line ${token.line}.`,
        cost: COST,
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofSounds: readonly Rule[] = inCpp([othersSilenced, noPitches]);
