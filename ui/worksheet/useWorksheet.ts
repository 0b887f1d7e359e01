'use client';

import { createContext, use, useState } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import {
  worksheetAfter,
  worksheetOf,
  type Beginning,
  type WorksheetAction,
  type WorksheetState,
} from './worksheet-state';

/** A Worksheet that is open: views read from it, and tell it what is done. */
export interface WorksheetStore extends Pick<
  StoreApi<WorksheetState>,
  'getState' | 'getInitialState' | 'subscribe'
> {
  readonly dispatch: (action: WorksheetAction) => void;
  /**
   * Has whoever works things out told of each state before any view hears of it; what they answer happens in the same
   * step, so that nothing is shown, or worked out, twice. `undefined` ends it.
   */
  readonly answerBy: (answer: Answering | undefined) => void;
}

/** What follows at once from a state; `undefined` when nothing does. */
type Answering = (state: WorksheetState) => WorksheetAction | undefined;

export function createWorksheet(beginning: Beginning): WorksheetStore {
  const { getState, getInitialState, setState, subscribe } = createStore<WorksheetState>(() =>
    worksheetOf(beginning),
  );
  let answering: Answering | undefined;
  return {
    getState,
    getInitialState,
    subscribe,
    dispatch: (action) => {
      const state = worksheetAfter(getState(), action);
      const answer = answering?.(state);
      setState(answer ? worksheetAfter(state, answer) : state, true);
    },
    answerBy: (answer) => (answering = answer),
  };
}

/** A Worksheet of what it begins with; the same for as long as the component is there. */
export const useWorksheetStore = (beginning: Beginning): WorksheetStore =>
  useState(() => createWorksheet(beginning))[0];

export const WorksheetContext = createContext<WorksheetStore | undefined>(undefined);

/** The Worksheet that a view belongs to. */
export function useWorksheetAround(): WorksheetStore {
  const store = use(WorksheetContext);
  if (!store) throw new Error('there is no Worksheet around this');
  return store;
}

/** What a view shows of the Worksheet; it is drawn again when that changes, and only then. */
export const useWorksheet = <Shown>(read: (state: WorksheetState) => Shown): Shown =>
  useStore(useWorksheetAround(), read);

export const useDispatch = (): WorksheetStore['dispatch'] => useWorksheetAround().dispatch;
