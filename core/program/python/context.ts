import type { BoardProfile } from '../../boards';
import { MOST_UNKNOWN, nearest, unknownName, type Elsewhere } from '../names';
import { inOrder, refusal, textRepair, type ProgramProblem } from '../problem';
import { ProblemLog } from '../problem-log';
import { namedChildren, nodesIn, spanOf, type Span, type SyntaxNode } from '../syntax';
import { attributeNames, builtins, libraryModules } from './library';
import { foreignName } from './foreign-names';
import { remarkAt } from './other-language';
import { assignedNames, type Names } from './scopes';
import type { FunctionTree, Slot } from './tree';
import type { PyModule, Value } from './values';

/** What the language knows without an import and that is not followed here. */
const NOT_FOLLOWED: ReadonlySet<string> = new Set([
  ...['bytes', 'memoryview', 'frozenset', 'complex', 'object', 'super', 'slice'],
  ...['property', 'staticmethod', 'classmethod', 'hasattr', 'getattr', 'setattr', 'delattr', 'issubclass'],
  ...['dir', 'next', 'iter', 'open', 'exec', 'eval', 'compile', 'globals', 'locals', 'id', 'hash', 'format'],
]);

/** Deepest nesting of statements and expressions that is followed; no person writes deeper. */
const DEEPEST = 120;

/** Members that other languages and other modules have, each with what it is called here. */
const OTHER_MEMBERS: Readonly<Record<string, string>> = {
  delay: 'sleep',
  wait: 'sleep',
  pause: 'sleep',
  millis: 'monotonic',
  time: 'monotonic',
};

/** What is known while a program is resolved. */
export class Context extends ProblemLog {
  readonly functions: FunctionTree[] = [];
  readonly globals: Names = { all: [], fromProgram: new Set() };
  /** Names of the function being read; none at the top. */
  locals: Names | undefined;
  /** The class whose method is being read: what it is made from. */
  owner: { readonly base: SyntaxNode | undefined } | undefined;
  /** Names of the functions around the one being read. */
  readonly outer: Names[] = [];
  /** What a global name stands for when nothing but one import gives it a value. */
  readonly imported = new Map<string, Value>();
  /** What `import *` gives of what the program speaks of, by where it stands in the text. */
  importedWhole: ReadonlyMap<number, readonly string[]> = new Map();
  /** Whether it asks for a module that only other boards have. */
  isForOtherBoard = false;
  readonly library: ReadonlyMap<string, PyModule>;
  private readonly unknown = new Map<string, Span[]>();
  private readonly attributes: ReadonlySet<string>;

  constructor(
    readonly board: BoardProfile,
    readonly root: SyntaxNode,
  ) {
    super(DEEPEST);
    this.library = libraryModules(board);
    this.attributes = new Set([...attributeNames(this.library), ...ownAttributes(root)]);
  }

  /** Where a name keeps its value. */
  slotOf(node: SyntaxNode): Slot {
    const name = node.text;
    const local = this.locals?.fromProgram.has(name) ? -1 : (this.locals?.all.indexOf(name) ?? -1);
    if (local >= 0) return { area: 'local', index: local };
    if (!this.locals?.fromProgram.has(name))
      for (const [depth, { all, isClass }] of this.outer.toReversed().entries()) {
        const index = isClass === true ? -1 : all.indexOf(name);
        if (index >= 0) return { area: 'outer', depth, index };
      }
    const global = this.globals.all.indexOf(name);
    if (global >= 0) return { area: 'global', index: global };
    const value = builtins.get(name);
    if (value !== undefined) return { area: 'library', value };
    if (NOT_FOLLOWED.has(name)) {
      this.unsupported(name, node);
      return { area: 'unknown' };
    }
    const uses = this.unknown.get(name);
    if (uses) uses.push(spanOf(node));
    else this.unknown.set(name, [spanOf(node)]);
    return { area: 'unknown' };
  }

  /** The module that a name is known to stand for. */
  moduleNamed(name: string): PyModule | undefined {
    const value = this.locals?.all.includes(name) ? undefined : this.imported.get(name);
    return value && typeof value === 'object' && 'members' in value && 'name' in value
      ? (value as PyModule)
      : undefined;
  }

