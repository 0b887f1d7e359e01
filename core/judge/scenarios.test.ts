import { expect, test } from 'vitest';
import { beacon, grammars } from '../testing/beacon';
import { compileProgram } from '../program';
import { sendingRateOf } from './scenarios';

test.each([
  ['Serial.begin(9600);', '', 9600],
  ['Serial.begin(RATE);', 'const long RATE = 115200;', 115_200],
  ['// Serial.begin(9600);', '', undefined],
])('the rate of a reference with %s is what its run starts the line at', (setup, before, rate) => {
  const program = `${before}\nvoid setup() { ${setup}\n}\nvoid loop() { delay(10); }`;
  expect(sendingRateOf(beacon, compileProgram(program, beacon.board, grammars))).toBe(rate);
});
