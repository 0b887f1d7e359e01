import type { Edit, Observation } from '../../findings/finding';
import { quantity } from '../../findings/finding';
import type { Circuit } from '../../wiring/circuit';
import { partTextOf } from '../../wiring/words';
import { exchangeText } from './exchange-text';
import { TAKES_PIN } from './pin-functions';
import { partsBehind } from './pins-behind';

/** `const int LAMP = ` and `#define LAMP `, up to where the number stands. */
const DECLARATION =
  /^\s*(?:(?:static\s+|const\s+|constexpr\s+)*(?:int|byte|uint8_t|short|char|long)\s+(\w+)\s*=\s*|#define\s+(\w+)\s+)$/;

/**
 * The finding that the change of a pin's number is evidence of, where both are wired and the rules see no disagreement:
 * the program says one pin and means what is on another.
 */
export function findingOfPin(edit: Edit, source: string, circuit: Circuit): Observation | undefined {
  const { board } = circuit;
  if (!('replace' in edit) || !board) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const word = text.slice(column - 1, column - 1 + length);
  const before = text.slice(0, column - 1);
  const pinOf = (said: string): (typeof board.pins)[number] | undefined => {
    const number = numberGivenTo(said, source) ?? said;
    return board.pins.find((pin) => pin.name === number || String(pin.number) === number);
  };
  const [said, meant] = [pinOf(word), pinOf(by)];
  if (!said || !meant || said === meant || !circuit.wiredSignals.includes(meant.name)) return undefined;
  if (!standsForPin(before, source)) return undefined;
  const declared = DECLARATION.exec(before);
  const name = declared?.[1] ?? declared?.[2];
  const what = name === undefined ? 'uses' : `gives ${name}`;
  const [part] = partsBehind(circuit, meant.name);
  const there = part === undefined ? '' : `, where ${partTextOf(circuit.wiring, part)} is`;
  return {
    code: 'pin-disagrees',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} ${what} ${pinText(word, said)}, but on this wiring it has to be ${pinText(by, meant)}${there}.`,
    hints: [
      `Which pin does line ${line} name, and what is wired to that pin?`,
      `Line ${line} ${what} ${pinText(word, said)}. What it is about is wired to ${pinText(by, meant)}${there}.`,
      `Write ${by} instead of ${word} in line ${line}.`,
    ],
    evidence: { programPin: quantity(said.number, ''), wiredPin: quantity(meant.number, '') },
  };
}

/** The finding that the exchange of two pins is evidence of: each stands where the other belongs. */
export function findingOfExchange(
  edits: readonly Edit[],
  source: string,
  circuit: Circuit,
): Observation | undefined {
  const [only] = edits;
  if (edits.length === 1 && only) return findingOfOrder(only, source, circuit);
  const [second, first] = edits.map((edit) => ('replace' in edit ? edit.replace : undefined));
  if (edits.length !== 2 || !first || !second) return undefined;
  const wordAt = ({ line, column, length }: typeof first): string =>
    (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  const [one, other] = [wordAt(first), wordAt(second)];
  if (first.by !== other || second.by !== one || one === other) return undefined;
  // A bare number may be anything; a pin with a name of its own is one.
  const isPin = ({ line, column }: typeof first, word: string): boolean =>
    pinSaid(circuit, word) !== undefined &&
    (!/^\d+$/.test(word) || standsForPin((source.split('\n')[line - 1] ?? '').slice(0, column - 1), source));
  if (!isPin(first, one) || !isPin(second, other)) return undefined;
  const [here, there] = [one, other].map((said) => {
    const pin = pinSaid(circuit, said);
    return pin && partsBehind(circuit, pin.name)[0];
  });
  const wired =
    here && there && here !== there
      ? ` On pin ${one} is ${partTextOf(circuit.wiring, here)}, on pin ${other} ${partTextOf(circuit.wiring, there)}.`
      : '';
  const lines = first.line === second.line ? `line ${first.line}` : `lines ${first.line} and ${second.line}`;
  return {
    code: 'pin-disagrees',
    severity: 'fault',
    line: first.line,
    column: first.column,
    message: `The program has pins ${one} and ${other} in each other’s places, in ${lines}.${wired}`,
    hints: [
      `What is wired to pin ${one}, and what to pin ${other}? Compare with ${lines}.`,
      first.line === second.line
        ? `Line ${first.line} says ${one} and then ${other}; on this wiring it is the other way round.`
        : `Line ${first.line} says ${one} and line ${second.line} says ${other}; on this wiring it is the other way round.`,
      exchangeText(one, first.line, other, second.line),
    ],
  };
}

/** The finding that the exchange of two pins in one line is evidence of, as in a list of them. */
function findingOfOrder(edit: Edit, source: string, circuit: Circuit): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const there = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  const pinsIn = (text: string): readonly string[] =>
    (text.match(/\w+/g) ?? []).filter((word) => circuit.board?.pins.some(({ name }) => name === word));
  const [written, meant] = [pinsIn(there), pinsIn(by)];
  const others = written.filter((pin, index) => meant[index] !== pin);
  const [one, other] = others;
  const isOrder = [...written].sort().join() === [...meant].sort().join();
  const areWired = written.every((pin) => circuit.wiredSignals.includes(pin));
  if (one === undefined || other === undefined || others.length !== 2 || !isOrder || !areWired)
    return undefined;
  const before = (source.split('\n')[line - 1] ?? '').slice(0, column - 1 + there.indexOf(one));
  // A bare number may be anything; a pin with a name of its own is one.
  if (/^\d+$/.test(one) && !standsForPin(before, source)) return undefined;
  return {
    code: 'pin-disagrees',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} has pins ${one} and ${other} in each other’s places.`,
    hints: [
      `In which order does line ${line} name its pins, and in which order are the parts wired?`,
      `In line ${line}, ${one} stands where ${other} belongs, and the other way round.`,
      `Exchange ${one} and ${other} in line ${line}.`,
    ],
  };
}

