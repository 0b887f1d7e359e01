import { ref as makeRef } from '../../brand';
import type { PinDrive } from '../../electrics/bench';
import { quantity, type Edit, type Observation } from '../../findings/finding';
import { kindOf } from '../../parts';
import type { Trace } from '../../rehearsal/trace';
import { seconds } from '../../units';
import { pinsBehind } from './pins-behind';
import { exchangeText } from './exchange-text';
import { isWord } from './exchanged-words';
import { BREAK, inOtherUnits, STATIC, THOUSAND } from './put-in';
import { openCases, tokensOf } from './token-places';
import type { Circuit } from '../../wiring/circuit';

/** What the pauses of the two languages count in, with how many of the other's units that is. */
const PAUSE = /\b(delay|sleep)\s*\(\s*$/;

/** The finding that a pause made a thousand times longer or shorter by a repair is evidence of. */
export function findingOfUnits(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const call = PAUSE.exec(text.slice(0, column - 1))?.[1];
  const word = text.slice(column - 1, column - 1 + length);
  const [written, meant] = [Number(word), Number(by)];
  if (call === undefined || word === '') return undefined;
  const isOfSeconds = call === 'sleep';
  if (by === inOtherUnits(word, isOfSeconds)) return ofNamedTime(call, word, by, { line, column });
  if (!(written > 0)) return undefined;
  const isThousandfold = Math.abs((isOfSeconds ? written / meant : meant / written) - THOUSAND) < 1e-6;
  if (!isThousandfold) return undefined;
  const [unit, other] = isOfSeconds ? ['seconds', 'milliseconds'] : ['milliseconds', 'seconds'];
  const lasts = seconds(isOfSeconds ? written : written / THOUSAND);
  return {
    code: 'timing-off',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} waits ${lasts}: ${call} counts in ${unit}, and ${word} looks like ${other}.`,
    hints: [
      `In which unit does ${call} count?`,
      `${call}(${word}) in line ${line} waits ${lasts}.`,
      `Write ${by} instead of ${word} in line ${line}.`,
    ],
    evidence: { waitsS: quantity(isOfSeconds ? written : written / THOUSAND, 's') },
  };
}

function ofNamedTime(
  call: string,
  name: string,
  by: string,
  place: { readonly line: number; readonly column: number },
): Observation {
  const [unit, other] = call === 'sleep' ? ['seconds', 'milliseconds'] : ['milliseconds', 'seconds'];
  return {
    code: 'timing-off',
    severity: 'fault',
    ...place,
    message: `Line ${place.line}: ${call} counts in ${unit}, and what is in ${name} looks like ${other}.`,
    hints: [
      `In which unit does ${call} count, and in which is ${name}?`,
      `What is given to ${call} in line ${place.line} is ${name}, as it is.`,
      `Write ${by} instead of ${name} in line ${place.line}.`,
    ],
  };
}

/** The finding that a variable made to remember by a repair is evidence of. */
export function findingOfStatic(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit) || edit.replace.by !== STATIC) return undefined;
  const { line, column } = edit.replace;
  const text = (source.split('\n')[line - 1] ?? '').slice(column - 1);
  const [, name, value] = /(\w+)\s*=\s*(\w+|"[^"]*")\s*;/.exec(text) ?? [];
  if (name === undefined) return undefined;
  return {
    code: 'state-reset',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} sets ${name} back to ${value} every time round loop, so what the program put there before is lost.`,
    hints: [
      `What value does ${name} have when loop starts again?`,
      `${name} is declared inside loop in line ${line}, so it starts afresh every time.`,
      `Move line ${line} to the top of the program, above setup.`,
    ],
  };
}

