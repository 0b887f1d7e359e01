import type { BoardProfile } from '../../boards';
import type { ProgramMemory } from './machine';
import { inOrder, refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, spanOf, type ParseWith, type SyntaxNode } from '../syntax';
import { Context, type FunctionSignature } from './context';
import { readDefine, readInclude, readMacroDefinition } from './directives';
import { cutOffBody } from './empty-body';
import { cutOffIn, strangeIn } from './explained-names';
import { habitsOf } from './habits';
import { isPlainLambda, nameOfLambda } from './lambdas';
import { pinChangeRegisters } from './library';
import { Layout } from './scope';
import { withoutUnreadNames } from '../unread';
import { declareParameter, readDeclaration } from './declarations';
import { functionHead } from './declarators';
import { shownName } from './classes';
import { isConstructed } from './first-values';
import { declareFields, readMade } from './methods';
import { namedPlaces } from './names';
import { methodsInClasses, readSignature } from './signatures';
import { readBlock } from './statements';
import type { FunctionTree, ProgramTree, Statement } from './tree';
import { readTypeSpecifier, typeNodes } from './type-specifiers';
import { integer, pointerTo, typeNamed, VOID } from './types';
import { typeForgotten } from './unknown-uses';

export interface Resolved {
  /** `undefined` when a problem stops the compiler. */
  readonly tree?: ProgramTree;
  /** What is wrong with it. Habits are looked for when this is called: of most programs that are tried nobody asks. */
  readonly problems: () => readonly ProgramProblem[];
}

/** Bytes that a call takes on the stack besides its variables: return address and saved registers. */
const CALL_BYTES = 8;

/** Turns a tree without syntax errors into the typed tree: names, types, and what a compiler refuses. */
export function resolveProgram(root: SyntaxNode, board: BoardProfile, parse: ParseWith): Resolved {
  const context = new Context(board, parse, root);
  const definitions: { readonly node: SyntaxNode; readonly signature: FunctionSignature }[] = [];
  const top = namedChildren(root);
  declareRegisters(context);
  for (const node of top) {
    if (node.type === 'preproc_include') readInclude(node, context);
    else if (node.type === 'preproc_def') readDefine(node, context);
    else if (node.type === 'preproc_function_def') readMacroDefinition(node, context);
    else if (typeNodes.has(node.type)) readTypeSpecifier(node, context);
    else if (node.type === 'function_definition') {
      const signature = readSignature(node, context);
      if (signature) definitions.push({ node, signature });
    }
  }
  definitions.push(...methodsInClasses(context));
  for (const node of lambdasIn(root)) definitions.push({ node, signature: namelessSignature(node, context) });
  // A head that could not be read may be the very one that would be missed.
  const headsAreRead = context.finish().length === 0;
  const globals: Statement[] = [];
  for (const [index, node] of top.entries()) {
    if (node.type === 'declaration') {
      if (!isPrototype(node, context)) globals.push(readDeclaration(node, context));
    } else if (
      !typeNodes.has(node.type) &&
      ![
        'preproc_def',
        'preproc_function_def',
        'function_definition',
        'preproc_include',
        // What must hold is for the compiler alone.
        'static_assert_declaration',
        ';',
      ].includes(node.type)
    )
      reportOutside(node, top[index - 1], context);
  }
  const names = namedPlaces(context.variables);
  const functions = definitions.map(({ node, signature }) => readFunction(node, signature, context));
  const setup = context.functions.get('setup');
  const loop = context.functions.get('loop');
  // A function whose head a semicolon has cut off is there, for all that.
  const isCutOff = context.problems.some(({ code }) => code === 'syntax-semicolon');
  if (!setup && headsAreRead && !isCutOff)
    context.report(missingEntry('setup', 'runs once at the start', context));
  if (!loop && headsAreRead && !isCutOff) context.report(missingEntry('loop', 'repeats for ever', context));
  const initial: Statement = { node: 'initialize', stores: context.initial, span: spanOf(root) };
  const told = withoutUnreadNames(context.finish(), root, context.unread);
  const problems = cutOffIn(strangeIn(told, context), context);
  if (!setup || !loop || problems.some((problem) => problem.stopsCompiler))
    return { problems: () => problems };
  const tree: ProgramTree = {
    functions,
    setup: setup.index,
    loop: loop.index,
    globals: [initial, ...globals],
    names,
    memory: {
      globalCells: context.globals.cells,
      globalBytes: context.globals.bytes,
      ...pinChangeOf(context),
    },
  };
  const source = root.text;
  const habits = (): readonly ProgramProblem[] =>
    habitsOf({
      tree,
      source,
      variables: context.variables,
      routines: new Set([...context.routines].map((name) => context.functions.get(name)!.index)),
      ranges: { analog: board.analog.range, pwm: board.pwm.range },
    });
  // What is wrong comes before what is only worth saying.
  const rank = ({ severity }: ProgramProblem): number => (severity === 'advice' ? 1 : 0);
  return {
    tree,
    problems: () => inOrder([...problems, ...habits()]).toSorted((a, b) => rank(a) - rank(b)),
  };
}

