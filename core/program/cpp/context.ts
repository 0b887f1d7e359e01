import type { BoardProfile } from '../../boards';
import type { ProgramProblem } from '../problem';
import { notSupported } from '../problem';
import { namedChildren, spanOf, type ParseWith, type Span, type SyntaxNode } from '../syntax';
import { libraryConstants, librarySignatures, type BuiltinName, type BuiltinSignature } from './library';
import { unknownName, type Elsewhere } from './names';
import { Layout, Scope } from './scope';
import type { Expression } from './tree';
import { typeWords, type CType, type ScalarType, type TypeWidths } from './types';

export interface FunctionSignature {
  readonly index: number;
  readonly name: string;
  readonly result: CType;
  readonly parameters: readonly { readonly name: string; readonly type: ScalarType }[];
  readonly span: Span;
}

/** A `#define` of a name to a text that stands for a value. */
export interface Definition {
  readonly text: string;
  readonly span: Span;
}

/** What a name is used as, which decides what it may have been meant to be. */
export type NameUse = 'value' | 'function' | 'type' | 'object';

/** Deepest nesting of statements and expressions that is followed; no person writes deeper. */
const DEEPEST = 400;

/** What is known while a program is resolved: names, types, and the problems found so far. */
export class Context {
  readonly problems: ProgramProblem[] = [];
  private readonly unknown = new Map<string, Span[]>();
  private readonly pending: (() => ProgramProblem)[] = [];
  readonly widths: TypeWidths;
  readonly library: ReadonlyMap<BuiltinName, BuiltinSignature>;
  readonly constants: ReturnType<typeof libraryConstants>;
  readonly definitions = new Map<string, Definition>();
  readonly functions = new Map<string, FunctionSignature>();
  readonly globals: Layout;
  scope = new Scope();
  /** Frame of the function being resolved. */
  frame: Layout;
  /** Loops around the place being resolved, within its function. */
  loopDepth = 0;
  /** Names that the function assigns after their declaration. */
  reassigned: ReadonlySet<string> = new Set();
  result: CType = { kind: 'void' };
  private depth = 0;

  constructor(
    readonly board: BoardProfile,
    readonly parse: ParseWith,
    readonly root: SyntaxNode,
  ) {
    this.widths = board.language;
    this.library = librarySignatures(board.language);
    this.constants = libraryConstants(board);
    this.globals = new Layout('global', board.language);
    this.frame = new Layout('frame', board.language);
  }

  report(problem: ProgramProblem): void {
    this.problems.push(problem);
  }

  unsupported(what: string, node: SyntaxNode): void {
    this.report(notSupported(what, spanOf(node)));
  }

  /** Runs `read` one level deeper; `undefined` and a problem when that is too deep. */
  nested<T>(node: SyntaxNode, read: () => T): T | undefined {
    if (this.depth >= DEEPEST) {
      this.unsupported('a nesting this deep', node);
      return undefined;
    }
    this.depth += 1;
    const value = read();
    this.depth -= 1;
    return value;
  }

  /** Runs `read` in a scope of its own. */
  scoped<T>(read: () => T): T {
    const { scope } = this;
    this.scope = new Scope(scope);
    const value = read();
    this.scope = scope;
    return value;
  }

  /** Reports a name that is not known; each name once, with a repair of all its uses. */
  reportUnknown(name: string, node: SyntaxNode, use: NameUse): void {
    const earlier = this.unknown.get(name);
    if (earlier) {
      earlier.push(spanOf(node));
      return;
    }
    const uses = [spanOf(node)];
    this.unknown.set(name, uses);
    const values = [...this.scope.visible(), ...this.definitions.keys(), ...this.constants.keys()];
    const builtins = [...this.library.keys()];
    const functions = [...this.functions.keys(), ...builtins.filter((builtin) => !builtin.includes('.'))];
    const known: Readonly<Record<NameUse, readonly string[]>> = {
      value: values,
      function: functions,
      type: [...typeWords],
      object: ['Serial'],
    };
    const all = Object.values(known).flat();
    this.pending.push(() =>
      unknownName(name, uses, { likely: known[use], all, elsewhere: declaredElsewhere(this.root, name) }),
    );
  }

  /** All problems, in the order of the text, once every use of every name has been seen. */
  finish(): readonly ProgramProblem[] {
    return [...this.problems, ...this.pending.map((make) => make())].sort(
      (a, b) => a.line - b.line || a.column - b.column,
    );
  }
}

/** Finds a declaration of the name inside any function. */
function declaredElsewhere(root: SyntaxNode, name: string): Elsewhere | undefined {
  for (const definition of namedChildren(root)) {
    if (definition.type !== 'function_definition') continue;
    const owner =
      definition.childForFieldName('declarator')?.childForFieldName('declarator')?.text ?? 'a function';
    const open: { readonly node: SyntaxNode; readonly parent: string }[] = [{ node: definition, parent: '' }];
    for (let next = open.pop(); next; next = open.pop()) {
      const { node, parent } = next;
      const declarator = node.type === 'declaration' ? node.childForFieldName('declarator') : null;
      const declared =
        declarator?.type === 'init_declarator' ? declarator.childForFieldName('declarator') : declarator;
      if (declared?.text === name) {
        const isLine = parent === 'compound_statement' && !node.text.includes('\n');
        return {
          region: `inside ${owner}`,
          span: spanOf(declared),
          ...(isLine ? { declaration: { text: node.text, span: spanOf(node) } } : {}),
        };
      }
      open.push(...namedChildren(node).map((child) => ({ node: child, parent: node.type })));
    }
  }
  return undefined;
}

/** A stand-in for an expression that could not be read, so that reading goes on. */
export const unreadable = (node: SyntaxNode): Expression => ({
  node: 'constant',
  value: 0,
  type: { kind: 'integer', bits: 32, signed: true },
  span: spanOf(node),
  clock: 'fixed',
});
