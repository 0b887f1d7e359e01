import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { compileProgram } from '../../program';
import { grammars } from '../../testing/beacon';
import type { Candidate } from './candidate';
import { thatMatter } from './lines-that-matter';

const SOURCE = `void setup() {
  pinMode(9, OUTPUT);
  Serial.begin(9600);
}
void loop() {
  digitalWrite(9, HIGH);
  Serial.println("on");
  delay(200);
}
`;
const program = compileProgram(SOURCE, shippedBoards.get('learner-5v')!, grammars);
const RIGHT = { undirected: [], floating: [], silent: [], fails: 'parts', stumbles: false } as const;

/** A change in a line: of some letters, or put in behind them. */
const change = (line: number, length: number, by: string, isAsAsked = false): Candidate => ({
  edits: [{ replace: { line, column: 3, length, by } }],
  cost: 1,
  text: `line ${line}`,
  domain: 'program',
  apply: (build) => build,
  isAsAsked,
});
const all = [2, 6, 7, 8].map((line) => change(line, 1, 'x'));
const lines = (kept: readonly Candidate[]): readonly string[] => kept.map(({ text }) => text);

test.each([
  ['all is set up and nothing of what is printed is wrong', RIGHT, ['line 6', 'line 8']],
  ['what is printed is wrong', { ...RIGHT, fails: 'prints' }, ['line 6', 'line 7', 'line 8']],
  ['a pin is not set up', { ...RIGHT, undirected: [9] }, ['line 2', 'line 6', 'line 8']],
  ['a part is never switched', { ...RIGHT, silent: [9] }, ['line 2', 'line 6', 'line 8']],
  ['a line does what the processor cannot', { ...RIGHT, stumbles: true }, ['line 6', 'line 7', 'line 8']],
] as const)('where %s, these lines may be what is wrong', (_, wishes, kept) => {
  expect(lines(thatMatter(all, program, wishes))).toEqual(kept);
});

test('what the exercise’s own program has otherwise is tried in any line', () => {
  expect(thatMatter([change(2, 1, 'x', true)], program, RIGHT)).toHaveLength(1);
});

test('a line that is put in counts by what it does', () => {
  const putIn = [change(6, 0, ' Serial.println(n);'), change(7, 0, ' digitalWrite(9, LOW);')];
  expect(lines(thatMatter(putIn, program, RIGHT))).toEqual(['line 7']);
});
