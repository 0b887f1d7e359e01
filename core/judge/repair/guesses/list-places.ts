import type { Token } from '../../../program/token';
import { counterOf } from './places';
import { isInside, type Block, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';

const [PLACE, WHOLE_LIST, SET_UP, EXCHANGED, WRITTEN, TURNED] = [1.66, 1.6, 1.35, 1.69, 1.73, 1.73];

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

/** What a loop over a list in C++ calls the one whose turn it is: `for (byte led : LEDS)`. */
const eachAt = (
  token: Token,
  { blocks }: Form,
): { readonly name: string; readonly list: string } | undefined => {
  const heads = blocks.filter((block) => block.head === 'loop' && isInside(token.line, block));
  for (const { headTokens } of heads) {
    const colon = headTokens.findIndex(({ text }) => text === ':');
    const [name, list] = [headTokens[colon - 1], headTokens[colon + 1]];
    if (colon > 0 && name && list) return { name: name.text, list: list.text };
  }
  return undefined;
};

/** `leds[0]` and `leds[most]` in a loop that counts: the place that it has come to. */
function placesCounted(form: Form): readonly Guess[] {
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
    if (!isGiven) return [];
    const each = form.language === 'cpp' ? eachAt(token, form) : undefined;
    if (each !== undefined && each.list === token.text) return [written(token, each.name, WHOLE_LIST)];
    if (!lists.has(token.text)) return [];
    const counter = counterAt(token, form);
    return counter === undefined ? [] : [written(token, `${token.text}[${counter}]`, WHOLE_LIST)];
  });
}

/** The names that a function takes and looks into a list with. */
function placesTaken(form: Form): readonly { readonly block: Block; readonly name: string }[] {
  const { tokens, blocks } = form;
  return blocks.flatMap((block) => {
    if (block.head !== 'function' || !block.opens) return [];
    const inside = block.headTokens.slice(2);
    return inside
      .filter(({ kind }, index) => kind === 'word' && /^[,)]$/.test(inside[index + 1]?.text ?? ')'))
      .filter(({ text }) =>
        tokens.some(
          (token, index) =>
            token.text === text && tokens[index - 1]?.text === '[' && isInside(token.line, block),
        ),
      )
      .map(({ text }) => ({ block, name: text }));
  });
}

/** `pins[0]` in a function that is told which one is meant: `pins[which]`. */
function placesGiven(form: Form): readonly Guess[] {
  const { tokens } = form;
  return placesTaken(form).flatMap(({ block, name }) =>
    tokens.flatMap((token, index): readonly Guess[] =>
      token.kind === 'number' &&
      tokens[index - 1]?.text === '[' &&
      tokens[index + 1]?.text === ']' &&
      isInside(token.line, block)
        ? [written(token, name, PLACE)]
        : [],
    ),
  );
}

/** What a function asks of the list that it is told a place of, turned over first: `states[which] = 1 - states[which]`. */
function entriesTurned(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  const stop = language === 'python' ? '' : ';';
  return placesTaken(form).flatMap(({ block, name }) => {
    const entries = tokens.flatMap(({ text }, index) =>
      tokens[index + 1]?.text === '[' &&
      tokens[index + 2]?.text === name &&
      isInside(tokens[index]!.line, block)
        ? [{ list: text, isSet: tokens[index + 4]?.text === '=' }]
        : [],
    );
    const lists = [...new Set(entries.map(({ list }) => list))].filter(
      (list) => !entries.some((entry) => entry.list === list && entry.isSet),
    );
    return lists.map((list) => putIn(form, block, `${list}[${name}] = 1 - ${list}[${name}]${stop}`, TURNED));
  });
}

/**
 * A list of texts that nothing is done with, its entry printed where a function is told the place; what a function changes
 * in one list, written to the pin of another.
 */