  /** Says so when nothing in the language has an attribute of this name, or a module has none. */
  checkAttribute(
    node: SyntaxNode,
    owner: { readonly name: string; readonly members: ReadonlyMap<string, Value> } | undefined,
  ): void {
    const name = node.text;
    // The serial line of the other language is told of once, not with what it can do.
    if (this.unknown.has('Serial')) return;
    const known = owner ? [...owner.members.keys()] : [...this.attributes];
    if (owner ? owner.members.has(name) : this.attributes.has(name)) return;
    // A program for another board asks its things for what they have there.
    if (this.isForOtherBoard) return;
    // What is not read may have made a thing with attributes of its own.
    if (!owner && this.unread.length > 0) return;
    const span = spanOf(node);
    const other = known.find((candidate) => candidate.toLowerCase() === name.toLowerCase());
    const near =
      other ?? nearest(name, known) ?? known.find((candidate) => candidate === OTHER_MEMBERS[name]);
    const what = owner ? `“${owner.name}” has no “${name}”` : `nothing here has a “${name}”`;
    this.report({
      ...refusal(
        other === undefined ? 'name-unknown' : 'name-case',
        span,
        `Line ${span.line}: ${what}${near === undefined ? '.' : `, but it has “${near}”.`}${other === undefined ? '' : ' Capitals count.'}`,
        [
          `Compare “${name}” in line ${span.line} with an example, letter by letter. Are they the same?`,
          near === undefined
            ? `“${name}” in line ${span.line} is not known.`
            : `“${near}” is known, “${name}” is not.`,
          near === undefined
            ? `Use a name that is known in line ${span.line}.`
            : `Write ${near} in line ${span.line}.`,
        ],
        near === undefined
          ? undefined
          : textRepair(`Write ${near} instead of ${name} in line ${span.line}.`, {
              line: span.line,
              column: span.column,
              length: name.length,
              by: near,
            }),
      ),
      stopsCompiler: false,
    });
  }

  /** All problems, in the order of the text. */
  finish(): readonly ProgramProblem[] {
    const names = [...this.globals.all, ...builtins.keys(), 'True', 'False', 'None'];
    const modules = [...this.library.keys()];
    const unknown = [...this.unknown].slice(0, MOST_UNKNOWN).map(([name, uses]): ProgramProblem => {
      const isModule = this.library.has(name);
      if (isModule) return notImported(name, uses[0]!);
      const remark = remarkBefore(this.root, uses[0]!);
      if (remark) return remark;
      const member = memberOf(name, this.library, uses, this.root);
      if (member) return member;
      const foreign = foreignName(name, uses, this.root);
      if (foreign) return { ...foreign, stopsCompiler: false };
      return {
        // The board finds out only when it gets there.
        ...unknownName(name, uses, {
          likely: names,
          all: [...names, ...modules],
          elsewhere: assignedElsewhere(this.root, name),
          language: 'python',
        }),
        stopsCompiler: false,
      };
    });
    return inOrder([...this.problems, ...unknown]);
  }
}

/** A remark of another language that is taken for a division by the name behind it. */
function remarkBefore({ text }: SyntaxNode, { line, column }: Span): ProgramProblem | undefined {
  const before = (text.split('\n')[line - 1] ?? '').slice(0, column - 1).trimEnd();
  return before.endsWith('//')
    ? { ...remarkAt({ line, column: before.length - 1 }), stopsCompiler: false }
    : undefined;
}

/** Names of members that the program's own classes give, and that it gives to objects. */
function ownAttributes(root: SyntaxNode): readonly string[] {
  // Most programs have no class, and the walk through the parser's tree is dear.
  if (!/^\s*class\b/m.test(root.text)) return [];
  return nodesIn(root).flatMap((node) => {
    if (node.type === 'class_definition')
      return assignedNames(namedChildren(node.childForFieldName('body')!)).all;
    const left = node.type === 'assignment' ? node.childForFieldName('left') : null;
    return left?.type === 'attribute' ? [left.childForFieldName('attribute')!.text] : [];
  });
}

