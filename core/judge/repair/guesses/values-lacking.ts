import type { Token } from '../../../program/token';
import { TAKES_PIN } from '../pin-functions';
import { closing } from '../token-places';
import type { Form } from './form';
import type { Guess } from './guess';
import { numbersIn } from './numbers';

/** Where the exercise's own program calls the same function, what that gives it is the better guess. */
const [LIKE_NO_OTHER, LIKE_ASKED] = [0.85, 1.5];

/** What functions take behind the pin: nothing, or one of these. */
const BEHIND: Readonly<Record<string, 'nothing' | 'level' | 'mode' | 'brightness' | 'pitch'>> = {
  digitalRead: 'nothing',
  analogRead: 'nothing',
  noTone: 'nothing',
  digitalWrite: 'level',
  pinMode: 'mode',
  analogWrite: 'brightness',
  tone: 'pitch',
};
/** A pitch that every buzzer gives. */
const PITCH = '440';

/** A call in one of some lines that lacks its pin, or what comes behind it. `asked`: the exercise's own program. */
export function valuesAdded(form: Form, lines: readonly number[], asked: Form): readonly Guess[] {
  const { tokens } = form;
  const pins = pinsOf(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const behind = Object.hasOwn(BEHIND, token.text) ? BEHIND[token.text] : undefined;
    const close = closing(tokens, index + 1, '(', ')');
    if (!behind || close === undefined || !lines.includes(token.line)) return [];
    const given = tokens.slice(index + 2, close);
    if (given.some(({ text }) => text === ',') || (given.length === 0) !== (behind === 'nothing')) return [];
    const isAsked = asked.tokens.some(({ text }) => text === token.text);
    const cost = isAsked ? LIKE_ASKED : LIKE_NO_OTHER;
    const first = given.map(({ text }) => text).join('');
    const guess = (by: string, at: Token, text: string, place: number): Guess => ({
      edits: [{ line: at.line, column: at.column, length: 0, by }],
      text: `Write ${token.text}(${text}) in line ${token.line}.`,
      cost: cost + 0.001 * place,
    });
    if (behind === 'nothing') return pins.map((pin, place) => guess(pin, tokens[close]!, pin, place));
    return pins.includes(first)
      ? wantedBehind(behind, form, asked)
          .filter((by) => !pins.includes(by))
          .map((by, place) => guess(`, ${by}`, tokens[close]!, `${first}, ${by}`, place))
      : pins.map((pin, place) => guess(`${pin}, `, given[0]!, `${pin}, ${first}`, place));
  });
}

/** What a program gives to functions that take a pin, most often first. */
function pinsOf({ tokens }: Form): readonly string[] {
  const counts = new Map<string, number>();
  tokens.forEach(({ text, kind }, index) => {
    const isFirst = tokens[index - 1]?.text === '(' && TAKES_PIN.test(tokens[index - 2]?.text ?? '');
    const isAll = /^[,)]$/.test(tokens[index + 1]?.text ?? '');
    const isGivenAlone =
      tokens[index + 1]?.text === ')' && (BEHIND[tokens[index - 2]?.text ?? ''] ?? 'nothing') !== 'nothing';
    if (isFirst && isAll && !isGivenAlone && (kind === 'word' || kind === 'number'))
      counts.set(text, (counts.get(text) ?? 0) + 1);
  });
  return [...counts].toSorted(([, one], [, other]) => other - one).map(([text]) => text);
}

function wantedBehind(
  behind: 'level' | 'mode' | 'brightness' | 'pitch',
  { tokens, holdings }: Form,
  asked: Form,
): readonly string[] {
  const names = [...holdings].flatMap(([name, held]) => (held === 'list' || held === 'object' ? [] : [name]));
  switch (behind) {
    case 'level':
      return ['HIGH', 'LOW', ...names];
    case 'mode':
      return ['OUTPUT', 'INPUT_PULLUP', 'INPUT'];
    case 'brightness':
      return [...names, ...numbersIn(asked)];
    case 'pitch':
      return [...new Set([...pitchesIn(tokens), ...pitchesIn(asked.tokens), PITCH, ...names])];
  }
}

/** The pitches, in hertz, that are written in calls of `tone`. */
const pitchesIn = (tokens: readonly Token[]): readonly string[] =>
  tokens.flatMap(({ text, kind }, index) =>
    kind === 'number' && tokens[index - 1]?.text === ',' && tokens[index - 4]?.text === 'tone' ? [text] : [],
  );
