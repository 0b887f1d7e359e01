import { namedChildren, nodesIn, type SyntaxNode } from '../../program/syntax';
import type { CircuitWords, Level } from './circuit-words';
import { calledIn, type CppFacts } from './cpp-facts';
import { compared, secondsText, turnedRound } from './words';

/** What C++ expressions mean, in words that fit into a sentence. */
export interface CppPhrases {
  /** The value of an expression: `the level at pin 2: …`, or as it is written. */
  readonly valueText: (node: SyntaxNode) => string;
  /** Sentences on the calls in an expression that was said as it is written. */
  readonly remarks: (node: SyntaxNode) => readonly string[];
  /** A condition: `S1 is pressed`, `light is below DARK (300)`. */
  readonly conditionText: (node: SyntaxNode) => string;
}

/** Words for expressions of a program whose names stand for `facts`. */
export function cppPhrases(facts: CppFacts, circuit: CircuitWords, analogRange: number): CppPhrases {
  const pinText = (node: SyntaxNode, how?: 'analog'): string => {
    const pins = facts.pinsOf(node, how);
    return pins.length === 1 ? `pin ${pins[0]}` : `the pin stored in ${node.text}`;
  };

  const callText = (call: SyntaxNode): string | undefined => {
    const { name, object, values } = calledIn(call);
    const [first, second, ...more] = values;
    const owner = object?.text;
    if (owner === 'Serial')
      switch (name) {
        case 'available':
          return 'how many letters have come from the computer and wait';
        case 'read':
          return 'the next letter from the computer';
        case 'parseInt':
          return 'the next whole number from the computer';
        case 'readString':
        case 'readStringUntil':
          return 'the text that has come from the computer';
      }
    if (object && name === 'read' && facts.objects.get(owner ?? '') === 'Servo')
      return `the angle of ${owner}`;
    switch (name) {
      case 'digitalRead': {
        const pins = facts.pinsOf(first!);
        return pins.length === 1
          ? circuit.readsLevel(pins[0]!)
          : `the level at ${pinText(first!)}: HIGH or LOW`;
      }
      case 'analogRead': {
        const pins = facts.pinsOf(first!, 'analog');
        return pins.length === 1
          ? circuit.measures(pins[0]!, analogRange)
          : `the voltage at ${pinText(first!, 'analog')} as a number from 0 to ${analogRange}`;
      }
      case 'millis':
        return 'the time since the board started, in thousandths of a second';
      case 'micros':
        return 'the time since the board started, in millionths of a second';
      case 'random': {
        const [from, end] = second ? [first!.text, second] : ['0', first!];
        const last = facts.valueOf(end);
        return `a random number from ${from} to ${last === undefined ? `one less than ${end.text}` : last - 1}`;
      }
      case 'map': {
        const [fromLow, fromHigh, toLow, toHigh] = [second, ...more].map((node) => node?.text);
        return `${first!.text} scaled from the range ${fromLow} to ${fromHigh} to the range ${toLow} to ${toHigh}`;
      }
      case 'constrain':
        return `${first!.text}, but never below ${second?.text} or above ${more[0]?.text}`;
      case 'bitRead':
        return `bit ${second?.text} of ${first?.text}`;
      case 'pulseIn':
        return `how long the next ${second?.text} at ${pinText(first!)} lasts, in µs`;
      case 'min':
        return `the smaller of ${first?.text} and ${second?.text}`;
      case 'max':
        return `the larger of ${first?.text} and ${second?.text}`;
      case 'abs':
        return `${first?.text} without its sign`;
    }
    const own = facts.functions.get(name);
    if (own && !object)
      return `what ${name} (line ${own.from}) returns${values.length > 0 ? ` for ${values.map(({ text }) => text).join(', ')}` : ''}`;
    return undefined;
  };

  const valueText = (node: SyntaxNode): string => {
    if (node.type === 'parenthesized_expression') return valueText(namedChildren(node)[0]!);
    if (node.type === 'cast_expression') return valueText(node.childForFieldName('value')!);
    if (node.type === 'call_expression') return callText(node) ?? node.text;
    if (node.type === 'string_literal') return `“${node.text.slice(1, -1)}”`;
    if (isCondition(node)) return `true if ${conditionText(node)}, otherwise false`;
    return node.text;
  };
  const remarks = (node: SyntaxNode): readonly string[] => {
    const said = node.type === 'cast_expression' ? node.childForFieldName('value')! : node;
    if (said.type === 'call_expression' && callText(said) !== undefined) return [];
    return nodesIn(node).flatMap((inner) => {
      const says = inner.type === 'call_expression' ? callText(inner) : undefined;
      return says === undefined ? [] : [`${inner.text} is ${says}.`];
    });
  };

  const levelOfText = (text: string): Level | undefined =>
    text === 'HIGH' || text === 'true' || text === '1'
      ? 'high'
      : text === 'LOW' || text === 'false' || text === '0'
        ? 'low'
        : undefined;
  /** The pin that an expression gives the level of. */
  const levelPin = (node: SyntaxNode): string | undefined => {
    if (node.type === 'identifier') return facts.levelOf(node.text);
    const call = node.type === 'call_expression' ? calledIn(node) : undefined;
    return call?.name === 'digitalRead' && call.values[0] ? facts.pinsOf(call.values[0])[0] : undefined;
  };
  const operandText = (node: SyntaxNode): string => {
    const value = node.type === 'identifier' ? facts.valueOf(node) : undefined;
    if (value !== undefined && levelOfText(node.text) === undefined) return `${node.text} (${value})`;
    return node.type === 'call_expression' ? (callText(node) ?? node.text) : node.text;
  };
  const compareText = (left: SyntaxNode, operator: string, right: SyntaxNode): string => {
    const level = levelOfText(right.text);
    const pin = levelPin(left);
    if (pin !== undefined && level !== undefined && (operator === '==' || operator === '!=')) {
      const met: Level = operator === '==' ? level : level === 'high' ? 'low' : 'high';
      const says = circuit.contactAt(pin, met);
      if (says)
        return left.type === 'identifier' ? `${compared(left.text, operator, right.text)} (${says})` : says;
      if (left.type === 'call_expression') return compared(`pin ${pin}`, operator, right.text);
    }
    const call = left.type === 'call_expression' ? calledIn(left) : undefined;
    if (call?.object?.text === 'Serial' && call.name === 'available')
      return operator === '>' && right.text === '0'
        ? 'something has come from the computer'
        : compared('what waits from the computer', operator, right.text);
    const since = sinceText(left, operator, right);
    return since ?? compared(operandText(left), operator, operandText(right));
  };
  /** `millis() - last >= REST`: so much time has gone by. */
  const sinceText = (given: SyntaxNode, operator: string, right: SyntaxNode): string | undefined => {
    const left = given.type === 'parenthesized_expression' ? namedChildren(given)[0]! : given;
    if (left.type !== 'binary_expression' || left.childForFieldName('operator')?.text !== '-')
      return undefined;
    const clock = facts.clockOf(left.childForFieldName('left')!);
    if (!clock) return undefined;
    const since = left.childForFieldName('right')!.text;
    const value = facts.valueOf(right);
    const amount =
      value === undefined
        ? `${right.text} ${clock === 'millis' ? 'ms' : 'µs'}`
        : `${secondsText(value / (clock === 'millis' ? 1e3 : 1e6))}${right.type === 'identifier' ? ` (${right.text})` : ''}`;
    if (operator === '>') return `more than ${amount} have passed since ${since}`;
    if (operator === '>=') return `at least ${amount} have passed since ${since}`;
    return operator === '<' || operator === '<=' ? `${amount} have not yet passed since ${since}` : undefined;
  };

  const conditionText = (node: SyntaxNode): string => {
    switch (node.type) {
      case 'condition_clause':
      case 'parenthesized_expression':
        return conditionText(namedChildren(node)[0]!);
      case 'binary_expression': {
        const [left, right] = [node.childForFieldName('left')!, node.childForFieldName('right')!];
        const operator = node.childForFieldName('operator')!.text;
        if (operator === '&&') return `${conditionText(left)} and ${conditionText(right)}`;
        if (operator === '||') return `${conditionText(left)} or ${conditionText(right)}`;
        if (!comparing.has(operator)) return `${node.text} is not 0`;
        // A number on the left is read from the other side.
        return facts.valueOf(left) !== undefined && facts.valueOf(right) === undefined
          ? compareText(right, turnedRound[operator] ?? operator, left)
          : compareText(left, operator, right);
      }
      case 'unary_expression': {
        const inner = node.childForFieldName('argument')!;
        if (node.childForFieldName('operator')?.text !== '!') return `${node.text} is not 0`;
        const pin = levelPin(inner);
        if (pin !== undefined && inner.type === 'call_expression' && !circuit.contactAt(pin, 'low'))
          return `pin ${pin} is LOW`;
        return (
          (pin && circuit.contactAt(pin, 'low')) ??
          (inner.type === 'identifier'
            ? `${inner.text} is ${facts.booleans.has(inner.text) ? 'false' : '0'}`
            : `it is not true that ${conditionText(inner)}`)
        );
      }
      case 'true':
        return 'always';
      case 'false':
        return 'never';
      case 'number_literal':
        return Number(node.text) === 0 ? 'never' : 'always';
      default: {
        const pin = levelPin(node);
        const says = pin && circuit.contactAt(pin, 'high');
        if (says) return says;
        if (pin !== undefined && node.type === 'call_expression') return `pin ${pin} is HIGH`;
        const call = node.type === 'call_expression' ? calledIn(node) : undefined;
        if (call?.object?.text === 'Serial' && call.name === 'available')
          return 'something has come from the computer';
        if (facts.booleans.has(node.text)) return `${node.text} is true`;
        return `${node.type === 'call_expression' ? (callText(node) ?? node.text) : node.text} is true or not 0`;
      }
    }
  };
  return { valueText, remarks, conditionText };
}

const comparing: ReadonlySet<string> = new Set(['<', '<=', '>', '>=', '==', '!=']);

const isCondition = (node: SyntaxNode): boolean =>
  (node.type === 'binary_expression' &&
    (comparing.has(node.childForFieldName('operator')!.text) ||
      ['&&', '||'].includes(node.childForFieldName('operator')!.text))) ||
  (node.type === 'unary_expression' && node.childForFieldName('operator')?.text === '!');