/** What was seen of a build, said of the case or the loop without an end that a repair mends. */
export function ofNoBreak(seen: Observation, edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit) || edit.replace.length > 0 || edit.replace.by.trim() !== BREAK.trim())
    return undefined;
  const { line, column } = edit.replace;
  const isOfCase = openCases(tokensOf(source, 'cpp')).some(
    (end) => end.line === line && end.endColumn === column,
  );
  const place = { ...seen, line, column };
  if (!isOfCase)
    return {
      ...place,
      message: `${seen.message} After line ${line} the loop goes on, though it should be over there.`,
      hints: [
        `What does the program do after line ${line}: does it leave the loop?`,
        `Without a break the loop goes on after line ${line}.`,
        `Add break; after line ${line}.`,
      ],
    };
  return {
    ...place,
    message: `${seen.message} The case that ends in line ${line} has no break, so the next one is done as well.`,
    hints: [
      `What does the program do after line ${line}: does it leave the switch?`,
      `Without a break the program goes on from line ${line} into the next case.`,
      `Add break; at the end of line ${line}.`,
    ],
  };
}

/** What was seen of a build, said of the line that a repair moves to where it belongs. */
export function ofMovedLine(seen: Observation, edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line: first, column, by } = edit.replace;
  const meant = by.split('\n');
  const there = source.split('\n').slice(first - 1, first - 1 + meant.length);
  const sameLines = (one: readonly string[], other: readonly string[]): boolean =>
    [...one].sort().join('\n') === [...other].sort().join('\n');
  const trimmed = (lines: readonly string[]): readonly string[] => lines.map((one) => one.trim());
  const isMoved = column === 1 && meant.length > 1 && sameLines(trimmed(meant), trimmed(there));
  if (!isMoved) return undefined;
  const last = first + meant.length - 1;
  // Of two lines that change places, the one that begins otherwise there is the one that is moved.
  const other = meant.find((text) => !there.includes(text))?.trim();
  const isLate =
    meant[0]!.trim() === there.at(-1)!.trim() && (other === undefined || other === meant[0]!.trim());
  if (!sameLines(meant, there)) return ofOtherBlock(seen, isLate, first, there);
  const [line, where] = isLate ? [last, `before line ${first}`] : [first, `behind line ${last}`];
  return {
    ...seen,
    line,
    column: 1,
    message: `${seen.message} Line ${line} comes too ${isLate ? 'late' : 'early'}: it belongs ${where}.`,
    hints: [
      `In which order does the program do what stands in lines ${first} to ${last}?`,
      `Line ${line} is done ${isLate ? 'after' : 'before'} what has to wait for it.`,
      `Move line ${line} ${where}.`,
    ],
  };
}

/** What was seen of a build, said of two words that stand in each other's places and are no pins. */
export function ofExchangedWords(
  seen: Observation,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const [second, first, more] = edits.map((edit) => ('replace' in edit ? edit.replace : undefined));
  if (!first || !second || more) return undefined;
  const lines = source.split('\n');
  const [one, other] = [first, second].map(({ line, column, length }) =>
    (lines[line - 1] ?? '').slice(column - 1, column - 1 + length),
  ) as [string, string];
  if (!isWord(one) || !isWord(other) || first.by !== other || second.by !== one) return undefined;
  const places =
    first.line === second.line
      ? `${one} and ${other} in line ${first.line}`
      : `${one} in line ${first.line} and ${other} in line ${second.line}`;
  return {
    ...seen,
    line: first.line,
    column: first.column,
    message: `${seen.message} ${places} are in each other’s places.`,
    hints: [
      `What are ${places} for?`,
      `${places} are in each other’s places.`,
      exchangeText(one, first.line, other, second.line),
    ],
  };
}

/** What was seen, said of a line that belongs into the loop that it stands before, or out of it. */
function ofOtherBlock(
  seen: Observation,
  isLate: boolean,
  first: number,
  there: readonly string[],
): Observation {
  const last = first + there.length - 1;
  const [line, where] = isLate ? [last, `before line ${first}`] : [first, `behind line ${last}`];
  const isLoop = there.some((text) => /^\s*(?:while|for)\b.*:/.test(text));
  const runs = isLoop
    ? isLate
      ? 'runs every time round the loop'
      : 'runs before the loop, and not again in it'
    : 'stands in the wrong block';
  return {
    ...seen,
    line,
    column: 1,
    message: `${seen.message} Line ${line} ${runs}: it belongs ${where}.`,
    hints: [
      `When does line ${line} run, and how often?`,
      `Line ${line} ${runs}.`,
      `Move line ${line} ${where}, with as many spaces before it as its new neighbours have.`,
    ],
  };
}

