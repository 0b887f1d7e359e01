import { effort } from '../../effort';
import { refusal, textRepair } from '../problem';
import { namedChildren, nodesIn, spanOf, type SyntaxNode } from '../syntax';
import type { Context, FunctionSignature } from './context';
import { readDeclarator, type Declared } from './declarators';
import { convert } from './conversions';
import { readExpression } from './expressions';
import { constructed, firstValues, isConstructed, isText, storeTo, zero } from './first-values';
import { libraryClasses } from './library';
import { textOf } from './literals';
import { findPlace, loadOf, type Found } from './places';
import { copied } from './pointers';
import { MOST_CELLS, type Variable } from './scope';
import type { ClockForm, Expression, Statement } from './tree';
import { dotMissing, twoWords } from './slips';
import { textInLetter } from './quote-slips';
import { reportTaken } from './taken-names';
import { readTypeSpecifier } from './type-specifiers';
import { BOOL, cellsOf, integer, isScalar, pointerTo, sameType, typeNamed, type CType } from './types';

interface Storage {
  readonly isStatic: boolean;
  readonly isConstant: boolean;
  readonly isVolatile: boolean;
}

/** Kinds of nodes that are whole types by themselves. */
const SIZED: ReadonlySet<string> = new Set(['primitive_type', 'sized_type_specifier']);

/** Kinds of nodes that stand before the declared names. */
const typeNodes: ReadonlySet<string> = new Set([
  'primitive_type',
  'sized_type_specifier',
  'type_identifier',
  'placeholder_type_specifier',
  'storage_class_specifier',
  'type_qualifier',
  'struct_specifier',
  'class_specifier',
  'enum_specifier',
]);

/** Reads a declaration of variables, global or local, with their first values. */
export function readDeclaration(node: SyntaxNode, context: Context): Statement {
  const span = spanOf(node);
  const words = namedChildren(node).filter((child) => typeNodes.has(child.type));
  const specifier = words.find((word) => word.childForFieldName('body') !== null);
  const type = words.some(({ type: sort }) => sort === 'placeholder_type_specifier')
    ? typeOfFirstValue(node, context)
    : specifier
      ? readTypeSpecifier(specifier, context)
      : typeNamed(words.map((word) => word.text).join(' '), context.widths, context.types);
  const storage = {
    isStatic: words.some((word) => word.text === 'static'),
    isConstant: words.some((word) => word.text === 'const' || word.text === 'constexpr'),
    isVolatile: words.some((word) => word.text === 'volatile'),
  };
  if (!type) {
    // `unsigned long last` is one piece to the grammar.
    const unknown = words
      .flatMap((word) => [word, ...namedChildren(word)])
      .find(({ type: sort }) => sort === 'type_identifier');
    const isBehindType = unknown !== undefined && words.some(({ type: sort }) => SIZED.has(sort));
    const rest = namedChildren(node).find((child) => !words.includes(child));
    if (unknown && isBehindType && rest) {
      const second = { text: namedIn(rest), column: spanOf(rest).column };
      context.report(twoWords({ text: unknown.text, ...spanOf(unknown) }, second));
    } else if (unknown && libraryClasses.has(unknown.text)) reportNoHeader(unknown, context);
    else if (unknown && rest && hasField(context.scope.find(unknown.text)?.type, namedIn(rest)))
      context.report(dotMissing(unknown.text, namedIn(rest), spanOf(unknown), spanOf(rest)));
    else if (unknown) context.reportUnknown(unknown.text, unknown, 'type');
    else context.unsupported(`“${words.map((word) => word.text).join(' ')}” as a type`, node);
    for (const child of namedChildren(node)) if (!words.includes(child)) context.silence(namedIn(child));
    return { node: 'empty', span };
  }
  const stores = namedChildren(node)
    .filter((child) => !words.includes(child))
    .flatMap(
      (child) =>
        readConstructed(child, type, storage, context) ?? readDeclared(child, type, storage, context),
    );
  if (!storage.isStatic || context.scope.parent === undefined) return { node: 'initialize', stores, span };
  // What is known beforehand is there before the program begins; the rest is worked out on the first way through.
  if (stores.every((store) => store.node === 'store' && store.value.node === 'constant')) {
    context.initial.push(...stores);
    return { node: 'empty', span };
  }
  return { node: 'once', flag: context.globals.take('', BOOL).address, stores, span };
}

