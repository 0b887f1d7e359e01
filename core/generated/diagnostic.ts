import type { HookedPin } from './hookup';
import { starterProgram, withNamesAsAsked } from './starter';
import { commentSign, nameOf, type Writing } from './writing';

/** Seconds that each output is on alone. */
export const EACH_SECONDS = 1;

/**
 * A program that shows whether the wiring is right before anything else is tried: each output on alone for a
 * second, one after the other with its name printed, then every input printed, over and over. `what` are the lines of
 * comment above it.
 */
export function diagnosticProgram(
  pins: readonly HookedPin[],
  writing: Writing,
  what: readonly string[] = [`${writing.title}: is everything wired right?`],
): string {
  const title = what.join(`\n${commentSign(writing.language)} `);
  const starter = starterProgram(pins, { ...writing, title, pinNames: 'constants' });
  return writing.language === 'python'
    ? inPython(pins, writing, starter)
    : withNamesAsAsked(inCpp(pins, writing, starter), pins, writing, 0);
}

const isOutput = ({ does }: HookedPin): boolean => ['switch', 'tone', 'servo'].includes(does.role);
const label = ({ words }: HookedPin): string => words.join(' ');

function inCpp(pins: readonly HookedPin[], { names }: Writing, starter: string): string {
  const motor = (pin: HookedPin): string =>
    `${pin.words.join('_')}_motor`.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
  const outputs = pins.filter(isOutput);
  const inputs = pins.filter((pin) => !isOutput(pin));
  const lines = outputs.flatMap((pin) => {
    const name = nameOf(pin, names);
    const acts =
      pin.does.role === 'tone'
        ? [`tone(${name}, 440);`, `noTone(${name});`]
        : pin.does.role === 'servo'
          ? [`${motor(pin)}.write(60);`, `${motor(pin)}.write(120);`]
          : pin.does.role === 'switch' && pin.does.on === 'low'
            ? [`digitalWrite(${name}, LOW);`, `digitalWrite(${name}, HIGH);`]
            : [`digitalWrite(${name}, HIGH);`, `digitalWrite(${name}, LOW);`];
    return [`  Serial.println("${label(pin)}");`, `  ${acts[0]}`, '  delay(1000);', `  ${acts[1]}`];
  });
  const prints = inputs.flatMap((pin) => {
    const read = pin.does.role === 'measure' ? 'analogRead' : 'digitalRead';
    return [`  Serial.print("${label(pin)} ");`, `  Serial.println(${read}(${nameOf(pin, names)}));`];
  });
  // What is on while its pin is low must be told to be off before the first turn.
  const off = outputs.flatMap((pin) =>
    pin.does.role === 'switch' && pin.does.on === 'low'
      ? [`  digitalWrite(${nameOf(pin, names)}, HIGH);`]
      : [],
  );
  // One alone would be on again before anybody has seen it go off.
  const pause = outputs.length === 0 ? ['  delay(500);'] : outputs.length === 1 ? ['  delay(1000);'] : [];
  const body = [...lines, ...prints, ...pause].join('\n');
  const begun = starter.includes('Serial.begin') ? [] : ['  Serial.begin(9600);'];
  return starter
    .replace(
      /void setup\(\) \{\n([\s\S]*?)\}/,
      (_, inside: string) =>
        `void setup() {\n${inside}${[...begun, ...off].map((line) => `${line}\n`).join('')}}`,
    )
    .replace('  // what happens, over and over', body);
}

function inPython(pins: readonly HookedPin[], { names }: Writing, starter: string): string {
  const nameIn = (pin: HookedPin): string => nameOf(pin, names === 'upper' ? 'snake' : names);
  const outputs = pins.filter(isOutput);
  const inputs = pins.filter((pin) => !isOutput(pin));
  const lines = outputs.flatMap((pin) => {
    const name = nameIn(pin);
    const [on, off] =
      pin.does.role === 'tone'
        ? [`${name}.duty_cycle = 32768`, `${name}.duty_cycle = 0`]
        : pin.does.role === 'servo'
          ? [`${name}.duty_cycle = 3900`, `${name}.duty_cycle = 5800`]
          : pin.does.role === 'switch' && pin.does.on === 'low'
            ? [`${name}.value = False`, `${name}.value = True`]
            : [`${name}.value = True`, `${name}.value = False`];
    return [`    print("${label(pin)}")`, `    ${on}`, '    time.sleep(1)', `    ${off}`];
  });
  const prints = inputs.map((pin) => `    print("${label(pin)}", ${nameIn(pin)}.value)`);
  const off = outputs.flatMap((pin) =>
    pin.does.role === 'switch' && pin.does.on === 'low' ? [`${nameIn(pin)}.value = True`] : [],
  );
  const wait =
    outputs.length === 0 ? ['    time.sleep(0.5)'] : outputs.length === 1 ? ['    time.sleep(1)'] : [];
  return starter.replace(
    'while True:\n    # what happens, over and over\n    time.sleep(0.1)',
    [...off, ...(off.length > 0 ? [''] : []), 'while True:', ...lines, ...prints, ...wait].join('\n'),
  );
}