/** The finding that a pull-up switched on by a repair is evidence of, where no run has read the pin while it floats. */
export function findingOfPullUp(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit) || edit.replace.by !== 'INPUT_PULLUP') return undefined;
  const { line, column, length } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const pin = /(\w+)\s*,\s*$/.exec(text.slice(0, column - 1))?.[1];
  if (pin === undefined || length === 0) return undefined;
  const was = text.slice(column - 1, column - 1 + length);
  const place = { code: 'pullup-unset', severity: 'fault', line, column } as const;
  if (was === 'OUTPUT')
    return {
      ...place,
      message: `Line ${line} makes pin ${pin} an output. The board itself then sets its level, and the program reads that instead of the button.`,
      hints: [
        `Which way does the signal on pin ${pin} go, out of the board or into it?`,
        `Pin ${pin} is read, so it has to be an input. Line ${line} makes it an output.`,
        `Write INPUT_PULLUP instead of OUTPUT in line ${line}.`,
      ],
    };
  return {
    ...place,
    message: `Line ${line} makes pin ${pin} an input without its pull-up, so nothing holds the pin high while the button is open.`,
    hints: [
      `What level does pin ${pin} have while the button is not pressed?`,
      `The button only joins pin ${pin} to ground. Line ${line} leaves the pull-up of pin ${pin} off.`,
      `Write INPUT_PULLUP instead of ${was} in line ${line}.`,
    ],
  };
}

/**
 * What was seen of a build, said of the line that a change of it mends: where to look, and what the line did there
 * first.
 */
