import type { TextEdit } from '../../findings/finding';
import { piecesOf } from '../../program/pieces';
import type { Language } from '../../program';

/** A line that stands elsewhere than in the exercise's own program. */
export interface MovedLine {
  /** The lines from where it stands to where it belongs, in the other order. */
  readonly edit: TextEdit;
  /** Where it stands, and the line that it belongs before or behind. */
  readonly line: number;
  readonly beside: number;
  readonly isBefore: boolean;
}

/** A line with what it says: its words without the spaces between, behind what it is set in by. */
interface Line {
  readonly number: number;
  readonly text: string;
  readonly said: string;
}

/** Lines that a line is moved over at most. */
const FARTHEST = 8;

/**
 * Lines of a program that say what the exercise's own does, in another order: two beside each other that are exchanged, and
 * one that stands some lines away from where it belongs.
 */
export function movedLines(source: string, asked: string, language: Language): readonly MovedLine[] {
  const [own, wanted] = [source, asked].map((text) => linesOf(text, language)) as [Line[], Line[]];
  const moved = rotationOf(own, wanted);
  if (moved) return [moved];
  const follows = new Set(wanted.slice(1).map(({ said }, index) => `${wanted[index]!.said}\n${said}`));
  return own.slice(1).flatMap((later, index): readonly MovedLine[] => {
    const earlier = own[index]!;
    const isExchanged =
      later.said !== earlier.said &&
      isStatement(earlier, language) &&
      isStatement(later, language) &&
      areBeside([earlier, later]) &&
      follows.has(`${later.said}\n${earlier.said}`) &&
      !follows.has(`${earlier.said}\n${later.said}`);
    return isExchanged ? [moveOf([earlier, later], 'last to front')] : [];
  });
}

/** One line of what differs, where it is all that is in another place. */
function rotationOf(own: readonly Line[], wanted: readonly Line[]): MovedLine | undefined {
  if (own.length !== wanted.length) return undefined;
  const isOther = (line: Line, at: number): boolean => line.said !== wanted[at]!.said;
  const [from, to] = [own.findIndex(isOther), own.findLastIndex(isOther)];
  const span = own.slice(from, to + 1);
  if (from < 0 || span.length < 2 || span.length > FARTHEST || !areBeside(span)) return undefined;
  const is = (lines: readonly Line[]): boolean =>
    lines.every(({ said }, at) => said === wanted[from + at]!.said);
  if (is([span.at(-1)!, ...span.slice(0, -1)])) return moveOf(span, 'last to front');
  return is([...span.slice(1), span[0]!]) ? moveOf(span, 'first to end') : undefined;
}

function moveOf(span: readonly Line[], way: 'last to front' | 'first to end'): MovedLine {
  const [first, last] = [span[0]!, span.at(-1)!];
  const isBefore = way === 'last to front';
  const order = isBefore ? [last, ...span.slice(0, -1)] : [...span.slice(1), first];
  return {
    edit: {
      line: first.number,
      column: 1,
      length: span.reduce((sum, { text }) => sum + text.length, span.length - 1),
      by: order.map(({ text }) => text).join('\n'),
    },
    line: isBefore ? last.number : first.number,
    beside: isBefore ? first.number : last.number,
    isBefore,
  };
}

/** Whether nothing stands between lines, a remark neither. */
const areBeside = (span: readonly Line[]): boolean =>
  span.at(-1)!.number - span[0]!.number === span.length - 1;

/** Whether a line is a statement of its own, which may stand before another one. */
const isStatement = ({ said }: Line, language: Language): boolean =>
  language === 'python'
    ? !/:$|^\s*(?:return|break|continue|import|from)\b/.test(said)
    : /^[^{}]*;$/.test(said);

/** The lines that say something. */
const linesOf = (text: string, language: Language): readonly Line[] =>
  text.split('\n').flatMap((line, index) => {
    const said = piecesOf(line.trim(), language)
      .map((piece) => piece.text)
      .join(' ');
    const inset = language === 'python' ? (/^\s*/.exec(line)?.[0] ?? '') : '';
    return said === '' ? [] : [{ number: index + 1, text: line, said: inset + said }];
  });
