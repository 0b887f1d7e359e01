import { namedChildren, type SyntaxNode } from '../../program/syntax';
import { pinByNumber } from '../../boards';
import { cppFacts, declaredIn, type CppFacts } from './cpp-facts';
import { cppActions } from './cpp-actions';
import { cppPhrases, type CppPhrases } from './cpp-phrases';
import { lastLineOf, lineOf, seriesText, timesText, whatRuns, turnsOf, type Explaining } from './words';
import { capital, listText } from '../../words/words';

interface Context extends Explaining {
  readonly facts: CppFacts;
  readonly phrases: CppPhrases;
  readonly actionText: (call: SyntaxNode) => readonly string[];
  /** The loop or switch that `break` leaves. */
  readonly inside?: number;
  /** The loop whose next turn `continue` begins. */
  readonly loop?: number;
}

/** Explains a C++ program; a sentence or more for each line that does something. */
export function explainCpp(root: SyntaxNode, explaining: Explaining): void {
  const facts = cppFacts(root, explaining.board);
  const phrases = cppPhrases(facts, explaining.circuit, explaining.board.analog.range);
  const actionText = cppActions(facts, phrases, explaining);
  const context: Context = { ...explaining, facts, phrases, actionText };
  for (const node of namedChildren(root)) topLevel(node, context);
}

const libraries: Readonly<Record<string, string>> = {
  'Wire.h': 'the bus of two wires',
  'Servo.h': 'the commands for servos',
  'LiquidCrystal_I2C.h': 'the commands for the text display',
  'LedControl.h': 'the commands for LED matrices',
};

