import { refusal } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';

/** Words of the language, which nothing else can be called. */
const keywords: ReadonlySet<string> = new Set(
  (
    'alignas alignof and and_eq asm auto bitand bitor bool break case catch char class compl const const_cast ' +
    'constexpr continue decltype default delete do double dynamic_cast else enum explicit export extern false float ' +
    'for friend goto if inline int long mutable namespace new noexcept not not_eq nullptr operator or or_eq private ' +
    'protected public register reinterpret_cast return short signed sizeof static static_assert static_cast struct ' +
    'switch template this throw true try typedef typeid typename union unsigned using virtual void volatile wchar_t ' +
    'while xor xor_eq'
  ).split(' '),
);

/** Functions of the board's library that are texts put in their place: a variable may have such a name. */
const macros: ReadonlySet<string> = new Set([
  'abs',
  'bitRead',
  'constrain',
  'degrees',
  'highByte',
  'lowByte',
  'max',
  'min',
  'radians',
  'round',
  'sq',
]);

/** Numbers that the board's library puts in the place of their names, so that no line can declare them. */
const texts: ReadonlySet<string> = new Set([
  'HIGH',
  'LOW',
  'INPUT',
  'OUTPUT',
  'INPUT_PULLUP',
  'CHANGE',
  'FALLING',
  'RISING',
  'LED_BUILTIN',
  'PI',
  'DEC',
  'HEX',
  'OCT',
  'BIN',
]);

/** Reports a variable whose name the language or the board's library has already. */
export function reportTaken(node: SyntaxNode, context: Context): void {
  const name = node.text;
  const isGlobal = context.scope.parent === undefined;
  const owner = keywords.has(name)
    ? 'the language itself'
    : texts.has(name) || (isGlobal && context.constants.has(name))
      ? 'the board’s library'
      : isGlobal && context.library.has(name) && !macros.has(name)
        ? 'a function of the board’s library'
        : isGlobal && context.functions.has(name)
          ? 'a function of this program'
          : undefined;
  if (owner === undefined) return;
  context.taken.add(name);
  const span = spanOf(node);
  context.report(
    refusal(
      'name-redeclared',
      span,
      `Line ${span.line}: “${name}” is a name of ${owner} already. A variable can’t be called the same.`,
      [
        `Does “${name}” mean something to the board already?`,
        `“${name}” in line ${span.line} is a name of ${owner}.`,
        `Choose another name in line ${span.line}, such as my${name.charAt(0).toUpperCase()}${name.slice(1)}, everywhere it is used.`,
      ],
    ),
  );
}
