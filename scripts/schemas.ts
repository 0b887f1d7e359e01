import { z } from 'zod';
import { boardProfileSchema } from '@/core/boards/profile';
import { exerciseSchema } from '@/core/formats/exercise';
import { reportSchema } from '@/core/formats/report';
import { stimulusSchema } from '@/core/stimuli';

const schemas = {
  exercise: exerciseSchema,
  report: reportSchema,
  board: boardProfileSchema,
  stimuli: z.array(stimulusSchema),
};

/** The JSON Schemas of the open formats, as text by file name. */
export const schemaFiles: ReadonlyMap<string, string> = new Map(
  Object.entries(schemas).map(([name, schema]) => [
    `${name}.json`,
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input', reused: 'ref' }), null, 2)}\n`,
  ]),
);
