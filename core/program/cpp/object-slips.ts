import { nextTo } from '../names';
import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, spanOf, type Span, type SyntaxNode } from '../syntax';
import { writtenOtherwise } from '../syntax-wording';
import type { Context } from './context';
import type { LibraryFunction } from './library';
import { typeText, type CType } from './types';

/** What other languages call what switches a pin, each with the level that it gives the pin. */
const SWITCHING: Readonly<Record<string, string>> = {
  on: 'HIGH',
  turnOn: 'HIGH',
  high: 'HIGH',
  off: 'LOW',
  turnOff: 'LOW',
  low: 'LOW',
};

/** `lamp.on()`, where lamp is a number: only objects have functions of their own. */
export function functionOfNumber(
  object: SyntaxNode,
  member: SyntaxNode,
  call: SyntaxNode,
  type: CType,
): ProgramProblem {
  const { line, column } = spanOf(object);
  const level = Object.hasOwn(SWITCHING, member.text) ? SWITCHING[member.text] : undefined;
  const by = level && `digitalWrite(${object.text}, ${level})`;
  const text = by ? `Write ${by} instead of ${call.text} in line ${line}.` : undefined;
  const what = type.kind === 'pointer' ? 'a pointer' : 'a number';
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: ${object.text} is ${what} and has no functions of its own, so “${object.text}.${member.text}” means nothing.`,
    [
      `What is ${object.text}: an object, or the number of a pin?`,
      `A dot stands behind ${object.text} in line ${line}, and only objects have one.`,
      text ?? `Give ${object.text} to a function instead: put it in the parentheses in line ${line}.`,
    ],
    text && by && !call.text.includes('\n')
      ? textRepair(text, { line, column, length: call.text.length, by })
      : undefined,
  );
}

/**
 * `Servo.attach(9)`, `servo.attach(9)`: the class of an object in its place, or an object that nothing declares, told
 * once for all its uses; `undefined` for a name that no class has, and for one that is told of.
 */
export function classForObject(object: SyntaxNode, context: Context): ProgramProblem | undefined {
  const name = object.text;
  const type =
    [...context.types.keys()].find((known) => known.toLowerCase() === name.toLowerCase()) ??
    classByMethods(name, context);
  if (type === undefined || !hasMethods(type, context)) return undefined;
  const { line, column } = spanOf(object);
  const known = context.variables.filter((variable) => typeText(variable.type) === type);
  const own = known.length === 1 ? known[0]!.name : undefined;
  const called = own ?? (name === type ? `my${type}` : name);
  const all = usesAsObject(name, context);
  const renamed = called === name ? [] : all;
  const text =
    own === undefined
      ? `Write ${type} ${called}; at the top of the program${renamed.length > 0 ? `, and ${called} instead of ${name} in line ${line}${all.length > 1 ? ' and wherever else it stands' : ''}` : ''}.`
      : `Write ${own} instead of ${name} in line ${line}${all.length > 1 ? ' and wherever else it stands' : ''}.`;
  return refusal(
    'name-unknown',
    { line, column },
    name === type
      ? `Line ${line}: ${type} is a class, the plan of an object, and no object itself. ${own === undefined ? `None is declared yet.` : `The object that is declared is ${own}.`}`
      : `Line ${line}: “${name}” is not known. ${own === undefined ? `No line declares a ${type} of that name.` : `The ${type} that is declared is ${own}.`}`,
    [
      `Which line declares the ${type}, and under which name?`,
      own === undefined
        ? `There is the class ${type}, but no object of it.`
        : `It is called ${own}; line ${line} says ${name}.`,
      text,
    ],
    {
      text,
      edits: [
        ...renamed.toReversed().map((use) => ({
          replace: { line: use.line, column: use.column, length: name.length, by: called },
        })),
        ...(own === undefined
          ? [
              {
                replace: {
                  line: belowIncludes(context.root),
                  column: 1,
                  length: 0,
                  by: `${type} ${called};\n`,
                },
              },
            ]
          : []),
      ],
    },
  );
}

/** The first line below what is included. */
const belowIncludes = (root: SyntaxNode): number =>
  1 +
  Math.max(
    0,
    ...namedChildren(root).flatMap((node) => (node.type === 'preproc_include' ? [spanOf(node).line] : [])),
  );

/** `Serial->println(count)`: an arrow behind what is no pointer; `undefined` behind a dot. */
export function arrowForDot(callee: SyntaxNode): ProgramProblem | undefined {
  const operator = callee.childForFieldName('operator');
  if (operator?.text !== '->') return undefined;
  const { line, column } = spanOf(operator);
  const why = 'An object is followed by a dot; the arrow is for pointers.';
  return writtenOtherwise({ line, column }, '->', '.', why, { line, column, length: 2, by: '.' });
}

/** Where a name stands before a dot. */
const usesAsObject = (name: string, context: Context): readonly Span[] =>
  membersOf(name, context).map(({ object }) => spanOf(object));

/** What is asked of an object: each place in which its name stands before a dot, and what stands behind that. */
const membersOf = (name: string, { root }: Context) =>
  nodesIn(root).flatMap((node) => {
    const object = node.type === 'field_expression' ? node.childForFieldName('argument') : undefined;
    return object?.text === name ? [{ object, member: node.childForFieldName('field')?.text ?? '' }] : [];
  });

/** The one class of the library that is made with nothing and that has all that is asked of an object of that name. */
function classByMethods(name: string, context: Context): string | undefined {
  const members = membersOf(name, context).map(({ member }) => member);
  const fitting = [...context.types.keys()].filter(
    (type) =>
      !context.library.has(`${type}.new`) &&
      members.every((member) => context.library.has(`${type}.${member}`)),
  );
  return members.length > 0 && fitting.length === 1 ? fitting[0] : undefined;
}

/** `arm.write = 90`: what is given to a function of an object goes in parentheses; `undefined` of what is no function. */
export function functionOfObjectSet(
  member: SyntaxNode,
  type: string,
  { root, library }: Pick<Context, 'root' | 'library'>,
): ProgramProblem | undefined {
  if (!library.has(`${type}.${member.text}`)) return undefined;
  const { line, column } = spanOf(member);
  const whole = nodesIn(root).find((node) => {
    const left = node.type === 'assignment_expression' ? node.childForFieldName('left') : undefined;
    return left?.childForFieldName('field')?.startIndex === member.startIndex;
  });
  const [left, right] = ['left', 'right'].map((side) => whole?.childForFieldName(side)?.text ?? '');
  const by = `${left}(${right})`;
  const text = whole ? `Write ${by} instead of ${whole.text} in line ${line}.` : undefined;
  return refusal(
    'syntax-paren',
    { line, column },
    `Line ${line}: ${member.text} is a function of a ${type}. What it is given goes in parentheses.`,
    [
      `Which signs stand round what a function is given?`,
      `In line ${line} no parentheses stand behind ${member.text}.`,
      text ?? `Put what ${member.text} is given in parentheses behind it.`,
    ],
    whole && text && !whole.text.includes('\n')
      ? textRepair(text, { ...spanOf(whole), length: whole.text.length, by })
      : undefined,
  );
}

/** `arm = 90`, `leds = 3`: something whole that one number is to be put into, which no compiler does. */
export function wholeSet(
  node: SyntaxNode,
  name: string,
  type: CType,
  library: Context['library'],
): ProgramProblem {
  const { line, column } = spanOf(node);
  const owner = typeText(type);
  const isList = type.kind === 'array';
  const right = node.childForFieldName('right')?.text ?? '';
  const by = library.has(`${owner}.write`) && right !== '' ? `${name}.write(${right})` : undefined;
  const text = by && `Write ${by} instead of ${node.text} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column },
    isList
      ? `Line ${line}: ${name} is a list, and only one of its values can be set at a time, as in ${name}[0].`
      : `Line ${line}: ${name} is an object, a ${owner}. Nothing else can be put in its place.`,
    [
      isList
        ? `Which value of ${name} is meant in line ${line}?`
        : `What is ${name}: a number, or an object?`,
      isList
        ? `Line ${line} sets the whole list at once.`
        : `Line ${line} puts ${right} in the place of the whole ${owner}.`,
      text ??
        (isList
          ? `Write the place of the value in square brackets behind ${name} in line ${line}.`
          : `Call a function of ${name} in line ${line} instead.`),
    ],
    by && text && !node.text.includes('\n')
      ? textRepair(text, { line, column, length: node.text.length, by })
      : undefined,
  );
}

