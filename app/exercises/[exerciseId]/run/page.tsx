import type { Metadata } from 'next';
import { can } from '@/server/permissions';
import { Button } from '@/ui/design/Button';
import { SheetRehearsal } from '@/ui/rehearsal/SheetRehearsal';
import { Link } from '@/ui/shell/Link';
import { draftAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ exerciseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { draft } = await draftAskedFor((await params).exerciseId);
  return { title: `${draft.sheet.title}, rehearsal` };
}

export default async function RehearsalPage({ params }: Address) {
  const { viewer, draft, may } = await draftAskedFor((await params).exerciseId);
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: draft.courseTitle, href: `/courses/${draft.courseId}` },
        { label: draft.sheet.title, href: `/exercises/${draft.id}` },
        { label: 'Rehearsal' },
      ]}
      title={`Rehearsal, ${draft.sheet.title}`}
      actions={
        <>
          <Button asChild>
            <Link href={`/exercises/${draft.id}/wall`}>On the wall</Link>
          </Button>
          <Button asChild>
            <Link href={`/exercises/${draft.id}`}>Worksheet</Link>
          </Button>
        </>
      }
    >
      <SheetRehearsal
        key={draft.id}
        exerciseId={draft.id}
        first={draft.sheet}
        version={draft.version}
        mayEdit={can(viewer.role, 'edit-exercise') && may !== 'look'}
      />
    </View>
  );
}
