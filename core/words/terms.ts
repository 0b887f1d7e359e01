/** Which words a course uses: those of kits and data sheets, or the plainest there are. */
export type WordChoice = 'technical' | 'plain';

/** A part or an idea, in the words of kits and data sheets and in plain ones; both in the singular. */
interface Term {
  readonly technical: string;
  readonly plain: string;
  /** Where the plural is more than an `s`. */
  readonly plurals?: { readonly technical: string; readonly plain: string };
}

/**
 * Every word that has a plainer one, longest first where one holds another. Sentences are written in the words of
 * kits and data sheets; nothing else says `lamp` or `knob`.
 */
export const terms: readonly Term[] = [
  { technical: 'RGB LED', plain: 'three-colour lamp' },
  { technical: 'LED bar', plain: 'lamp bar' },
  {
    technical: 'LED matrix',
    plain: 'lamp panel',
    plurals: { technical: 'LED matrices', plain: 'lamp panels' },
  },
  { technical: 'LED', plain: 'lamp' },
  { technical: 'potentiometer', plain: 'knob' },
  { technical: 'push button', plain: 'button' },
  { technical: 'seven-segment display', plain: 'digit' },
  { technical: 'LCD', plain: 'text display' },
  {
    technical: 'centre gap',
    plain: 'gap in the middle',
    plurals: { technical: 'centre gaps', plain: 'gaps in the middle' },
  },
  { technical: 'delay', plain: 'pause' },
];