function entriesShown(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language === 'python') return [];
  const times = (name: string): number => tokens.filter(({ text }) => text === name).length;
  const texts = tokens.flatMap(({ text, kind }, index) =>
    kind === 'word' && tokens[index + 1]?.text === '[' && isOfTexts(tokens, index) && times(text) === 1
      ? [text]
      : [],
  );
  const pins = new Set(
    tokens.flatMap(({ text }, index) =>
      text === 'digitalWrite' && tokens[index + 3]?.text === '[' ? [tokens[index + 2]!.text] : [],
    ),
  );
  return placesTaken(form).flatMap(({ block, name }) => {
    const printed = texts.map((list) => `Serial.print(${list}[${name}]);`);
    const places = block.statements.flatMap((statement) => {
      const [, set] = /^(\w+)\[\w+\] = /.exec(statement.text) ?? [];
      return [...pins]
        .filter((list) => set !== undefined && list !== set)
        .map((list) => putIn(form, statement, `digitalWrite(${list}[${name}], ${set}[${name}]);`, WRITTEN));
    });
    return [
      ...places,
      ...printed.flatMap((text) => [
        putIn(form, block, text, TURNED),
        ...block.statements.map((statement) => putIn(form, statement, text, TURNED)),
      ]),
    ];
  });
}

/** Whether a list that is declared there holds texts. */
const isOfTexts = (tokens: readonly Token[], index: number): boolean =>
  /^(?:String|\*)$/.test(tokens[index - 1]?.text ?? '');

/** What is written to the pins of a list elsewhere, written to each of them where a loop counts. */
function pinsWritten(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language === 'python') return [];
  const lists = new Set(
    tokens.flatMap(({ text }, index) =>
      text === 'digitalWrite' && tokens[index + 3]?.text === '[' ? [tokens[index + 2]!.text] : [],
    ),
  );
  const isSetUp = (list: string): boolean =>
    tokens.some(({ text }, index) => text === 'pinMode' && tokens[index + 2]?.text === list);
  return countingIn(form).flatMap(({ block, counter }) =>
    [...lists].flatMap((list) => {
      const last = block.statements.at(-1);
      const entry = `${list}[${counter}]`;
      const texts: readonly (readonly [string, number])[] = [
        ...(isSetUp(list) ? [] : [[`pinMode(${entry}, OUTPUT);`, SET_UP] as const]),
        [`digitalWrite(${entry}, LOW);`, WRITTEN],
        [`digitalWrite(${entry}, HIGH);`, WRITTEN],
      ];
      return texts
        .filter(([text]) => last !== undefined && !block.statements.some((one) => one.text === text))
        .map(([text, amount]) => putIn(form, last!, text, amount));
    }),
  );
}

/** Two entries of a list in each other's places. */
function entriesExchanged({ tokens, language }: Form): readonly Guess[] {
  const opener = language === 'python' ? '[' : '{';
  return tokens.flatMap(({ text }, index): readonly Guess[] => {
    if (text !== opener || tokens[index - 1]?.text !== '=') return [];
    const inside = tokens.slice(index + 1);
    const end = inside.findIndex(
      ({ kind, text: sign }) => !['number', 'text'].includes(kind) && sign !== ',',
    );
    const entries = inside.slice(0, Math.max(0, end)).filter(({ kind }) => kind !== 'punctuation');
    if (entries.length < 2 || entries.length > MOST_ENTRIES) return [];
    return entries.flatMap((one, at) =>
      entries.slice(at + 1).flatMap((other): readonly Guess[] =>
        one.text === other.text || one.line !== other.line
          ? []
          : [
              {
                edits: [written(other, one.text, 0).edits[0]!, written(one, other.text, 0).edits[0]!],
                text: `Exchange ${one.text} and ${other.text} in line ${one.line}.`,
                cost: EXCHANGED,
              },
            ],
      ),
    );
  });
}
/** Entries of a list of which two are tried in each other's places. */
const MOST_ENTRIES = 5;

/** The rules of this subject that something in a program speaks for. */
export const ofListPlaces: readonly Rule[] = [
  placesCounted,
  placesGiven,
  entriesTurned,
  entriesShown,
  entriesExchanged,
  pinsWritten,
];
