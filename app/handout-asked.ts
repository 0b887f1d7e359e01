import * as z from 'zod';
import { handoutForms } from '@/core/handout/document';
import { papers } from '@/core/handout/papers';

const askedSchema = z.object({
  form: z.enum(handoutForms).catch('student'),
  paper: z.enum(papers).catch('A4'),
  columns: z
    .enum(['1', '2'])
    .catch('1')
    .transform((text): 1 | 2 => (text === '2' ? 2 : 1)),
  extras: z
    .string()
    .catch('')
    .transform((text) => (['tour', 'bands'] as const).filter((extra) => text.split(' ').includes(extra))),
});

/** How a handout is asked for by an address; what is not said is as usual. */
export const handoutAsked = (request: Request): z.infer<typeof askedSchema> =>
  askedSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
