import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import type { Candidate } from './candidate';
import { formOf, isInside, type Block, type Form } from './guesses/form';
import { isNoDeclaration } from './guesses/lines';

/** What a change puts in that makes other lines part of it, or no longer part of it. */
const CHANGES_FORM = /[{}]|\b(?:else|elif|case|default|def|class|return|break|continue)\b/;
/** What begins a question or a loop. */
const HEADS = /^(?:if|while|for|switch)$/;

/**
 * Changes of a program without those of lines that its run does not come to: what never runs is not what that run lacks, and
 * another way to say it changes nothing. `reached`: the lines that a run comes to which fails; `undefined` where that is not known.
 */
export function thatAreReached(
  candidates: readonly Candidate[],
  { source, language, compiled }: Pick<Program, 'source' | 'language' | 'compiled'>,
  reached: ReadonlySet<number> | undefined,
): readonly Candidate[] {
  if (!compiled || !reached || reached.size === 0) return candidates;
  const form = formOf(source, language);
  const dead = deadLinesIn(form, reached);
  if (dead.size === 0) return candidates;
  const lines = source.split('\n');
  return candidates.filter(
    ({ edits }) => !edits.every((edit) => 'replace' in edit && isDead(edit.replace, dead, lines, form)),
  );
}

/** The lines in which a statement or a question begins and to which the run did not come. */
function deadLinesIn({ blocks, tokens }: Form, reached: ReadonlySet<number>): ReadonlySet<number> {
  const inFunctions = blocks.filter(({ opens }) => opens);
  const begun = [
    ...blocks.flatMap(({ statements }) => statements.filter(isNoDeclaration).map(({ first }) => first.line)),
    ...tokens.filter(({ startsLine, text }) => startsLine && HEADS.test(text)).map(({ line }) => line),
  ];
  return new Set(
    begun.filter((line) => !reached.has(line) && inFunctions.some((block) => isInside(line, block))),
  );
}

/** Whether a change is one of such lines only, and none of what belongs to what. */
function isDead(
  { line, column, length, by }: TextEdit,
  dead: ReadonlySet<number>,
  lines: readonly string[],
  form: Form,
): boolean {
  if (CHANGES_FORM.test(by)) return false;
  if (length === 0)
    return dead.has(line) ? !isBehindBrace(line, column, form) : opensDead(line, column, dead, form);
  // A stretch of several lines counts by each of them.
  let [at, left] = [line, length - ((lines[line - 1] ?? '').length - column + 1)];
  if (!dead.has(line) || CHANGES_FORM.test((lines[line - 1] ?? '').slice(column - 1, column - 1 + length)))
    return false;
  while (left > 0) {
    at += 1;
    const text = lines[at - 1] ?? '';
    if (!dead.has(at) || /[{}]/.test(text)) return false;
    left -= text.length + 1;
  }
  return true;
}

/** Whether a place stands behind the brace or colon with which a block opens in that line. */
const isBehindBrace = (line: number, column: number, { blocks }: Form): boolean =>
  blocks.some(({ opens }) => opens?.line === line && column >= opens.endColumn);

/** Whether what is put in there is the first thing of a block that the run does not come into. */
function opensDead(line: number, column: number, dead: ReadonlySet<number>, { blocks }: Form): boolean {
  const block = blocks.find(({ opens }: Block) => opens?.line === line && opens.endColumn === column);
  const first = block?.statements[0]?.first.line;
  return block !== undefined && first !== undefined && first === line + 1 && dead.has(first);
}
