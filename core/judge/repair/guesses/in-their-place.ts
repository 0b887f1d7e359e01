import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { areAlike, isNumber } from '../what-names-hold';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { keptIn, counterOf } from './places';

const [SERVO, LOOKED_UP, IDLE, FOR_A_PIN, FOR_A_READING] = [1.3, 1.6, 1.62, 1.7, 1.89];
const READS = /^(?:analogRead|digitalRead|pulseIn)$/;

/** Names that a program gives a value and never asks for. */
function idleIn({ tokens }: Form, names: readonly string[]): readonly string[] {
  return [...new Set(names)].filter((name) =>
    tokens.every(
      ({ text }, index) =>
        text !== name ||
        tokens[index - 1]?.text === '.' ||
        tokens[index + 1]?.text === '=' ||
        (tokens[index + 1]?.text === ';' && tokens[index - 1]?.kind === 'word'),
    ),
  );
}

/** `play(i)` in a loop that counts, where a list is never looked into: `play(notes[i])`. */
function placesLookedUp(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const lists = [...form.holdings].flatMap(([name, held]) =>
    held === 'list' && tokens.filter(({ text }) => text === name).length === 1 ? [name] : [],
  );
  if (lists.length === 0) return [];
  return blocks.flatMap((block) => {
    const counter = block.head === 'loop' && block.opens ? counterOf(block.headTokens) : undefined;
    if (counter === undefined) return [];
    return tokens.flatMap((token, index): readonly Guess[] =>
      token.text === counter &&
      isInside(token.line, block) &&
      /^[(,]$/.test(tokens[index - 1]?.text ?? '') &&
      /^[),]$/.test(tokens[index + 1]?.text ?? '')
        ? lists.map((list) => ({
            ...written(token, `${list}[${counter}]`, LOOKED_UP),
            told: {
              why: `Line ${token.line} takes ${counter} itself. ${counter} is only a place in the list ${list}; what stands there is ${list}[${counter}].`,
              ask: `What is ${counter} in line ${token.line}, and what is in the list ${list}?`,
            },
          }))
        : [],
    );
  });
}

/** A question that lacks what is remembered and asked for nowhere: `down` for `down && !wasDown`. */
function idleAskedToo(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const idle = idleIn(form, keptIn(form)).filter((name) => {
    const held = holdings.get(name);
    return held === 'truth' || held === undefined;
  });
  const [joint, not] = language === 'python' ? ['and', 'not '] : ['&&', '!'];
  return blocks
    .filter(({ head, opens }) => head === 'if' && opens)
    .flatMap(({ opens }) => {
      const last = tokens[tokens.indexOf(opens!) - (language === 'python' ? 1 : 2)];
      if (!last) return [];
      return idle.flatMap((name) =>
        [`${not}${name}`, name].map((clause) => ({
          edits: [{ line: last.line, column: last.endColumn, length: 0, by: ` ${joint} ${clause}` }],
          text: `Add ${joint} ${clause} in line ${last.line}, right after ${last.text}.`,
          cost: IDLE,
          told: {
            why: `The program remembers ${name}, and no line asks for it.`,
            ask: `What does the program remember in ${name}, and where should it ask for that?`,
          },
        })),
      );
    });
}

/** What is read anew where a value that was worked out of it may be meant: `arm.write(analogRead(A2))`. */
function forReadings(form: Form): readonly Guess[] {
  const { tokens, holdings } = form;
  const kept = [...new Set(keptIn(form))];
  const idle = idleIn(form, kept);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const close = READS.test(token.text) ? closing(tokens, index + 1, '(', ')') : undefined;
    const last = close === undefined ? undefined : tokens[close];
    if (!last || last.line !== token.line || isKept(tokens, index)) return [];
    const call = tokens
      .slice(index, close! + 1)
      .map(({ text }) => text)
      .join('');
    return kept
      .filter((name) => areAlike(holdings.get(name), token.text === 'digitalRead' ? 'truth' : 'whole'))
      .map((name) => ({
        edits: [{ line: token.line, column: token.column, length: last.endColumn - token.column, by: name }],
        text: `Write ${name} instead of ${call} in line ${token.line}.`,
        cost: idle.includes(name) ? IDLE : FOR_A_READING,
        told: {
          why: `Line ${token.line} takes what is read as it is, and not ${name}, which is worked out of it.`,
          ask: `In which range is ${call}, and in which is ${name}?`,
        },
      }));
  });
}

