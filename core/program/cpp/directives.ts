import { refusal, textRepair } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { libraryClasses } from './library';

/** `#define LAMP 13`. */
export function readDefine(node: SyntaxNode, context: Context): void {
  const name = node.childForFieldName('name')!.text;
  const value = node.childForFieldName('value');
  const text = value?.text.replace(/\/\/.*$|\/\*.*?\*\//g, '').trim() ?? '';
  const span = spanOf(node);
  if (text.endsWith(';') && value) {
    const place = spanOf(value);
    const column = place.column + value.text.indexOf(';');
    context.report(
      refusal(
        'syntax-semicolon',
        { line: place.line, column },
        `Line ${place.line}: a #define has no semicolon at its end. It would be copied to wherever ${name} is used.`,
        [
          `Which lines end with a semicolon, and is #define one of them?`,
          `The semicolon at column ${column} of line ${place.line} becomes part of ${name}.`,
          `Remove the semicolon in line ${place.line}.`,
        ],
        textRepair(`Remove the semicolon in line ${place.line}.`, {
          line: place.line,
          column,
          length: 1,
          by: '',
        }),
      ),
    );
    return;
  }
  if (/^=[^=]/.test(text) && value) {
    const place = spanOf(value);
    const length = /^=\s*/.exec(value.text)![0].length;
    const remove = `Remove the = in line ${place.line}.`;
    context.report(
      refusal(
        'syntax-other',
        { line: place.line, column: place.column },
        `Line ${place.line}: a #define has no equals sign. It would be copied to wherever ${name} is used.`,
        [
          `What stands between a name and its value after #define, and what in a variable?`,
          `The equals sign in line ${place.line} becomes part of ${name}.`,
          remove,
        ],
        textRepair(remove, { line: place.line, column: place.column, length, by: '' }),
      ),
    );
    return;
  }
  context.definitions.set(name, { text, span });
}

/** `#define TWICE(x) (2 * (x))`. */
export function readMacroDefinition(node: SyntaxNode, context: Context): void {
  const text =
    node
      .childForFieldName('value')
      ?.text.replace(/\\\r?\n/g, ' ')
      .replace(/\/\/.*$/, '')
      .trim() ?? '';
  const parameters = namedChildren(node.childForFieldName('parameters')!).map((parameter) => parameter.text);
  // A sign that makes a text of what is given, or joins two names, is not followed.
  if (text.includes('#') || text === '') context.unsupported(`“${node.text.trim().slice(0, 30)}”`, node);
  else context.macros.set(node.childForFieldName('name')!.text, { parameters, text });
}

/** A header brings the class of its name along; one that nobody needs does no harm. */
export function readInclude(node: SyntaxNode, context: Context): void {
  const path = node.childForFieldName('path')?.text ?? '';
  const name = /^[<"]([\w./]+)\.h[>"]$/.exec(path)?.[1] ?? '';
  const type = libraryClasses.get(name);
  context.headers.add(name);
  if (type) context.types.set(name, type);
  else if (
    ![
      'stdint',
      'math',
      'string',
      'stdlib',
      'ctype',
      'Wire',
      'EEPROM',
      'avr/pgmspace',
      'avr/io',
      'avr/interrupt',
    ].includes(name)
  )
    context.strangeHeaders.push(node);
}
