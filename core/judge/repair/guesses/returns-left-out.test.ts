import { expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import type { Language } from '../../../program';
import { formOf } from './form';
import type { Rule } from './guess';
import { ofReturnsLeftOut } from './returns-left-out';

/** The texts of the changes that make one program of another. */
function toldFrom(
  rules: readonly Rule[],
  wrong: string,
  right: string,
  language: Language,
): readonly string[] {
  const form = formOf(wrong, language);
  const plain = (source: string): string => source.replaceAll(/\s+/g, ' ');
  return rules
    .flatMap((rule) => rule(form, form, { unset: [], milliseconds: [] }))
    .filter(({ edits }) => plain(edits.reduce(applyTextEdit, wrong)) === plain(right))
    .map(({ text }) => text);
}

const CPP = `void loop() {
  if (digitalRead(2) == HIGH) {
    digitalWrite(9, LOW);
    return;
  }
  digitalWrite(9, HIGH);
}
`;
const PYTHON = `while True:
    if button.value:
        lamp.value = False
        continue
    lamp.value = True
`;

test.each([
  ['cpp', CPP, '    return;\n', 'Add return; before the } in line 4.'],
  ['python', PYTHON, '        continue\n', 'Add continue after line 3.'],
] as const)('a case that is left early goes on without that, in %s', (language, right, left, text) => {
  expect(toldFrom(ofReturnsLeftOut, right.replace(left, ''), right, language)).toEqual([text]);
});

test.each([
  ['the other side of a question', 'void loop() {\n  if (a) {\n    b();\n  } else {\n    c();\n  }\n}\n'],
  ['another question', 'void loop() {\n  if (a) {\n    b();\n  }\n  if (c) {\n    d();\n  }\n}\n'],
  ['the end of the loop', 'void loop() {\n  if (a) {\n    b();\n  }\n}\n'],
  ['a case of setup', 'void setup() {\n  if (a) {\n    b();\n  }\n  c();\n}\n'],
])('nothing is missing before %s', (_, source) => {
  const form = formOf(source, 'cpp');
  expect(ofReturnsLeftOut.flatMap((rule) => rule(form, form, { unset: [], milliseconds: [] }))).toEqual([]);
});