/** Whether a call stands in the statement that keeps a value: `position = toDegrees(analogRead(POT));`. */
function isKept(tokens: readonly Token[], index: number): boolean {
  const begin = tokens.slice(0, index).findLastIndex(({ text }) => /^[;{}]$/.test(text));
  return tokens.slice(begin + 1, index).some(({ text }) => /^[-+]?=$/.test(text));
}

/** `arm.write(PIN)`: the number of a pin where an angle, a brightness or a time belongs. */
function valuesForPins(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings } = form;
  const numbers = [...holdings].flatMap(([name, held]) => (isNumber(held) ? [name] : []));
  const own = new Set(
    blocks.flatMap((block) => {
      const [name, taken] = [block.headTokens[0], block.headTokens[3]];
      const isOfPin = taken !== undefined && holdings.get(taken.text) === 'pin';
      return block.head === 'function' && name && taken && !isOfPin ? [name.text] : [];
    }),
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.kind !== 'word' || holdings.get(token.text) !== 'pin') return [];
    const [before, call] = [tokens[index - 1]?.text, tokens[index - 2]?.text ?? ''];
    const isOnly = before === '(' && (/^(?:write|delay)$/.test(call) || own.has(call));
    const isSecond = before === ',' && /^(?:analogWrite|tone)$/.test(tokens[index - 4]?.text ?? '');
    if (!isOnly && !isSecond) return [];
    return numbers.map((name) => ({
      ...written(token, name, FOR_A_PIN),
      told: {
        why: `Line ${token.line} gives ${token.text}, which is the number of a pin.`,
        ask: `What is ${token.text}, and what should stand there in line ${token.line}?`,
      },
    }));
  });
}

/** `analogWrite(9, angle)` of a pin that an object was attached to: `arm.write(angle)`. */
function attachedWritten({ tokens, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const objects = new Map(
    tokens.flatMap(({ text }, index): readonly (readonly [string, string])[] =>
      text === 'attach' && tokens[index - 1]?.text === '.' && tokens[index - 2]?.kind === 'word'
        ? [[tokens[index + 2]?.text ?? '', tokens[index - 2]!.text]]
        : [],
    ),
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const object = objects.get(tokens[index + 2]?.text ?? '');
    const close = /^(?:analog|digital)Write$/.test(token.text)
      ? closing(tokens, index + 1, '(', ')')
      : undefined;
    const [value, last] = [tokens[index + 4], close === undefined ? undefined : tokens[close]];
    if (object === undefined || !value || last?.line !== token.line) return [];
    const line = source.split('\n')[token.line - 1] ?? '';
    const given = line.slice(value.column - 1, last.column - 1).trim();
    const by = `${object}.write(${given})`;
    return [
      {
        edits: [{ line: token.line, column: token.column, length: last.endColumn - token.column, by }],
        text: `Write ${by} instead of ${line.slice(token.column - 1, last.endColumn - 1)} in line ${token.line}.`,
        cost: SERVO,
        told: {
          why: `Line ${token.line} writes to the pin itself. A servo waits for the pulses that ${object}.write makes.`,
          ask: `Which line tells the servo where to go?`,
        },
      },
    ];
  });
}