/** The head of a function that stands further down; no object, which is declared like one. */
function isPrototype(node: SyntaxNode, context: Context): boolean {
  if (!functionHead(node.childForFieldName('declarator'))) return false;
  const type = context.types.get(node.childForFieldName('type')?.text ?? '');
  return !(type && isConstructed(type, context));
}

/** The registers of a chip that is interrupted by changes of its pins, as the variables that they are. */
function declareRegisters(context: Context): void {
  if (!context.board.pins.some(({ functions }) => functions.includes('pin-change'))) return;
  const type = integer(8, false);
  for (const name of [pinChangeRegisters.enable, pinChangeRegisters.mask])
    context.scope.declare({
      name,
      type,
      constant: false,
      place: context.globals.take(name, type),
      isVolatile: true,
      span: { line: 1, column: 1, endLine: 1, endColumn: 1 },
      clock: 'fixed',
      loopDepth: 0,
    });
}

/** What the machine needs to know of the program's own pin-change routine. */
function pinChangeOf(context: Context): Pick<ProgramMemory, 'pinChange'> {
  const routine = context.functions.get(pinChangeRegisters.routine);
  const [enable, mask] = [pinChangeRegisters.enable, pinChangeRegisters.mask].map((name) =>
    context.scope.find(name),
  );
  if (!routine || !enable || !mask) return {};
  return {
    pinChange: {
      routine: routine.index,
      enableCell: enable.place.address,
      maskCell: mask.place.address,
    },
  };
}

/** A statement that stands in no function. */
function reportOutside(node: SyntaxNode, before: SyntaxNode | undefined, context: Context): void {
  const span = spanOf(node);
  // Ended by a semicolon it only says that there is such a routine; what then has no head is told as that.
  if (/^ISR\s*\(\s*\w+\s*\)\s*;$/.test(node.text)) return;
  if (node.type === 'compound_statement' && before && /\)\s*;$/.test(before.text)) {
    const { endLine, endColumn } = spanOf(before);
    context.report(cutOffBody({ line: endLine, column: endColumn - 1 }));
    return;
  }
  const shown = node.text.split('\n')[0]!.slice(0, 40);
  // The grammar takes a table of functions, `void (*steps[])() = {open, close};`, for a product.
  const [, first = ''] = /^(\w+)\s*\(\s*\*/.exec(node.text) ?? [];
  if (
    node.type !== 'expression_statement' ||
    (first !== '' && typeNamed(first, context.widths, context.types))
  ) {
    context.unsupported(`“${shown}” outside of a function`, node);
    return;
  }
  const untyped = typeForgotten(node);
  if (untyped && !context.scope.find(untyped.name)) {
    context.report(untyped.problem);
    context.silence(untyped.name);
    return;
  }
  context.report(
    refusal(
      'syntax-other',
      span,
      `Line ${span.line}: “${shown}” is outside every function, so it would never run.`,
      [
        `Between which braces is line ${span.line}?`,
        `Instructions go inside setup or loop; line ${span.line} is in neither.`,
        `Move line ${span.line} into setup or loop.`,
      ],
    ),
  );
}

