import { nextTo } from '../names';
import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { importedNames } from './scopes';
import type { Slot, Statement } from './tree';
import type { Value } from './values';

/** Reads an import; a module that the board does not have is told. */
export function readImport(node: SyntaxNode, context: Context): readonly Statement[] {
  const from = node.childForFieldName('module_name');
  const span = spanOf(node);
  if (from) {
    const module = context.library.get(from.text);
    if (!module) return reportModule(from, context);
    if (isOfAll(node)) {
      const all = context.importedWhole.get(node.startIndex);
      if (!all) context.unsupported('import * inside a function', node);
      return (all ?? []).map((name): Statement => ({
        node: 'import',
        slot: slotFor(name, node, context),
        value: module.members.get(name)!,
        span,
      }));
    }
    return importedNames(node).flatMap(({ original, name }): readonly Statement[] => {
      const value = module.members.get(original.text);
      if (value === undefined) context.checkAttribute(original, module);
      return value === undefined
        ? []
        : [{ node: 'import', slot: slotFor(name, original, context), value, span }];
    });
  }
  return importedNames(node).flatMap(({ original, name }): readonly Statement[] => {
    const module = context.library.get(original.text);
    if (!module) return reportModule(original, context);
    return [{ node: 'import', slot: slotFor(name, original, context), value: module, span }];
  });
}

function slotFor(name: string, node: SyntaxNode, context: Context): Slot {
  return context.slotOf({ ...position(node), text: name });
}

/** A node's place with another text: the name that an import gives. */
const position = (node: SyntaxNode): SyntaxNode => ({
  type: node.type,
  text: node.text,
  startIndex: node.startIndex,
  endIndex: node.endIndex,
  startPosition: node.startPosition,
  endPosition: node.endPosition,
  isMissing: false,
  isError: false,
  hasError: false,
  isNamed: true,
  nextNamedSibling: null,
  children: [],
  namedChildren: [],
  childForFieldName: () => null,
});

/** Whether an import takes all that a module has: `from board import *`. */
const isOfAll = (node: SyntaxNode): boolean =>
  node.type === 'import_from_statement' && /\bimport\s*\*/.test(node.text);

/** What the imports of whole modules give a program, of what it speaks of, by where they stand. */
export function importedWholeIn(root: SyntaxNode, context: Context): ReadonlyMap<number, readonly string[]> {
  const words = new Set(root.text.match(/\w+/g));
  return new Map(
    namedChildren(root)
      .filter(isOfAll)
      .flatMap((node) => {
        const module = context.library.get(node.childForFieldName('module_name')!.text);
        const names = [...(module?.members.keys() ?? [])];
        return module
          ? [[node.startIndex, names.filter((name) => !name.startsWith('_') && words.has(name))] as const]
          : [];
      }),
  );
}

/** What a global name stands for when only one import gives it a value. */
export function importsOf(root: SyntaxNode, context: Context): ReadonlyMap<string, Value> {
  const found = new Map<string, Value>();
  for (const node of namedChildren(root)) {
    const from = node.childForFieldName('module_name');
    if (node.type !== 'import_statement' && node.type !== 'import_from_statement') continue;
    for (const name of context.importedWhole.get(node.startIndex) ?? []) {
      const value = context.library.get(from!.text)?.members.get(name);
      if (value !== undefined) found.set(name, value);
    }
    for (const { original, name } of importedNames(node)) {
      const module = context.library.get(from?.text ?? original.text);
      const value = from ? module?.members.get(original.text) : module;
      if (value !== undefined) found.set(name, value);
    }
  }
  return found;
}

/** A module that is not there: spelt otherwise, of other boards, or not followed. */
function reportModule(node: SyntaxNode, context: Context): readonly Statement[] {
  const span = spanOf(node);
  const known = [...context.library.keys()];
  const otherCase = known.find((name) => name.toLowerCase() === node.text.toLowerCase());
  if (otherCase === undefined) {
    const instead = ELSEWHERE.get(node.text);
    const near = nextTo(node.text, known);
    if (instead) {
      context.isForOtherBoard = true;
      context.report(moduleOfOtherBoards(node, instead));
    } else if (near === undefined) context.unsupported(`the module ${node.text}`, node);
    else context.report(misspeltModule(node, near));
    return [];
  }
  context.report({
    ...refusal(
      'name-case',
      span,
      `Line ${span.line}: there is no module “${node.text}”, but there is “${otherCase}”. Capitals count.`,
      [
        `Compare “${node.text}” in line ${span.line} with an example. Are the capitals the same?`,
        `The board knows the module “${otherCase}”, not “${node.text}”.`,
        `Write import ${otherCase} in line ${span.line}.`,
      ],
      textRepair(`Write ${otherCase} in line ${span.line}.`, {
        line: span.line,
        column: span.column,
        length: node.text.length,
        by: otherCase,
      }),
    ),
    stopsCompiler: true,
  });
  return [];
}

/** Modules with which other boards do what these do with their own. */
const ELSEWHERE: ReadonlyMap<string, string> = new Map([
  ['machine', 'board and digitalio'],
  ['utime', 'time'],
  ['urandom', 'random'],
]);

/** `from machine import Pin`: right on another board, and stops the program on this one. */
function moduleOfOtherBoards(node: SyntaxNode, instead: string): ProgramProblem {
  const { line, column } = spanOf(node);
  return refusal(
    'name-unknown',
    { line, column },
    `Line ${line}: this board has no module “${node.text}”. Other boards have it; this one has ${instead} for that.`,
    [
      `Was this program written for another board? Look at line ${line}.`,
      `What “${node.text}” does elsewhere, ${instead} ${instead.includes(' ') ? 'do' : 'does'} here.`,
      `Write this program with ${instead}, as in the examples for this board.`,
    ],
  );
}

/** `import tiem`. */
function misspeltModule(node: SyntaxNode, near: string): ProgramProblem {
  const { line, column } = spanOf(node);
  const text = `Write ${near} instead of ${node.text} in line ${line}.`;
  return refusal(
    'name-unknown',
    { line, column },
    `Line ${line}: there is no module “${node.text}”. “${near}” is close to it.`,
    [
      `Is every letter of “${node.text}” in line ${line} right?`,
      `The board knows the module “${near}”, not “${node.text}”.`,
      text,
    ],
    textRepair(text, { line, column, length: node.text.length, by: near }),
  );
}