/** Whether a class of the library or of the program has anything that can be called with a dot. */
const hasMethods = (type: string, { library, methods }: Context): boolean =>
  [...library.keys()].some((name) => name.startsWith(`${type}.`)) ||
  [...methods.values()].some(({ owner }) => owner.name === type);

/** `Serial.println("count: ", count)`: a text is printed alone, since what stands behind it is the base of a number. */
export function textWithBase(
  name: string,
  builtin: LibraryFunction,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
): ProgramProblem | undefined {
  const [first, second] = given;
  if (!first || !second || builtin.parameters.length !== 2) return undefined;
  const { line, column } = spanOf(node);
  const by = `Serial.print(${first.text}); ${name}(${second.text})`;
  const text = `Write ${by} in line ${line}.`;
  return refusal(
    'arguments',
    { line, column },
    `Line ${line}: ${name.replace('Serial.', '')} prints one text at a time. A second value belongs to a number only: it says in which base, or with how many decimals.`,
    [
      `How many things does one print take?`,
      `Line ${line} hands over ${first.text} and ${second.text} at once.`,
      text,
    ],
    node.text.includes('\n') ? undefined : textRepair(text, { line, column, length: node.text.length, by }),
  );
}

/** `TRUE`, which the grammar knows and no board does. */
export function loudWord(node: SyntaxNode): ProgramProblem | undefined {
  const meant = node.text.toLowerCase();
  if (node.text === meant) return undefined;
  const { line, column } = spanOf(node);
  const text = `Write ${meant} instead of ${node.text} in line ${line}.`;
  return refusal(
    'name-case',
    { line, column },
    `Line ${line}: “${node.text}” is not known; “${meant}” is. Capitals count.`,
    [
      `Compare the capitals of “${node.text}” in line ${line} with an example. Are they all the same?`,
      `The board knows “${meant}”, not “${node.text}”.`,
      text,
    ],
    textRepair(text, { line, column, length: node.text.length, by: meant }),
  );
}

