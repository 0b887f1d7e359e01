import { refusal, type ProgramProblem } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { methodName } from './classes';
import type { Context } from './context';
import { functionHead, readDeclarator } from './declarators';
import { MOST_CELLS } from './scope';
import { cellsOf, typeNamed, type CType, type Field, type StructType } from './types';

/** Reads a type inside a class that names one of its own, such as an enumeration. */
type ReadInner = (node: SyntaxNode) => CType | undefined;

/** Reads a class or a struct: its fields, and the heads of its methods. */
export function readClass(node: SyntaxNode, context: Context, readInner: ReadInner): CType | undefined {
  const name = node.childForFieldName('name')?.text ?? '';
  const body = node.childForFieldName('body');
  if (!body) return context.types.get(name);
  const above = namedChildren(node).find(({ type: sort }) => sort === 'base_class_clause');
  const base = above && baseIn(above, context);
  if (above && !base) {
    context.silence(name);
    context.unsupported(`${name}, a class made from ${above.text.replace(/^:\s*(?:public)?\s*/, '')},`, node);
    return undefined;
  }
  const fields: Field[] = [...(base?.fields ?? [])];
  const type: StructType = { kind: 'struct', name, fields, ...(base ? { base } : {}) };
  // Its own methods may name it.
  if (name !== '') context.types.set(name, type);
  let isPrivate = node.type === 'class_specifier';
  for (const child of namedChildren(body)) {
    if (child.type === 'access_specifier') isPrivate = child.text !== 'public';
    else if (isMethod(child)) readHead(child, type, isPrivate, context);
    else readFields(child, { owner: type, fields, isPrivate }, context, readInner);
  }
  if (cellsOf(type) > MOST_CELLS) {
    context.unsupported(`a struct of more than ${MOST_CELLS.toLocaleString('en')} numbers`, node);
    return undefined;
  }
  return type;
}

/** The one class of the program that a class is made from; `undefined` for anything else. */
function baseIn(clause: SyntaxNode, context: Context): StructType | undefined {
  const names = namedChildren(clause).filter(({ type }) => type !== 'access_specifier');
  const type = names.length === 1 ? context.types.get(names[0]!.text) : undefined;
  return type?.kind === 'struct' && !type.isLibrary ? type : undefined;
}

const isMethod = (node: SyntaxNode): boolean =>
  node.type === 'function_definition' || functionHead(node.childForFieldName('declarator')) !== undefined;

function readHead(node: SyntaxNode, owner: StructType, isPrivate: boolean, context: Context): void {
  const name = functionHead(node.childForFieldName('declarator'))?.head.childForFieldName('declarator');
  // Nothing that a program of a board makes is ever taken away again.
  if (name?.type === 'destructor_name') return;
  if (!name || !/^(?:field_)?identifier$/.test(name.type) || /^\s*(?:static|virtual)\b/.test(node.text)) {
    context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}” in a class`, node);
    return;
  }
  const known = methodName(owner, name.text);
  // Of several of one name, which take different values, the first stands for all where it is asked for by its name.
  const key = context.methods.has(known) ? `${known} at ${node.startIndex}` : known;
  context.methods.set(key, { owner, isPrivate, node });
}

/** Where in a class fields are read. */
interface Body {
  readonly owner: StructType;
  /** Those read so far. */
  readonly fields: Field[];
  readonly isPrivate: boolean;
}

/** Whether a value of a type holds a whole object of the class that is being read. */
const holds = (type: CType, owner: StructType): boolean =>
  type === owner || (type.kind === 'array' && holds(type.of, owner));

function holdsItself(field: SyntaxNode, { name }: StructType): ProgramProblem {
  const { line, column } = spanOf(field);
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: every ${name} would hold another ${name} in ${field.text}, and that one the next, without end.`,
    [
      `How much memory does one ${name} take?`,
      `${field.text} in line ${line} is a whole ${name} inside of ${name}.`,
      `Make ${field.text} a pointer: ${name} *${field.text};`,
    ],
  );
}

function readFields(
  node: SyntaxNode,
  { owner, fields, isPrivate }: Body,
  context: Context,
  readInner: ReadInner,
): void {
  const typeNode = node.childForFieldName('type');
  const inner = typeNode?.childForFieldName('body') ? readInner(typeNode) : undefined;
  const base = inner ?? (typeNode ? typeNamed(typeNode.text, context.widths, context.types) : undefined);
  // Each name may have a first value behind it.
  const presets = presetsIn(node);
  const values = new Set([...presets.values()].map(({ startIndex }) => startIndex));
  const declarators = namedChildren(node).filter(
    (part) =>
      part.startIndex !== typeNode?.startIndex &&
      !values.has(part.startIndex) &&
      part.type !== 'type_qualifier',
  );
  const declared = base && declarators.map((part) => readDeclarator(part, base, context));
  if (node.type !== 'field_declaration' || !declared || declared.includes(undefined)) {
    context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}” in a struct`, node);
    return;
  }
  for (const [index, field] of declared.entries()) {
    if (holds(field!.type, owner)) {
      context.report(holdsItself(field!.name, owner));
      continue;
    }
    const last = fields.at(-1);
    const preset = presets.get(declarators[index]!.startIndex);
    fields.push({
      name: field!.name.text,
      type: field!.type,
      cell: last ? last.cell + cellsOf(last.type) : 0,
      ...(preset ? { preset } : {}),
      ...(isPrivate ? { isPrivate } : {}),
    });
  }
}

/** First values in a line of fields, by where the name of each begins. */
function presetsIn(node: SyntaxNode): ReadonlyMap<number, SyntaxNode> {
  const found = new Map<number, SyntaxNode>();
  let isValue = false;
  let name: SyntaxNode | undefined;
  for (const child of node.children) {
    if (!child) continue;
    if (child.text === '=' && !child.isNamed) isValue = true;
    else if (child.isNamed && isValue && name) {
      found.set(name.startIndex, child);
      isValue = false;
    } else if (child.isNamed) name = child;
  }
  return found;
}
