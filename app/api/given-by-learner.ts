import type * as z from 'zod';
import { can, roleOf, type Action, type Viewer } from '@/server/permissions';
import { currentViewer } from '../access';
import { given, isForeign, refuse } from './bodies';

interface Asked<Schema extends z.ZodType> {
  readonly action: Action;
  /** What anybody else is told, as a sentence. */
  readonly onlyFor: string;
  /** Of the body, in bytes. */
  readonly largest: number;
  readonly schema: Schema;
}

/** Who sends something from a bench, and what; or the refusal to answer with. */
export async function givenByLearner<Schema extends z.ZodType>(
  request: Request,
  { action, onlyFor, largest, schema }: Asked<Schema>,
): Promise<
  | { readonly viewer: Viewer & { readonly role: 'student' }; readonly data: z.infer<Schema> }
  | { readonly refusal: Response }
> {
  if (isForeign(request)) return { refusal: refuse(403, 'This comes from another site.') };
  const viewer = await currentViewer();
  if (!viewer)
    return { refusal: refuse(401, 'You are signed out. Sign in again; your work is saved on this tablet.') };
  if (!can(roleOf(viewer), action) || viewer.role !== 'student') return { refusal: refuse(403, onlyFor) };
  const read = await given(request, largest, schema);
  return 'refusal' in read ? read : { viewer, data: read.data };
}

/** A route that keeps something of a learner's for one of their exercises. */
export const keptForExercise =
  <Schema extends z.ZodType>({
    schema,
    largest,
    keep,
    otherwise,
  }: {
    readonly schema: Schema;
    /** Of the body, in bytes. */
    readonly largest: number;
    /** Keeps it; false when the exercise is not theirs, or asks for nothing of the kind. */
    readonly keep: (viewer: Viewer, publicationId: string, data: z.infer<Schema>) => Promise<boolean>;
    /** What is said then, as a sentence. */
    readonly otherwise: string;
  }) =>
  async (
    request: Request,
    { params }: { readonly params: Promise<{ publicationId: string }> },
  ): Promise<Response> => {
    const sent = await givenByLearner(request, {
      action: 'keep-draft',
      onlyFor: 'Only learners have a bench.',
      largest,
      schema,
    });
    if ('refusal' in sent) return sent.refusal;
    const isKept = await keep(sent.viewer, (await params).publicationId, sent.data);
    return isKept ? new Response(null, { status: 204 }) : refuse(404, otherwise);
  };

/** Largest body with a wiring and a program, in bytes. */
export const LARGEST_BUILD = 600_000;
