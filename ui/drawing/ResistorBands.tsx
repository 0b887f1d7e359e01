import { fourBands } from '@/core/electrics/values/bands';
import { bandColours } from '@/core/drawing/colours';

/** A resistor as it looks in the hand, with the words for its bands. */
export function ResistorBands({ ohms }: { readonly ohms: number }) {
  const bands = fourBands(ohms);
  return (
    <span className="ml-2 inline-flex items-baseline gap-2">
      <svg width="44" height="14" viewBox="0 0 44 14" className="self-center" aria-hidden="true">
        <path d="M0 7h44" stroke="var(--leg)" strokeWidth="2" />
        <rect x="5" y="1" width="34" height="12" rx="3" fill="var(--body)" stroke="var(--ink)" />
        {bands.map((band, index) => (
          <rect
            key={index}
            x={[9, 15, 21, 32][index]}
            y="1.6"
            width="3.6"
            height="10.8"
            fill={bandColours[band]}
          />
        ))}
      </svg>
      <span className="text-note text-soft">{bands.slice(0, 3).join(', ')}</span>
    </span>
  );
}
