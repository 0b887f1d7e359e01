import type { SyntaxNode } from '../../program/syntax';
import { baseName, calledIn, type CppFacts } from './cpp-facts';
import type { CppPhrases } from './cpp-phrases';
import { linesText, pauseText, seriesText, type Explaining } from './words';

/** What a call does that stands alone, as sentences. */
export function cppActions(
  facts: CppFacts,
  phrases: CppPhrases,
  { board, circuit }: Explaining,
): (call: SyntaxNode) => readonly string[] {
  /** A sentence on the pin that a value means; with several, on the first of them. */
  const onPin = (
    node: SyntaxNode | undefined,
    sentence: (pin: string) => string,
    otherwise: string,
  ): readonly string[] => {
    const pins = node ? facts.pinsOf(node) : [];
    if (pins.length === 0) return [otherwise];
    if (pins.length === 1) return [sentence(pins[0]!)];
    const first = sentence(pins[0]!);
    return [
      `${node!.text} is one of the pins ${seriesText(pins)}.`,
      `For the first of them, ${first.charAt(0).toLowerCase()}${first.slice(1)}`,
    ];
  };

  const output = (pin: SyntaxNode | undefined, level: SyntaxNode | undefined): readonly string[] => {
    if (!pin || !level) return [];
    const value = facts.valueOf(level);
    return onPin(
      pin,
      (name) =>
        value === undefined
          ? circuit.follows(name, phrases.conditionText(level))
          : circuit.gives(name, value === 0 ? 'low' : 'high'),
      `The pin stored in ${pin.text} becomes ${level.text}.`,
    );
  };

  const onServo = (object: SyntaxNode, name: string, values: readonly SyntaxNode[]): string | undefined => {
    const [first] = values;
    const pins = facts.attached.get(baseName(object)) ?? [];
    const servo = (pins[0] !== undefined && circuit.servoAt(pins[0])) || object.text;
    switch (name) {
      case 'attach': {
        const own = first ? facts.pinsOf(first) : [];
        return own.length === 1
          ? `${object.text} is the servo on pin ${own[0]}${servo === object.text ? '' : `, ${servo}`}.`
          : `${object.text} is the servo on the pin stored in ${first?.text}.`;
      }
      case 'write': {
        const angle = first && facts.valueOf(first);
        return `${servo} turns to ${angle ?? first?.text}°.`;
      }
      case 'writeMicroseconds':
        return `${servo} turns to the angle for pulses of ${first?.text} µs.`;
      case 'detach':
        return `${servo} is released and no longer driven.`;
    }
    return undefined;
  };

  const builtin = (name: string, values: readonly SyntaxNode[]): readonly string[] | undefined => {
    const [first, second, third] = values;
    const number = (node: SyntaxNode | undefined): number | undefined => node && facts.valueOf(node);
    switch (name) {
      case 'pinMode':
        return onPin(
          first,
          (pin) =>
            second?.text === 'OUTPUT'
              ? circuit.becomesOutput(pin)
              : circuit.becomesInput(pin, second?.text === 'INPUT_PULLUP' ? 'up' : 'none'),
          `The pin stored in ${first?.text} becomes ${second?.text === 'OUTPUT' ? 'an output' : 'an input'}.`,
        );
      case 'digitalWrite':
        return output(first, second);
      case 'analogWrite': {
        const duty = number(second);
        const { range } = board.pwm;
        return onPin(
          first,
          (pin) =>
            duty === undefined
              ? circuit.pulsesBy(pin, second?.text ?? '', range)
              : circuit.pulses(pin, Math.min(1, Math.max(0, duty / range))),
          `The pin stored in ${first?.text} is switched on and off too fast to see, by ${second?.text}.`,
        );
      }
      case 'delay':
        return [pauseText(number(first), 1e3, first?.text ?? '')];
      case 'delayMicroseconds':
        return [pauseText(number(first), 1e6, first?.text ?? '')];
      case 'tone': {
        const lasts = third
          ? ` It stops by itself after ${number(third) ?? third.text} ms; the program carries on meanwhile.`
          : '';
        return onPin(
          first,
          (pin) => `${circuit.sounds(pin, second?.text ?? '')}${lasts}`,
          `The buzzer on the pin stored in ${first?.text} sounds at ${second?.text} Hz.${lasts}`,
        );
      }
      case 'noTone':
        return onPin(first, (pin) => `Pin ${pin} stops its tone.`, 'The tone stops.');
      case 'randomSeed':
        return [`Random numbers start from ${first ? phrases.valueText(first) : ''}.`];
      case 'attachInterrupt': {
        const when: Readonly<Record<string, string>> = {
          RISING: 'goes from LOW to HIGH',
          FALLING: 'goes from HIGH to LOW',
          CHANGE: 'changes',
        };
        const pin = first?.type === 'call_expression' ? calledIn(first).values[0] : undefined;
        return onPin(
          pin,
          (name) =>
            `From now on, ${second?.text} runs at once whenever pin ${name} ${when[third?.text ?? ''] ?? 'changes'}, whatever else is going on.`,
          `From now on, ${second?.text} runs at once whenever the level of its pin ${when[third?.text ?? ''] ?? 'changes'}.`,
        );
      }
      case 'shiftOut':
        return [
          `Sends the eight bits of ${values[3]?.text} one after another at ${first?.text}, with a pulse on ${second?.text} for each.`,
        ];
      case 'noInterrupts':
      case 'cli':
        return ['From here on, interrupts wait.'];
      case 'interrupts':
      case 'sei':
        return ['From here on, interrupts run again.'];
    }
    return undefined;
  };

  return (call) => {
    const { name, object, values } = calledIn(call);
    const device = object && facts.objects.get(baseName(object));
    if (object?.text === 'Serial') return serialText(name, values, phrases);
    if (object && device === 'Servo') return known(onServo(object, name, values), call);
    if (object && device) return known(moduleText(device, name, values, phrases), call);
    const own = object ? undefined : facts.functions.get(name);
    if (own) {
      const given = own.parameters.map((parameter, index) => `${parameter} = ${values[index]?.text ?? ''}`);
      return [
        `Runs ${name}, ${linesText(own.from, own.to)}${given.length > 0 ? `, with ${given.join(', ')}` : ''}, and comes back.`,
      ];
    }
    return builtin(name, values) ?? [];
  };
}