/** The number that a program gives to a name: `const int TRIG = 7;`, `#define TRIG 7`. */
const numberGivenTo = (name: string, source: string): string | undefined =>
  /^[A-Za-z_]\w*$/.test(name)
    ? new RegExp(`\\b${name}\\s*=\\s*(\\w+)\\s*[,;]|#define\\s+${name}\\s+(\\w+)`)
        .exec(source)
        ?.slice(1)
        .find(Boolean)
    : undefined;

/** `pin 7`, or `TRIG (pin 7)` as a program calls it. */
const pinText = (
  said: string,
  { name, number }: { readonly name: string; readonly number: number | undefined },
): string => (said === name || said === String(number) ? `pin ${said}` : `${said} (pin ${name})`);

/** `byte LAMPS[] = {2, `, up to one of its numbers. */
const LIST = /\b(\w+)\s*(?:\[\s*\w*\s*\])?\s*=\s*[{[(][^{}[\]()]*$/;
/** `blink(3, `, up to one of its arguments, with what stands before the name. */
const ARGUMENT = /(?:\b([A-Z]\w*)\s+)?\b(\w+)\s*\(([^()]*)$/;

/** Whether a number that stands behind this text of its line is that of a pin, as far as the program shows. */
function standsForPin(before: string, source: string): boolean {
  const declared = DECLARATION.exec(before);
  const name = declared?.[1] ?? declared?.[2];
  if (name !== undefined) return isUsedAsPin(name, source);
  const list = LIST.exec(before)?.[1];
  if (list !== undefined) return isListOfPins(list, source);
  const [, type, called, earlier = ''] = ARGUMENT.exec(before) ?? [];
  if (called === undefined) return false;
  const at = earlier.split(',').length - 1;
  // What an object of the library is made with are its pins.
  if (type !== undefined || /^[A-Z]\w*[a-z]/.test(called)) return true;
  if (TAKES_PIN.test(called)) return at === 0;
  const parameter = parametersOf(called, source)[at];
  return parameter !== undefined && isUsedAsPin(parameter, source);
}

/** Whether what a list holds is used as pins: one by one, or by a loop over it. */
function isListOfPins(list: string, source: string): boolean {
  if (isUsedAsPin(list, source)) return true;
  const items = [
    ...source.matchAll(new RegExp(`\\b(\\w+)\\s*(?::|=|\\bin\\b)\\s*${list}\\b`, 'g')),
    // Handed over to a function that takes the list.
    ...(source.match(new RegExp(`\\b\\w+\\s*\\([^()]*\\b${list}\\s*[,)]`, 'g')) ?? []).flatMap((call) => {
      const [called, all] = call.split('(') as [string, string];
      const at = all.split(',').findIndex((one) => one.replace(')', '').trim() === list);
      const parameter = parametersOf(called.trim(), source)[at];
      return parameter === undefined || parameter === list ? [] : [[call, parameter]];
    }),
  ];
  return items.some(([, item]) => item !== list && isUsedAsPin(item!, source));
}

/** The names of a function's parameters, in their order; none where it is not the program's own. */
function parametersOf(name: string, source: string): readonly string[] {
  const head = new RegExp(`\\b${name}\\s*\\(([^()]*)\\)\\s*[{:]`).exec(source)?.[1] ?? '';
  return head.split(',').map((one) => /(\w+)\s*(?:\[\s*\])?\s*(?:=.*)?$/.exec(one.trim())?.[1] ?? '');
}

/** The pin that a word of a program is, by its name or its number: `D6`, `board.D6`, `6`. */
const pinSaid = ({ board }: Circuit, word: string): { readonly name: string } | undefined =>
  board?.pins.find(({ name, number }) => name === word.replace(/^board\./, '') || String(number) === word);

/** Whether a name stands where a function takes a pin. */
const isUsedAsPin = (name: string, source: string): boolean =>
  [...source.matchAll(/\b(\w+)\s*\(\s*(\w+)\b/g)].some(
    ([, called, argument]) => argument === name && TAKES_PIN.test(called!),
  );