/** `sleep(0.5)`: what belongs to a module, without its name; added where other names of the module are imported. */
function memberOf(
  name: string,
  library: ReadonlyMap<string, PyModule>,
  uses: readonly Span[],
  root: SyntaxNode,
): ProgramProblem | undefined {
  const module = [...library.values()].find(({ name: own, members }) => own !== 'board' && members.has(name));
  if (!module) return undefined;
  const { line, column } = uses[0]!;
  const imports = namedChildren(root);
  const others = imports.find(
    (node) =>
      node.type === 'import_from_statement' && node.childForFieldName('module_name')?.text === module.name,
  );
  if (others) return alsoImported(name, module.name, spanOf(others), { line, column });
  const isImported = imports.some(
    (node) => node.type === 'import_statement' && new RegExp(`\\b${module.name}\\b`).test(node.text),
  );
  const whole = `${module.name}.${name}`;
  const also = isImported ? '' : `, and import ${module.name} at the top of the program`;
  const text = `Write ${whole} instead of ${name} in line ${line}${uses.length > 1 ? ' and wherever else it stands' : ''}${also}.`;
  const first = { line: 1, column: 1, length: 0, by: `import ${module.name}\n` };
  return {
    ...refusal(
      'name-unknown',
      { line, column },
      `Line ${line}: “${name}” is not known by itself. It belongs to ${module.name}, and is written ${whole}.`,
      [
        `Which module does ${name} belong to?`,
        `The board knows ${whole}; it does not know ${name} alone.`,
        `Write ${whole} in line ${line}.`,
      ],
      {
        text,
        edits: [
          ...uses
            .toSorted((a, b) => b.line - a.line || b.column - a.column)
            .map((use) => ({
              replace: { line: use.line, column: use.column, length: name.length, by: whole },
            })),
          ...(isImported ? [] : [{ replace: first }]),
        ],
      },
    ),
    stopsCompiler: false,
  };
}

/** `from digitalio import DigitalInOut`, and `Pull` is used too. */
function alsoImported(
  name: string,
  module: string,
  { endLine, endColumn }: Span,
  place: { readonly line: number; readonly column: number },
): ProgramProblem {
  const { line } = place;
  const text = `Add ${name} to what is imported in line ${endLine}.`;
  return {
    ...refusal(
      'name-unknown',
      place,
      `Line ${line}: “${name}” is not known. It belongs to ${module}, but line ${endLine} does not import it from there.`,
      [
        `Which names does line ${endLine} import from ${module}?`,
        `${name} is used in line ${line}; line ${endLine} imports other names of ${module}, and not this one.`,
        text,
      ],
      textRepair(text, { line: endLine, column: endColumn, length: 0, by: `, ${name}` }),
    ),
    stopsCompiler: false,
  };
}

function notImported(name: string, { line, column }: Span): ProgramProblem {
  return {
    ...refusal(
      'name-unknown',
      { line, column },
      `Line ${line}: “${name}” is not known. It is a module, and no line imports it.`,
      [
        `Which line tells the board that ${name} is used?`,
        `${name} is used in line ${line}, but never imported.`,
        `Write import ${name} at the top of the program.`,
      ],
      textRepair(`Write import ${name} at the top of the program.`, {
        line: 1,
        column: 1,
        length: 0,
        by: `import ${name}\n`,
      }),
    ),
    stopsCompiler: false,
  };
}

/** Finds a function that gives the name a value of its own. */
function assignedElsewhere(root: SyntaxNode, name: string): Elsewhere | undefined {
  for (const definition of namedChildren(root)) {
    if (definition.type !== 'function_definition') continue;
    const owner = definition.childForFieldName('name')?.text ?? 'a function';
    for (const node of nodesIn(definition)) {
      const left = node.type === 'assignment' ? node.childForFieldName('left') : null;
      if (left?.type === 'identifier' && left.text === name)
        return { region: `inside ${owner}`, span: spanOf(left) };
    }
  }
  return undefined;
}
