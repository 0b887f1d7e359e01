import { namedChildren, type SyntaxNode } from '../../program/syntax';
import { calledIn } from './python-calls';
import { pythonFacts, type PythonFacts } from './python-facts';
import { FULL, pythonPhrases, type PythonPhrases } from './python-phrases';
import {
  lineOf,
  linesText,
  pauseText,
  seriesText,
  timesText,
  turnsOf,
  whatRuns,
  type Explaining,
} from './words';
import { capital, listText } from '../../words/words';

interface Context extends Explaining {
  readonly facts: PythonFacts;
  readonly phrases: PythonPhrases;
  /** The loop that `break` leaves. */
  readonly loop?: number;
}

/** Explains a Python program; a sentence or more for each line that does something. */
export function explainPython(root: SyntaxNode, explaining: Explaining): void {
  const facts = pythonFacts(root, explaining.board);
  const phrases = pythonPhrases(facts, explaining.circuit);
  statements(namedChildren(root), { ...explaining, facts, phrases });
}

const modules: Readonly<Record<string, string>> = {
  board: 'the names of the pins',
  digitalio: 'pins that are on or off',
  analogio: 'pins that measure a voltage',
  pwmio: 'pins that switch on and off fast',
  time: 'the clock and pauses',
  random: 'numbers by chance',
};

const statements = (nodes: readonly SyntaxNode[], context: Context): void => {
  for (const node of nodes) statement(node, context);
};

const bodyOf = (node: SyntaxNode | null): readonly SyntaxNode[] => (node ? namedChildren(node) : []);

function statement(node: SyntaxNode, context: Context): void {
  const { say, phrases, facts, loop } = context;
  const line = lineOf(node);
  const body = bodyOf(node.childForFieldName('body'));
  switch (node.type) {
    case 'import_statement':
    case 'import_from_statement': {
      const [module, ...names] = namedChildren(node).map(({ text }) => text);
      say(
        line,
        node.type === 'import_statement'
          ? `Includes ${listText([module!, ...names].map((name) => modules[name] ?? name))}.`
          : `Includes ${listText(names)} of ${module}.`,
      );
      return;
    }
    case 'expression_statement': {
      const [inner] = namedChildren(node);
      if (inner) for (const sentence of expressionText(inner, context)) say(line, sentence);
      return;
    }
    case 'if_statement': {
      const condition = node.childForFieldName('condition')!;
      const yes = bodyOf(node.childForFieldName('consequence'));
      say(line, `If ${phrases.conditionText(condition)}, ${whatRuns(yes, line)}.`);
      statements(yes, context);
      for (const other of namedChildren(node).filter(({ type }) => /^(elif|else)_clause$/.test(type))) {
        const asks = other.childForFieldName('condition');
        const no = bodyOf(other.childForFieldName(asks ? 'consequence' : 'body'));
        say(
          lineOf(other),
          `Otherwise, ${asks ? `if ${phrases.conditionText(asks)}, ` : ''}${whatRuns(no, lineOf(other))}.`,
        );
        statements(no, context);
      }
      return;
    }
    case 'while_statement': {
      const goesOn = phrases.conditionText(node.childForFieldName('condition')!);
      const waits = body.every(({ type }) => type === 'pass_statement');
      const runs = whatRuns(body, line);
      say(
        line,
        waits
          ? goesOn === 'always'
            ? 'Stays here forever.'
            : `Waits here as long as ${goesOn}.`
          : goesOn === 'always'
            ? `${capital(runs)} over and over, forever.`
            : `As long as ${goesOn}, ${runs} over and over.`,
      );
      statements(body, { ...context, loop: line });
      return;
    }
    case 'for_statement':
      say(line, forText(node, body, context));
      statements(body, { ...context, loop: line });
      return;
    case 'function_definition': {
      const own = facts.functions.get(node.childForFieldName('name')!.text);
      const told = own && own.parameters.length > 0 ? ` It takes ${listText(own.parameters)}.` : '';
      say(line, `A function, ${node.childForFieldName('name')!.text}: it runs when it is called.${told}`);
      statements(body, context);
      return;
    }
    case 'return_statement': {
      const [value] = namedChildren(node);
      say(
        line,
        value ? `Ends the function and returns ${phrases.valueText(value)}.` : 'Ends the function here.',
      );
      return;
    }
    case 'break_statement':
      say(line, `Leaves what line ${loop ?? line} began.`);
      return;
    case 'continue_statement':
      say(line, `Goes on to the next round of line ${loop ?? line}.`);
      return;
    case 'global_statement':
      say(
        line,
        `${capital(listText(namedChildren(node).map(({ text }) => text)))} here means the one of the whole program.`,
      );
      return;
    case 'pass_statement':
      say(line, 'Does nothing.');
      return;
    case 'try_statement': {
      say(line, `Tries it: ${whatRuns(body, line)}.`);
      statements(body, context);
      for (const other of namedChildren(node)) {
        const block = namedChildren(other).find(({ type }) => type === 'block');
        const inner = bodyOf(block ?? null);
        if (other.type === 'except_clause')
          say(lineOf(other), `If an error comes meanwhile, ${whatRuns(inner, lineOf(other))}.`);
        else if (other.type === 'finally_clause')
          say(lineOf(other), `In any case, ${whatRuns(inner, lineOf(other))}.`);
        else continue;
        statements(inner, context);
      }
      return;
    }
  }
}