const hasField = (type: CType | undefined, name: string): boolean =>
  type?.kind === 'struct' && type.fields.some((field) => field.name === name);

/** `auto x = 5;`: the type of what is put into it first; `undefined` where nothing is. */
function typeOfFirstValue(node: SyntaxNode, context: Context): CType | undefined {
  const value = namedChildren(node)
    .find(({ type }) => type === 'init_declarator')
    ?.childForFieldName('value');
  if (!value) return undefined;
  // What is wrong with it is told when it is read as the value.
  const before = context.problems.length;
  const { type } = readExpression(value, context);
  const isRead = context.problems.length === before;
  context.problems.length = before;
  return isRead && isScalar(type) ? type : isScalar(type) ? integer(context.widths.intBits, true) : undefined;
}

/**
 * A name with values in parentheses behind it, `lcd(0x27, 16, 2)`, or made by its class,
 * `lc = LedControl(12, 11, 10, 1)`; `undefined` when it is declared in another way.
 */
function readConstructed(
  node: SyntaxNode,
  type: CType,
  storage: Storage,
  context: Context,
): readonly Expression[] | undefined {
  const value = node.childForFieldName('value');
  const isMade =
    value?.type === 'call_expression' &&
    type.kind === 'struct' &&
    value.childForFieldName('function')?.text === type.name;
  // With names alone between the parentheses it looks like the head of a function.
  const isHead = node.type === 'function_declarator' && isConstructed(type, context);
  if (value?.type !== 'argument_list' && !isMade && !isHead) return undefined;
  const nameNode = node.childForFieldName('declarator')!;
  const list = isHead
    ? node.childForFieldName('parameters')
    : isMade
      ? value.childForFieldName('arguments')
      : value;
  const given = namedChildren(list!).map((one) =>
    one.type === 'parameter_declaration' ? (namedChildren(one)[0] ?? one) : one,
  );
  if (nameNode.type !== 'identifier') return undefined;
  const declared = { name: nameNode, type, refers: false };
  if (isScalar(type) && given.length === 1) {
    const first = convert(readExpression(given[0]!, context), type, context);
    const variable = declare(declared, storage, context, {
      clock: first.clock === 'fixed' ? 'fixed' : 'unfollowed',
    });
    return variable ? [storeTo(variable.place, type, first, nameNode)] : [];
  }
  if (type.kind !== 'struct' || !isConstructed(type, context)) {
    context.unsupported(`“${node.text.slice(0, 30)}”`, node);
    return [];
  }
  const variable = declare(declared, storage, context, { clock: 'fixed' });
  return variable ? constructed(variable.place, type, given, node, context) : [];
}

/** A class of the library whose header the program does not include. */
function reportNoHeader(node: SyntaxNode, context: Context): void {
  const { line, column } = spanOf(node);
  const include = `#include <${node.text}.h>`;
  context.report(
    refusal(
      'name-unknown',
      { line, column },
      `Line ${line}: “${node.text}” is not known. The library it comes from is not included.`,
      [
        `Where does ${node.text} come from?`,
        `${node.text} belongs to a library, and no line of the program includes it.`,
        `Write ${include} as the first line.`,
      ],
      textRepair(`Write ${include} as the first line.`, {
        line: 1,
        column: 1,
        length: 0,
        by: `${include}\n`,
      }),
    ),
  );
}