export function atItsLine(
  seen: Observation,
  edit: Edit | undefined,
  traces: readonly Trace[],
  source: string,
): Observation {
  if (!edit || !('replace' in edit)) return seen;
  const { line, column, length, by } = edit.replace;
  const [question, pointer, remedy] = seen.hints;
  // What has a line of its own says more.
  if (seen.line !== undefined && seen.code !== 'pin-disagrees') {
    const before = (source.split('\n')[line - 1] ?? '').slice(0, column - 1);
    const isSaid = length > 0 || seen.code === 'missed-input' || /[(,]\s*$/.test(before);
    const unchanged = isSaid ? undefined : unchangedBy(by, source);
    return unchanged === undefined ? seen : said(seen, ` ${unchanged}`, undefined);
  }
  if (length === 0) {
    // What begins or ends a line stands between two.
    const text = source.split('\n')[line - 1] ?? '';
    const isOwnLine = by.includes('\n') || /;\s*$/.test(by) || column > text.trimEnd().length;
    const isAtItsEnd = !by.includes('\n') && !/;\s*$/.test(by);
    const where = !isOwnLine
      ? `in line ${line}`
      : isAtItsEnd
        ? `at the end of line ${line}`
        : `after line ${column === 1 ? line - 1 : line}`;
    const missing = unchangedBy(by, source) ?? `Something is missing ${where}.`;
    return {
      ...seen,
      line,
      column,
      message: `${seen.message} ${missing}`,
      hints: [question!, `${pointer} ${missing}`, remedy!],
    };
  }
  const deed = firstDeedOf(line, traces);
  return {
    ...seen,
    line,
    column,
    message: `${seen.message} Look at line ${line}${deed ? `: ${deed}` : ''}.`,
    hints: [question!, `${pointer} It comes from line ${line}.`, remedy!],
  };
}

/** What changes faster than an eye sees, said of a change that is not one of a pause: none is missing. */
export function withoutPause(seen: Observation): Observation {
  if (seen.code !== 'missing-pause') return seen;
  const { severity, refs, evidence } = seen;
  const [what] = seen.message.split(': ');
  const [question, pointer] = seen.hints;
  return {
    code: 'timing-off',
    severity,
    ...(refs ? { refs } : {}),
    ...(evidence ? { evidence } : {}),
    message: `${what}.`,
    hints: [question!, pointer!, 'Find what runs there although it should not.'],
  };
}

/** That a variable keeps its first value, where what is put in is the only line that gives it another one. */
function unchangedBy(by: string, source: string): string | undefined {
  const name = /^\s*([A-Za-z_]\w*)\s*(?:[-+*/]?=(?!=)|\+\+|--)/.exec(by)?.[1];
  if (name === undefined) return undefined;
  const changes = [
    ...source.matchAll(new RegExp(`(?:\\+\\+|--)?\\b${name}\\b\\s*(?:[-+*/%|&]?=(?!=)|\\+\\+|--)`, 'g')),
  ];
  // Once it is made, with its first value.
  return changes.length <= 1 && changes.every(({ index }) => isMadeOnce(source, index))
    ? `${name} keeps its first value: no line changes it.`
    : undefined;
}

/** Whether what stands at a place of a program is made once, and not anew each time that a block is come to. */
function isMadeOnce(source: string, index: number): boolean {
  const before = source.slice(0, index);
  const line = before.slice(before.lastIndexOf('\n') + 1);
  const isInBlock = before.split('{').length > before.split('}').length || /^\s/.test(line);
  return !isInBlock || /\bstatic\b/.test(line);
}

/** What a line does to a pin first: `at 0.40 s it makes pin 7 LOW`. */
function firstDeedOf(line: number, traces: readonly Trace[]): string | undefined {
  for (const { pins } of traces) {
    const [first] = [...pins]
      .flatMap(([pin, changes]) =>
        changes.flatMap((change) => (change.line === line ? [{ pin, ...change }] : [])),
      )
      .sort((a, b) => a.at - b.at);
    const level = first && LEVELS[first.drive.mode];
    if (level) return `at ${seconds(first.at)} it makes pin ${first.pin} ${level}`;
  }
  return undefined;
}

/** From how long before the end nothing changes, so that it is worth saying; seconds. */
const LASTING = 1;

/**
 * What was seen of a part, said of the line that sets its pin last, or of the lack of one, and of a program that is
 * over: for what no change of one place mends.
 */
export function atItsLastLine(seen: Observation, circuit: Circuit, trace: Trace | undefined): Observation {
  const [ref] = seen.refs ?? [];
  const part = ref === undefined ? undefined : circuit.part(makeRef(ref));
  if (!trace || !part || seen.line !== undefined || kindOf(part.kind).observed === undefined) return seen;
  const over = trace.ended.reason === 'finished' ? ` The program is over at ${seconds(trace.ended.at)}.` : '';
  const pins = pinsBehind(circuit, part.ref);
  const [pin] = pins;
  if (pin === undefined) return seen;
  const until = seen.evidence?.['untilS']?.amount ?? trace.seconds;
  const changes = pins
    .flatMap((name) => (trace.pins.get(name) ?? []).map((change) => ({ name, ...change })))
    .filter(({ line }) => line > 0)
    .sort((one, other) => one.at - other.at);
  // What comes after what was looked at has no part in it.
  const last = changes.filter(({ at }) => at <= until).at(-1);
  if (changes.length === 0) {
    const never = ` No line of the program ever sets pin ${pin}.`;
    return said(seen, `${never}${over}`, undefined);
  }
  const level = last && LEVELS[last.drive.mode];
  if (!last || !level || until - last.at < LASTING) return seen;
  const stays = changes.at(-1) === last ? 'after that' : `until ${seconds(until)}`;
  return said(
    seen,
    ` Line ${last.line} makes pin ${last.name} ${level} at ${seconds(last.at)}, and no line changes it ${stays}.${over}`,
    last.line,
  );
}

function said(seen: Observation, more: string, line: number | undefined): Observation {
  const [question, pointer, remedy] = seen.hints;
  return {
    ...seen,
    ...(line === undefined ? {} : { line, column: 1 }),
    message: `${seen.message}${more}`,
    hints: [question!, `${pointer}${more}`, remedy!],
  };
}

const LEVELS: Readonly<Partial<Record<PinDrive['mode'], string>>> = { high: 'HIGH', low: 'LOW' };
