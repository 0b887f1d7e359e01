import { refusal } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import type { Context, MethodHead } from './context';
import type { CType, StructType } from './types';

/** The name under which a method is kept among the functions. */
export const methodName = (type: StructType, name: string): string => `${type.name}::${name}`;

/** The name of a function as a program says it. */
export const shownName = (name: string): string => name.replace(/^.*::/, '');

/** The declaration of a class's constructor; `undefined` where it has none. */
export const constructorOf = (type: CType, context: Context): MethodHead | undefined =>
  type.kind === 'struct' ? context.methods.get(methodName(type, type.name)) : undefined;

/** Whether what stands before the dot may be asked for a member of its class; says so where not. */
export function mayUse(
  member: SyntaxNode,
  type: StructType,
  { isPrivate }: { readonly isPrivate?: boolean },
  context: Context,
): boolean {
  if (isPrivate !== true || context.owner?.type.name === type.name) return true;
  const { line, column } = spanOf(member);
  context.report(
    refusal(
      'syntax-other',
      { line, column },
      `Line ${line}: “${member.text}” is private to ${type.name}; only the functions of ${type.name} may use it.`,
      [
        `Does ${member.text} stand under public: or under private: in ${type.name}?`,
        `What stands before public: in a class, or under private:, is for its own functions alone.`,
        `Put ${member.text} under public: in ${type.name}, or ask a function of ${type.name} for it.`,
      ],
    ),
  );
  return false;
}
