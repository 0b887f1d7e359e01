import type { Span } from '../program/syntax';
import type { RecordedComparison, RecordedCondition, RecordedName, Recording } from './recording';
import { lastPlace } from './replay';

/** A variable at a moment, and when it got its value. */
export interface NameNow {
  readonly name: string;
  readonly text: string;
  readonly since: number;
}

/** A program as it runs in a recording: which line, what its variables hold, and why it goes where it goes. */
export class ReplayedProgram {
  private readonly sourceLines: readonly string[];

  constructor(
    private readonly recording: Recording,
    source: string,
  ) {
    this.sourceLines = source.split('\n');
  }

  /** Place of the step that is being taken at a moment; -1 before the first. */
  stepAt(at: number): number {
    const { stepTimes } = this.recording;
    return lastPlace(stepTimes.length, (place) => stepTimes[place]!, at);
  }

  /** The line that runs at a moment, from 1; `undefined` where nothing runs or nothing was kept. */
  lineAt(at: number): number | undefined {
    if (at > this.recording.keptUntil) return undefined;
    return this.recording.stepLines[this.stepAt(at)];
  }

  /** When the next line begins to run, or the one before it. */
  stepFrom(at: number, way: 'next' | 'before'): number | undefined {
    const { stepTimes } = this.recording;
    const now = this.stepAt(at);
    return stepTimes[way === 'next' ? now + 1 : now - (stepTimes[now]! < at ? 0 : 1)];
  }

  /** When the line that runs at a moment begins to run the next time: once round. */
  roundFrom(at: number): number | undefined {
    const { stepTimes, stepLines } = this.recording;
    const now = this.stepAt(at);
    const place = stepLines.indexOf(stepLines[now] ?? 0, now + 1);
    return place < 0 ? undefined : stepTimes[place];
  }

  /** Variables that can be seen from the line that runs: those of its function first, then those of the whole program. */
  namesAt(at: number): readonly NameNow[] {
    const line = this.lineAt(at);
    const isInside = ({ within }: RecordedName): boolean =>
      within !== undefined && line !== undefined && line >= within[0] && line <= within[1];
    const { names } = this.recording;
    const inner = names.filter(isInside);
    const outer = names.filter(
      ({ within, name }) => within === undefined && !inner.some((own) => own.name === name),
    );
    return [...inner, ...outer].flatMap(({ name, values }) => {
      const value = values[lastPlace(values.length, (place) => values[place]!.at, at)];
      return value?.text === undefined ? [] : [{ name, text: value.text, since: value.at }];
    });
  }

  /**
   * What the condition in the line that runs comes to, and what that rests on, as a sentence: `level is 412, so
   * “level > 300” holds.` `undefined` for a line that asks nothing.
   */
  whyAt(at: number): string | undefined {
    const { recording } = this;
    const step = this.stepAt(at);
    const line = this.lineAt(at);
    if (line === undefined) return undefined;
    const end = recording.stepTimes[step + 1] ?? Number.POSITIVE_INFINITY;
    const sentences = recording.conditions.flatMap((condition) => {
      if (condition.span.line !== line) return [];
      const sentence = this.sentenceOf(condition, end);
      return sentence === undefined ? [] : [sentence];
    });
    return sentences.length === 0 ? undefined : sentences.join(' ');
  }

  private sentenceOf({ span, outcomes }: RecordedCondition, by: number): string | undefined {
    const outcome = outcomes[lastPlace(outcomes.length, (place) => outcomes[place]!.at, by)];
    if (!outcome) return undefined;
    const holds = `“${this.textOf(span)}” ${outcome.isSo ? 'holds' : 'doesn’t hold'}.`;
    const facts = [...new Set(outcome.comparisons.flatMap((one) => this.factsOf(one, span)))];
    if (facts.length === 0) return holds;
    return `${facts.join(' and ')}, so ${holds}`;
  }

  /** What the sides of a comparison are, but for numbers, which say it themselves. */
  private factsOf({ span, left, right }: RecordedComparison, condition: Span): readonly string[] {
    // What a definition has put in is written elsewhere.
    if (!isWithin(span, condition)) return [];
    const sides = sidesOf(this.textOf(span));
    if (!sides) return [];
    const says = (text: string, value: string): readonly string[] =>
      /^[-\d.'"]/.test(text) || text === value ? [] : [`${text} is ${value}`];
    return [...says(sides[0], left), ...says(sides[1], right)];
  }

  private textOf({ line, column, endLine, endColumn }: Span): string {
    const lines = this.sourceLines.slice(line - 1, endLine);
    const text = lines
      .map((one, index) =>
        one.slice(
          index === 0 ? column - 1 : 0,
          index === lines.length - 1 && endLine === line + lines.length - 1 ? endColumn - 1 : undefined,
        ),
      )
      .join(' ')
      .trim();
    return text.startsWith('(') && closes(text) ? text.slice(1, -1).trim() : text;
  }
}

const before = (one: Span, line: number, column: number): boolean =>
  one.line < line || (one.line === line && one.column <= column);

const isWithin = (inner: Span, outer: Span): boolean =>
  before(outer, inner.line, inner.column) &&
  (inner.endLine < outer.endLine || (inner.endLine === outer.endLine && inner.endColumn <= outer.endColumn));

/** Whether the parenthesis that a text begins with is closed at its end. */
function closes(text: string): boolean {
  let depth = 0;
  for (const [index, letter] of [...text].entries()) {
    if (letter === '(') depth += 1;
    if (letter === ')') depth -= 1;
    if (depth === 0) return index === text.length - 1;
  }
  return false;
}

/** The two sides of a comparison outside of all parentheses; `undefined` where there is none, or more than one. */
function sidesOf(text: string): readonly [string, string] | undefined {
  let depth = 0;
  const found: { readonly at: number; readonly length: number }[] = [];
  for (let at = 0; at < text.length; at += 1) {
    const letter = text[at]!;
    if ('([{'.includes(letter)) depth += 1;
    else if (')]}'.includes(letter)) depth -= 1;
    else if (depth === 0) {
      const [sign] = /^(?:==|!=|<=|>=|<(?!<)|>(?!>))/.exec(text.slice(at)) ?? [];
      if (sign !== undefined && !'<>'.includes(text[at - 1] ?? '')) {
        found.push({ at, length: sign.length });
        at += sign.length - 1;
      }
    }
  }
  const [only, more] = found;
  if (!only || more) return undefined;
  return [text.slice(0, only.at).trim(), text.slice(only.at + only.length).trim()];
}
