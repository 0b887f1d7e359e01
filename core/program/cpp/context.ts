import type { BoardProfile } from '../../boards';
import type { ProgramProblem } from '../problem';
import { notSupported } from '../problem';
import { namedChildren, spanOf, type ParseWith, type Span, type SyntaxNode } from '../syntax';
import { libraryConstants, librarySignatures, type BuiltinName, type BuiltinSignature } from './library';
import { unknownName, type Elsewhere } from './names';
import { Layout, Scope, type Variable } from './scope';
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

/** Deepest nesting of statements and expressions that is followed; no person writes deeper. */
const DEEPEST = 400;

/** What is known while a program is resolved: names, types, and the problems found so far. */
export class Context {
  readonly problems: ProgramProblem[] = [];
  readonly widths: TypeWidths;
  readonly library: ReadonlyMap<BuiltinName, BuiltinSignature>;
  readonly constants: ReturnType<typeof libraryConstants>;
  readonly definitions = new Map<string, Definition>();
  readonly functions = new Map<string, FunctionSignature>();
  readonly globals: Layout;
  /** Names that were declared in a scope that has ended. */
  readonly retired: Variable[] = [];
  scope = new Scope('everywhere');
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

  /** Runs `read` in a scope of its own, whose names are remembered as known only there. */
  scoped<T>(region: string, read: () => T): T {
    const scope = new Scope(region, this.scope);
    this.scope = scope;
    const value = read();
    for (const name of scope.visible()) {
      const variable = scope.here(name);
      if (variable) this.retired.push(variable);
    }
    this.scope = scope.parent!;
    return value;
  }

  reportUnknown(name: string, node: SyntaxNode): void {
    const known = [
      ...this.scope.visible(),
      ...this.definitions.keys(),
      ...this.constants.keys(),
      ...this.functions.keys(),
      ...[...this.library.keys()].flatMap((builtin) => (builtin.includes('.') ? ['Serial'] : [builtin])),
      ...typeWords,
    ];
    this.report(unknownName(name, spanOf(node), known, this.elsewhere(name)));
  }

  private elsewhere(name: string): Elsewhere | undefined {
    return this.retired.find((variable) => variable.name === name) ?? declaredLater(this.root, name);
  }
}

/** Finds a declaration of the name inside any function, for uses that stand before it. */
function declaredLater(root: SyntaxNode, name: string): Elsewhere | undefined {
  for (const definition of namedChildren(root)) {
    if (definition.type !== 'function_definition') continue;
    const owner =
      definition.childForFieldName('declarator')?.childForFieldName('declarator')?.text ?? 'a function';
    const open: SyntaxNode[] = [definition];
    for (let node = open.pop(); node; node = open.pop()) {
      const declarator = node.type === 'declaration' ? node.childForFieldName('declarator') : null;
      const declared =
        declarator?.type === 'init_declarator' ? declarator.childForFieldName('declarator') : declarator;
      if (declared?.text === name) return { region: `inside ${owner}`, span: spanOf(declared) };
      open.push(...namedChildren(node));
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