const known = (text: string | undefined, call: SyntaxNode): readonly string[] =>
  text === undefined ? [`Runs ${call.text}.`] : [text];

function serialText(name: string, values: readonly SyntaxNode[], phrases: CppPhrases): readonly string[] {
  const [first, second] = values;
  switch (name) {
    case 'begin':
      return [`Opens the serial line to the computer at ${first?.text} bits per second.`];
    case 'print':
    case 'println': {
      const ends = name === 'println' ? ' and begins a new line' : '';
      if (!first) return ['Starts a new line on the computer.'];
      const base =
        second && /^(BIN|HEX|OCT)$/.test(second.text)
          ? ` in base ${{ BIN: 2, HEX: 16, OCT: 8 }[second.text as 'BIN']}`
          : '';
      return [`Sends ${phrases.valueText(first)} to the computer${base}${ends}.`];
    }
    case 'write':
      return [`Sends ${first?.text} to the computer as it is, character by character.`];
    case 'flush':
      return ['Waits until everything has been sent.'];
    case 'setTimeout':
      return [`Reading from the computer waits at most ${first?.text} ms.`];
  }
  return [];
}

/** What a text display or an LED panel is told. */
function moduleText(
  device: string,
  name: string,
  values: readonly SyntaxNode[],
  phrases: CppPhrases,
): string | undefined {
  const [first, second, third, fourth] = values.map(({ text }) => text);
  if (device === 'LiquidCrystal_I2C')
    switch (name) {
      case 'init':
      case 'begin':
        return 'Gets the text display ready.';
      case 'backlight':
        return 'Turns the backlight on.';
      case 'noBacklight':
        return 'Turns the backlight off.';
      case 'clear':
        return 'Clears the text display.';
      case 'home':
        return 'The next text starts at the beginning of the first line.';
      case 'setCursor':
        return `The next text goes to column ${first}, line ${second}, both counted from 0.`;
      case 'print':
        return `Writes ${values[0] ? phrases.valueText(values[0]) : ''} on the text display.`;
      case 'write':
        return `Writes the character ${first} on the text display.`;
    }
  if (device === 'LedControl')
    switch (name) {
      case 'shutdown':
        return `Panel ${first} ${second === 'true' ? 'goes to sleep' : 'wakes up'}.`;
      case 'setIntensity':
        return `Sets the brightness of panel ${first} to ${second} of 15.`;
      case 'clearDisplay':
        return `All LEDs of matrix ${first} go out.`;
      case 'setLed':
        return `The LED in row ${second}, column ${third} of panel ${first} ${fourth === 'true' ? 'goes on' : fourth === 'false' ? 'goes off' : `follows ${fourth}`}.`;
      case 'setRow':
        return `Row ${second} of panel ${first} shows the eight bits of ${third}.`;
      case 'setColumn':
        return `Column ${second} of panel ${first} shows the eight bits of ${third}.`;
    }
  return undefined;
}
