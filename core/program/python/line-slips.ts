import { refusal, type ProgramProblem } from '../problem';
import { missing, parenthesesMissing, TURNED_SIGNS } from '../syntax-wording';
import type { LogicalLine, PythonLines } from './lines';
import { exchange, textOf, type Detector } from './rewriting';
import { signSlips } from './sign-slips';
import { statementSlips } from './statement-slips';

/** Signs that are turned round; `!` begins no other sign here. */
const SIGNS: typeof TURNED_SIGNS = [
  ...TURNED_SIGNS,
  [['=', '!'], '!=', 'In “not equal” the exclamation mark comes first.'],
];

/** Heads of blocks as other languages have them, each with what is written here for what stands between it and its colon. */
const HEADS: Readonly<Record<string, (given: string) => string>> = {
  repeat: (given) => `for i in range(${given}):`,
  forever: () => 'while True:',
  when: (given) => `if ${given}:`,
  unless: (given) => `if not (${given}):`,
  until: (given) => `while not (${given}):`,
  elseif: (given) => `elif ${given}:`,
  elsif: (given) => `elif ${given}:`,
  loop: (given) => (given === '' ? 'while True:' : `for i in range(${given}):`),
};
const WITHOUT_MORE: ReadonlySet<string> = new Set(['forever', 'loop']);

/** Words whose block an `else`, `elif` or `except` goes on from. */
const GOES_ON: Readonly<Record<string, readonly string[]>> = {
  else: ['if', 'elif', 'for', 'while', 'try', 'except'],
  elif: ['if', 'elif'],
  except: ['try', 'except'],
  finally: ['try', 'except', 'else'],
};

/** Slips that a line shows by itself, whatever the grammar makes of it, in the order of the text. */
export function lineSlips({ lines }: PythonLines): readonly ProgramProblem[] {
  return lines.flatMap((line, index): readonly ProgramProblem[] => {
    for (const detect of detectors) {
      const found = detect(line);
      if (found) return [found];
    }
    const lone = alone(lines, index);
    return lone ? [lone] : [];
  });
}

const HEAD_WORDS: ReadonlySet<string> = new Set(['if', 'elif', 'while']);

function turnedSign(line: LogicalLine): ProgramProblem | undefined {
  const { tokens } = line;
  for (const [index, token] of tokens.entries()) {
    const [before, next, behind] = [tokens[index - 1], tokens[index + 1], tokens[index + 2]];
    if (!next || !before || !behind || next.line !== token.line || token.endColumn !== next.column) continue;
    const found = SIGNS.find(([[one, other]]) => token.text === one && next.text === other);
    // Outside of a question `x =!y` gives x a value.
    if (!found || (found[0][1] === '!' && !HEAD_WORDS.has(tokens[0]!.text))) continue;
    if (before.kind === 'punctuation' && !')]'.includes(before.text)) continue;
    return exchange(line, { from: token, to: next, by: found[1], why: found[2] });
  }
  return undefined;
}

/** `repeat 5:`, `elseif count > 3:`. */
function foreignHead(line: LogicalLine): ProgramProblem | undefined {
  const { tokens } = line;
  const [first, second] = tokens;
  const last = tokens.at(-1)!;
  const meant = first && Object.hasOwn(HEADS, first.text) ? HEADS[first.text] : undefined;
  if (!first || !meant || last.text !== ':' || second?.text === '=') return undefined;
  const given = tokens.slice(1, -1);
  if (given.length === 0 && !WITHOUT_MORE.has(first.text)) return undefined;
  const isInParentheses = given[0]?.text === '(' && given.at(-1)?.text === ')';
  const by = meant(textOf(isInParentheses ? given.slice(1, -1) : given));
  return exchange(line, { from: first, to: last, by, why: `Python has no word ${first.text}.` });
}

