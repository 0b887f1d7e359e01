import type { Edit, Observation, TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { listText } from '../../words/words';

/** Wherever one of several pins is switched on, the others switched off. */
export interface OthersOff {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** A pin that is switched on: what it is called, and the first and last token of the statement. */
interface SwitchedOn {
  readonly pin: string;
  readonly first: Token;
  readonly last: Token;
  /** Whether it is all that belongs to a question, without braces. */
  readonly isAlone: boolean;
  /** The space before it where it begins its line. */
  readonly space: string;
}

/** Pins that are switched on and whose others are never switched off, made to take turns; none where some are. */
export function othersOff(source: string, language: Language): OthersOff | undefined {
  const isPython = language === 'python';
  const { on, off } = isPython ? inPython(source) : inCpp(source);
  const pins = [...new Set(on.map(({ pin }) => pin))];
  if (pins.length < 2 || pins.some((pin) => off.has(pin))) return undefined;
  const edits = on.flatMap(({ pin, first, last, isAlone, space }): readonly TextEdit[] => {
    const others = pins.filter((other) => other !== pin);
    const behind = { line: last.line, column: last.endColumn, length: 0 };
    if (isPython)
      return [{ ...behind, by: others.map((other) => `\n${space}${other}.value = False`).join('') }];
    const calls = others.map((other) => ` digitalWrite(${other}, LOW);`).join('');
    if (!isAlone) return [{ ...behind, by: calls }];
    return [
      { ...behind, by: `${calls} }` },
      { line: first.line, column: first.column, length: 0, by: '{ ' },
    ];
  });
  const lines = [...new Set(on.map(({ last }) => String(last.line)))];
  return {
    edits: edits.toSorted((one, other) => other.line - one.line || other.column - one.column),
    text: `Switch the others off wherever one is switched on: in ${lines.length > 1 ? 'lines' : 'line'} ${listText(lines)}.`,
  };
}

/** Whether edits are those that switch others off. */
const areOthersOff = (edits: readonly TextEdit[]): boolean =>
  edits.length > 1 &&
  edits.every(({ length, by }) => length === 0 && /^(?:\{ | digitalWrite\(.*LOW\);| *\n.*= False)/.test(by));

/** What was seen of a build in which several are switched on in turn and none is ever switched off. */
export function ofNeverOff(seen: Observation | undefined, edits: readonly Edit[]): Observation | undefined {
  const changes = edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
  if (!seen || !areOthersOff(changes)) return undefined;
  return {
    ...seen,
    line: Math.min(...changes.map(({ line }) => line)),
    column: 1,
    message: `${seen.message} The program switches several on, one after the other, and no line switches any of them off.`,
    hints: [
      'Which line switches off what was switched on before?',
      'A pin stays as it was set last, until a line sets it again.',
      'Wherever one is switched on, switch the others off.',
    ],
  };
}

interface Switches {
  readonly on: readonly SwitchedOn[];
  /** Pins that are switched off somewhere, or to a level that is worked out. */
  readonly off: ReadonlySet<string>;
}

function inCpp(source: string): Switches {
  const { tokens } = tokenize(source);
  const on: SwitchedOn[] = [];
  const off = new Set<string>();
  tokens.forEach((token, index) => {
    if (token.text !== 'digitalWrite') return;
    const [open, pin, comma, level, shut, end] = tokens.slice(index + 1, index + 7);
    const isPlain = open?.text === '(' && comma?.text === ',' && shut?.text === ')' && end?.text === ';';
    if (!pin) return;
    const before = tokens[index - 1]?.text ?? '';
    const isOn = isPlain && /^(?:HIGH|1|true)$/.test(level?.text ?? '');
    if (isOn)
      on.push({ pin: pin.text, first: token, last: end, isAlone: /^(?:\)|else)$/.test(before), space: '' });
    else off.add(pin.text);
  });
  return { on, off };
}

function inPython(source: string): Switches {
  const on: SwitchedOn[] = [];
  const off = new Set<string>();
  for (const { tokens, space } of pythonLines(source).lines) {
    const at = tokens.findIndex(({ text }, index) => text === 'value' && tokens[index + 1]?.text === '=');
    const [first, last] = [tokens[0], tokens.at(-1)];
    if (at < 2 || !first || !last) continue;
    const pin = tokens
      .slice(0, at - 1)
      .map(({ text }) => text)
      .join('');
    const isOn = tokens.length === at + 3 && last.text === 'True';
    if (isOn) on.push({ pin, first, last, isAlone: false, space });
    else off.add(pin);
  }
  return { on, off };
}
