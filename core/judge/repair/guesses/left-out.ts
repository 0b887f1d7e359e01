import type { Token } from '../../../program/token';
import type { Block, Form } from './form';
import { putIn, type Guess, type Lacking } from './guess';
import {
  end,
  inEachPlace,
  keptIn,
  plainOf,
  setBy,
  stillIn,
  turnedOf,
  variablesIn,
  waysToChange,
} from './places';

const [OTHER_BRANCH, ONCE_MORE, CHANGED, COPIED] = [1.86, 1.87, 1.9, 2.2];
/** Lines that are tried in all places of a program; one with more is not mended by trying. */
const MOST = 260;

/** Statements that may have been left out: in a branch without its other, where a variable is never changed, anywhere. */
export function statementsLeftOut(form: Form, lacking: Lacking): readonly Guess[] {
  const guesses = [
    ...inOtherBranches(form),
    ...oncesMore(form),
    ...changesOf(form, variablesIn(form)),
    ...copiesOf(form, lacking),
  ];
  return guesses.slice(0, MOST);
}

/** What one branch of a question does, turned round in the other one, which may have to be made. */
function inOtherBranches(form: Form): readonly Guess[] {
  const { blocks, tokens, language } = form;
  return blocks.flatMap((block): readonly Guess[] => {
    if (block.head !== 'if' || !block.closes) return [];
    const after = tokens[tokens.indexOf(block.closes) + 1];
    const other =
      after?.text === 'else'
        ? blocks.find(({ opens }) => opens && opens === nextOpening(form, after))
        : undefined;
    const turned = (one: Block): readonly string[] => [
      ...new Set(one.statements.flatMap(({ text }) => turnedOf(text))),
    ];
    if (other) return [...put(form, other, turned(block)), ...put(form, block, turned(other))];
    const opposite = [...turned(block), ...otherStates(block, form)];
    if (opposite.length === 0 || after?.text === 'else') return [];
    if (language === 'python') {
      const outer = ' '.repeat(Math.max(0, block.headTokens[0]!.column - 1));
      const lines = opposite.map((text) => `\n${block.space}${text}`).join('');
      return [
        {
          edits: [
            {
              line: block.closes.line,
              column: block.closes.endColumn,
              length: 0,
              by: `\n${outer}else:${lines}`,
            },
          ],
          text: `Add else: with ${opposite.join(' and ')} after line ${block.closes.line}.`,
          cost: OTHER_BRANCH,
        },
      ];
    }
    const by = ` else { ${opposite.join(' ')} }`;
    return [
      {
        edits: [{ line: block.closes.line, column: block.closes.endColumn, length: 0, by }],
        text: `Add${by} at the end of line ${block.closes.line}.`,
        cost: OTHER_BRANCH,
      },
    ];
  });
}

/** `if (mode == AUTOMATIC) mode = MANUAL;`: back to what was asked for, in the other case. */
function otherStates({ headTokens, statements }: Block, form: Form): readonly string[] {
  const sign = headTokens.findIndex(({ text }) => text === '==');
  const [name, asked] = [headTokens[sign - 1], headTokens[sign + 1]];
  if (name?.kind !== 'word' || !asked || !/^\w+$/.test(asked.text)) return [];
  const isSet = statements.some(
    (statement) =>
      setBy(statement).includes(name.text) && !new RegExp(`=\\s*${asked.text}\\b`).test(statement.text),
  );
  return isSet ? [`${name.text} = ${asked.text}${end(form)}`] : [];
}

/** Statements at both ends of a branch, but for those that are there. */
function put(form: Form, block: Block, texts: readonly string[]): readonly Guess[] {
  const there = new Set(block.statements.map(({ text }) => text));
  const last = block.statements.at(-1);
  return texts
    .filter((text) => !there.has(text))
    .flatMap((text) => [
      putIn(form, block, text, OTHER_BRANCH),
      ...(last ? [putIn(form, last, text, OTHER_BRANCH)] : []),
    ]);
}

/** The brace or colon that follows an `else`. */
function nextOpening({ tokens, language }: Form, word: Token): Token | undefined {
  const next = tokens[tokens.indexOf(word) + 1];
  return next?.text === (language === 'python' ? ':' : '{') ? next : undefined;
}

/** What stands several times one after the other, once more. */
function oncesMore(form: Form): readonly Guess[] {
  return form.blocks.flatMap(({ statements }) =>
    statements.flatMap((statement, index) => {
      const isLastOfSeveral =
        statements[index - 1]?.text === statement.text && statements[index + 1]?.text !== statement.text;
      return isLastOfSeveral ? [putIn(form, statement, statement.text, ONCE_MORE)] : [];
    }),
  );
}

/** Variables that are given their first value and never another, changed in any place. */
function changesOf(form: Form, variables: readonly string[]): readonly Guess[] {
  const still = stillIn(form, variables);
  const others = [...new Set([...variables, ...keptIn(form)])];
  return still.flatMap((name) =>
    waysToChange(name, others, form).flatMap((text) => inEachPlace(form, text, CHANGED)),
  );
}

const SETS_UP =
  /^(?:pinMode|Serial\.begin)\(|\.(?:direction|pull|switch_to_\w+)\b|^\w+ = (?:\w+\.)?[A-Z]\w*\(/;

/** What stands elsewhere, or a pause that may be meant, behind every statement. */
function copiesOf(form: Form, { milliseconds }: Lacking): readonly Guess[] {
  // What is made and set up once is not done again.
  const statements = plainOf(form).filter(({ text }) => !SETS_UP.test(text));
  const pauses = milliseconds.map((time) =>
    form.language === 'python' ? `time.sleep(${time / 1000})` : `delay(${time});`,
  );
  const texts = [...new Set([...pauses, ...statements.flatMap(({ text }) => [text, ...turnedOf(text)])])];
  return texts.flatMap((text) => inEachPlace(form, text, COPIED));
}
