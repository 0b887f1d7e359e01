import type { Edit, Observation, TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { closing, isWritten } from './token-places';

/** A change about a moment that a program keeps so as to do something again after a while. */
export interface MomentEdit {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** A question about the clock: `millis() - last >= 500`, `time.monotonic() >= due`. */
interface Asked {
  /** The clock, as it is written in the question. */
  readonly now: readonly Token[];
  readonly name: Token;
  /** Whether the question is how long ago the moment was, or whether it has come. */
  readonly isAgo: boolean;
  /** What is done when it is met. */
  readonly body: readonly Token[];
  /** Where that begins: behind the brace, or behind the colon. */
  readonly opens: Token;
  /** The space before the lines of it. */
  readonly space: string;
  /** Where what runs over and over begins that it stands in, with all of that. */
  readonly loop:
    { readonly opens: Token; readonly body: readonly Token[]; readonly space: string } | undefined;
}

/** A moment that is taken somewhere: `last = millis();`. */
interface Taken {
  readonly name: string;
  readonly clock: readonly Token[];
  /** The last token of what it is set to; in C++ a semicolon follows. */
  readonly end: Token;
  readonly isAlone: boolean;
}

interface Clocks {
  readonly asked: readonly Asked[];
  readonly taken: readonly Taken[];
  /** Differences the wrong way round: from the moment's name to the end of the clock. */
  readonly turned: readonly { readonly name: Token; readonly clock: readonly Token[] }[];
}

/**
 * Moments that are not kept where what they are asked for is done, that are kept beside it, that are to come and are kept
 * as they are, and differences that are taken the wrong way round. `periods`: milliseconds that may be meant.
 */
export function momentsKept(
  source: string,
  language: Language,
  periods: readonly number[],
): readonly MomentEdit[] {
  const { asked, taken, turned } = language === 'python' ? inPython(source) : inCpp(source);
  const end = language === 'python' ? '' : ';';
  const put = ({ opens, space }: Pick<Asked, 'opens' | 'space'>, statement: string): MomentEdit => ({
    edits: [
      {
        line: opens.line,
        column: opens.endColumn,
        length: 0,
        by: language === 'python' ? `\n${space}${statement}` : ` ${statement}`,
      },
    ],
    text: `Add ${statement} after line ${opens.line}.`,
  });
  const lengths = periods.map((time) => String(language === 'python' ? time / 1000 : time));
  return [
    ...asked.flatMap((question): readonly MomentEdit[] => {
      const { now, name, isAgo, body } = question;
      if (isWritten(name.text, body)) return [];
      const clock = textOf(now);
      if (!isAgo) return lengths.map((length) => put(question, `${name.text} = ${clock} + ${length}${end}`));
      const beside = taken.find(
        (one) => one.name === name.text && one.isAlone && one.end.line > body.at(-1)!.line,
      );
      const added = put(question, `${name.text} = ${clock}${end}`);
      return [beside ? movedIn(added, beside, question, source) : added];
    }),
    ...asked.flatMap(({ isAgo, name, body }): readonly MomentEdit[] =>
      isAgo
        ? []
        : taken
            .filter((one) => one.name === name.text && body.includes(one.end))
            .flatMap((one) =>
              lengths.map((length) => ({
                edits: [{ line: one.end.line, column: one.end.endColumn, length: 0, by: ` + ${length}` }],
                text: `Add + ${length} to ${textOf(one.clock)} in line ${one.end.line}.`,
              })),
            ),
    ),
    ...asked.flatMap(({ now, loop }): readonly MomentEdit[] => {
      const [clock, more] = now;
      const before = taken.find((one) => one.name === clock!.text && !loop?.body.includes(one.end));
      if (more || !loop || !before || isWritten(clock!.text, loop.body)) return [];
      return [put(loop, `${clock!.text} = ${textOf(before.clock)}${end}`)];
    }),
    ...turned.map(({ name, clock }) => {
      const [was, by] = [`${name.text} - ${textOf(clock)}`, `${textOf(clock)} - ${name.text}`];
      const length = clock.at(-1)!.endColumn - name.column;
      return {
        edits: [{ line: name.line, column: name.column, length, by }],
        text: `Write ${by} instead of ${was} in line ${name.line}.`,
      };
    }),
  ];
}

/** A line that takes a moment, taken out where it stands and put where it is asked for. */
function movedIn(added: MomentEdit, { end }: Taken, { opens }: Asked, source: string): MomentEdit {
  const line = source.split('\n')[end.line - 1]!;
  return {
    edits: [{ line: end.line, column: 1, length: line.length + 1, by: '' }, ...added.edits],
    text: `Move line ${end.line} behind line ${opens.line}.`,
  };
}

/** What was seen of a build that asks the clock for a moment which it does not keep, where a repair keeps it. */
export function ofMoment(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const puts = edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
  const [only] = puts;
  const isLater = only && puts.length === 1 && only.length === 0 && LATER.test(only.by);
  if (seen && isLater && isBehindClock(only, source))
    return {
      ...seen,
      line: only.line,
      column: 1,
      message: `${seen.message} Line ${only.line} keeps the time as it is now, so there is nothing to wait for.`,
      hints: [
        `Which time does line ${only.line} keep, and when has it come?`,
        `Line ${only.line} keeps the time as it is now, and that has come already.`,
        `Keep a later time in line ${only.line}: now, plus the time to wait.`,
      ],
    };
  const added = puts.find(({ length, by }) => length === 0 && KEEPS.test(by));
  const name = added && KEEPS.exec(added.by)?.[1];
  if (!seen || !added || name === undefined || puts.length > 2 || !isOfClock(added.by, source))
    return undefined;
  const asks = source.split('\n')[added.line - 1] ?? '';
  // What is put in behind another question is no matter of this one.
  if (/^\s*if\b/.test(asks) && !new RegExp(`\\b${name}\\b`).test(asks)) return undefined;
  const opensLoop = /\bloop\s*\(|^\s*while\b/.test(asks);
  if (!/^\s*if\b/.test(asks) && !opensLoop) return undefined;
  if (opensLoop)
    return {
      ...seen,
      line: added.line,
      column: 1,
      message: `${seen.message} ${name} is set to the time only once, so it never moves on.`,
      hints: [
        `When does the program read the clock into ${name}?`,
        `${name} is set to the time once, and stays the same every time round.`,
        `Read the clock into ${name} every time round.`,
      ],
    };
  const moved = puts.find((put) => put !== added);
  if (moved)
    return {
      ...seen,
      line: moved.line,
      column: 1,
      message: `${seen.message} Line ${moved.line} sets ${name} every time round, so the check in line ${added.line} is never true.`,
      hints: [
        `When is ${name} set, and when should it be?`,
        `Line ${moved.line} sets ${name} every time round, whether the check in line ${added.line} is true or not.`,
        `Set ${name} only in the block of line ${added.line}.`,
      ],
    };
  return {
    ...seen,
    line: added.line,
    column: 1,
    message: `${seen.message} Line ${added.line} checks the clock against ${name}, but its block never sets ${name} again, so from then on the check is true every time.`,
    hints: [
      `What is in ${name} when line ${added.line} checks it the second time?`,
      `Nothing changes ${name} once the check in line ${added.line} is true, so it is true again at once.`,
      `Set ${name} again in the block of line ${added.line}.`,
    ],
  };
}

/** Whether what is kept is the time, as the clock or a variable that has it from the clock says it. */
const isOfClock = (by: string, source: string): boolean => {
  const [, held] = /= (\w+);?$/.exec(by) ?? [];
  return (
    held === undefined || new RegExp(`\\b${held}\\s*=\\s*(?:millis|time\\.monotonic)\\(\\)`).test(source)
  );
};

/** Whether what is put in stands right behind what the clock says. */
function isBehindClock({ line, column }: TextEdit, source: string): boolean {
  const before = (source.split('\n')[line - 1] ?? '').slice(0, column - 1);
  return (
    /\b(?:millis|time\.monotonic)\(\)$/.test(before) || (/= \w+$/.test(before) && isOfClock(before, source))
  );
}

const LATER = /^ \+ [\d.]+$/;
const KEEPS = /^(?: |\n\s*)(\w+) = (?:millis\(\)|time\.monotonic\(\)|\w+)(?: \+ [\d.]+)?;?$/;

const textOf = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join('');

/** The tokens of a clock that begins at an index: a call, or a variable that holds what one gave. */
function clockAt(tokens: readonly Token[], at: number, held: ReadonlySet<string>): readonly Token[] {
  for (const call of [
    ['millis', '(', ')'],
    ['time', '.', 'monotonic', '(', ')'],
  ])
    if (call.every((text, index) => tokens[at + index]?.text === text))
      return tokens.slice(at, at + call.length);
  const token = tokens[at];
  return token && held.has(token.text) && tokens[at - 1]?.text !== '.' ? [token] : [];
}

const ASKS = /^>=?$/;

/** The questions about a clock in the tokens of a condition, and the differences in it that are the wrong way round. */
function questionsIn(tokens: readonly Token[], held: ReadonlySet<string>) {
  const asked: { now: readonly Token[]; name: Token; isAgo: boolean }[] = [];
  const turned: { name: Token; clock: readonly Token[] }[] = [];
  tokens.forEach((token, at) => {
    const now = clockAt(tokens, at, held);
    const [sign, name, then] = tokens.slice(at + now.length, at + now.length + 3);
    if (now.length > 0 && name?.kind === 'word') {
      if (sign?.text === '-' && ASKS.test(then?.text ?? '')) asked.push({ now, name, isAgo: true });
      if (ASKS.test(sign?.text ?? '') && then?.text !== '+') asked.push({ now, name, isAgo: false });
    }
    const clock = token.kind === 'word' && tokens[at + 1]?.text === '-' ? clockAt(tokens, at + 2, held) : [];
    if (clock.length > 0 && ASKS.test(tokens[at + 2 + clock.length]?.text ?? ''))
      turned.push({ name: token, clock });
  });
  return { asked, turned };
}

/** Variables that are given what a clock says, and nothing more. */
const heldIn = (taken: readonly Taken[]): ReadonlySet<string> => new Set(taken.map(({ name }) => name));

function inCpp(source: string): Clocks {
  const { tokens } = tokenize(source);
  const takenIn = (known: ReadonlySet<string>) =>
    tokens.flatMap((token, index): readonly Taken[] => {
      const clock = token.text === '=' ? clockAt(tokens, index + 1, known) : [];
      const name = tokens[index - 1];
      if (clock.length === 0 || !name || tokens[index + 1 + clock.length]?.text !== ';') return [];
      const after = tokens[index + 2 + clock.length];
      const isAlone = name.startsLine && after?.line !== name.line;
      return [{ name: name.text, clock, end: clock.at(-1)!, isAlone }];
    });
  const held = heldIn(takenIn(new Set()));
  const taken = takenIn(held);
  const [asked, turned]: [Asked[], Clocks['turned'][number][]] = [[], []];
  const begins = tokens.findIndex(({ text }, index) => text === 'loop' && tokens[index + 1]?.text === '(');
  const opens = begins < 0 ? -1 : tokens.findIndex(({ text }, index) => index > begins && text === '{');
  const ends = opens < 0 ? undefined : closing(tokens, opens, '{', '}');
  const loop =
    ends === undefined ? undefined : { opens: tokens[opens]!, body: tokens.slice(opens, ends), space: '' };
  tokens.forEach(({ text }, index) => {
    if (text !== 'if') return;
    const head = closing(tokens, index + 1, '(', ')');
    const open = head === undefined ? undefined : tokens[head + 1];
    const tail = open?.text === '{' ? closing(tokens, head! + 1, '{', '}') : undefined;
    if (!open || head === undefined || tail === undefined) return;
    const found = questionsIn(tokens.slice(index + 2, head), held);
    const body = tokens.slice(head + 2, tail + 1);
    asked.push(...found.asked.map((one) => ({ ...one, body, opens: open, space: '', loop })));
    turned.push(...found.turned);
  });
  return { asked, taken, turned };
}

function inPython(source: string): Clocks {
  const { lines } = pythonLines(source);
  const takenIn = (known: ReadonlySet<string>) =>
    lines.flatMap(({ tokens }): readonly Taken[] => {
      const clock = tokens[1]?.text === '=' ? clockAt(tokens, 2, known) : [];
      return clock.length > 0 && tokens.length === 2 + clock.length
        ? [{ name: tokens[0]!.text, clock, end: clock.at(-1)!, isAlone: true }]
        : [];
    });
  const held = heldIn(takenIn(new Set()));
  const taken = takenIn(held);
  const [asked, turned]: [Asked[], Clocks['turned'][number][]] = [[], []];
  lines.forEach(({ tokens, indent }, index) => {
    if (tokens[0]?.text !== 'if' || tokens.at(-1)?.text !== ':') return;
    const end = lines.findIndex((line, at) => at > index && line.indent <= indent);
    const inside = lines.slice(index + 1, end < 0 ? undefined : end);
    const found = questionsIn(tokens.slice(1, -1), held);
    const body = inside.flatMap((line) => line.tokens);
    turned.push(...found.turned);
    const head = lines.findLastIndex(
      (line, at) => at < index && line.indent < indent && line.tokens[0]?.text === 'while',
    );
    const outer = lines[head];
    const past = outer ? lines.findIndex((line, at) => at > head && line.indent <= outer.indent) : -1;
    const within = outer ? lines.slice(head + 1, past < 0 ? undefined : past) : [];
    const loop = outer && {
      opens: outer.tokens.at(-1)!,
      body: within.flatMap((line) => line.tokens),
      space: within[0]!.space,
    };
    if (body.length > 0)
      asked.push(
        ...found.asked.map((one) => ({ ...one, body, opens: tokens.at(-1)!, space: inside[0]!.space, loop })),
      );
  });
  return { asked, taken, turned };
}
