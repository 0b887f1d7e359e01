import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { readDeclarator } from './declarators';
import { readExpression } from './expressions';
import { readClass } from './class-specifiers';
import { integer, isScalar, typeNamed, type CType } from './types';

/** What names a type without declaring a variable. */
export const typeNodes: ReadonlySet<string> = new Set([
  'struct_specifier',
  'class_specifier',
  'enum_specifier',
  'type_definition',
  'alias_declaration',
]);

/** Reads a struct, an enumeration, a typedef or its newer form, and makes its name known. */
export function readTypeSpecifier(node: SyntaxNode, context: Context): CType | undefined {
  switch (node.type) {
    case 'struct_specifier':
    case 'class_specifier':
      return readClass(node, context, (inner) => readTypeSpecifier(inner, context));
    case 'enum_specifier':
      return readEnumeration(node, context);
    case 'type_definition': {
      const typeNode = node.childForFieldName('type')!;
      const type =
        readTypeSpecifier(typeNode, context) ?? typeNamed(typeNode.text, context.widths, context.types);
      const declarator = node.childForFieldName('declarator');
      const declared = type && declarator ? readDeclarator(declarator, type, context) : undefined;
      if (declared) context.types.set(declared.name.text, declared.type);
      else context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}”`, node);
      return declared?.type;
    }
    case 'alias_declaration': {
      const name = node.childForFieldName('name')!.text;
      const type = typeNamed(node.childForFieldName('type')!.text, context.widths, context.types);
      if (type) context.types.set(name, type);
      else context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}”`, node);
      return type;
    }
    default:
      return undefined;
  }
}

/** Names for numbers that count up; of the type `int`, as the processor holds them. */
function readEnumeration(node: SyntaxNode, context: Context): CType | undefined {
  const name = node.childForFieldName('name')?.text ?? '';
  const body = node.childForFieldName('body');
  const isClosed = /^enum\s+(?:class|struct)\b/.test(node.text);
  const base = node.childForFieldName('base');
  const type =
    (base && typeNamed(base.text, context.widths, context.types)) ?? integer(context.widths.intBits, true);
  if (!body) return context.types.get(name);
  if (!isScalar(type)) return undefined;
  let next = 0;
  for (const child of namedChildren(body)) {
    const nameNode = child.childForFieldName('name');
    const valueNode = child.childForFieldName('value');
    const value = valueNode ? readExpression(valueNode, context) : undefined;
    if (!nameNode || (value && value.node !== 'constant')) {
      context.unsupported(`“${child.text.slice(0, 30)}” in an enumeration`, child);
      continue;
    }
    if (value?.node === 'constant') next = value.value;
    // Names of an `enum class` are reached by their type alone, those of others in both ways.
    const qualified = name === '' ? [] : [`${name}::${nameNode.text}`];
    for (const known of isClosed ? qualified : [nameNode.text, ...qualified])
      context.scope.declare({
        name: known,
        type,
        constant: true,
        place: { area: 'global', address: 0, steps: [], name: known },
        span: spanOf(nameNode),
        clock: 'fixed',
        loopDepth: 0,
        known: next,
      });
    next += 1;
  }
  if (name !== '') context.types.set(name, type);
  return type;
}
