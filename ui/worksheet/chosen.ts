import { legName, ref, type LegName, type Ref } from '@/core/brand';

/** A part, or one of its legs. */
export interface Chosen {
  readonly ref: string;
  readonly leg: string | null;
}

export const chosenLeg = ({ leg }: Chosen): LegName | null => (leg === null ? null : legName(leg));
export const chosenRef = (chosen: Chosen): Ref => ref(chosen.ref);