function forText(node: SyntaxNode, body: readonly SyntaxNode[], { facts }: Context): string {
  const name = node.childForFieldName('left')!.text;
  const source = node.childForFieldName('right')!;
  const runs = capital(whatRuns(body, lineOf(node)));
  const call = source.type === 'call' ? calledIn(source) : undefined;
  if (call?.name !== 'range') return `${runs} once for each one of ${source.text}; it is called ${name}.`;
  const given = call.values.map(facts.valueOf);
  const [first, end, step] = given.length === 1 ? [0, given[0], 1] : [given[0], given[1], given[2] ?? 1];
  const counts =
    first === undefined || end === undefined || step === undefined
      ? undefined
      : turnsOf(first, step < 0 ? '>' : '<', end, step);
  if (counts) return `${runs} ${timesText(counts.length)}, with ${name} = ${seriesText(counts)}.`;
  return call.values.length === 1
    ? `${runs} as often as ${call.values[0]!.text} says; ${name} counts 0, 1, 2 and so on.`
    : `${runs} with ${name} from ${call.values[0]?.text} to one before ${call.values[1]?.text}.`;
}

const changes: Readonly<Record<string, string>> = {
  '+=': 'grows by',
  '-=': 'falls by',
  '*=': 'is multiplied by',
  '/=': 'is divided by',
  '//=': 'is divided, without a rest, by',
};

function expressionText(node: SyntaxNode, context: Context): readonly string[] {
  const { phrases } = context;
  if (node.type === 'call') return callText(node, context);
  const [left, right] = [node.childForFieldName('left'), node.childForFieldName('right')];
  if (!left || !right) return [];
  if (node.type === 'augmented_assignment') {
    const operator = node.childForFieldName('operator')?.text ?? '';
    return [
      `${left.text} ${changes[operator] ?? operator} ${phrases.valueText(right)}.`,
      ...phrases.remarks(right),
    ];
  }
  if (left.type === 'attribute') {
    const said = attributeText(left, right, context);
    if (said) return [said];
  }
  const own = context.facts.pins.get(left.text);
  if (own && right.type === 'call') {
    const use = {
      digital: 'as one that is on or off',
      analog: 'as one that measures',
      pwm: 'as one that switches on and off fast',
    }[own.use];
    return [`${left.text} stands for ${context.circuit.named(own.pin)}, ${use}.`];
  }
  if (right.text === `not ${left.text}`)
    return [`${left.text} turns round: from True to False, or from False to True.`];
  return [`${left.text} becomes ${phrases.valueText(right)}.`, ...phrases.remarks(right)];
}

/** `lamp.value = True`: what is done to a pin object. */
function attributeText(
  left: SyntaxNode,
  right: SyntaxNode,
  { facts, circuit, phrases }: Context,
): string | undefined {
  const own = facts.pins.get(left.childForFieldName('object')!.text);
  if (!own) return undefined;
  switch (left.childForFieldName('attribute')!.text) {
    case 'direction':
      return right.text.endsWith('OUTPUT')
        ? circuit.becomesOutput(own.pin)
        : circuit.becomesInput(own.pin, 'none');
    case 'pull':
      return circuit.becomesInput(
        own.pin,
        right.text.endsWith('UP') ? 'up' : right.text.endsWith('DOWN') ? 'down' : 'none',
      );
    case 'value':
      if (right.text === `not ${left.text}`)
        return `Pin ${own.pin} turns round: from on to off, or from off to on.`;
      return /^(True|False|0|1)$/.test(right.text)
        ? circuit.gives(own.pin, /^(True|1)$/.test(right.text) ? 'high' : 'low')
        : circuit.follows(own.pin, phrases.conditionText(right));
    case 'duty_cycle': {
      const duty = facts.valueOf(right);
      return duty === undefined
        ? circuit.pulsesBy(own.pin, right.text, FULL)
        : circuit.pulses(own.pin, duty / FULL);
    }
    case 'frequency':
      return circuit.sounds(own.pin, right.text);
  }
  return undefined;
}

function callText(node: SyntaxNode, { facts, circuit, phrases }: Context): readonly string[] {
  const { name, owner, values, named } = calledIn(node);
  const [first] = values;
  const pin = owner === undefined ? undefined : facts.pins.get(owner)?.pin;
  if (pin !== undefined)
    switch (name) {
      case 'switch_to_output': {
        const value = first ?? named.get('value');
        return [circuit.becomesOutput(pin), circuit.gives(pin, value?.text === 'True' ? 'high' : 'low')];
      }
      case 'switch_to_input': {
        const pull = (first ?? named.get('pull'))?.text ?? '';
        return [
          circuit.becomesInput(pin, pull.endsWith('UP') ? 'up' : pull.endsWith('DOWN') ? 'down' : 'none'),
        ];
      }
      case 'deinit':
        return [`Pin ${pin} is let go and can be used anew.`];
    }
  if (name === 'sleep') return [pauseText(facts.valueOf(first), 1, first?.text ?? '')];
  if (name === 'print') {
    if (!first) return ['Starts a new line on the computer.'];
    return [
      `Sends ${listText(values.map((value) => phrases.valueText(value)))} to the computer and begins a new line.`,
    ];
  }
  if (name === 'append' && owner) return [`Puts ${first?.text} at the end of ${owner}.`];
  const own = facts.functions.get(name);
  if (!own) return [`Runs ${node.text}.`];
  const given = own.parameters.flatMap((parameter, index) => {
    const value = values[index] ?? named.get(parameter);
    return value ? [`${parameter} = ${value.text}`] : [];
  });
  return [
    `Runs ${name}, ${linesText(own.from, own.to)}${given.length > 0 ? `, with ${given.join(', ')}` : ''}, and comes back.`,
  ];
}
