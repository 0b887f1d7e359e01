import type { Knex } from 'knex';
import { exerciseFrom, type Exercise } from '@/core/formats/exercise';
import { buildFor } from '@/core/judge/build';
import { check } from '@/core/judge/check';
import { Circuit } from '@/core/wiring/circuit';
import { readWiring } from '@/core/wiring/read';
import { shapeOf } from '@/core/wiring/shape';
import { writeTable } from '@/core/wiring/table';
import { nodeGrammars } from '@/grammars/node';
import { record } from '../submissions/hand-in';
import { judgingKey, keepReport } from '../submissions/judging';

/** A hand-in of the demo world. */
interface DemoHandIn {
  readonly learnerId: string;
  /** What it is known by, different for every one of a learner’s. */
  readonly name: string;
  readonly wiring: string;
  readonly program: string;
  readonly hintsTaken: number;
  /** Of work at the bench up to it. */
  readonly workedSeconds: number;
  readonly at: Date;
}

/** Where the demo world hands in to one publication; what is handed in twice is judged once. */
export interface DemoDesk {
  readonly exercise: Exercise;
  /** Hands something in and judges it; its id. */
  readonly handIn: (handIn: DemoHandIn) => Promise<string>;
}

/** The desk of a publication. */
export async function openDesk(db: Knex, publicationId: string): Promise<DemoDesk> {
  const row = await db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('publication.id', publicationId)
    .first<{ content: unknown; revision_id: string }>('content', 'revision_id');
  const read = exerciseFrom(row.content);
  if (!read.ok) throw new Error('the published exercise cannot be read');
  const exercise = read.value;
  const grammars = await nodeGrammars();
  const judged = new Set<string>();
  return {
    exercise,
    handIn: async ({ learnerId, name, wiring, program, hintsTaken, workedSeconds, at }) => {
      const built = readWiring(wiring);
      if (!built.ok) throw new Error(`${name}: ${built.problems[0]?.message ?? ''}`);
      const table = writeTable(built.value);
      const key = judgingKey({ revisionId: row.revision_id, wiring: table, program, sighting: undefined });
      if (!judged.has(key)) {
        judged.add(key);
        const report = check(exercise, buildFor(exercise, built.value, program, grammars), grammars);
        await keepReport(db, key, report, { shape: shapeOf(new Circuit(built.value)), at });
      }
      const clientId = `demo-${name}`;
      const id = await record(db, learnerId, { clientId, publicationId, wiring, program, hintsTaken }, key, {
        at,
        workedSeconds,
      });
      if (id === undefined) throw new Error(`${name} was handed in already`);
      return id;
    },
  };
}
