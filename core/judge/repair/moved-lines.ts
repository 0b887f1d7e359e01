import { linesPut } from './lines-put';
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
  /** How far it is set in there, in spaces, where that is otherwise than now. */
  readonly spaces?: number;
}

/** A line with what it says: its words without the spaces between, behind what it is set in by. */
interface Line {
  readonly number: number;
  readonly text: string;
  readonly said: string;
  /** The spaces that belong to what it says, as in Python. */
  readonly inset: string;
}

/** Lines that a line is moved over at most. */
const FARTHEST = 20;

/**
 * Lines of a program that say what the exercise's own does, in another order: two beside each other that are exchanged, and
 * one that stands some lines away from where it belongs.
 */
export function movedLines(source: string, asked: string, language: Language): readonly MovedLine[] {
  const [own, wanted] = [source, asked].map((text) => linesOf(text, language)) as [Line[], Line[]];
  const moved = rotationOf(own, wanted, source.split('\n'), language);
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
    return isExchanged
      ? [moveOf([earlier, later], 'last to front', [earlier.text, later.text], later.text)]
      : [];
  });
}

/** One line of what differs, where it is all that is in another place: in a loop, perhaps, that it stands before. */
function rotationOf(
  own: readonly Line[],
  wanted: readonly Line[],
  source: readonly string[],
  language: Language,
): MovedLine | undefined {
  if (own.length !== wanted.length) return undefined;
  const isOther = (line: Line, at: number): boolean => line.said !== wanted[at]!.said;
  const [from, to] = [own.findIndex(isOther), own.findLastIndex(isOther)];
  const span = own.slice(from, to + 1);
  if (from < 0 || span.length < 2 || span.length > FARTHEST) return undefined;
  const is = (lines: readonly Line[], at: number): boolean =>
    lines.every(({ said }, index) => said === wanted[at + index]!.said);
  const moved = (line: Line, place: Line, way: Way): MovedLine | undefined => {
    if (line.said.trim() !== place.said.trim()) return undefined;
    const isSetOtherwise = line.inset !== place.inset;
    const texts = source.slice(span[0]!.number - 1, span.at(-1)!.number);
    // In another block, what stands between is no reason to leave it where it is.
    if (isSetOtherwise)
      return {
        ...moveOf(span, way, texts, place.inset + line.text.trim()),
        spaces: place.inset.length,
      };
    const isInAnother =
      language === 'cpp' && span.some(({ said }) => /[{}]/.test(said)) && !DECLARES.test(line.said);
    return areBeside(span) || isInAnother ? moveOf(span, way, texts, line.text) : undefined;
  };
  if (is(span.slice(0, -1), from + 1)) return moved(span.at(-1)!, wanted[from]!, 'last to front');
  return is(span.slice(1), from) ? moved(span[0]!, wanted[to]!, 'first to end') : undefined;
}

/** A variable that is made: where it belongs, and whether it is to remember, is another question. */
const DECLARES =
  /^\s*(?:(?:static|const|volatile|unsigned|signed) )*(?:int|long|short|bool|boolean|float|double|byte|char|word|String|u?int\d+_t|size_t) \w+ [=;[]/;

type Way = 'last to front' | 'first to end';

/** The first or last of lines at their other end; `texts` are all lines from the first to the last. */
function moveOf(span: readonly Line[], way: Way, texts: readonly string[], moved: string): MovedLine {
  const [first, last] = [span[0]!, span.at(-1)!];
  const isBefore = way === 'last to front';
  return {
    edit: linesPut(
      first.number,
      texts,
      isBefore ? [moved, ...texts.slice(0, -1)] : [...texts.slice(1), moved],
    ),
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
    return said === '' ? [] : [{ number: index + 1, text: line, said: inset + said, inset }];
  });
