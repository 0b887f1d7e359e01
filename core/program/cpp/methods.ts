import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { readOwnCall } from './arguments';
import { makerOf, methodName } from './classes';
import type { Context } from './context';
import { functionHead } from './declarators';
import { readExpression } from './expressions';
import { constructed, firstValues, isConstructed } from './first-values';
import { loadOf } from './places';
import type { Expression, Place } from './tree';
import { pointerTo, type StructType } from './types';

/** The fields of an object, which its methods call by their names alone. */
export function declareFields(node: SyntaxNode, { owner, scope }: Context): void {
  for (const { name, type, cell } of owner?.type.fields ?? []) {
    const through = loadOf(node, owner!.self, pointerTo(owner!.type));
    scope.declare({
      name,
      type,
      constant: false,
      place: { area: 'frame', address: cell, through, steps: [], name },
      span: spanOf(node),
      clock: 'fixed',
      loopDepth: 0,
    });
  }
}

/** `: pin(p), on(false)` behind the head of what makes an object: first values of its fields. */
export function readMade(node: SyntaxNode, context: Context): readonly Expression[] {
  const list = namedChildren(node).find(({ type }) => type === 'field_initializer_list');
  const { owner } = context;
  const base = owner?.type.base;
  const ones = list ? namedChildren(list) : [];
  const isMaker = owner !== undefined && nameOfFunction(node) === owner.type.name;
  const above =
    isMaker && base && isConstructed(base, context)
      ? madeFrom(
          base,
          ones.find((one) => namedChildren(one)[0]?.text === base.name),
          node,
          context,
        )
      : [];
  const own = ones.flatMap((one) => {
    const [name, values] = namedChildren(one);
    if (base && name?.text === base.name) return [];
    const field = context.owner?.type.fields.find((candidate) => candidate.name === name?.text);
    const given = values ? namedChildren(values) : [];
    if (!field || !name || !context.owner) {
      if (name) context.reportUnknown(name.text, name, 'value');
      return [];
    }
    const through = loadOf(one, context.owner.self, pointerTo(context.owner.type));
    const place: Place = { area: 'frame', address: field.cell, through, steps: [], name: field.name };
    if (field.type.kind === 'struct' && isConstructed(field.type, context))
      return constructed(place, field.type, given, one, context);
    return firstValues(place, field.type, given[0] ?? null, name, context);
  });
  return [...above, ...own];
}

/** The name of a function that is a method. */
const nameOfFunction = (node: SyntaxNode): string =>
  (
    functionHead(node.childForFieldName('declarator'))?.head.childForFieldName('declarator')?.text ?? ''
  ).replace(/^.*::/, '');

/** What the class above does when an object is made, with what the one below gives it. */
function madeFrom(
  base: StructType,
  given: SyntaxNode | undefined,
  node: SyntaxNode,
  context: Context,
): readonly Expression[] {
  const maker = makerOf(base, context);
  const signature = maker && context.functions.get(methodName(maker, maker.name));
  if (!signature || !context.owner) return [];
  const values = given ? namedChildren(namedChildren(given)[1] ?? given) : [];
  const self = loadOf(node, context.owner.self, pointerTo(context.owner.type));
  return [readOwnCall(signature, values, given ?? node, context, readExpression, self)];
}