/** One declared name with its first value: what is stored when it is reached. */
function readDeclared(
  node: SyntaxNode,
  base: CType,
  storage: Storage,
  context: Context,
): readonly Expression[] {
  const isInit = node.type === 'init_declarator';
  const valueNode = isInit ? node.childForFieldName('value') : null;
  const read = readDeclarator(isInit ? node.childForFieldName('declarator')! : node, base, context);
  const type = read && valueNode ? sized(read.type, valueNode) : read?.type;
  if (!read || !type || !isComplete(type) || (read.refers && !valueNode)) {
    context.unsupported(`“${node.text.slice(0, 30)}”`, node);
    return [];
  }
  const declared = { ...read, type };
  if (declared.refers) return referTo(declared, valueNode!, storage, context);
  const single = valueNode?.type === 'initializer_list' ? namedChildren(valueNode)[0] : valueNode;
  if (!isScalar(type)) {
    const variable = declare(declared, storage, context, { clock: 'fixed' });
    return variable ? firstValues(variable.place, type, valueNode, declared.name, context) : [];
  }
  if (single && isText(single) && sameType(type, integer(8, context.widths.charSigned))) {
    context.report(textInLetter(declared.name, single));
    declare(declared, storage, context, { clock: 'fixed' });
    return [];
  }
  if (valueNode && single !== valueNode && namedChildren(valueNode).length > 1)
    reportSeveral(valueNode, declared.name, context);
  const isGlobal = context.scope.parent === undefined;
  if (single && !isGlobal && mentions(single, declared.name.text)) {
    // From here on the name is that of the new variable, also in what it is worked out from.
    const variable = declare(declared, storage, context, { clock: 'unfollowed' });
    const value = convert(readExpression(single, context), type, context);
    return variable ? [storeTo(variable.place, type, value, declared.name)] : [];
  }
  const value = single ? convert(readExpression(single, context), type, context) : undefined;
  const followed = !isGlobal && !storage.isStatic && !context.reassigned.has(declared.name.text);
  const isFixed = storage.isConstant && type.kind !== 'pointer';
  const known = isFixed && value?.node === 'constant' ? value.value : undefined;
  const variable = declare(declared, { ...storage, isConstant: isFixed }, context, {
    clock: value && value.clock !== 'fixed' ? (followed ? value.clock : 'unfollowed') : 'fixed',
    ...(known === undefined ? {} : { known }),
  });
  return variable ? [storeTo(variable.place, type, value ?? zero(declared.name, type), declared.name)] : [];
}

const mentions = (node: SyntaxNode, name: string): boolean =>
  nodesIn(node).some(({ type, text }) => type === 'identifier' && text === name);

/** An array's type with the length that its first values give it. */
function sized(type: CType, valueNode: SyntaxNode): CType {
  if (type.kind !== 'array' || type.length > 0) return type;
  const length =
    valueNode.type === 'initializer_list'
      ? namedChildren(valueNode).length
      : isText(valueNode)
        ? textOf(valueNode).length + 1
        : 0;
  return { ...type, length };
}

const isComplete = (type: CType): boolean =>
  type.kind === 'array' ? type.length > 0 && isComplete(type.of) : type.kind !== 'void';

/** The cell of a reference gets the address of what it is another name for. */
function referTo(
  declared: Declared,
  valueNode: SyntaxNode,
  storage: Storage,
  context: Context,
): readonly Expression[] {
  const found = findPlace(valueNode, context, readExpression);
  const variable = declare(declared, storage, context, { clock: 'unfollowed' });
  if (!variable) return [];
  if (!found || !sameType(found.type, declared.type)) {
    context.unsupported(`“${declared.name.text}” as another name for “${valueNode.text}”`, valueNode);
    return [];
  }
  const type = pointerTo(declared.type);
  const span = spanOf(valueNode);
  const value: Expression = { node: 'address', place: found.place, type, span, clock: 'fixed' };
  return [storeTo(variable.place, type, value, declared.name)];
}

