/** How far somebody who does not own a thing may go with it. */
export type Granted = 'look' | 'edit';

/** With whom something is shared, for its owner. */
export interface SharingState {
  /** Who may look at it without having been named. */
  readonly visibleTo: 'all' | 'shared';
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: 'owner' | 'instructor' | 'assistant';
    readonly may: Granted | null;
  }[];
}

/** A change of how something is shared: who may look, or what one person may do. */
export type SharingChange =
  | { readonly visibleTo: SharingState['visibleTo'] }
  | { readonly staffId: string; readonly may: Granted | null };
