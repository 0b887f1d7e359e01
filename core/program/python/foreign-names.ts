import type { Repair } from '../../findings/finding';
import { refusal, textRepair, type ProgramProblem } from '../problem';
import type { SyntaxNode } from '../syntax';

/** Names of the other language of the boards, what is written here instead, and whether that alone will do. */
const NAMES: Readonly<Record<string, readonly [instead: string, edit?: string]>> = {
  HIGH: ['True', 'True'],
  LOW: ['False', 'False'],
  NULL: ['None', 'None'],
  null: ['None', 'None'],
  nullptr: ['None', 'None'],
  delay: ['time.sleep(…), in seconds'],
  delayMicroseconds: ['time.sleep(…), in seconds'],
  millis: ['time.monotonic(), in seconds'],
  micros: ['time.monotonic(), in seconds'],
  pinMode: ['a pin object with its direction'],
  digitalWrite: ['the value of the pin object: led.value = True'],
  digitalRead: ['the value of the pin object: button.value'],
  analogRead: ['the value of an analogio.AnalogIn object'],
  analogWrite: ['the duty_cycle of a pwmio.PWMOut object'],
  tone: ['a pwmio.PWMOut object whose frequency is the tone'],
  noTone: ['the duty_cycle of the tone’s object, 0'],
  OUTPUT: ['digitalio.Direction.OUTPUT'],
  INPUT: ['digitalio.Direction.INPUT'],
  INPUT_PULLUP: ['a pull: button.pull = digitalio.Pull.UP'],
  Serial: ['print(…)'],
  random_seed: ['random.seed(…)'],
};

/** Names that no board has, each with what is meant. */
const MEANT: Readonly<Record<string, string>> = {
  ON: 'True',
  OFF: 'False',
  yes: 'True',
  no: 'False',
  println: 'print',
  printf: 'print',
  echo: 'print',
};

/** What is written here for a name of the other language, as a problem at its first use; none for other names. */
export function foreignName(
  name: string,
  uses: readonly { readonly line: number; readonly column: number }[],
  root: SyntaxNode,
): ProgramProblem | undefined {
  const [first] = uses;
  const own = Object.hasOwn(MEANT, name) ? MEANT[name] : undefined;
  const known = Object.hasOwn(NAMES, name) ? NAMES[name] : own && ([own, own] as const);
  if (!known || !first) return undefined;
  const [instead, edit] = known;
  const called = foreignCall(name, first, root);
  const repair = edit && {
    text: `Write ${edit} instead of ${name} in line ${first.line}${uses.length > 1 ? ' and wherever else it stands' : ''}.`,
    edits: [...uses]
      .sort((a, b) => b.line - a.line || b.column - a.column)
      .map(({ line, column }) => ({ replace: { line, column, length: name.length, by: edit } })),
  };
  return refusal(
    'name-unknown',
    first,
    own === undefined
      ? `Line ${first.line}: “${name}” belongs to C++. In Python it is ${instead}.`
      : `Line ${first.line}: “${name}” is not known here. It is written ${own}.`,
    [
      own === undefined
        ? `Which language is “${name}” in line ${first.line} from?`
        : `How is “${name}” written in an example?`,
      `Python does not know “${name}”; what it does is written in another way here.`,
      `Use ${instead} in line ${first.line}.`,
    ],
    (called ?? repair) || undefined,
  );
}

/** What a call of the other language is here, with what it is given: `delay(500)`, `digitalWrite(led, HIGH)`. */
function foreignCall(
  name: string,
  { line, column }: { readonly line: number; readonly column: number },
  root: SyntaxNode,
): Repair | undefined {
  const rest = (root.text.split('\n')[line - 1] ?? '').slice(column - 1);
  for (const [pattern, written] of CALLS) {
    const found = pattern.exec(rest);
    const by = found && rest.startsWith(name) ? written(found) : undefined;
    if (!found || by === undefined) continue;
    const text = `Write ${by} instead of ${found[0]} in line ${line}.`;
    return textRepair(text, { line, column, length: found[0].length, by });
  }
  return undefined;
}

/** A number of parts of a second in seconds. */
const inSeconds = (amount: string, parts: number): string =>
  String(Number((Number(amount) / parts).toPrecision(6)));

const CALLS: readonly (readonly [pattern: RegExp, written: (found: RegExpExecArray) => string])[] = [
  [/^delay\s*\(\s*(\d+(?:\.\d+)?)\s*\)/, ([, amount = '']) => `time.sleep(${inSeconds(amount, 1000)})`],
  [/^delayMicroseconds\s*\(\s*(\d+)\s*\)/, ([, amount = '']) => `time.sleep(${inSeconds(amount, 1e6)})`],
  [
    /^digitalWrite\s*\(\s*([A-Za-z_]\w*)\s*,\s*(HIGH|LOW|True|False|1|0)\s*\)/,
    ([, pin = '', level = '']) => `${pin}.value = ${/^(?:HIGH|True|1)$/.test(level) ? 'True' : 'False'}`,
  ],
  [/^digitalRead\s*\(\s*([A-Za-z_]\w*)\s*\)/, ([, pin = '']) => `${pin}.value`],
  [/^analogRead\s*\(\s*([A-Za-z_]\w*)\s*\)/, ([, pin = '']) => `${pin}.value`],
  [/^Serial\s*\.\s*print(?:ln)?(?=\s*\()/, () => 'print'],
];
