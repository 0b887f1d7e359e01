import type { TextEdit } from '../../findings/finding';
import { inOrder, refusal, textRepair, warning, type ProgramProblem } from '../problem';
import type { Token } from '../token';
import { heads } from './foreign-heads';
import type { LogicalLine, PythonLines } from './lines';

/** What other languages write before a name that gets a value. */
export const TYPES: ReadonlySet<string> = new Set([
  ...['int', 'float', 'double', 'bool', 'boolean', 'byte', 'char', 'long', 'short', 'unsigned', 'String'],
  ...[
    'const',
    'static',
    'volatile',
    'void',
    'uint8_t',
    'uint16_t',
    'uint32_t',
    'int16_t',
    'auto',
    'var',
    'let',
  ],
]);
/** Words whose line opens a block, here or elsewhere. */
const OPENERS: ReadonlySet<string> = new Set([
  ...['if', 'elif', 'else', 'for', 'while', 'def', 'try', 'except', 'finally', 'class', 'with'],
  ...['switch', 'do', 'function', '}'],
]);
/** Signs of other languages, and what is written here instead. */
const SIGNS: Readonly<Record<string, string>> = { '&&': 'and', '||': 'or', '!': 'not ' };

type Line = readonly Token[];

/**
 * What belongs to C++ or another language in a text that the grammar does not take: types before names, braces round
 * blocks, remarks, signs, heads of loops. Each with what is written here, and the change where that is certain.
 */
export function otherLanguage({ lines }: PythonLines): readonly ProgramProblem[] {
  const rows = rowsOf(lines);
  const whole = wholeProgram(rows);
  if (whole.length > 0) return whole;
  return inOrder([...bracedBlocks(rows), ...rows.flatMap((row) => [...remarks(row), ...inRow(row)])]);
}

/** Counting signs that the grammar takes for something else: `++count` changes nothing. */
export const misreadSigns = ({ lines }: PythonLines): readonly ProgramProblem[] =>
  rowsOf(lines).flatMap((row) => row.flatMap((token, index) => doubledSign(token, row[index + 1], row)));

/** Tokens by the lines of the text. */
function rowsOf(lines: readonly LogicalLine[]): readonly Line[] {
  const rows = new Map<number, Token[]>();
  for (const token of lines.flatMap(({ tokens }) => tokens)) {
    const row = rows.get(token.line);
    if (row) row.push(token);
    else rows.set(token.line, [token]);
  }
  return [...rows.values()];
}

/** A whole program of the other language that the boards know. */
function wholeProgram(rows: readonly Line[]): readonly ProgramProblem[] {
  const at = rows.flatMap((row) =>
    row.filter(
      ({ text }, index) =>
        (text === 'void' && ['setup', 'loop'].includes(row[index + 1]?.text ?? '')) ||
        (text === 'pinMode' && row[index + 1]?.text === '('),
    ),
  )[0];
  return at
    ? [
        refusal(
          'syntax-other',
          at,
          `Line ${at.line}: this is C++, and the board of this exercise takes Python.`,
          [
            'Which language does the board of this exercise speak?',
            `“${at.text}” in line ${at.line} belongs to another language.`,
            'Write the program in Python, beginning with import board.',
          ],
        ),
      ]
    : [];
}

