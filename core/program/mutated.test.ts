import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { ref } from '../brand';
import { pick, randomFrom } from '../random';
import { rehearse } from '../rehearsal/rehearse';
import { grammars } from '../testing/beacon';
import { rightPrograms } from '../testing/right-programs';
import { samples } from '../testing/samples';
import { slipped, tokensOf } from '../testing/slips';
import type { Wiring } from '../wiring/wiring';
import { readGoldenPrograms, readWholePrograms } from './golden/programs';
import { compileProgram, type Language } from './index';

const golden = (file: string): string => readFileSync(new URL(`./golden/${file}`, import.meta.url), 'utf8');
const right = (language: Language): readonly string[] =>
  rightPrograms.filter((program) => program.language === language).map(({ source }) => source);

/** What happens to a program under a beginner's fingers, and under worse ones. */
function mutated(random: () => number, sources: readonly string[], pool: readonly string[]): string {
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
const languages: readonly {
  readonly language: Language;
  readonly board: string;
  readonly count: number;
  readonly sources: readonly string[];
}[] = [
  {
    language: 'cpp',
    board: 'learner-5v',
    count: samples(10_000),
    sources: [...readGoldenPrograms(golden('programs.txt')).map(({ source }) => source), ...right('cpp')],
  },
  {
    language: 'python',
    board: 'python-3v3',
    count: samples(5_000),
    sources: [...readWholePrograms(golden('python.txt')).map(({ source }) => source), ...right('python')],
  },
];

describe('a program that was hit by accident', () => {
  test.each(languages)(
    'in $language: $count of them are told what is wrong at its place, or run and end',
    ({ language, board: id, count: programs, sources }) => {
      const board = shippedBoards.get(id)!;
      const bare: Wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
      const pool = [...new Set(sources.flatMap(tokensOf))];
      const random = randomFrom(20_261_125);
      let ran = 0;
      for (let count = 0; count < programs; count += 1) {
        const source = random() < 0.5 ? slipped(random, sources) : mutated(random, sources, pool);
        const where = `program ${count}:\n${source}`;
        let result;
        try {
          const { problems, compiled } = compileProgram(source, board, grammars, language);
          result = {
            problems,
            trace: compiled && rehearse(compiled, bare, board, { seconds: 0.2, steps: 20_000 }),
          };
        } catch (error) {
          throw new Error(where, { cause: error });
        }
        const lines = source.split('\n').length;
        for (const { line, column, message } of result.problems) {
          expect(message, where).not.toBe('');
          expect(line >= 1 && line <= lines + 1 && column >= 1, where).toBe(true);
        }
        if (!result.trace) continue;
        ran += 1;
        expect(result.trace.ended, where).toBeDefined();
      }
      // Enough of them survive for the runner to be tried as well as the reader.
      expect(ran).toBeGreaterThan(programs / 20);
    },
  );
});
