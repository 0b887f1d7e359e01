'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { toldInWords } from '@/core/words/told';
import { inWords, type WordChoice } from '@/core/words/words';

const Choice = createContext<WordChoice>('technical');

interface WordsProps {
  readonly choice: WordChoice;
  readonly children: ReactNode;
}

/** Everything inside speaks in the words of a course. */
export const Words = ({ choice, children }: WordsProps) => (
  <Choice.Provider value={choice}>{children}</Choice.Provider>
);

/** Says a sentence in the words of the course that it is for. */
export function useWords(): (sentence: string) => string {
  const choice = useContext(Choice);
  return useMemo(() => (sentence: string) => inWords(sentence, choice), [choice]);
}

/** Data of the core with its sentences in the words of the course. */
export function useTold<Data>(data: Data): Data {
  const choice = useContext(Choice);
  return useMemo(() => toldInWords(data, choice), [data, choice]);
}
