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
}

/** A store of what a Worksheet begins with; the same for as long as the component is there. */
export function useWorksheetStore(beginning: Beginning): WorksheetStore {
  const [store] = useState((): WorksheetStore => {
    const { getState, getInitialState, setState, subscribe } = createStore<WorksheetState>(() =>
      worksheetOf(beginning),
    );
    return {
      getState,
      getInitialState,
      subscribe,
      dispatch: (action) => setState((state) => worksheetAfter(state, action), true),
    };
  });
  return store;
}

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
