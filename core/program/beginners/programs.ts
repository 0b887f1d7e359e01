import { readWholePrograms } from '../golden/programs';
import type { Language } from '../index';

/** A program as beginners write it, and why it cannot be judged where it cannot. */
export interface BeginnersProgram {
  readonly name: string;
  readonly source: string;
  readonly language: Language;
  /** What of it is not followed here; `undefined` for one that runs. */
  readonly refused?: string;
}

/** Programs that cannot be judged yet, each with what of it is not followed. */
const refusals: Readonly<Record<string, string>> = {
  'a text display': 'the library <LiquidCrystal.h>',
  'a table of functions': '“void (*steps[])()',
  'a function handed over': 'the parameter “void (*what)()”',
  'the larger of two, of any type': '“template',
  'a jump': '“again:”',
  'words cut apart': 'strtok',
  'keys of a keypad': 'the library <Keypad.h>',
  'humidity of the air': 'the library <AirSensor.h>',
  'a timer interrupt by registers': 'the interrupt “TIMER1_COMPA_vect”',
  'steps of a stepper': 'the library <Stepper.h>',
  'a strip of coloured lamps': 'the library <LampStrip.h>',
  'a lamp that sleeps': 'the library <avr/sleep.h>',
  'a second serial line': 'the library <SoftwareSerial.h>',
  'named values': 'the parameter “**more”',
  'numbers that come one by one': '“yield n”',
  'a property': '“@property”',
  'the board’s own name': 'the module microcontroller',
};

/** The programs of a file, see its head. */
export const readBeginners = (text: string, language: Language): readonly BeginnersProgram[] =>
  readWholePrograms(text).map(({ name, source }) => {
    const refused = refusals[name];
    return { name, source, language, ...(refused === undefined ? {} : { refused }) };
  });
