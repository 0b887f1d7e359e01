import type { SyntaxNode } from '../syntax';
import type { Context, FunctionSignature } from './context';
import type { ReadExpression } from './places';
import { sameType, typeText, type CType } from './types';

/** Of the functions of a name, of which `first` is one, that whose parameters fit best what is given. */
export function fitting(
  first: FunctionSignature,
  given: readonly SyntaxNode[],
  context: Context,
  read: ReadExpression,
): FunctionSignature {
  const all = context.overloads.get(first.name);
  if (!all) return first;
  // What is wrong with a value is told when it is read for the call.
  const before = context.problems.length;
  const types = given.map((one) => read(one, context).type);
  context.problems.length = before;
  const fits = all
    .filter(
      ({ parameters }) =>
        given.length <= parameters.length &&
        given.length >= parameters.filter(({ preset }) => !preset).length,
    )
    .map((signature) => ({
      signature,
      away: types.reduce((sum, type, index) => sum + distance(type, signature.parameters[index]!.type), 0),
    }));
  return fits.sort((one, other) => one.away - other.away)[0]?.signature ?? first;
}

/** How far a value is from what is taken: the same type, a wider one of its kind, another kind of number, or none. */
function distance(given: CType, taken: CType): number {
  if (sameType(given, taken)) return 0;
  const isLetters = (type: CType): boolean =>
    type.kind === 'text' ||
    type.kind === 'string' ||
    (type.kind === 'pointer' && typeText(type.to) === 'char');
  if (isLetters(given) || isLetters(taken)) return isLetters(given) && isLetters(taken) ? 1 : FAR;
  if (given.kind === 'integer' && taken.kind === 'integer') return taken.bits >= given.bits ? 1 : 2;
  const isNumber = (type: CType): boolean => ['integer', 'bool', 'float'].includes(type.kind);
  return isNumber(given) && isNumber(taken) ? 3 : FAR;
}

/** What no value is away from a type that it can be turned into. */
const FAR = 1000;
