import { withoutIf } from './slips';
import { refusal, textRepair, warning, type ProgramProblem } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { calledVariable } from './object-slips';
import type { Context } from './context';

/** `leds{0}`, `blink{}`: braces behind a name where other brackets are meant; `undefined` for the name of a type. */
export function bracesForBrackets(node: SyntaxNode, context: Context): ProgramProblem | undefined {
  const [name, list] = namedChildren(node);
  if (node.type !== 'compound_literal_expression' || !name || !list) return undefined;
  const variable = context.scope.find(name.text);
  if (variable) return calledVariable(name, node, list, variable.type);
  if (!context.functions.has(name.text) && !context.library.has(name.text)) return undefined;
  const { line, column } = spanOf(node);
  const by = `${name.text}(${list.text.slice(1, -1)})`;
  const text = `Write ${by} instead of ${node.text} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: braces stand behind ${name.text}. What a function is given goes in round parentheses.`,
    [`Which brackets belong behind the name of a function?`, `In line ${line} they are braces.`, text],
    textRepair(text, { line, column, length: node.text.length, by }),
  );
}

/** `leds[] = 5;`, `pinMode(leds[], OUTPUT)`: no value of the list is named. */
export function emptyBrackets(node: SyntaxNode): ProgramProblem | undefined {
  const list = node.childForFieldName('indices') ?? namedChildren(node)[1];
  if (node.type !== 'subscript_expression' || !list || namedChildren(list).length > 0) return undefined;
  const { line, column } = spanOf(list);
  const name = namedChildren(node)[0]!.text;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: the square brackets behind ${name} are empty. They hold the number of the value that is meant, the first is 0.`,
    [
      `Which of the values of ${name} does line ${line} mean?`,
      `Only a declaration may leave the square brackets empty.`,
      `Write the number of the value that is meant, as in ${name}[0].`,
    ],
  );
}

/** `void blink();` among the instructions: it says that there is such a function, and calls nothing. */
export function declaredAgain(node: SyntaxNode, context: Context): ProgramProblem | undefined {
  const [type, head] = namedChildren(node);
  if (context.scope.parent === undefined || !type || head?.type !== 'function_declarator') return undefined;
  const name = head.childForFieldName('declarator')?.text ?? '';
  if (!context.functions.has(name)) return undefined;
  const { line, column } = spanOf(node);
  if (type.text === 'else') return withoutIf({ line, column });
  const text = `Remove ${type.text} from line ${line}.`;
  return warning(
    'no-effect',
    'fault',
    { line, column },
    `Line ${line}: with “${type.text}” before it, the line only says that there is a function ${name}. It does not call it.`,
    [
      `How is a function called, and how is it made?`,
      `A type stands only where a function is made, and line ${line} is to call ${name}.`,
      text,
    ],
    textRepair(text, { line, column, length: spanOf(head).column - column, by: '' }),
  );
}