function declare(
  { name: node, type, refers }: Declared,
  storage: Storage,
  context: Context,
  more: { readonly clock: ClockForm; readonly known?: number },
): Variable | undefined {
  const name = node.text;
  const earlier = context.scope.here(name);
  const span = spanOf(node);
  if (earlier) {
    context.report(
      refusal(
        'name-redeclared',
        span,
        `Line ${span.line}: “${name}” is declared a second time; line ${earlier.span.line} already declares it.`,
        [
          `How many lines declare “${name}”, with a type in front of it?`,
          `Line ${earlier.span.line} declares “${name}”, and line ${span.line} declares it again.`,
          `Remove the type in line ${span.line}, or choose another name there.`,
        ],
      ),
    );
    return undefined;
  }
  reportTaken(node, context);
  const cells = cellsOf(refers ? pointerTo(type) : type);
  if (context.globals.cells + context.frame.cells + cells > MOST_CELLS) {
    context.unsupported(
      `“${name}”, with which the variables come to more than ${MOST_CELLS.toLocaleString('en')} numbers,`,
      node,
    );
    return undefined;
  }
  effort(cells * 1000);
  const isGlobal = context.scope.parent === undefined;
  const layout = isGlobal || storage.isStatic ? context.globals : context.frame;
  const variable: Variable = {
    name,
    type,
    constant: storage.isConstant,
    place: layout.take(name, refers ? pointerTo(type) : type),
    refers,
    isVolatile: storage.isVolatile,
    span,
    loopDepth: context.loopDepth,
    ...more,
  };
  context.scope.declare(variable);
  context.variables.push(variable);
  return variable;
}

/** Declares the name that a loop over an array gives to each of its values, and puts the value there. */
export function declareEach(loop: SyntaxNode, element: Found, context: Context): readonly Expression[] {
  const signs = loop.childForFieldName('declarator')!;
  const typeNode = loop.childForFieldName('type')!;
  const base =
    typeNode.type === 'placeholder_type_specifier'
      ? element.type
      : typeNamed(typeNode.text, context.widths, context.types);
  const declared = base && readDeclarator(signs, base, context);
  if (!declared) {
    context.unsupported(`“${signs.text}” in a loop over an array`, signs);
    return [];
  }
  const storage = { isStatic: false, isConstant: false, isVolatile: false };
  const variable = declare(declared, storage, context, { clock: 'unfollowed' });
  if (!variable) return [];
  const span = spanOf(signs);
  if (declared.refers) {
    const type = pointerTo(element.type);
    const value: Expression = { node: 'address', place: element.place, type, span, clock: 'fixed' };
    return [storeTo(variable.place, type, value, declared.name)];
  }
  const value = loadOf(signs, element.place, element.type);
  return isScalar(declared.type)
    ? [storeTo(variable.place, declared.type, convert(value, declared.type, context), declared.name)]
    : [copied(signs, { place: variable.place, type: declared.type, constant: false }, value, context)];
}

/** Declares a parameter of the function that is being read. */
export function declareParameter(
  name: SyntaxNode,
  { type, refers }: FunctionSignature['parameters'][number],
  context: Context,
): Variable | undefined {
  const storage = { isStatic: false, isConstant: false, isVolatile: false };
  return declare({ name, type, refers }, storage, context, { clock: refers ? 'unfollowed' : 'fixed' });
}

/** The name that a declarator declares, inside of its signs and before its first value. */
function namedIn(node: SyntaxNode): string {
  const inner = node.childForFieldName('declarator') ?? null;
  return inner ? namedIn(inner) : node.text;
}

/** `int pins = {1, 2, 3};`: several values for a variable that is no list. */
function reportSeveral(values: SyntaxNode, name: SyntaxNode, context: Context): void {
  const { line, endColumn: column } = spanOf(name);
  const text = `Write ${name.text}[] instead of ${name.text} in line ${line}.`;
  context.report(
    refusal(
      'syntax-other',
      { line, column },
      `Line ${line}: ${name.text} gets several values, but it is no list. A list has brackets behind its name.`,
      [
        `How many values may ${name.text} hold?`,
        `In line ${line}, ${values.text} are several values; only a list holds them.`,
        text,
      ],
      textRepair(text, { line, column, length: 0, by: '[]' }),
    ),
  );
}
