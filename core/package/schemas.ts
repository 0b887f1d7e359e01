import * as z from 'zod';
import { boardProfileSchema } from '../boards';
import { stimulusSchema } from '../stimuli';
import { exerciseSchema } from '../formats/exercise';
import { reportSchema } from '../formats/report';
import { manifestSchema } from './course-package';

const schemas = {
  exercise: exerciseSchema,
  course: manifestSchema,
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
