import type { FaultOutcome, RehearsedFault } from '@/core/faults/outcome';
import { rowOf } from '@/core/findings/table';
import { FaultMark } from './FaultBar';

/** Slips that came out in these ways. */
export const thatCameOut = (
  faults: readonly RehearsedFault[],
  ...outcomes: readonly FaultOutcome[]
): readonly RehearsedFault[] => faults.filter(({ outcome }) => outcomes.includes(outcome));

/** The slips by something of them, in the order in which it appears. */
export const grouped = <Key,>(
  faults: readonly RehearsedFault[],
  keyOf: (fault: RehearsedFault) => Key,
): readonly (readonly [Key, readonly RehearsedFault[]])[] =>
  [...new Set(faults.map(keyOf))].map((key) => [key, faults.filter((fault) => keyOf(fault) === key)]);

interface SlipNameProps {
  readonly fault: RehearsedFault;
  /** Whether its kind stands above it already. */
  readonly isOfItsKind?: boolean;
}

export function SlipName({ fault: { sort, what, outcome }, isOfItsKind = false }: SlipNameProps) {
  return (
    <p className="flex items-baseline gap-2">
      <FaultMark outcome={outcome} />
      <span>
        {!isOfItsKind && `${sort}: `}
        <span className="mono">{what.replace(ON_THE_ONLY_ONE, '')}</span>
      </span>
    </p>
  );
}

/** Before a hole or a pin, the breadboard or the board: there is one of each on most benches. */
const ON_THE_ONLY_ONE = /\b[BU]1\./g;

/** What the learner reads first, and the repair. */
export function Told({ fault: { told } }: { readonly fault: RehearsedFault }) {
  if (!told) return null;
  return (
    <p className="pl-6 text-note">
      <strong>{rowOf(told.code).title}.</strong> {told.message} {told.repair}
    </p>
  );
}
