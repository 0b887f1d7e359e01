import { BEHAVIOUR, replaced, type ProgramSlip } from './slip';

/** Slips in a Python program. */
export const pythonSlips: readonly ProgramSlip[] = [
  { sort: 'a colon left out', codes: ['colon-missing'], made: replaced(/:$/g, () => '') },
  { sort: 'a bracket left out', codes: ['syntax-paren'], made: replaced(/\)$/g, () => '') },
  {
    sort: 'an indentation lost',
    codes: ['indentation', 'missing-pause', ...BEHAVIOUR],
    made: replaced(/^ {4}(?=\S)/g, () => ''),
  },
  {
    sort: 'a name in the wrong case',
    codes: ['name-case'],
    made: replaced(/\b(True|False)\b/g, (text) => text.toLowerCase()),
  },
  {
    sort: 'another pin',
    // A board may have no such pin.
    codes: ['pin-disagrees', 'wrong-pin', 'name-unknown', ...BEHAVIOUR],
    made: replaced(/(?<=board\.D)\d+/g, (text) => String(Number(text) + 1)),
  },
  {
    sort: 'an output never set up',
    codes: ['direction-unset', 'runtime-error'],
    made: replaced(/^.*Direction\.OUTPUT$/g, () => ''),
  },
  {
    sort: 'the pull-up left out',
    codes: ['pullup-unset', 'input-floating'],
    made: replaced(/^.*Pull\.UP$/g, () => ''),
  },
  {
    sort: 'the wrong level',
    codes: ['logic-inverted', ...BEHAVIOUR],
    made: replaced(/\b(True|False)$/g, (text) => (text === 'True' ? 'False' : 'True')),
  },
  {
    sort: 'a question turned round',
    codes: ['logic-inverted', ...BEHAVIOUR],
    made: replaced(/\bnot /g, () => ''),
  },
  {
    sort: 'a pause ten times as long',
    codes: ['timing-off', ...BEHAVIOUR],
    made: replaced(/(?<=sleep\()\d+(?=\))/g, (text) => `${text}0`),
  },
  {
    sort: 'milliseconds for seconds',
    codes: ['timing-off', 'missed-input', ...BEHAVIOUR],
    made: replaced(/(?<=sleep\()[\d.]+(?=\))/g, (text) => String(Math.round(Number(text) * 1000))),
  },
  {
    sort: 'a pause left out',
    codes: ['missing-pause', 'timing-off', ...BEHAVIOUR],
    made: replaced(/(?<=^\s*)time\.sleep\(.*\)$/g, () => 'pass'),
  },
  {
    sort: 'a comparison turned round',
    codes: ['logic-inverted', ...BEHAVIOUR],
    made: replaced(/ [<>] /g, (text) => (text === ' < ' ? ' > ' : ' < ')),
  },
];
