import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { ref } from '../brand';
import { pick, randomFrom } from '../random';
import { rehearse } from '../rehearsal/rehearse';
import { courseExercises } from '../testing/course';
import { grammars } from '../testing/beacon';
import type { Wiring } from '../wiring/wiring';
import { readGoldenPrograms } from './golden/programs';
import { compileProgram } from './index';

const board = shippedBoards.get('learner-5v')!;
const bare: Wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
const sources = [
  ...readGoldenPrograms(readFileSync(new URL('./golden/programs.txt', import.meta.url), 'utf8')).map(
    ({ source }) => source,
  ),
  ...courseExercises
    .filter(({ exercise }) => (exercise.data.language ?? 'cpp') === 'cpp')
    .map(({ exercise }) => exercise.data.program),
];

/** Words and signs, with the space before them. */
const tokensOf = (source: string): string[] => source.match(/\s*(?:\w+|"[^"\n]*"|[^\s\w])/g) ?? [];
const pool = [...new Set(sources.flatMap(tokensOf))];
const kindOf = (token: string): string =>
  /^\s*\d/.test(token)
    ? 'number'
    : /^\s*\w/.test(token)
      ? 'word'
      : /[-+*/%<>&|^=!]/.test(token)
        ? 'operator'
        : '';

/** A program with one number, name or sign in the place of another: many of these still run. */
function slipped(random: () => number): string {
  const tokens = [...tokensOf(pick(random, sources))];
  const places = tokens.flatMap((token, at) => (kindOf(token) === '' ? [] : [at]));
  const at = pick(random, places);
  const kind = kindOf(tokens[at]!);
  const alike = tokens.filter((token) => kindOf(token) === kind);
  tokens[at] = kind === 'number' ? ` ${pick(random, NUMBERS)}` : pick(random, alike);
  return tokens.join('');
}

const NUMBERS = ['0', '1', '-1', '2', '7', '255', '256', '32767', '65536', '1000000', '0.5', '4294967295'];

/** What happens to a program under a beginner's fingers, and under worse ones. */
function mutated(random: () => number): string {
  const tokens = [...tokensOf(pick(random, sources))];
  const at = (): number => Math.floor(random() * tokens.length);
  const times = 1 + Math.floor(random() * 4);
  for (let time = 0; time < times; time += 1)
    switch (Math.floor(random() * 6)) {
      case 0:
        tokens.splice(at(), 1);
        break;
      case 1:
        tokens.splice(at(), 0, tokens[at()] ?? '');
        break;
      case 2:
        tokens[at()] = pick(random, pool);
        break;
      case 3: {
        const [one, other] = [at(), at()];
        [tokens[one], tokens[other]] = [tokens[other] ?? '', tokens[one] ?? ''];
        break;
      }
      case 4: {
        const from = at();
        tokens.splice(at(), 0, ...tokens.slice(from, from + Math.floor(random() * 12)));
        break;
      }
      default: {
        const token = tokens[at()] ?? '';
        tokens[at()] = token.slice(0, Math.floor(random() * token.length));
      }
    }
  return tokens.join('');
}

/** How many programs are mutated; `npm run bench` is no place for what has to hold. */
const PROGRAMS = 20_000;

describe('a program that was hit by accident', () => {
  test(
    `${PROGRAMS} of them are told what is wrong at its place, or run and end`,
    { timeout: 600_000 },
    () => {
      const random = randomFrom(20_261_125);
      let ran = 0;
      for (let count = 0; count < PROGRAMS; count += 1) {
        const source = random() < 0.5 ? slipped(random) : mutated(random);
        const where = `program ${count}:\n${source}`;
        const { problems, compiled } = compileProgram(source, board, grammars);
        const lines = source.split('\n').length;
        for (const { line, column, message } of problems) {
          expect(message, where).not.toBe('');
          expect(line >= 1 && line <= lines + 1 && column >= 1, where).toBe(true);
        }
        if (!compiled) continue;
        ran += 1;
        const trace = rehearse(compiled, bare, board, { seconds: 0.2, steps: 20_000 });
        expect(trace.ended, where).toBeDefined();
      }
      // Enough of them survive for the runner to be tried as well as the reader.
      expect(ran).toBeGreaterThan(PROGRAMS / 20);
    },
  );
});
