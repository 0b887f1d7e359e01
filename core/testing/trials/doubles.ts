import { pick, randomFrom } from '../../random';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import type { Wiring } from '../../wiring/wiring';
import type { Fault } from '../../faults/fault';

/** Two slips in one build. */
export interface Double {
  readonly sort: 'two in the wiring' | 'one in the wiring and one in the program';
  readonly wiring: Wiring;
  readonly program: string;
  readonly slips: readonly [Fault, Fault];
}

/** Pairs of slips by chance, `count` of each sort at most; the same for the same slips. */
export function doublesOf(
  wirings: readonly Fault[],
  programs: readonly Fault[],
  count: number,
): readonly Double[] {
  const random = randomFrom(7);
  const draw = <Value>(make: () => Value | undefined): Value[] =>
    Array.from({ length: count }).flatMap(() => make() ?? []);
  return [
    ...draw((): Double | undefined => {
      const [one, other] = [pick(random, wirings), pick(random, wirings)];
      const wiring = withBoth(one, other);
      return wiring && { sort: 'two in the wiring', wiring, program: one.program, slips: [one, other] };
    }),
    ...draw((): Double | undefined => {
      if (programs.length === 0) return undefined;
      const [one, other] = [pick(random, wirings), pick(random, programs)];
      return {
        sort: 'one in the wiring and one in the program',
        wiring: one.wiring,
        program: other.program,
        slips: [one, other],
      };
    }),
  ];
}

/** A wiring with two slips in it, of parts that have nothing to do with each other. */
function withBoth(one: Fault, other: Fault): Wiring | undefined {
  if (one.refs.some((ref) => other.refs.includes(ref))) return undefined;
  const isOthers = (row: string): boolean => other.refs.some((ref) => row.startsWith(`${ref},`));
  const rowsOf = ({ wiring }: Fault): readonly string[] => writeTable(wiring).trimEnd().split('\n');
  const rows = [...rowsOf(one).filter((row) => !isOthers(row)), ...rowsOf(other).filter(isOthers)];
  const read = readWiring(`${rows.join('\n')}\n`);
  return read.ok ? read.value : undefined;
}
