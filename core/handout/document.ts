import type { Drawing } from '../drawing/list';

/** For whom a handout is: who builds, who teaches, or all of them on a wall. */
export const handoutForms = ['student', 'instructor', 'projector'] as const;
export type HandoutForm = (typeof handoutForms)[number];

/** A picture, with what it shows in words. */
export interface Figure {
  readonly drawing: Drawing;
  readonly title: string;
  /** Parts that are new in it: all others are drawn faintly. */
  readonly emphasis?: readonly string[];
}

/** A line of a program, with what it does. */
export interface ProgramLine {
  readonly text: string;
  readonly says?: string;
}

/** One piece of a handout; it is never split over two pages, but for lists, tables and programs. */
export type Block =
  | { readonly type: 'text'; readonly text: string; readonly look?: 'lead' | 'note' }
  | { readonly type: 'caution'; readonly text: string }
  | { readonly type: 'list'; readonly items: readonly string[]; readonly marks: 'dots' | 'boxes' | 'numbers' }
  | {
      readonly type: 'table';
      readonly head: readonly string[];
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly type: 'figure'; readonly figure: Figure; readonly caption?: string }
  /** Two pictures beside each other, each with what it is. */
  | { readonly type: 'pair'; readonly pair: readonly [right: CaptionedFigure, wrong: CaptionedFigure] }
  | {
      readonly type: 'part';
      readonly figure?: Figure;
      readonly title: string;
      readonly lines: readonly string[];
    }
  | {
      readonly type: 'step';
      readonly number: number;
      readonly text: string;
      /** What to look at afterwards. */
      readonly checkpoint: string;
      readonly cautions: readonly string[];
      readonly figure: Figure;
    }
  | { readonly type: 'program'; readonly lines: readonly ProgramLine[] }
  /** Lines to write on. */
  | { readonly type: 'lines'; readonly count: number }
  /** Cards to be cut out, all of one size. */
  | { readonly type: 'cards'; readonly cards: readonly Card[]; readonly size: CardSize }
  /** A picture of the author's own, by the id under which its bytes are given. */
  | { readonly type: 'photo'; readonly id: string; readonly caption: string }
  /** A code that opens an address. */
  | { readonly type: 'address'; readonly address: string; readonly says: string };

/** How large a card is cut: four to a row for labels that stick, two for what is read. */
export type CardSize = 'label' | 'card';

export interface Card {
  readonly title: string;
  readonly lines: readonly string[];
  /** Something to write: so many lines. */
  readonly blanks?: number;
  readonly figure?: Figure;
}

export interface CaptionedFigure {
  readonly figure: Figure;
  readonly caption: string;
}

/** A picture as a file, with its size in points. */
export interface Photo {
  readonly type: 'image/png' | 'image/jpeg';
  readonly bytes: Uint8Array;
}

export interface Section {
  readonly title: string;
  readonly blocks: readonly Block[];
}

/** A handout as it is read, whatever it is put on. */
export interface Handout {
  readonly title: string;
  /** The course, the exercise's number and for whom it is. */
  readonly subtitle: string;
  readonly form: HandoutForm;
  /** Own pictures, by their ids. */
  readonly photos?: ReadonlyMap<string, Photo>;
  readonly sections: readonly Section[];
}
