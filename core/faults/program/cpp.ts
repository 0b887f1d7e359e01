import { BEHAVIOUR, replaced, type ProgramSlip } from './slip';

/** The number that a constant stands for, where it may be a pin. */
const DECLARED = /(?<=(?:const (?:int|byte)|#define) \w+ (?:= )?)\d{1,2}(?=;|$)/g;

/** Slips in a C++ program. */
export const cppSlips: readonly ProgramSlip[] = [
  { sort: 'a semicolon left out', codes: ['syntax-semicolon'], made: replaced(/;$/g, () => '') },
  { sort: 'a closing brace left out', codes: ['syntax-brace'], made: replaced(/^\s*\}$/g, () => '') },
  { sort: 'a bracket left out', codes: ['syntax-paren'], made: replaced(/\);$/g, () => ';') },
  {
    sort: 'a name in the wrong case',
    codes: ['name-case'],
    made: replaced(/\b(digitalWrite|pinMode|analogRead|digitalRead)\b/g, (text) => text.toLowerCase()),
  },
  {
    sort: 'a name misspelt',
    codes: ['name-unknown'],
    made: replaced(/\b(delay|OUTPUT|HIGH)\b/g, (text) => `${text}${text.slice(-1)}`),
  },
  { sort: 'one = in a condition', codes: ['assign-in-condition'], made: replaced(/==/g, () => '=') },
  {
    sort: 'another pin',
    codes: ['pin-disagrees', 'wrong-pin', 'pin-unused', 'pin-lacks-function', ...BEHAVIOUR],
    *made(lines) {
      const source = lines.join('\n');
      for (const slipped of replaced(DECLARED, (text) => String(Number(text) + 1))(lines)) {
        const [, name] = /(\w+) (?:= )?\d+/.exec(slipped.written) ?? [];
        // A constant that no function takes for a pin is a number like others.
        if (new RegExp(`(?:pinMode|Read|Write|attach|tone)\\(${name}\\b`).test(source)) yield slipped;
      }
    },
  },
  {
    sort: 'an output never set up',
    codes: ['direction-unset'],
    made: replaced(/^\s*pinMode\(.*OUTPUT\);$/g, () => ''),
  },
  {
    sort: 'an input for an output',
    codes: ['direction-unset'],
    made: replaced(/\bOUTPUT\b/g, () => 'INPUT'),
  },
  {
    sort: 'the pull-up left out',
    codes: ['pullup-unset', 'input-floating'],
    made: replaced(/\bINPUT_PULLUP\b/g, () => 'INPUT'),
  },
  {
    sort: 'the wrong level',
    codes: ['logic-inverted', ...BEHAVIOUR],
    made: replaced(/\b(HIGH|LOW)\b/g, (text) => (text === 'HIGH' ? 'LOW' : 'HIGH')),
  },
  {
    sort: 'an output that is never switched',
    codes: [...BEHAVIOUR, 'pin-unused', 'turn-overlap'],
    made: replaced(/^\s*digitalWrite\(.*\);$/g, () => ''),
  },
  {
    sort: 'a pause ten times as long',
    codes: ['timing-off', 'missed-input', 'late-response', 'no-response', ...BEHAVIOUR],
    made: replaced(/(?<=delay\()\d{2,}(?=\))/g, (text) => `${text}0`),
  },
  {
    sort: 'seconds for milliseconds',
    codes: ['missing-pause', 'timing-off', ...BEHAVIOUR],
    made: replaced(/(?<=delay\()\d+000(?=\))/g, (text) => text.slice(0, -3)),
  },
  {
    sort: 'a pause left out',
    codes: ['missing-pause', 'turn-overlap', 'timing-off', 'no-debounce', ...BEHAVIOUR],
    made: replaced(/^\s*delay\(\d+\);$/g, () => ''),
  },
  {
    sort: 'a comparison turned round',
    codes: ['logic-inverted', 'never-ends', 'out-of-range', ...BEHAVIOUR],
    made: replaced(/ [<>] /g, (text) => (text === ' < ' ? ' > ' : ' < ')),
  },
  { sort: 'and for or', codes: ['logic-inverted', ...BEHAVIOUR], made: replaced(/&&/g, () => '||') },
  {
    sort: 'a semicolon behind a condition',
    codes: ['empty-body', 'syntax-semicolon'],
    made: replaced(/(?<=\)) \{$/g, () => '; {'),
  },
  {
    sort: 'a number one off',
    codes: [...BEHAVIOUR, 'out-of-range', 'runtime-error', 'pin-disagrees', 'wrong-pin', 'direction-unset'],
    made: replaced(/(?<=[<>=] )\d+(?=[;)])/g, (text) => String(Number(text) + 1)),
  },
  {
    sort: 'the serial line never begun',
    codes: ['serial-not-started'],
    made: replaced(/^\s*Serial\.begin\(\d+\);$/g, () => ''),
  },
  {
    sort: 'a variable that starts anew each time round',
    codes: ['state-reset', ...BEHAVIOUR],
    *made(lines) {
      const loop = lines.findIndex((line) => /^void loop\(\) \{$/.test(line));
      for (const [index, line] of lines.entries()) {
        const name = /^(?:int|long|unsigned long|byte|bool) (\w+) = [^;]*;$/.exec(line)?.[1];
        if (name === undefined || loop < index) continue;
        const isChanged = lines.some(
          (other, at) => at > loop && new RegExp(`\\b${name}\\b\\s*(=[^=]|\\+\\+|--|[-+]=)`).test(other),
        );
        const isUsedElsewhere = lines.slice(index + 1, loop).some((other) => other.includes(name));
        if (!isChanged || isUsedElsewhere) continue;
        const moved = [...lines.slice(0, index), ...lines.slice(index + 1, loop + 1), `  ${line}`];
        yield { index: loop, written: `  ${line}`, lines: [...moved, ...lines.slice(loop + 1)] };
      }
    },
  },
];