/** `steps(0)`, `count()`, `steps{0}`: a variable with what stands in other brackets than its own. */
export function calledVariable(
  callee: SyntaxNode,
  call: SyntaxNode,
  list: SyntaxNode,
  type: CType,
): ProgramProblem {
  const name = callee.text;
  const { line, column } = spanOf(callee);
  const isList = type.kind === 'array';
  const inside = list.text.slice(1, -1);
  const by = `${name}[${inside}]`;
  const text = isList && inside !== '' ? `Write ${by} instead of ${call.text} in line ${line}.` : undefined;
  return refusal(
    'syntax-other',
    { line, column },
    isList
      ? `Line ${line}: ${name} is a list. Which of its values is meant goes in square brackets.`
      : `Line ${line}: ${name} is a variable and cannot be called like a function.`,
    [
      `What is ${name}: a function, a list or a number?`,
      `Behind ${name} in line ${line} stands ${list.text.slice(0, 20)}, as behind a function.`,
      text ?? `Remove the parentheses behind ${name} in line ${line}, or call the function that is meant.`,
    ],
    text && !call.text.includes('\n')
      ? textRepair(text, { line, column, length: call.text.length, by })
      : undefined,
  );
}

/** `steps = {1, 2};` and `int steps[2] = 1;`: an array gets all its values where it is declared, in braces. */
export function wholeArray(node: SyntaxNode, name: string): ProgramProblem {
  const { line, column } = spanOf(node);
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: all values of ${name} at once can only be given where it is declared, in braces.`,
    [
      `Where does a list get all its values at once?`,
      `Line ${line} changes the whole of ${name}, and a list is changed value by value.`,
      `Give ${name} its values one by one, as in ${name}[0] = 1;, or in braces where it is declared.`,
    ],
  );
}

/** `int steps[3] = 1;`. */
export function valueForArray(value: SyntaxNode): ProgramProblem {
  const { line, column } = spanOf(value);
  const by = `{${value.text.replace(/^\((.*)\)$/, '$1')}}`;
  return writtenOtherwise({ line, column }, value.text, by, 'The first values of a list stand in braces.', {
    line,
    column,
    length: value.text.length,
    by,
  });
}

/** The header that is meant by one that is written otherwise: `<servo.h>`, `<Servo>`. */
export const headerMeant = (path: SyntaxNode, known: readonly string[]): string | undefined => {
  const name = path.text.slice(1, -1).replace(/\.h$/i, '');
  return known.find((one) => one.toLowerCase() === name.toLowerCase()) ?? nextTo(name, known);
};

export function headerSlip(path: SyntaxNode, meant: string): ProgramProblem {
  const { line, column } = spanOf(path);
  const by = `<${meant}.h>`;
  const isCase = path.text.toLowerCase() === by.toLowerCase();
  const text = `Write ${by} instead of ${path.text} in line ${line}.`;
  return refusal(
    isCase ? 'name-case' : 'name-unknown',
    { line, column },
    `Line ${line}: there is no library ${path.text}. It is written ${by}.`,
    [
      `Compare line ${line} with an example, letter by letter. Are they the same?`,
      `${path.text} in line ${line} is not how the library is written.`,
      text,
    ],
    textRepair(text, { line, column, length: path.text.length, by }),
  );
}
