import type { BoardProfile } from '../../boards';
import { inOrder, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, type SyntaxNode } from '../syntax';
import { Context } from './context';
import { habitsOf } from './habits';
import { assignedNames } from './scopes';
import { importedWholeIn, importsOf } from './imports';
import { readBlock } from './statements';
import { withoutUnreadNames } from '../unread';
import type { PythonTree } from './tree';

export interface ResolvedPython {
  /** `undefined` when a problem stops the board from beginning. */
  readonly tree?: PythonTree;
  /** What is wrong with it. Habits are looked for when this is called: of most programs that are tried nobody asks. */
  readonly problems: () => readonly ProgramProblem[];
}

/** Turns a tree without syntax errors into the dialect's own: names resolved, what is not supported named. */
export function resolvePython(root: SyntaxNode, board: BoardProfile): ResolvedPython {
  const context = new Context(board, root);
  context.globals.all.push(...assignedNames(namedChildren(root)).all, ...globalsOfFunctions(root));
  context.importedWhole = importedWholeIn(root, context);
  const known = new Set(context.globals.all);
  const whole = new Set([...context.importedWhole.values()].flat());
  context.globals.all.push(...[...whole].filter((name) => !known.has(name)));
  for (const [name, value] of importsOf(root, context)) context.imported.set(name, value);
  const body = readBlock(root, context);
  const problems = withoutUnreadNames(context.finish(), root, context.unread);
  if (problems.some(({ stopsCompiler }) => stopsCompiler)) return { problems: () => problems };
  const tree: PythonTree = { globals: context.globals.all, functions: context.functions, body };
  const source = root.text;
  return { tree, problems: () => inOrder([...problems, ...habitsOf(tree, source)]) };
}

/** Names that functions give to the program. */
function globalsOfFunctions(root: SyntaxNode): readonly string[] {
  // Most programs have none, and the walk through the parser's tree is dear.
  if (!/\bglobal\b/.test(root.text)) return [];
  const found = nodesIn(root).flatMap((node) =>
    node.type === 'global_statement' ? namedChildren(node).map(({ text }) => text) : [],
  );
  const known = new Set(assignedNames(namedChildren(root)).all);
  return [...new Set(found)].filter((name) => !known.has(name));
}
