import { effort } from '../../effort';
import { Stop } from '../stop';

/** Letters of all different texts that one run may make. */
const MOST_LETTERS = 1_500_000;

/**
 * The texts of a run, each under a number. Equal texts have the same number, so that memory which holds
 * numbers shows whether a text has changed. The empty text is 0.
 */
export class TextPool {
  private readonly texts: string[] = [''];
  private readonly numbers = new Map<string, number>([['', 0]]);
  private letters = 0;

  /** Throws a `Stop` when more texts are made than any person's program makes. */
  numberOf(text: string): number {
    effort(600 + 60 * text.length);
    const known = this.numbers.get(text);
    if (known !== undefined) return known;
    this.letters += text.length;
    if (this.letters > MOST_LETTERS) throw Stop.for('memory');
    this.numbers.set(text, this.texts.length);
    this.texts.push(text);
    return this.texts.length - 1;
  }

  /** The text under a number; the empty one for a number that stands for none. */
  at(number: number): string {
    return this.texts[number] ?? '';
  }
}
