import type { BoardProfile } from '@/core/boards';
import type { Stretch } from '@/core/formats/gaps';
import type { Language } from '@/core/program';

/** What an editor shows, and whom it tells of what is written. */
export interface ProgramEditorProps {
  readonly source: string;
  readonly language: Language;
  /** The board that it is for, whose words are offered. */
  readonly board: BoardProfile;
  readonly onChange: (source: string) => void;
  /** Lines that a finding is about, from 1. */
  readonly marked: readonly number[];
  /** Pieces that learners are to fill in, and what marking some text does to them; not where nobody chooses any. */
  readonly gaps?: {
    readonly places: readonly Stretch[];
    readonly onMark: (marked: Stretch) => void;
  };
  /** Whose program it is, for those who do not see it. */
  readonly label?: string;
}
