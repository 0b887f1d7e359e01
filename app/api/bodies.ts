import type * as z from 'zod';

/** An answer that says why something was not done. */
export const refuse = (status: number, message: string): Response => Response.json({ message }, { status });

/** Whether a request that changes something comes from a page of another site. */
export function isForeign(request: Request): boolean {
  const origin = request.headers.get('origin');
  return origin !== null && !isOfHost(origin, request.headers.get('host'));
}

/** Whether an origin is a host's own; what is no address is nobody's. */
const isOfHost = (origin: string, host: string | null): boolean =>
  URL.canParse(origin) && new URL(origin).host === host;

/** The body as text; `undefined` when it is longer than allowed, whatever its header claims. */
export const readBody = async (request: Request, largest: number): Promise<string | undefined> =>
  (await readBytes(request, largest))?.toString('utf8');

/** The body as it is; `undefined` when it is longer than allowed, whatever its header claims. */
export async function readBytes(request: Request, largest: number): Promise<Buffer | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > largest) return undefined;
  const reader = request.body?.getReader();
  if (!reader) return Buffer.alloc(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > largest) {
      await reader.cancel();
      return undefined;
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}

/** A text parsed as JSON; `undefined` when it is none. */
export function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The body as JSON of a schema's form, or the refusal to answer with. */
export async function given<Schema extends z.ZodType>(
  request: Request,
  largest: number,
  schema: Schema,
): Promise<{ readonly data: z.infer<Schema> } | { readonly refusal: Response }> {
  const body = await readBody(request, largest);
  if (body === undefined) return { refusal: refuse(413, 'This is too big to send at once.') };
  const data = parsed(body);
  if (data === undefined) return { refusal: refuse(400, 'What was sent can’t be read.') };
  const read = schema.safeParse(data);
  if (read.success) return { data: read.data };
  const [issue] = read.error.issues;
  return {
    refusal: refuse(
      422,
      `What was sent can’t be read: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`,
    ),
  };
}
