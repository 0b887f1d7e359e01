import type { Metadata } from 'next';
import * as z from 'zod';
import { database } from '@/server/database/connection';
import { TRAIL_PAGE, trailOf } from '@/server/people/trail';
import { Trail } from '@/ui/people/Trail';
import { requireViewer } from '../access';
import { View } from '../shell';

export const metadata: Metadata = { title: 'Trail' };

const placeSchema = z.string().regex(/^\d{1,18}$/);

export default async function TrailPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly before?: unknown }>;
}) {
  const viewer = await requireViewer('see-trail');
  const before = placeSchema.safeParse((await searchParams).before).data;
  const lines = await trailOf(database(), before);
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Classes', href: '/classes' }, { label: 'Trail' }]}
      title="Who did what"
    >
      <Trail
        lines={lines}
        older={lines.length === TRAIL_PAGE ? `/trail?before=${lines.at(-1)!.id}` : undefined}
      />
    </View>
  );
}