/** Braces round blocks, told once: a colon and indentation do their work here. */
function bracedBlocks(rows: readonly Line[]): readonly ProgramProblem[] {
  const opening = rows.filter(
    (row) => row.at(-1)?.text === '{' && (OPENERS.has(row[0]!.text) || TYPES.has(row[0]!.text)),
  );
  const [first] = opening;
  const brace = first?.at(-1);
  if (!first || !brace) return [];
  const openAt = (row: Line): TextEdit => {
    const [last, before] = [row.at(-1)!, row.at(-2)!];
    return { line: last.line, column: before.endColumn, length: last.endColumn - before.endColumn, by: ':' };
  };
  const closing = rows.filter((row) => row[0]!.text === '}');
  const edits = [
    ...opening.map(openAt),
    ...closing.map((row): TextEdit => {
      const [{ line, column }, next] = row as readonly [Token, Token?];
      const end = !next || next.text === ';' ? (next?.endColumn ?? column + 1) : next.column;
      return { line, column, length: end - column, by: '' };
    }),
  ].sort((a, b) => b.line - a.line || b.column - a.column);
  return [
    refusal(
      'syntax-brace',
      brace,
      `Line ${brace.line}: braces { } hold a block in C++. In Python the line ends with a colon, and the lines of its block are indented.`,
      [
        `How does Python know which lines belong to “${first[0]!.text}” in line ${brace.line}?`,
        `Line ${brace.line} ends with {; a colon belongs there, and no } at the end of the block.`,
        `Write : instead of { in line ${brace.line}, and leave out the } that belongs to it.`,
      ],
      {
        text: `Write colons instead of the { and leave out each }.`,
        edits: edits.map((replace) => ({ replace })),
      },
    ),
  ];
}

/** Remarks as C++ has them. */
function remarks(row: Line): readonly ProgramProblem[] {
  const index = row.findIndex(
    ({ text }, at) => text === '//' && (at === 0 || startsRemark(row.slice(at + 1))),
  );
  const sign = row[index];
  if (sign) return [remarkAt(sign)];
  const [first, second] = row;
  return first?.text === '/' && second?.text === '*' && second.column === first.endColumn
    ? [remarkAt(first, '/*')]
    : [];
}

/** A remark that begins as in C++, at its place. */
export const remarkAt = (
  { line, column }: { readonly line: number; readonly column: number },
  sign: '//' | '/*' = '//',
): ProgramProblem =>
  refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: a comment begins with # in Python, not with ${sign}.`,
    [
      `Which part of line ${line} is meant for people only?`,
      `From ${sign} on, line ${line} is a comment in C++; here # begins one.`,
      `Write # instead of ${sign} in line ${line}.`,
    ],
    sign === '/*'
      ? undefined
      : textRepair(`Write # instead of // in line ${line}.`, { line, column, length: 2, by: '#' }),
  );

/** Words that stand beside a name in calculations too. */
const JOINING: ReadonlySet<string> = new Set(['and', 'or', 'not', 'if', 'else', 'in', 'is', 'for', 'lambda']);

/** Whether words follow each other as in a sentence, which no calculation has. */
const startsRemark = (rest: Line): boolean =>
  rest.some(({ kind, text }, index) => {
    const next = rest[index + 1];
    return kind === 'word' && next?.kind === 'word' && !JOINING.has(text) && !JOINING.has(next.text);
  });

/** What else of another language stands in a line. */
function inRow(row: Line): readonly ProgramProblem[] {
  const [first] = row;
  if (!first) return [];
  const typed = typedName(row);
  return [
    ...typed,
    ...row.flatMap((token, index) => [
      ...(token.kind === 'punctuation' && SIGNS[token.text] !== undefined
        ? [instead(token, token.text, SIGNS[token.text]!)]
        : []),
      ...doubledSign(token, row[index + 1], row),
      ...(token.text === '->' && first.text !== 'def' ? [instead(token, '->', '.')] : []),
      ...(token.text === '?' ? [choice(token)] : []),
    ]),
    ...heads(row),
  ];
}

