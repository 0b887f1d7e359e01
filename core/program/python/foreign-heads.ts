import { refusal, textRepair, type ProgramProblem } from '../problem';
import type { Token } from '../token';

/** Heads of blocks as other languages have them. */
export function heads(row: readonly Token[]): readonly ProgramProblem[] {
  const [first, second] = row;
  if (!first) return [];
  const { line } = first;
  if (first.text === 'else' && second?.text === 'if')
    return [
      headOf(first, '“else if” is one word here: elif.', `Write elif in line ${line}.`, {
        length: second.endColumn - first.column,
        by: 'elif',
      }),
    ];
  if (first.text === 'for' && row.some(({ text }) => text === ';')) return [countingLoop(row)];
  if (first.text === 'switch' && second?.text === '(')
    return [
      headOf(
        first,
        'there is no switch in Python on this board.',
        `Write if, elif and else instead, one for each case.`,
      ),
    ];
  if (first.text === 'do' && (second === undefined || second.text === '{'))
    return [
      headOf(
        first,
        'there is no do … while in Python.',
        `Write while True: and leave the loop with if …: break at its end.`,
      ),
    ];
  if (first.text === 'function' && second?.kind === 'word')
    return [
      headOf(
        first,
        'a function begins with def in Python.',
        `Write def instead of function in line ${line}.`,
        {
          length: first.text.length,
          by: 'def',
        },
      ),
    ];
  const then = row.find(({ text }) => text === 'then');
  if (then && ['if', 'elif'].includes(first.text))
    return [
      headOf(then, 'no “then” stands in a question in Python.', `Leave out then in line ${line}.`, {
        length: then.text.length,
        by: '',
      }),
    ];
  return [];
}

function headOf(
  token: Token,
  says: string,
  remedy: string,
  edit?: { readonly length: number; readonly by: string },
): ProgramProblem {
  const { line, column } = token;
  return refusal(
    'syntax-other',
    token,
    `Line ${line}: ${says}`,
    [
      `Compare line ${line} with a line of the same kind in an example. What differs?`,
      `“${token.text}” at column ${column} of line ${line} is not how Python says it.`,
      remedy,
    ],
    edit && textRepair(remedy, { line, column, ...edit }),
  );
}

/** `for (int i = 0; i < 3; i++)`: with its counterpart where it counts from one number to another. */
function countingLoop(row: readonly Token[]): ProgramProblem {
  const [first] = row;
  const text = row.map((token) => token.text).join(' ');
  const plain =
    /^for (?:\( )?(?:\w+ )?(\w+) = (\w+) ; \1 (<=?) (\w+) ; (?:\1 \+\+|\+\+ \1|\1 \+= 1)(?: \))?(?: [{:])?$/.exec(
      text,
    );
  const [, name, from, sign, to] = plain ?? [];
  const end = sign === '<=' ? `${to} + 1` : to;
  const loop = plain
    ? `for ${name} in range(${from === '0' ? '' : `${from}, `}${end}):`
    : 'for i in range(3):';
  const remedy = `Write ${plain ? loop : `it like “${loop}”`} in line ${first!.line}.`;
  return headOf(
    first!,
    'a loop that counts is written with range in Python.',
    remedy,
    plain ? { length: row.at(-1)!.endColumn - first!.column, by: loop } : undefined,
  );
}
