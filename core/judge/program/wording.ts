import type { Language } from '../../program';

/** How things are said in a language, for remedies that name what to write. */
export interface Wording {
  /** What makes a pin an output. */
  readonly output: (pin: string) => string;
  /** What says so in words, for the second hint. */
  readonly outputLine: string;
  readonly pullUp: (pin: string) => string;
  readonly pause: string;
  readonly clock: string;
  /** What repeats by itself, and what to do about a loop that is one too many. */
  readonly repeats: string;
  /** Where what is to happen again and again belongs. */
  readonly again: string;
}

const wordings: Readonly<Record<Language, Wording>> = {
  cpp: {
    output: (pin) => `Add pinMode(${pin}, OUTPUT); to setup.`,
    outputLine: 'no pinMode line that has run says OUTPUT for it',
    pullUp: (pin) => `Write pinMode(${pin}, INPUT_PULLUP); in setup.`,
    pause: 'delay(…);',
    clock: 'millis()',
    repeats: 'or remove the loop: loop() repeats anyway',
    again: 'into loop()',
  },
  python: {
    output: (pin) =>
      `Say so where the object of pin ${pin} is made: its direction is digitalio.Direction.OUTPUT.`,
    outputLine: 'no line that has run gives it the direction OUTPUT',
    pullUp: (pin) => `Give the object of pin ${pin} its pull: digitalio.Pull.UP.`,
    pause: 'time.sleep(…)',
    clock: 'time.monotonic()',
    repeats: 'or leave it with break',
    again: 'into the loop that repeats, while True',
  },
};

export const wordingOf = (language: Language): Wording => wordings[language];
