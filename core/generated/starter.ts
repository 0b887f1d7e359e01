import { GAP } from '../program/gap';
import type { HookedPin } from './hookup';
import { commentSign, nameOf, pinText, type Writing } from './writing';

/**
 * A program to begin with: the names of the pins and how they are set up, and an empty place for what is to
 * happen. With `gaps`, what is learnt is left out too, a question in its place.
 */
export function starterProgram(
  pins: readonly HookedPin[],
  writing: Writing,
  form: 'whole' | 'gaps' = 'whole',
): string {
  if (writing.language === 'python') return inPython(pins, writing, form);
  // Whatever a learner writes into it uses each pin once more.
  return withNamesAsAsked(inCpp(pins, writing, form), pins, writing, 1);
}

/**
 * A program in C++ with names only for the pins that the course names; the number stands in the place of each other,
 * and above all a word of what is there. `unseen`: how often a pin is used where nothing is written yet.
 */
export function withNamesAsAsked(
  source: string,
  pins: readonly HookedPin[],
  { names, pinNames }: Writing,
  unseen: number,
): string {
  return pins.reduce((text, pin) => {
    const word = new RegExp(`\\b${nameOf(pin, names)}\\b`, 'g');
    const definition = new RegExp(`^const int ${nameOf(pin, names)} = (.*);$`, 'm').exec(text);
    if (!definition || pinNames === 'constants') return text;
    const uses = (text.match(word) ?? []).length - 1 + unseen;
    if (pinNames === 'constants-when-twice' && uses > 1) return text;
    const number = definition[1]!;
    return text
      .replace(definition[0], `// ${pin.words.join(' ')}${number === GAP ? '' : ` on ${number}`}`)
      .replace(word, number);
  }, source);
}

function inCpp(pins: readonly HookedPin[], writing: Writing, form: 'whole' | 'gaps'): string {
  const name = (pin: HookedPin): string => nameOf(pin, writing.names);
  const servos = pins.filter(({ does }) => does.role === 'servo');
  const servoName = (pin: HookedPin): string =>
    `${pin.words.join('_')}_motor`.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
  const mode = ({ does }: HookedPin): string | undefined => {
    switch (does.role) {
      case 'switch':
        return 'OUTPUT';
      case 'contact':
        return does.pull === 'inside' ? 'INPUT_PULLUP' : 'INPUT';
      case 'signal':
        return 'INPUT';
      default:
        return undefined;
    }
  };
  const setup = pins.flatMap((pin) => {
    const direction = mode(pin);
    if (direction !== undefined) return [`  pinMode(${name(pin)}, ${form === 'gaps' ? GAP : direction});`];
    return pin.does.role === 'servo' ? [`  ${servoName(pin)}.attach(${name(pin)});`] : [];
  });
  const prints = pins.some(({ does }) => does.role === 'measure');
  return `${[
    ...(servos.length > 0 ? ['#include <Servo.h>', ''] : []),
    `// ${writing.title}`,
    ...pins.map((pin) => `const int ${name(pin)} = ${form === 'gaps' ? GAP : pinText(pin, 'cpp')};`),
    ...(servos.length > 0 ? ['', ...servos.map((pin) => `Servo ${servoName(pin)};`)] : []),
    '',
    'void setup() {',
    ...setup,
    ...(prints ? ['  Serial.begin(9600);'] : []),
    '}',
    '',
    'void loop() {',
    '  // what happens, over and over',
    '}',
  ].join('\n')}\n`;
}

function inPython(pins: readonly HookedPin[], writing: Writing, form: 'whole' | 'gaps'): string {
  const needs = (role: HookedPin['does']['role']): boolean => pins.some(({ does }) => does.role === role);
  const isDigital = needs('switch') || needs('contact') || needs('signal');
  const isPulsed = needs('tone') || needs('servo');
  const made = pins.flatMap((pin) => {
    const name = nameOf(pin, writing.names === 'upper' ? 'snake' : writing.names);
    const place = form === 'gaps' ? `board.${GAP}` : pinText(pin, 'python');
    switch (pin.does.role) {
      case 'switch':
        return [
          `${name} = digitalio.DigitalInOut(${place})`,
          `${name}.direction = digitalio.Direction.${form === 'gaps' ? GAP : 'OUTPUT'}`,
        ];
      case 'contact':
        return [
          `${name} = digitalio.DigitalInOut(${place})`,
          ...(pin.does.pull === 'inside'
            ? [
                `${name}.pull = digitalio.Pull.${form === 'gaps' ? GAP : pin.does.active === 'low' ? 'UP' : 'DOWN'}`,
              ]
            : []),
        ];
      case 'signal':
        return [`${name} = digitalio.DigitalInOut(${place})`];
      case 'measure':
        return [`${name} = analogio.AnalogIn(${place})`];
      case 'tone':
        return [`${name} = pwmio.PWMOut(${place}, frequency=440, variable_frequency=True)`];
      case 'servo':
        return [`${name} = pwmio.PWMOut(${place}, frequency=50)`];
    }
  });
  return `${[
    `${commentSign('python')} ${writing.title}`,
    'import board',
    ...(isDigital ? ['import digitalio'] : []),
    ...(needs('measure') ? ['import analogio'] : []),
    ...(isPulsed ? ['import pwmio'] : []),
    'import time',
    '',
    ...made,
    '',
    'while True:',
    '    # what happens, over and over',
    '    time.sleep(0.1)',
  ].join('\n')}\n`;
}
