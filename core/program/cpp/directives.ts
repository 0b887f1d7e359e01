import { headerMeant, headerSlip } from './object-slips';
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
    context.definitions.set(name, { text: text.slice(0, -1), span });
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
    context.definitions.set(name, { text: text.replace(/^=\s*/, ''), span });
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

/** Headers of which nothing that is not there anyway is needed. */
const PLAIN_HEADERS: readonly string[] = [
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
];

/** A header brings the class of its name along; one that nobody needs does no harm. */
export function readInclude(node: SyntaxNode, context: Context): void {
  const pathNode = node.childForFieldName('path');
  const path = pathNode?.text ?? '';
  const name = /^[<"]([\w./]+)\.h[>"]$/.exec(path)?.[1] ?? '';
  const type = libraryClasses.get(name);
  context.headers.add(name);
  if (type) context.types.set(name, type);
  else if (!PLAIN_HEADERS.includes(name)) {
    const meant = pathNode && headerMeant(pathNode, [...libraryClasses.keys(), ...PLAIN_HEADERS]);
    if (!pathNode || !meant) context.strangeHeaders.push(node);
    else {
      context.report(headerSlip(pathNode, meant));
      // What it brings along is not missed besides.
      context.headers.add(meant);
      const brought = libraryClasses.get(meant);
      if (brought) context.types.set(meant, brought);
    }
  }
}