/** `digitalWrite(SPEAKER, HIGH)` where the program has notes and sounds none: `tone(SPEAKER, note)`. */
function tonesSounded(form: Form, asked: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const sounds = ({ tokens: all }: Form): boolean => all.some(({ text }) => text === 'tone');
  if (language === 'python' || !sounds(asked)) return [];
  const rates = asked.tokens.flatMap(({ text }, index) => {
    const rate = asked.tokens[index + 4];
    return text === 'tone' && rate?.kind === 'number' ? [rate.text] : [];
  });
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== 'digitalWrite' && token.text !== 'analogWrite') return [];
    const [pin, level, close] = [2, 4, 5].map((by) => tokens[index + by]);
    if (!pin || close?.text !== ')' || close.line !== token.line || level?.text === 'LOW') return [];
    const isSounded = tokens.some(({ text }, at) => text === 'tone' && tokens[at + 2]?.text === pin.text);
    if (isSounded) return [];
    const notes = blocks
      .filter((block) => block.head === 'function' && isInside(token.line, block))
      .flatMap((block) => unusedIn(block, tokens));
    const lengths = [...holdings].flatMap(([name, held]) =>
      held === 'whole' && !notes.includes(name) ? [name] : [],
    );
    const given = [...notes, ...new Set(rates)].flatMap((note) => [
      note,
      ...lengths.map((length) => `${note}, ${length}`),
    ]);
    return given.map((values) => {
      const by = `tone(${pin.text}, ${values})`;
      return {
        edits: [{ line: token.line, column: token.column, length: close.endColumn - token.column, by }],
        text: `Write ${by} instead of ${token.text}(${pin.text}, ${level?.text}) in line ${token.line}.`,
        cost: LOOKED_UP,
        told: {
          why: `Line ${token.line} holds the pin of the buzzer at one level, and a passive buzzer sounds only while its pin goes to and fro.`,
          ask: `What makes a passive buzzer sound: a level, or a tone?`,
        },
      };
    });
  });
}

/** The names that a function is given and does nothing with. */
function unusedIn(block: Block, tokens: readonly Token[]): readonly string[] {
  const inside = block.headTokens.slice(2);
  return inside
    .filter(({ kind }, index) => kind === 'word' && /^[,)]$/.test(inside[index + 1]?.text ?? ')'))
    .map(({ text }) => text)
    .filter((name) => !tokens.some(({ text, line }) => text === name && isInside(line, block)));
}

/** What a program works out and never asks for, in the place of each other number that it compares or hands on. */
function idleInstead(form: Form): readonly Guess[] {
  const { tokens, holdings } = form;
  const kept = [...new Set(keptIn(form))].filter(
    (name) => isNumber(holdings.get(name)) || holdings.get(name) === undefined,
  );
  const idle = idleIn(form, kept).filter((name) => holdings.get(name) !== 'list');
  return idle.flatMap((name) =>
    tokens.flatMap((token, index): readonly Guess[] => {
      const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
      const isValue =
        token.kind === 'number' || (token.kind === 'word' && isNumber(holdings.get(token.text)));
      const isUsed = /^(?:[<>]=?|[!=]=|,|\()$/.test(before) && /^(?:\)|,|;|&&|\|\||:|[<>]=?)$/.test(after);
      const isOwn = tokens.slice(0, index).findLast(({ line, text }) => line === token.line && text === name);
      if (!isValue || !isUsed || isOwn || token.text === name) return [];
      return [
        {
          ...written(token, name, IDLE),
          told: {
            why: `The program works out ${name}, and no line asks for it.`,
            ask: `What is ${name} worked out for, and which line needs it?`,
          },
        },
      ];
    }),
  );
}

/** What is read anew, and any other value of the program in its place. */
export const valuesForReadings = (form: Form): readonly Guess[] =>
  forReadings(form).filter(({ cost }) => cost > IDLE);

/** The same with what is worked out of it and asked for nowhere. */
const idleForReadings = (form: Form): readonly Guess[] =>
  forReadings(form).filter(({ cost }) => cost <= IDLE);

/** The rules of this subject that something in a program speaks for. */
export const ofInTheirPlace: readonly Rule[] = [
  idleInstead,
  attachedWritten,
  placesLookedUp,
  tonesSounded,
  idleAskedToo,
  valuesForPins,
  idleForReadings,
];
