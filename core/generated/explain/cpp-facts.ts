import { findPin, pinByNumber, type BoardProfile } from '../../boards';
import { namedChildren, nodesIn, type SyntaxNode } from '../../program/syntax';
import { lastLineOf, lineOf } from './words';

/** A function of the program itself. */
export interface OwnFunction {
  readonly parameters: readonly string[];
  readonly from: number;
  readonly to: number;
}

/** What the names of a C++ program stand for, as far as it is known before it runs. */
export interface CppFacts {
  /** The number that an expression always has. */
  readonly valueOf: (node: SyntaxNode) => number | undefined;
  /** The pins that an expression may mean, in the order of its list; empty when that is not known. */
  readonly pinsOf: (node: SyntaxNode, how?: 'analog') => readonly string[];
  /** Whether a name is used as a pin. */
  readonly isPin: (name: string) => boolean;
  /** The number that a name always stands for. */
  readonly constants: ReadonlyMap<string, number>;
  readonly lists: ReadonlyMap<string, readonly number[]>;
  readonly functions: ReadonlyMap<string, OwnFunction>;
  /** Variables that hold true or false. */
  readonly booleans: ReadonlySet<string>;
  /** Class of each object of the library. */
  readonly objects: ReadonlyMap<string, string>;
  /** Pins that servos were attached to, by the name of the object or of its array. */
  readonly attached: ReadonlyMap<string, readonly string[]>;
  /** The pin whose level a variable gets wherever it is set. */
  readonly levelOf: (name: string) => string | undefined;
  /** The clock that an expression tells: itself, or a variable that gets it wherever it is set. */
  readonly clockOf: (node: SyntaxNode) => Clock | undefined;
}

export type Clock = 'millis' | 'micros';

/** How many of the first values of these functions are pins. */
const pinTakers: Readonly<Record<string, number>> = {
  pinMode: 1,
  digitalWrite: 1,
  digitalRead: 1,
  analogWrite: 1,
  analogRead: 1,
  tone: 1,
  noTone: 1,
  pulseIn: 1,
  shiftOut: 2,
  attach: 1,
  digitalPinToInterrupt: 1,
};

const classes: ReadonlySet<string> = new Set(['Servo', 'LiquidCrystal_I2C', 'LedControl']);

/** A call's name: `tone`, or `attach` of `gate.attach`, with the object it is called on. */
export function calledIn(call: SyntaxNode): {
  readonly name: string;
  readonly object: SyntaxNode | undefined;
  readonly values: readonly SyntaxNode[];
} {
  const callee = call.childForFieldName('function')!;
  const values = namedChildren(call.childForFieldName('arguments')!);
  return callee.type === 'field_expression'
    ? {
        name: callee.childForFieldName('field')!.text,
        object: callee.childForFieldName('argument')!,
        values,
      }
    : { name: callee.text, object: undefined, values };
}

/** The name at the bottom of `flags`, `flags[i]`. */
export const baseName = (node: SyntaxNode): string =>
  node.type === 'subscript_expression' ? baseName(node.childForFieldName('argument')!) : node.text;

