import { findPin, type BoardProfile } from '../../boards';
import { namedChildren, nodesIn, type SyntaxNode } from '../../program/syntax';
import { calledIn } from './python-calls';
import { lastLineOf, lineOf } from './words';

/** What a pin object is for. */
export type PinUse = 'digital' | 'analog' | 'pwm';

/** What the names of a Python program stand for, as far as it is known before it runs. */
export interface PythonFacts {
  /** Pin objects by their names. */
  readonly pins: ReadonlyMap<string, { readonly pin: string; readonly use: PinUse }>;
  /** The pin that an expression names: `board.D13`. */
  readonly pinOf: (node: SyntaxNode | undefined) => string | undefined;
  /** The number that an expression always has. */
  readonly valueOf: (node: SyntaxNode | undefined) => number | undefined;
  readonly functions: ReadonlyMap<
    string,
    { readonly parameters: readonly string[]; readonly from: number; readonly to: number }
  >;
  /** Whether an expression is the clock, or a variable that gets it wherever it is set. */
  readonly isClock: (node: SyntaxNode) => boolean;
  /** The pin whose level an expression gives: `button.value`, or a variable that gets it. */
  readonly levelOf: (node: SyntaxNode) => string | undefined;
}

const uses: Readonly<Record<string, PinUse>> = { DigitalInOut: 'digital', AnalogIn: 'analog', PWMOut: 'pwm' };

/** Reads what every name of a program stands for. */
export function pythonFacts(root: SyntaxNode, board: BoardProfile): PythonFacts {
  const all = nodesIn(root);
  const assigned = new Map<string, (SyntaxNode | undefined)[]>();
  for (const node of all) {
    if (node.type !== 'assignment' && node.type !== 'augmented_assignment') continue;
    const name = node.childForFieldName('left')!.text;
    const value = node.type === 'assignment' ? (node.childForFieldName('right') ?? undefined) : undefined;
    assigned.set(name, [...(assigned.get(name) ?? []), value]);
  }
  const onlyValue = (name: string): SyntaxNode | undefined => {
    const values = assigned.get(name) ?? [];
    return values.length === 1 ? values[0] : undefined;
  };

  const valueOf: PythonFacts['valueOf'] = (node) => {
    if (!node) return undefined;
    if (node.type === 'integer' || node.type === 'float') return Number(node.text.replace(/_/g, ''));
    if (node.type === 'identifier') {
      const value = onlyValue(node.text);
      return value && value.type !== 'identifier' ? valueOf(value) : undefined;
    }
    return undefined;
  };
  const pinOf: PythonFacts['pinOf'] = (node) => {
    if (!node) return undefined;
    const given = node.type === 'identifier' ? (onlyValue(node.text) ?? node) : node;
    const name = /^board\.(\w+)$/.exec(given.text)?.[1];
    if (name === undefined) return undefined;
    if (name === 'LED') return board.onBoard[0]?.pin;
    return findPin(board, name.replace(/^D(?=\d)/, ''))?.name ?? findPin(board, name)?.name;
  };

  const pins = new Map<string, { readonly pin: string; readonly use: PinUse }>();
  for (const [name, values] of assigned)
    for (const value of values) {
      const call = value?.type === 'call' ? calledIn(value) : undefined;
      const use = call && uses[call.name];
      const pin = call && pinOf(call.values[0] ?? call.named.get('pin'));
      if (use && pin !== undefined) pins.set(name, { pin, use });
    }

  const functions = new Map(
    all.flatMap((node) =>
      node.type === 'function_definition'
        ? [
            [
              node.childForFieldName('name')!.text,
              {
                parameters: namedChildren(node.childForFieldName('parameters')!).map(
                  (parameter) => parameter.childForFieldName('name')?.text ?? parameter.text,
                ),
                from: lineOf(node),
                to: lastLineOf(node),
              },
            ] as const,
          ]
        : [],
    ),
  );
  const isAlways = (name: string, test: (value: SyntaxNode) => boolean): boolean => {
    const values = (assigned.get(name) ?? []).filter(
      (value) => value?.text !== '0' && !/^(True|False)$/.test(value?.text ?? ''),
    );
    return values.length > 0 && values.every((value) => value !== undefined && test(value));
  };
  const isClockCall = (node: SyntaxNode): boolean => /^(time\.)?monotonic\(\)$/.test(node.text);
  const levelAt = (node: SyntaxNode): string | undefined => {
    const owner =
      node.type === 'attribute' && node.childForFieldName('attribute')!.text === 'value'
        ? pins.get(node.childForFieldName('object')!.text)
        : undefined;
    return owner?.use === 'digital' ? owner.pin : undefined;
  };
  return {
    pins,
    pinOf,
    valueOf,
    functions,
    isClock: (node) => isClockCall(node) || (node.type === 'identifier' && isAlways(node.text, isClockCall)),
    levelOf: (node) => {
      if (node.type !== 'identifier') return levelAt(node);
      const first = (assigned.get(node.text) ?? [])
        .map((value) => value && levelAt(value))
        .find((pin) => pin !== undefined);
      return first !== undefined && isAlways(node.text, (value) => levelAt(value) === first)
        ? first
        : undefined;
    },
  };
}
