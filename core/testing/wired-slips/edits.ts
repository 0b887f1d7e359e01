type Row = string[];

/** Columns of a wiring table: part, kind, value, leg, place. */
const [REF, VALUE, LEG, AT] = [0, 2, 3, 4] as const;

/** Ways to spell an edit of a wiring table, and what each does to its rows. */
const edits: readonly (readonly [
  RegExp,
  (rows: readonly Row[], words: readonly string[]) => readonly Row[],
])[] = [
  // `-W2`: left out.
  [/^-(\w+)$/, (rows, [ref]) => rows.filter((row) => row[REF] !== ref)],
  // `+W20:black:B1.a1:B1.a2`: a wire put in.
  [
    /^\+(\w+):(\w+):([^:]+):([^:]+)$/,
    (rows, [ref, colour, from, to]) => [
      ...rows,
      [ref!, 'wire', colour!, '1', from!],
      [ref!, 'wire', colour!, '2', to!],
    ],
  ],
  // `D1<>anode,cathode`: two legs exchanged.
  [
    /^(\w+)<>(\w+),(\w+)$/,
    (rows, [ref, one, other]) => {
      const at = (leg: string): string => found(rows, ref!, leg)[AT]!;
      const places = new Map([
        [one!, at(other!)],
        [other!, at(one!)],
      ]);
      return rows.map((row) => (row[REF] === ref ? row.with(AT, places.get(row[LEG]!) ?? row[AT]!) : row));
    },
  ],
  // `R2:330k`: another value.
  [
    /^(\w+):(\S+)$/,
    (rows, [ref, value]) => rows.map((row) => (row[REF] === ref ? row.with(VALUE, value!) : row)),
  ],
  // `W5.1=B1.b5`: an end somewhere else.
  [
    /^(\w+)\.(\w+)=(\S*)$/,
    (rows, [ref, leg, at]) => {
      const own = found(rows, ref!, leg!);
      return rows.map((row) => (row === own ? row.with(AT, at!) : row));
    },
  ],
];

function found(rows: readonly Row[], ref: string, leg: string): Row {
  const row = rows.find((one) => one[REF] === ref && one[LEG] === leg);
  if (!row) throw new Error(`${ref}.${leg} is not in the table`);
  return row;
}

/** A wiring table with edits made in it, such as `W5.1=B1.b5 -W2`; throws where one cannot be made. */
export const wiredSlip =
  (slip: string) =>
  (table: string): string => {
    let rows: readonly Row[] = table
      .trim()
      .split('\n')
      .map((row) => row.split(','));
    for (const edit of slip.split(' ')) {
      const known = edits.find(([spelling]) => spelling.test(edit));
      if (!known) throw new Error(`“${edit}” is no edit`);
      const [spelling, make] = known;
      rows = make(rows, spelling.exec(edit)!.slice(1));
    }
    return `${rows.map((row) => row.join(',')).join('\n')}\n`;
  };
