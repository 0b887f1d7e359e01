import type { Edit, Observation, TextEdit } from '../../findings/finding';
import { tokenize } from '../../program/cpp/tokens';
import type { Token } from '../../program/token';
import { bodyStart, closing } from './token-places';

/** Lines of loop that belong in setup, or the other way round. */
export interface MovedBody {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** Lines of a program, the first and the last. */
interface Lines {
  readonly from: number;
  readonly to: number;
}

/** Calls that set something up, which has to be done once only. */
const SETS_UP = /\b(?:pinMode|begin|attach|init|backlight|attachInterrupt|randomSeed|setup)\s*\(/;

/** All that is done in loop, done once at the end of setup; and what setup does beside setting up, done over and over. */
export function onceAndOver(source: string): readonly MovedBody[] {
  const { tokens } = tokenize(source);
  const [setup, loop] = [bodyOf(tokens, 'setup'), bodyOf(tokens, 'loop')];
  if (!setup || !loop) return [];
  const lines = source.split('\n');
  const within = ({ from, to }: Lines): readonly string[] => lines.slice(from - 1, to);
  const found: MovedBody[] = [];
  const all = linesIn(loop);
  if (all) found.push(moved(all, setup.shut.line, within(all), 'from loop to the end of setup'));
  const own = linesIn(setup);
  const last = own ? within(own).findLastIndex((text) => SETS_UP.test(text)) : -1;
  const rest = own && last >= 0 ? { from: own.from + last + 1, to: own.to } : undefined;
  if (rest && rest.from <= rest.to && within(rest).some((text) => text.trim() !== ''))
    found.push(moved(rest, loop.open.line + 1, within(rest), 'from setup to the beginning of loop'));
  return found;
}

interface Body {
  readonly open: Token;
  readonly shut: Token;
}

function bodyOf(tokens: readonly Token[], name: string): Body | undefined {
  const open = bodyStart(tokens, name);
  const end = open && closing(tokens, tokens.indexOf(open), '{', '}');
  return open && end !== undefined ? { open, shut: tokens[end]! } : undefined;
}

/** The lines between the braces of a body; `undefined` where there are none of its own. */
const linesIn = ({ open, shut }: Body): Lines | undefined =>
  shut.line - open.line > 1 && shut.startsLine ? { from: open.line + 1, to: shut.line - 1 } : undefined;

function moved({ from, to }: Lines, before: number, texts: readonly string[], way: string): MovedBody {
  const taken = { line: from, column: 1, length: texts.join('\n').length + 1, by: '' };
  const put = { line: before, column: 1, length: 0, by: `${texts.join('\n')}\n` };
  const which = from === to ? `line ${from}` : `lines ${from} to ${to}`;
  return {
    edits: [taken, put].toSorted((one, other) => other.line - one.line),
    text: `Move ${which} ${way}.`,
  };
}

/** What was seen of a build, said of lines that are done over and over, or once only, where a repair moves all of them. */
export function ofOnceAndOver(
  seen: Observation | undefined,
  edits: readonly Edit[],
): Observation | undefined {
  const changes = edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
  const [taken, put] = [changes.find(({ by }) => by === ''), changes.find(({ length }) => length === 0)];
  const isMoved = changes.length === 2 && taken && put && put.by.endsWith('\n') && taken.column === 1;
  if (!seen || !isMoved || put.by.length !== taken.length || put.column !== 1) return undefined;
  const isOver = put.line < taken.line;
  const { line } = taken;
  return {
    ...seen,
    line,
    column: 1,
    message: isOver
      ? `${seen.message} What stands in loop from line ${line} on is done over and over.`
      : `${seen.message} What stands in setup from line ${line} on is done once, and never again.`,
    hints: [
      'Which lines are to run once, and which over and over?',
      'What is in setup runs once. What is in loop runs over and over.',
      isOver ? 'Move what is to run once to setup.' : 'Move what is to run over and over to loop.',
    ],
  };
}
