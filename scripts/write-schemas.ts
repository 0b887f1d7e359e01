// Writes JSON Schemas of the open formats into docs/schemas.
import { mkdirSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { boardProfileSchema } from '@/core/boards/profile';
import { exerciseSchema } from '@/core/formats/exercise';
import { reportSchema } from '@/core/formats/report';
import { stimulusSchema } from '@/core/formats/scenario';

const schemas = {
  exercise: exerciseSchema,
  report: reportSchema,
  board: boardProfileSchema,
  stimuli: z.array(stimulusSchema),
};

mkdirSync('docs/schemas', { recursive: true });
for (const [name, schema] of Object.entries(schemas))
  writeFileSync(
    `docs/schemas/${name}.json`,
    `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`,
  );
