import { namedChildren, nodesIn, type SyntaxNode } from '../../program/syntax';
import type { CircuitWords, Level } from './circuit-words';
import { calledIn } from './python-calls';
import type { PythonFacts } from './python-facts';
import { compared, secondsText, turnedRound } from './words';

/** What Python expressions mean, in words that fit into a sentence. */
export interface PythonPhrases {
  readonly valueText: (node: SyntaxNode) => string;
  /** Sentences on what is measured in an expression that was said as it is written. */
  readonly remarks: (node: SyntaxNode) => readonly string[];
  /** A condition: `S1 is pressed`, `light is below DARK (300)`. */
  readonly conditionText: (node: SyntaxNode) => string;
}

/** Largest analog value and duty. */
export const FULL = 65_535;

/** Words for expressions of a program whose names stand for `facts`. */
export function pythonPhrases(facts: PythonFacts, circuit: CircuitWords): PythonPhrases {
  /** What `button.value` or `knob.value` gives. */
  const readText = (node: SyntaxNode): string | undefined => {
    if (node.type !== 'attribute' || node.childForFieldName('attribute')!.text !== 'value') return undefined;
    const own = facts.pins.get(node.childForFieldName('object')!.text);
    if (own?.use === 'analog') return circuit.measures(own.pin, FULL);
    return own?.use === 'digital' ? circuit.readsLevel(own.pin) : undefined;
  };
  const callText = (node: SyntaxNode): string | undefined => {
    const { name, values } = calledIn(node);
    const [first, second] = values.map(({ text }) => text);
    switch (name) {
      case 'monotonic':
        return 'the time since the board started, in seconds';
      case 'randint':
        return `a number by chance, from ${first} to ${second}`;
      case 'choice':
        return `one of ${first} by chance`;
      case 'len':
        return `how many are in ${first}`;
      case 'int':
        return `${first} as a whole number`;
      case 'min':
        return `the smallest of ${values.map(({ text }) => text).join(', ')}`;
      case 'max':
        return `the largest of ${values.map(({ text }) => text).join(', ')}`;
    }
    const own = facts.functions.get(name);
    return (
      own &&
      `what ${name} (line ${own.from}) returns${values.length > 0 ? ` for ${values.map(({ text }) => text).join(', ')}` : ''}`
    );
  };
  const valueText = (node: SyntaxNode): string => {
    if (node.type === 'parenthesized_expression') return valueText(namedChildren(node)[0]!);
    if (node.type === 'call') return callText(node) ?? node.text;
    if (node.type === 'string') return stringText(node);
    if (conditions.has(node.type)) return `True if ${conditionText(node)}, else False`;
    return readText(node) ?? node.text;
  };
  const remarks = (node: SyntaxNode): readonly string[] =>
    readText(node) !== undefined || conditions.has(node.type)
      ? []
      : nodesIn(node).flatMap((inner) => {
          const says = readText(inner);
          return says === undefined ? [] : [`${inner.text} is ${says}.`];
        });

  const levelIs = (node: SyntaxNode, level: Level): string | undefined => {
    const pin = facts.levelOf(node);
    const says = pin === undefined ? undefined : circuit.contactAt(pin, level);
    if (!says)
      return pin === undefined ? undefined : `${node.text} is ${level === 'high' ? 'True' : 'False'}`;
    if (node.type !== 'identifier') return says;
    return `${node.text} is ${level === 'high' ? 'True' : 'False'} (${says})`;
  };
  const operandText = (node: SyntaxNode): string => {
    const value = node.type === 'identifier' ? facts.valueOf(node) : undefined;
    if (value !== undefined) return `${node.text} (${value})`;
    return node.type === 'call' ? (callText(node) ?? node.text) : node.text;
  };
  const compareText = (left: SyntaxNode, operator: string, right: SyntaxNode): string => {
    if (/^(True|False)$/.test(right.text) && ['==', '!=', 'is', 'is not'].includes(operator)) {
      const isMet = (right.text === 'True') === (operator === '==' || operator === 'is');
      const says = levelIs(left, isMet ? 'high' : 'low');
      if (says) return says;
    }
    if (
      left.type === 'binary_operator' &&
      left.childForFieldName('operator')!.text === '-' &&
      facts.isClock(left.childForFieldName('left')!)
    ) {
      const value = facts.valueOf(right);
      const amount =
        value === undefined
          ? `${right.text} seconds`
          : `${secondsText(value)}${right.type === 'identifier' ? ` (${right.text})` : ''}`;
      const since = left.childForFieldName('right')!.text;
      if (operator === '>') return `more than ${amount} have passed since ${since}`;
      if (operator === '>=') return `at least ${amount} have passed since ${since}`;
      if (operator === '<' || operator === '<=') return `${amount} have not yet passed since ${since}`;
    }
    return compared(operandText(left), operator, operandText(right));
  };
  const conditionText = (node: SyntaxNode): string => {
    switch (node.type) {
      case 'parenthesized_expression':
        return conditionText(namedChildren(node)[0]!);
      case 'boolean_operator':
        return `${conditionText(node.childForFieldName('left')!)} ${node.childForFieldName('operator')!.text} ${conditionText(node.childForFieldName('right')!)}`;
      case 'not_operator': {
        const inner = node.childForFieldName('argument')!;
        return (
          levelIs(inner, 'low') ??
          (inner.type === 'identifier'
            ? `${inner.text} is False, 0 or empty`
            : `it is not true that ${conditionText(inner)}`)
        );
      }
      case 'comparison_operator': {
        const [left, right, more] = namedChildren(node);
        const operator = node.children.find((child) => child !== null && !child.isNamed)?.text ?? '';
        if (!left || !right || more) return node.text;
        return facts.valueOf(left) !== undefined && facts.valueOf(right) === undefined
          ? compareText(right, turnedRound[operator] ?? operator, left)
          : compareText(left, operator, right);
      }
      case 'true':
        return 'always';
      case 'false':
        return 'never';
      default:
        return levelIs(node, 'high') ?? `${valueText(node)} is True, or not 0`;
    }
  };
  return { valueText, remarks, conditionText };
}

const conditions: ReadonlySet<string> = new Set(['comparison_operator', 'boolean_operator', 'not_operator']);

/** A text as it comes out; of one with values in it, their places are marked. */
const stringText = (node: SyntaxNode): string =>
  `“${node.text.replace(/^[fFrRbB]*("""|'''|"|')/, '').replace(/("""|'''|"|')$/, '')}”`;
