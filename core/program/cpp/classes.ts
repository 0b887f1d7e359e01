import { refusal } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import type { CType, StructType } from './types';

/** The name under which a method is kept among the functions. */
export const methodName = (type: StructType, name: string): string => `${type.name}::${name}`;

/** The name of a function as a program says it. */
export const shownName = (name: string): string => name.replace(/^.*::/, '').replace(/\(.*$/, '');

/** What a class or one that it is made from has under a name. */
export function inherited<Kept>(
  type: StructType,
  name: string,
  kept: ReadonlyMap<string, Kept>,
): Kept | undefined {
  const own = kept.get(methodName(type, name));
  return own ?? (type.base && inherited(type.base, name, kept));
}

/** The class whose function makes objects of a class: its own, or the one that it is made from. */
export function makerOf(type: CType, context: Context): StructType | undefined {
  if (type.kind !== 'struct') return undefined;
  if (context.methods.has(methodName(type, type.name))) return type;
  return type.base && makerOf(type.base, context);
}

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