/** `for i in range 5:`, `for (i in range(5)):`, `for i = 0 to 5:`. */
function countingHead(line: LogicalLine): ProgramProblem | undefined {
  const { tokens } = line;
  const [first] = tokens;
  const last = tokens.at(-1)!;
  if (first?.text !== 'for' || last.text !== ':' || first.line !== last.line) return undefined;
  const text = textOf(tokens);
  const bare = /^for (\w+) in range (\w+(?:, ?\w+)*) ?:$/.exec(text);
  if (bare)
    return exchange(line, {
      from: tokens[3]!,
      to: tokens.at(-2)!,
      by: `range(${bare[2]})`,
      why: 'What a function is given goes in parentheses.',
    });
  const unjoined = /^for (\w+) (range ?\(.*\)) ?:$/.exec(text);
  if (unjoined)
    return exchange(line, {
      from: tokens[1]!,
      to: tokens[2]!,
      by: `${unjoined[1]} in range`,
      why: 'Between the name and what a for goes through stands the word in.',
    });
  const enclosed = /^for ?\( ?(\w+ in .+?) ?\) ?:$/.exec(text);
  if (enclosed)
    return exchange(line, {
      from: first,
      to: last,
      by: `for ${enclosed[1]}:`,
      why: 'No parentheses stand round what a for goes through.',
    });
  const counted = /^for (\w+) ?= ?(\w+) to (\w+) ?:$/.exec(text);
  if (!counted) return undefined;
  const [, name, from, to = ''] = counted;
  const end = /^\d+$/.test(to) ? String(Number(to) + 1) : `${to} + 1`;
  return exchange(line, {
    from: first,
    to: last,
    by: `for ${name} in range(${from === '0' ? '' : `${from}, `}${end}):`,
    why: 'A loop that counts is written with range.',
  });
}

/** `def blink:`. */
function headOfFunction({ tokens }: LogicalLine): ProgramProblem | undefined {
  const [first, name, colon] = tokens;
  if (first?.text !== 'def' || name?.kind !== 'word' || colon?.text !== ':' || tokens.length > 3)
    return undefined;
  const why = 'A function has parentheses after its name, even when nothing is in them.';
  return missing('syntax-paren', name, '()', why);
}

/** `time.sleep 0.5`: what a function is given without its parentheses. */
function bareCall(line: LogicalLine): ProgramProblem | undefined {
  const { tokens } = line;
  const given = tokens.at(-1);
  const named = tokens.slice(0, -1);
  const last = named.at(-1);
  const isName =
    named.length >= 3 && named.every(({ kind, text }, at) => (at % 2 === 0 ? kind === 'word' : text === '.'));
  if (!given || !last || !isName || given.kind === 'punctuation' || given.line !== last.line)
    return undefined;
  return parenthesesMissing(
    { name: textOf(named), given: given.text, length: given.endColumn - last.endColumn },
    { line: last.line, column: last.endColumn },
  );
}

/** An `else` with no block before it that it could go on from. */
function alone(lines: readonly LogicalLine[], index: number): ProgramProblem | undefined {
  const { tokens, indent } = lines[index]!;
  const [first, second] = tokens;
  const heads = first && Object.hasOwn(GOES_ON, first.text) ? GOES_ON[first.text] : undefined;
  if (!first || !heads || (first.text === 'else' && second?.text !== ':')) return undefined;
  const at = lines.slice(0, index).findLastIndex((line) => line.indent <= indent);
  const isHead = (line: LogicalLine): boolean => heads.includes(line.tokens[0]!.text);
  if (lines[at]?.indent === indent && isHead(lines[at])) return undefined;
  // One whose head stands further in is told by its column.
  if (lines.slice(at + 1, index).some(isHead)) return undefined;
  const { line } = first;
  return refusal(
    'syntax-other',
    first,
    `Line ${line}: this ${first.text} has no ${heads[0]} straight before it that begins in the same column.`,
    [
      `Which ${heads[0]} does the ${first.text} in line ${line} belong to?`,
      `Between that ${heads[0]} and line ${line}, nothing may begin in the same column.`,
      `Put the ${first.text} right behind the block of its ${heads[0]}, or remove it.`,
    ],
  );
}

const detectors: readonly Detector[] = [
  turnedSign,
  foreignHead,
  countingHead,
  headOfFunction,
  ...statementSlips,
  ...signSlips,
  bareCall,
];
