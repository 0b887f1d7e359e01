interface ProgramListingProps {
  readonly source: string;
  /** Lines to mark, counted from 1. */
  readonly marked?: readonly number[];
  /** Lines that mean something else than those of the program beside it. */
  readonly differing?: readonly number[];
  /** Whose program it is, for those who do not see it. */
  readonly label: string;
}

/** A program with its line numbers in the margin; a marked line has a notch there. */
export function ProgramListing({ source, marked = [], differing = [], label }: ProgramListingProps) {
  const lines = source.replace(/\n$/, '').split('\n');
  return (
    <pre
      tabIndex={0}
      role="region"
      aria-label={label}
      className="mono max-w-full overflow-x-auto text-note leading-[1.35rem]"
    >
      {lines.map((line, index) => {
        const isMarked = marked.includes(index + 1);
        const differs = differing.includes(index + 1);
        return (
          <div key={index} className={`flex ${isMarked ? 'bg-fault-wash' : differs ? 'bg-wash' : ''}`}>
            <span
              className={`w-9 shrink-0 pr-3 text-right select-none ${isMarked ? 'font-bold text-fault' : differs ? 'font-bold text-ink' : 'text-soft'}`}
            >
              {isMarked ? '▸ ' : differs ? '≠ ' : ''}
              {index + 1}
            </span>
            <code>{line || ' '}</code>
          </div>
        );
      })}
    </pre>
  );
}