/** Reads what every name of a program stands for. */
export function cppFacts(root: SyntaxNode, board: BoardProfile): CppFacts {
  const all = nodesIn(root);
  const constants = new Map<string, number>();
  const lists = new Map<string, readonly number[]>();
  const objects = new Map<string, string>();
  const booleans = new Set<string>();
  const functions = new Map<string, OwnFunction>();
  const fixed = new Map<string, number>([
    ...Object.entries(board.names),
    ['HIGH', 1],
    ['LOW', 0],
    ['true', 1],
    ['false', 0],
  ]);

  const valueOf = (node: SyntaxNode): number | undefined => {
    switch (node.type) {
      case 'number_literal':
        return literal(node.text);
      case 'identifier':
      case 'true':
      case 'false':
        return constants.get(node.text) ?? fixed.get(node.text) ?? binary(node.text);
      case 'parenthesized_expression':
        return valueOf(namedChildren(node)[0]!);
      case 'unary_expression': {
        const value = valueOf(node.childForFieldName('argument')!);
        return node.childForFieldName('operator')?.text === '-' && value !== undefined ? -value : undefined;
      }
      case 'binary_expression': {
        const [left, right] = [node.childForFieldName('left')!, node.childForFieldName('right')!].map(
          valueOf,
        );
        return left === undefined || right === undefined
          ? undefined
          : arithmetic(left, node.childForFieldName('operator')!.text, right);
      }
      default:
        return undefined;
    }
  };

  // A name that is set again, or that means something else in a function, stands for nothing certain.
  const changed = new Set(
    all.flatMap((node) => {
      const target =
        node.type === 'assignment_expression'
          ? node.childForFieldName('left')
          : node.type === 'update_expression' || node.type === 'pointer_expression'
            ? node.childForFieldName('argument')
            : node.type === 'parameter_declaration'
              ? node.childForFieldName('declarator')
              : null;
      return target ? [baseName(target)] : [];
    }),
  );
  const declarations = all.filter(({ type }) => type === 'declaration').flatMap(declaredIn);
  for (const [index, { name }] of declarations.entries())
    if (declarations.findIndex((one) => one.name === name) < index) changed.add(name);
  for (const node of all) {
    if (node.type === 'preproc_def') {
      const name = node.childForFieldName('name')!.text;
      const written = node.childForFieldName('value')?.text.trim() ?? '';
      const value = literal(written) ?? fixed.get(written);
      if (value !== undefined) constants.set(name, value);
    }
    if (node.type === 'function_definition') {
      const head = node.childForFieldName('declarator')!;
      functions.set(head.childForFieldName('declarator')?.text ?? '', {
        parameters: namedChildren(head.childForFieldName('parameters') ?? head).flatMap((parameter) => {
          const name = parameter.childForFieldName('declarator');
          return name ? [name.text.replace(/^[&*]\s*/, '')] : [];
        }),
        from: lineOf(node),
        to: lastLineOf(node),
      });
    }
    if (node.type !== 'declaration') continue;
    const type = node.childForFieldName('type')?.text ?? '';
    for (const { name, value } of declaredIn(node)) {
      if (classes.has(type)) objects.set(name, type);
      if (/^bool(ean)?$/.test(type)) booleans.add(name);
      // What is never set again is as good as a constant.
      if (changed.has(name) || !value) continue;
      const number = valueOf(value);
      if (number !== undefined) constants.set(name, number);
      if (value.type === 'initializer_list') {
        const numbers = namedChildren(value).map(valueOf);
        if (numbers.every((one) => one !== undefined)) lists.set(name, numbers);
      }
    }
  }

  const pinsOf: CppFacts['pinsOf'] = (node, how) => {
    const numbers =
      node.type === 'subscript_expression'
        ? (lists.get(baseName(node)) ?? [])
        : [valueOf(node)].filter((value) => value !== undefined);
    return numbers.flatMap((number) => {
      const channel = how === 'analog' ? findPin(board, `A${number}`) : undefined;
      return (channel ?? pinByNumber(board, number))?.name ?? [];
    });
  };

  const calls = all.filter(({ type }) => type === 'call_expression').map(calledIn);
  const pinNames = new Set(
    calls.flatMap(({ name, values }) => values.slice(0, pinTakers[name] ?? 0).map(baseName)),
  );
  const attached = new Map<string, readonly string[]>();
  for (const { name, object, values } of calls)
    if (name === 'attach' && object && values[0]) attached.set(baseName(object), pinsOf(values[0]));

  const levels = new Map<string, string | undefined>();
  const clocks = new Map<string, Clock | undefined>();
  const clockCalled = (node: SyntaxNode | null): Clock | undefined => {
    const name = node?.type === 'call_expression' ? calledIn(node).name : '';
    return name === 'millis' || name === 'micros' ? name : undefined;
  };
  const sets = (name: string, value: SyntaxNode | null): void => {
    // What it begins with says nothing of what it is for.
    if (value && /^(HIGH|LOW|0)$/.test(value.text)) return;
    const call = value?.type === 'call_expression' ? calledIn(value) : undefined;
    const pin = call?.name === 'digitalRead' && call.values[0] ? pinsOf(call.values[0])[0] : undefined;
    levels.set(name, levels.has(name) && levels.get(name) !== pin ? undefined : pin);
    const clock = clockCalled(value);
    clocks.set(name, clocks.has(name) && clocks.get(name) !== clock ? undefined : clock);
  };
  for (const { name, value } of declarations) if (value) sets(name, value);
  for (const node of all) {
    if (node.type === 'assignment_expression')
      sets(node.childForFieldName('left')!.text, node.childForFieldName('right'));
  }
  return {
    valueOf,
    pinsOf,
    isPin: (name) => pinNames.has(name),
    constants,
    lists,
    functions,
    booleans,
    objects,
    attached,
    levelOf: (name) => levels.get(name),
    clockOf: (node) => clockCalled(node) ?? clocks.get(node.text),
  };
}

/** The names that a declaration declares, each with its first value. */
export const declaredIn = (
  declaration: SyntaxNode,
): readonly { readonly name: string; readonly declarator: SyntaxNode; readonly value: SyntaxNode | null }[] =>
  namedChildren(declaration).flatMap((child) => {
    const declarator = child.type === 'init_declarator' ? child.childForFieldName('declarator')! : child;
    if (
      !['identifier', 'array_declarator', 'pointer_declarator', 'reference_declarator'].includes(
        declarator.type,
      )
    )
      return [];
    const name = declarator.text.replace(/^[&*\s]+/, '').replace(/\s*\[.*$/s, '');
    return [
      { name, declarator, value: child.type === 'init_declarator' ? child.childForFieldName('value') : null },
    ];
  });

function literal(text: string): number | undefined {
  const digits = text.replace(/[uUlLfF']+$/, '');
  if (/^0[bB][01]+$/.test(digits)) return Number.parseInt(digits.slice(2), 2);
  return /^(0[xX][0-9a-fA-F]+|\d+(\.\d*)?)$/.test(digits) ? Number(digits) : binary(text);
}

/** The language's own names for eight bits: `B00011000`. */
const binary = (text: string): number | undefined =>
  /^B[01]{1,8}$/.test(text) ? Number.parseInt(text.slice(1), 2) : undefined;

function arithmetic(left: number, operator: string, right: number): number | undefined {
  switch (operator) {
    case '+':
      return left + right;
    case '-':
      return left - right;
    case '*':
      return left * right;
    case '/':
      return right === 0 ? undefined : Math.trunc(left / right);
    default:
      return undefined;
  }
}
