import type { Metadata } from 'next';
import { database } from '@/server/database/connection';
import { handoutContext } from '@/server/exercises/handout';
import { HandoutView } from '@/ui/handout/HandoutView';
import { draftAskedFor } from '../../../asked-for';
import { ownAddress } from '../../../own-address';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ exerciseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { draft } = await draftAskedFor((await params).exerciseId);
  return { title: `${draft.sheet.title}, handout` };
}

export default async function HandoutPage({ params }: Address) {
  const { viewer, draft } = await draftAskedFor((await params).exerciseId);
  const context = await handoutContext(database(), viewer, draft, await ownAddress());
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: draft.courseTitle, href: `/courses/${draft.courseId}` },
        { label: draft.sheet.title, href: `/exercises/${draft.id}` },
        { label: 'Handout' },
      ]}
      title={`Handout, ${draft.sheet.title}`}
    >
      <HandoutView
        key={draft.id}
        exerciseId={draft.id}
        first={draft.sheet}
        version={draft.version}
        courseRules={draft.courseRules}
        {...context}
      />
    </View>
  );
}