/** Functions without a name that are written where they are handed over: `[]() { count++; }`. */
function lambdasIn(root: SyntaxNode): readonly SyntaxNode[] {
  // Most programs have none, and the walk through the parser's tree is dear.
  if (!/\[\s*\]\s*[({]/.test(root.text)) return [];
  return nodesIn(root).filter(isPlainLambda);
}

function namelessSignature(node: SyntaxNode, context: Context): FunctionSignature {
  const name = nameOfLambda(node);
  const signature: FunctionSignature = {
    index: context.functions.size,
    name,
    result: VOID,
    parameters: [],
    span: spanOf(node),
  };
  context.functions.set(name, signature);
  return signature;
}

function readFunction(node: SyntaxNode, signature: FunctionSignature, context: Context): FunctionTree {
  const bodyNode = node.childForFieldName('body')!;
  context.frame = new Layout('frame', context.widths);
  context.result = signature.result;
  context.resultPlace = signature.resultPlace;
  context.loopDepth = 0;
  context.switchDepth = 0;
  context.reassigned = assignedNames(bodyNode, context);
  const { owner } = signature;
  const self = owner && context.frame.take('this', pointerTo(owner));
  context.owner = owner && self && { type: owner, self };
  return context.scoped(() => {
    declareFields(node, context);
    return readInside(node, signature, context);
  });
}

/** What a function takes, and what it does. */
function readInside(node: SyntaxNode, signature: FunctionSignature, context: Context): FunctionTree {
  const { owner } = context;
  return context.scoped(() => {
    const before = context.variables.length;
    const list = functionHead(node.childForFieldName('declarator'))?.head.childForFieldName('parameters');
    const parameterNodes = list ? namedChildren(list) : [];
    const parameters = signature.parameters.map((parameter, index) => {
      const name = nameOf(parameterNodes[index]!.childForFieldName('declarator')!);
      const declared = declareParameter(name, parameter, context);
      return { name: parameter.name, type: parameter.type, address: declared?.place.address ?? 0 };
    });
    const made = readMade(node, context);
    const block = readBlock(node.childForFieldName('body')!, context);
    const body: Statement =
      made.length === 0
        ? block
        : {
            node: 'block',
            statements: [{ node: 'initialize', stores: made, span: signature.span }, block],
            span: signature.span,
          };
    return {
      name: shownName(signature.name),
      result: signature.result,
      parameters: owner
        ? [{ name: 'this', type: pointerTo(owner.type), address: owner.self.address }, ...parameters]
        : parameters,
      body,
      frameCells: context.frame.cells,
      frameBytes: context.frame.bytes + CALL_BYTES,
      span: signature.span,
      lines: [node.startPosition.row + 1, node.endPosition.row + 1],
      names: namedPlaces(context.variables.slice(before)),
    };
  });
}

/** The name inside the signs of a declarator. */
function nameOf(declarator: SyntaxNode): SyntaxNode {
  const inner = declarator.childForFieldName('declarator') ?? namedChildren(declarator)[0];
  return declarator.type === 'identifier' || !inner ? declarator : nameOf(inner);
}

/** Names that are assigned, stepped, pointed to or handed over by reference anywhere in a function. */
function assignedNames(body: SyntaxNode, context: Context): ReadonlySet<string> {
  const names = new Set<string>();
  const open: SyntaxNode[] = [body];
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.type === 'assignment_expression') names.add(node.childForFieldName('left')!.text);
    if (node.type === 'update_expression' || node.type === 'pointer_expression')
      names.add(node.childForFieldName('argument')!.text);
    if (node.type === 'reference_declarator') names.add(namedChildren(node)[0]?.text ?? '');
    if (
      node.type === 'init_declarator' &&
      node.childForFieldName('declarator')?.type === 'reference_declarator'
    )
      names.add(node.childForFieldName('value')!.text);
    if (node.type === 'call_expression') {
      const called = context.functions.get(node.childForFieldName('function')!.text);
      if (called?.parameters.some(({ refers }) => refers))
        for (const given of namedChildren(node.childForFieldName('arguments')!)) names.add(given.text);
    }
    open.push(...namedChildren(node));
  }
  return names;
}

function missingEntry(name: 'setup' | 'loop', purpose: string, context: Context): ProgramProblem {
  const near = [...context.functions.values()].find((known) => known.name.toLowerCase() === name);
  const place = near ? { line: near.span.line, column: near.span.column } : { line: 1, column: 1 };
  const message = near
    ? `Line ${place.line}: “${near.name}” should be “${name}”. Capitals count.`
    : `The program has no ${name}, the part that ${purpose}.`;
  return refusal(
    near ? 'name-case' : 'missing-entry',
    place,
    message,
    [
      `Which two functions does every program for this board have?`,
      near
        ? `The board looks for “${name}” and finds “${near.name}”.`
        : `The part that ${purpose} is missing.`,
      near ? `Write ${name} in line ${place.line}.` : `Add void ${name}() { } to the program.`,
    ],
    near
      ? textRepair(`Write ${name} instead of ${near.name} in line ${place.line}.`, {
          ...place,
          length: near.name.length,
          by: name,
        })
      : textRepair(`Add void ${name}() { } to the program.`, {
          line: 1,
          column: 1,
          length: 0,
          by: `void ${name}() {\n}\n`,
        }),
  );
}