function topLevel(node: SyntaxNode, context: Context): void {
  const { say } = context;
  const line = lineOf(node);
  switch (node.type) {
    case 'preproc_include': {
      const name = (node.childForFieldName('path')?.text ?? '').replace(/[<>"]/g, '');
      say(line, `Includes ${libraries[name] ?? name}.`);
      break;
    }
    case 'preproc_def': {
      const value = node.childForFieldName('value')?.text.trim() ?? '';
      say(line, standsFor(node.childForFieldName('name')!.text, value, context));
      break;
    }
    case 'declaration':
      declaration(node, context, 'outside');
      break;
    case 'function_definition':
      functionDefinition(node, context);
      break;
    case 'struct_specifier': {
      const fields = namedChildren(node.childForFieldName('body') ?? node).flatMap(
        (field) => field.childForFieldName('declarator')?.text.replace(/\[.*$/s, '') ?? [],
      );
      say(
        line,
        `${node.childForFieldName('name')?.text ?? 'This'} groups values that belong together: ${listText(fields)}.`,
      );
      break;
    }
    case 'enum_specifier': {
      const names = namedChildren(node.childForFieldName('body') ?? node).map(
        (one) => one.childForFieldName('name')?.text ?? one.text,
      );
      say(line, `Names for numbers counting up from ${names[0]}: ${listText(names)}.`);
      break;
    }
  }
}

function functionDefinition(node: SyntaxNode, context: Context): void {
  const { say, facts } = context;
  const head = node.childForFieldName('declarator')!;
  const name = head.childForFieldName('declarator')?.text ?? '';
  const body = node.childForFieldName('body')!;
  const result = node.childForFieldName('type')?.text;
  if (node.text.startsWith('ISR'))
    say(lineOf(node), 'This runs at once when its interrupt comes, whatever else is going on.');
  else if (name === 'setup') say(lineOf(node), 'Everything in here runs once, when the board starts.');
  else if (name === 'loop')
    say(lineOf(node), 'Everything in here repeats for as long as the board has power.');
  else {
    const parameters = facts.functions.get(name)?.parameters ?? [];
    const given = parameters.length > 0 ? ` It takes ${listText(parameters)}.` : '';
    const gives = result && result !== 'void' ? ` It returns ${typeText(result)}.` : '';
    say(lineOf(node), `A function, ${name}: it runs when it is called.${given}${gives}`);
  }
  statements(namedChildren(body), context);
  if (name === 'loop' && lastLineOf(node) > lineOf(node))
    say(lastLineOf(node), `From here it starts again at line ${lineOf(node)}.`);
}

const statements = (nodes: readonly SyntaxNode[], context: Context): void => {
  for (const node of nodes) statement(node, context);
};

function statement(node: SyntaxNode, context: Context): void {
  const { say, phrases } = context;
  const line = lineOf(node);
  switch (node.type) {
    case 'compound_statement':
      statements(namedChildren(node), context);
      return;
    case 'declaration':
      declaration(node, context, 'inside');
      return;
    case 'expression_statement': {
      const [inner] = namedChildren(node);
      if (inner) for (const sentence of expressionText(inner, context)) say(line, sentence);
      return;
    }
    case 'if_statement':
      ifStatement(node, context, 'If');
      return;
    case 'while_statement':
    case 'do_statement':
    case 'for_statement':
      loopStatement(node, context);
      return;
    case 'switch_statement': {
      say(
        line,
        `Depending on ${phrases.valueText(namedChildren(node.childForFieldName('condition')!)[0]!)}:`,
      );
      statements(namedChildren(node.childForFieldName('body')!), { ...context, inside: line });
      return;
    }
    case 'case_statement': {
      const value = node.childForFieldName('value');
      say(
        line,
        value
          ? `If it is ${value.text}, the program goes on from here.`
          : 'In every other case the program goes on from here.',
      );
      statements(
        namedChildren(node).filter((child) => child.startIndex !== value?.startIndex),
        context,
      );
      return;
    }
    case 'break_statement':
      say(line, `Leaves what line ${context.inside ?? line} began.`);
      return;
    case 'continue_statement':
      say(line, `Goes on to the next round of line ${context.loop ?? line}.`);
      return;
    case 'return_statement': {
      const [value] = namedChildren(node);
      say(
        line,
        value ? `Ends the function and returns ${phrases.valueText(value)}.` : 'Ends the function here.',
      );
      if (value) for (const remark of phrases.remarks(value)) say(line, remark);
      return;
    }
  }
}

/** `If S1 is pressed: line 9.` */
function ifStatement(node: SyntaxNode, context: Context, word: 'If' | 'Otherwise, if'): void {
  const { say, phrases } = context;
  const condition = node.childForFieldName('condition')!;
  const yes = node.childForFieldName('consequence')!;
  const no = node.childForFieldName('alternative');
  const inner = namedChildren(condition)[0] ?? condition;
  say(lineOf(node), `${word} ${phrases.conditionText(condition)}, ${whatRuns(bodyOf(yes), lineOf(node))}.`);
  for (const remark of conditionRemarks(inner, context)) say(lineOf(node), remark);
  statement(yes, context);
  const other = no && namedChildren(no)[0];
  if (!other) return;
  if (other.type === 'if_statement') ifStatement(other, context, 'Otherwise, if');
  else {
    say(lineOf(no), `Otherwise, ${whatRuns(bodyOf(other), lineOf(no))}.`);
    statement(other, context);
  }
}

/** Calls in a condition that its words do not tell. */
const conditionRemarks = (condition: SyntaxNode, { phrases }: Context): readonly string[] =>
  phrases.remarks(condition).filter((remark) => remark.startsWith('analogRead'));

/** The statements of a body, with its braces or without. */
const bodyOf = (body: SyntaxNode): readonly SyntaxNode[] =>
  body.type === 'compound_statement' ? namedChildren(body) : body.text === ';' ? [] : [body];

function loopStatement(node: SyntaxNode, context: Context): void {
  const { say, phrases } = context;
  const [line, body] = [lineOf(node), node.childForFieldName('body')!];
  const condition = node.childForFieldName('condition');
  const within = { ...context, inside: line, loop: line };
  const isEmpty = bodyOf(body).length === 0;
  const runs = whatRuns(bodyOf(body), line);
  if (node.type === 'for_statement') say(line, forText(node, context));
  else if (node.type === 'do_statement')
    say(line, `${capital(runs)} once, then again as long as ${phrases.conditionText(condition!)}.`);
  else if (phrases.conditionText(condition!) === 'always')
    say(line, isEmpty ? 'Stays here forever.' : `${capital(runs)} over and over, forever.`);
  else
    say(
      line,
      isEmpty
        ? `Waits here as long as ${phrases.conditionText(condition!)}.`
        : `As long as ${phrases.conditionText(condition!)}, ${runs} over and over.`,
    );
  statement(body, within);
}

/** A counting loop with its turns counted, where they can be. */
function forText(node: SyntaxNode, { facts, phrases }: Context): string {
  const [start, condition, step] = ['initializer', 'condition', 'update'].map((field) =>
    node.childForFieldName(field),
  );
  const runs = whatRuns(bodyOf(node.childForFieldName('body')!), lineOf(node));
  const declared = start?.type === 'declaration' ? declaredIn(start)[0] : undefined;
  const name = declared?.name ?? start?.childForFieldName('left')?.text;
  const first = declared?.value ?? start?.childForFieldName('right');
  const by = step ? stepBy(step, facts) : undefined;
  if (!condition || !name || !first || !step)
    return `${capital(runs)} over and over${condition ? `, as long as ${phrases.conditionText(condition)}` : ', forever'}.`;
  const from = facts.valueOf(first);
  const to = facts.valueOf(condition.childForFieldName('right') ?? condition);
  const counts =
    condition.childForFieldName('left')?.text === name &&
    from !== undefined &&
    to !== undefined &&
    by !== undefined
      ? turnsOf(from, condition.childForFieldName('operator')!.text, to, by)
      : undefined;
  if (counts) return `${capital(runs)} ${timesText(counts.length)}, with ${name} = ${seriesText(counts)}.`;
  const goesOn = phrases.conditionText(condition);
  const bound = condition.childForFieldName('right')?.text;
  if (from === 0 && by === 1 && condition.text === `${name} < ${bound}`)
    return `${capital(runs)} as many times as ${bound} says; ${name} counts 0, 1, 2 and so on.`;
  return `${capital(runs)} over and over, as long as ${goesOn}; ${name} starts at ${first.text}, and after each round ${stepText(step, facts)}.`;
}

/** What a counting loop adds at each turn. */
function stepBy(step: SyntaxNode, facts: CppFacts): number | undefined {
  if (step.type === 'update_expression') return step.text.includes('++') ? 1 : -1;
  const operator = step.childForFieldName('operator')?.text;
  const value = facts.valueOf(step.childForFieldName('right') ?? step);
  return operator === '+=' ? value : operator === '-=' && value !== undefined ? -value : undefined;
}

const stepText = (step: SyntaxNode, facts: CppFacts): string => {
  const by = stepBy(step, facts);
  return by === undefined ? step.text : by < 0 ? `it falls by ${-by}` : `it grows by ${by}`;
};

const changes: Readonly<Record<string, string>> = {
  '+=': 'grows by',
  '-=': 'falls by',
  '*=': 'is multiplied by',
  '/=': 'is divided by',
};

/** What an expression does that stands alone as a statement. */
function expressionText(node: SyntaxNode, context: Context): readonly string[] {
  const { phrases, actionText, facts } = context;
  switch (node.type) {
    case 'call_expression':
      return actionText(node);
    case 'update_expression':
      return [
        `${node.childForFieldName('argument')!.text} ${node.text.includes('++') ? 'grows' : 'falls'} by 1.`,
      ];
    case 'assignment_expression': {
      const [left, right] = [node.childForFieldName('left')!, node.childForFieldName('right')!];
      const operator = node.childForFieldName('operator')?.text ?? '=';
      if (operator === '|=') return [`In ${left.text} the bits of ${right.text} are switched on.`];
      if (operator !== '=' && !changes[operator]) return [`${left.text} becomes the result of ${node.text}.`];
      if (right.text === `!${left.text}`)
        return [
          facts.booleans.has(left.text)
            ? `${left.text} flips: from true to false, or from false to true.`
            : `${left.text} flips: from HIGH to LOW, or from LOW to HIGH.`,
        ];
      if (right.type === 'assignment_expression')
        return [...expressionText(right, context), `${left.text} becomes the same.`];
      return [
        `${left.text} ${operator === '=' ? 'becomes' : changes[operator]} ${phrases.valueText(right)}.`,
        ...phrases.remarks(right),
      ];
    }
    case 'comma_expression':
      return namedChildren(node).flatMap((part) => expressionText(part, context));
    default:
      return [];
  }
}

const types: readonly (readonly [pattern: RegExp, text: string])[] = [
  [/^bool(ean)?$/, 'true or false'],
  [/^(float|double)$/, 'a number that may have a fraction'],
  [/^(byte|uint8_t|unsigned char)$/, 'a whole number from 0 to 255'],
  [/^char$/, 'one letter'],
  [/^String$/, 'a text'],
  [/^(unsigned|uint|word|size_t)/, 'a whole number that is never negative'],
  [/^(int|long|short|signed)/, 'a whole number'],
];
const typeText = (type: string): string => types.find(([pattern]) => pattern.test(type))?.[1] ?? `a ${type}`;

/** A name that never changes: a pin, a list or a number. */
function standsFor(name: string, written: string, { facts, circuit, board }: Context): string {
  const list = facts.lists.get(name);
  if (list)
    return `${name} is a list of ${list.length} ${facts.isPin(name) ? 'pins' : 'numbers'}: ${seriesText(list)}.`;
  const number = facts.constants.get(name);
  const pin = number !== undefined && facts.isPin(name) ? pinByNumber(board, number) : undefined;
  if (pin) return `${name} stands for ${circuit.named(pin.name)}.`;
  return `${name} stands for ${written.replace(/\s+/g, ' ').slice(0, 40) || 'nothing'} and never changes.`;
}

function declaration(node: SyntaxNode, context: Context, where: 'inside' | 'outside'): void {
  const { say, facts, phrases } = context;
  const words = namedChildren(node);
  const isConstant = words.some(({ text }) => text === 'const' || text === 'constexpr');
  const isStatic = words.some(({ text }) => text === 'static');
  const type = node.childForFieldName('type')?.text ?? '';
  for (const { name, declarator, value } of declaredIn(node)) {
    const line = lineOf(declarator);
    const of =
      declarator.type === 'array_declarator' ? declarator.childForFieldName('size')?.text : undefined;
    const device = facts.objects.get(name);
    if (device) say(line, objectText(name, device, of, context));
    else if ((isConstant || facts.isPin(name)) && (facts.lists.has(name) || facts.constants.has(name)))
      say(line, standsFor(name, value?.text ?? '', context));
    else if (declarator.type === 'array_declarator')
      say(
        line,
        `${name} is a row of ${of ?? (value ? namedChildren(value).length : 'several')} values, each ${typeText(type)}${isConstant ? '; they never change' : ''}.`,
      );
    else {
      const kept = where === 'outside' || isStatic ? ' It is kept from turn to turn.' : '';
      const begins = value ? `; it begins with ${phrases.valueText(value)}` : '';
      if (where === 'inside' && value && !isStatic) say(line, `${name} becomes ${phrases.valueText(value)}.`);
      else
        say(
          line,
          `${name} ${declarator.type === 'pointer_declarator' ? 'points to' : 'holds'} ${typeText(type)}${begins}.${isConstant ? ' It never changes.' : kept}`,
        );
      if (value) for (const remark of phrases.remarks(value)) say(line, remark);
    }
  }
}

function objectText(
  name: string,
  device: string,
  count: string | undefined,
  { facts, circuit }: Context,
): string {
  const several = count === undefined ? undefined : (facts.constants.get(count) ?? count);
  if (device === 'LiquidCrystal_I2C') return `${name} stands for the text display.`;
  if (device === 'LedControl') return `${name} stands for the LED matrices.`;
  const [pin] = facts.attached.get(name) ?? [];
  const servo = pin === undefined ? undefined : circuit.servoAt(pin);
  return several
    ? `${name} stands for ${several} servos.`
    : `${name} stands for ${servo ? `the servo ${servo}` : 'a servo'}.`;
}