/** `int count = 0`: a name gets no type here. */
function typedName(row: Line): readonly ProgramProblem[] {
  const [first] = row;
  let words = 0;
  while (TYPES.has(row[words]?.text ?? '')) words += 1;
  const name = row[words];
  if (!first || words === 0 || name?.kind !== 'word') return [];
  const next = row[words + 1]?.text;
  const types = row
    .slice(0, words)
    .map(({ text }) => text)
    .join(' ');
  if (next === '(')
    return [
      refusal(
        'syntax-other',
        first,
        `Line ${first.line}: a function begins with def in Python, and has no types.`,
        [
          `How does a function begin in Python?`,
          `“${types} ${name.text}(…)” in line ${first.line} is how C++ begins a function.`,
          `Write def ${name.text}(): in line ${first.line}, and indent the lines of the function.`,
        ],
      ),
    ];
  const isList = next === '[';
  const remove = textRepair(`Leave out ${types} in line ${first.line}.`, {
    line: first.line,
    column: first.column,
    length: name.column - first.column,
    by: '',
  });
  return [
    refusal(
      'syntax-other',
      first,
      `Line ${first.line}: in Python a name gets no type before it, it just gets a value: ${name.text} = ${isList ? '[1, 2, 3]' : valueIn(row.slice(words + 2))}.`,
      [
        `What does Python need to know about ${name.text} before it can be used?`,
        `“${types}” in line ${first.line} says what kind of value ${name.text} holds; Python sees that by itself.`,
        next === '='
          ? `Leave out ${types} in line ${first.line}.`
          : isList
            ? `Write ${name.text} = [1, 2, 3] in line ${first.line}, with square brackets round the values.`
            : `Give ${name.text} a first value in line ${first.line}: ${name.text} = 0.`,
      ],
      next === '=' ? remove : undefined,
    ),
  ];
}

/** What a name gets, as it is written, where it is short. */
function valueIn(rest: Line): string {
  const text = rest
    .filter(({ text }) => text !== ';')
    .map(({ text }) => text)
    .join(' ');
  return text === '' ? '0' : text.length > 20 ? '…' : text;
}

/** `++count` and `count++`: neither counts anything here. */
function doubledSign(token: Token, next: Token | undefined, row: Line): readonly ProgramProblem[] {
  if (token.text !== '++' && token.text !== '--') return [];
  const by = token.text === '++' ? ' += 1' : ' -= 1';
  const behind = row.at(-1)?.text === ';' ? row.at(-2) : row.at(-1);
  const [is, what] =
    token === behind && !token.startsLine
      ? (['behind', row[row.indexOf(token) - 1]] as const)
      : token.startsLine && next?.kind === 'word'
        ? (['before', next] as const)
        : (['inside', undefined] as const);
  if (is === 'inside') return [];
  const edit: TextEdit =
    is === 'behind'
      ? { line: token.line, column: token.column, length: 2, by }
      : {
          line: token.line,
          column: token.column,
          length: next!.endColumn - token.column,
          by: next!.text + by,
        };
  const say = is === 'before' ? warningOf : refusal;
  return [
    say(
      'syntax-other',
      token,
      `Line ${token.line}: ${token.text} is not known in Python${is === 'before' ? `; ${token.text}${what!.text} changes nothing` : ''}.`,
      [
        `How is something counted ${token.text === '++' ? 'up' : 'down'} in Python?`,
        `The ${token.text} at column ${token.column} of line ${token.line} belongs to another language.`,
        `Write${by} in line ${token.line}.`,
      ],
      textRepair(`Write${by} instead of ${token.text} in line ${token.line}.`, edit),
    ),
  ];
}

const warningOf: typeof refusal = (code, place, message, hints, repair) =>
  warning(code, 'fault', place, message, hints, repair);

function instead(token: Token, sign: string, word: string): ProgramProblem {
  const said = word.trim();
  return refusal(
    'syntax-other',
    token,
    `Line ${token.line}: ${sign} is not known in Python; it is written ${said === '.' ? 'with a dot' : `“${said}”`}.`,
    [
      `How is ${sign} written in Python?`,
      `The ${sign} at column ${token.column} of line ${token.line} belongs to another language.`,
      `Write ${said} instead of ${sign} in line ${token.line}.`,
    ],
    textRepair(`Write ${said} instead of ${sign} in line ${token.line}.`, {
      line: token.line,
      column: token.column,
      length: sign.length,
      by: word,
    }),
  );
}

const choice = (token: Token): ProgramProblem =>
  refusal(
    'syntax-other',
    token,
    `Line ${token.line}: a choice between two values is written with if and else in Python, not with ? and :.`,
    [
      `Which value does line ${token.line} choose when the condition is true, and which when it is not?`,
      `The ? at column ${token.column} of line ${token.line} belongs to another language.`,
      `Write it like “1 if count > 3 else 0” in line ${token.line}.`,
    ],
  );
