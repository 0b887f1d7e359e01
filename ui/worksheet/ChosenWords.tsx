import { ref } from '@/core/brand';
import { kindOf } from '@/core/parts';
import { findPart, shortNameOf, type Wiring } from '@/core/wiring/wiring';
import { useWords } from '../words/Words';
import type { Chosen } from './chosen';

interface ChosenWordsProps {
  readonly chosen: Chosen;
  readonly wiring: Wiring;
  readonly isHeld: boolean;
}

/** What is chosen on the drawing, and where it is. */
export function ChosenWords({ chosen, wiring, isHeld }: ChosenWordsProps) {
  const say = useWords();
  const part = findPart(wiring, ref(chosen.ref));
  if (!part) return null;
  const kind = kindOf(part.kind);
  const placed = part.legs.filter(({ at }) => at !== null);
  const leg = placed.find((candidate) => (candidate.leg as string) === chosen.leg);
  const title = kind.legs.find(({ name }) => (name as string) === chosen.leg)?.title;
  return (
    <>
      <strong className="mono">{part.ref}</strong> {say(kind.describe(part.value))}
      {leg?.at ? (
        <>
          , {title} in <span className="mono">{shortNameOf(leg.at)}</span>
        </>
      ) : (
        <>
          {' '}
          in <span className="mono">{placed.map(({ at }) => shortNameOf(at!)).join(' ')}</span>
        </>
      )}
      {isHeld && '. It stays there when the rest is laid out again'}.
    </>
  );
}
