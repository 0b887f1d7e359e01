import { linesPut } from '../lines-put';
import { isBodyOf, outerOf, type Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.71;
/** Lines that are moved over the end of a block at most. */
const MOST_LINES = 3;

/** Blocks that end too early or too late: the lines behind them taken in, or their last lines left out. */
const blocksEndedElsewhere = (form: Form): readonly Guess[] =>
  form.language === 'python' ? inPython(form) : inCpp(form);

function inPython(form: Form): readonly Guess[] {
  const lines = form.source.split('\n');
  const indentOf = (line: number): number => /^ */.exec(lines[line - 1] ?? '')![0].length;
  const isBlank = (line: number): boolean => (lines[line - 1] ?? '').trim() === '';
  return form.blocks.flatMap((block): readonly Guess[] => {
    const { opens, closes, space } = block;
    if (!opens || !closes) return [];
    const outer = indentOf(opens.line);
    const inner = space.length;
    const guesses: Guess[] = [];
    // The lines behind the block, as far as they stand where the block does.
    const behind: number[] = [];
    for (let line = closes.line + 1; line <= lines.length && behind.length < MOST_LINES; line += 1) {
      if (isBlank(line)) continue;
      if (indentOf(line) !== outer || /^ *(?:else|elif|def|while|for)\b/.test(lines[line - 1]!)) break;
      behind.push(line);
      guesses.push(shifted(lines, behind, inner - outer));
    }
    const last: number[] = [];
    // What stands behind an endless loop never runs.
    const isEndless = block.head === 'loop' && block.headTokens.some(({ text }) => text === 'True');
    for (
      let line = isEndless ? 0 : closes.line;
      line > opens.line + 1 && last.length < MOST_LINES;
      line -= 1
    ) {
      if (isBlank(line)) continue;
      if (indentOf(line) !== inner || /^ *(?:else|elif|def|while|for|if)\b/.test(lines[line - 1]!)) break;
      last.unshift(line);
      guesses.push(shifted(lines, last, outer - inner));
    }
    return guesses;
  });
}

/** Lines with so many more spaces before them, or fewer. */
function shifted(lines: readonly string[], which: readonly number[], by: number): Guess {
  const [first, last] = [which[0]!, which.at(-1)!];
  const text = lines.slice(first - 1, last);
  const moved = text.map((line) =>
    line.trim() === '' ? line : by > 0 ? ' '.repeat(by) + line : line.slice(-by),
  );
  const where = first === last ? `line ${first}` : `lines ${first} to ${last}`;
  return {
    edits: [linesPut(first, text, moved)],
    text: by > 0 ? `Put ${by} more spaces before ${where}.` : `Take ${-by} spaces away before ${where}.`,
    cost: COST + 0.01 * which.length,
  };
}

function inCpp(form: Form): readonly Guess[] {
  const lines = form.source.split('\n');
  return form.blocks.flatMap((block): readonly Guess[] => {
    const { opens, closes, head } = block;
    if (!opens || !closes || head === 'function' || lines[closes.line - 1]?.trim() !== '}') return [];
    const outer = outerOf(block, form);
    if (!outer || isBodyOf('setup', outer)) return [];
    const guesses: Guess[] = [];
    for (let count = 1; count <= MOST_LINES; count += 1) {
      const last = closes.line + count;
      const isOfOuter = outer.statements.some(
        ({ first, last: end }) => first.line === last && end.line === last,
      );
      if (!isOfOuter) break;
      guesses.push(braceMoved(lines, closes.line, last, 'in'));
    }
    for (let count = 1; count <= MOST_LINES; count += 1) {
      const first = closes.line - count;
      const isOfBlock = block.statements.some((one) => one.first.line === first && one.last.line === first);
      if (!isOfBlock || first <= opens.line + 1) break;
      guesses.push(braceMoved(lines, closes.line, first, 'out'));
    }
    return guesses;
  });
}

/** The brace of a block behind a line that stood behind it, or before one that it held. */
function braceMoved(lines: readonly string[], brace: number, to: number, way: 'in' | 'out'): Guess {
  const [first, last] = [Math.min(brace, to), Math.max(brace, to)];
  const text = lines.slice(first - 1, last);
  const others = way === 'in' ? text.slice(1) : text.slice(0, -1);
  const own = way === 'in' ? text[0]! : text.at(-1)!;
  const by = way === 'in' ? [...others, own] : [own, ...others];
  return {
    edits: [linesPut(first, text, by)],
    text: `Move the } of line ${brace} ${way === 'in' ? 'after' : 'before'} line ${to}.`,
    cost: COST + 0.01 * others.length,
  };
}

/** The rules of this subject that something in a program speaks for. */
export const ofBlockEnds: readonly Rule[] = [blocksEndedElsewhere];
