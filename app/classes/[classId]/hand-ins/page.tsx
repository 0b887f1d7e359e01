import type { Metadata } from 'next';
import { database } from '@/server/database/connection';
import { publicationsFor } from '@/server/exercises/publications';
import { largestUpload } from '@/server/settings';
import { learnersOf, linesOf } from '@/server/submissions/reports';
import { termsOf } from '@/server/submissions/terms';
import { BringIn } from '@/ui/outside/BringIn';
import { classAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ classId: string }>;
  readonly searchParams: Promise<{ readonly to?: string | string[] }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { details } = await classAskedFor('review-class', (await params).classId);
  return { title: `Bring in hand-ins, ${details.name}` };
}

export default async function HandInsPage({ params, searchParams }: Address) {
  const { viewer, details } = await classAskedFor('review-class', (await params).classId);
  const [{ to }, learners, all] = await Promise.all([
    searchParams,
    learnersOf(database(), details.id),
    publicationsFor(database(), viewer),
  ]);
  const publications = all.filter(({ classId, isComing }) => classId === details.id && !isComing);
  const ids = publications.map(({ id }) => id);
  const [lines, terms] = await Promise.all([linesOf(database(), ids), termsOf(database(), ids)]);
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: 'Classes', href: '/classes' },
        { label: details.name, href: `/classes/${details.id}` },
        { label: 'Bring in hand-ins' },
      ]}
      title="Bring in hand-ins"
      facts={details.name}
    >
      <BringIn
        classId={details.id}
        learners={learners}
        exercises={publications.map(({ id, title, isOpen }) => ({
          id,
          name: title,
          isOpen,
          dueAt: terms(id).dueAt?.getTime() ?? null,
        }))}
        tries={lines.map(({ learnerId, publicationId, attempt, handedInAt }) => ({
          learnerId,
          publicationId,
          attempt,
          at: handedInAt.getTime(),
        }))}
        usual={ids.find((id) => id === to)}
        largestArchive={largestUpload()}
      />
    </View>
  );
}
