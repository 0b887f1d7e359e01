import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { givenProgram } from '@/core/generated/given';
import { taskOf } from '@/core/generated/task';
import { database } from '@/server/database/connection';
import { earlierPublications, findPublication } from '@/server/exercises/publications';
import { studentForm } from '@/server/exercises/student-form';
import { benchDraftOf } from '@/server/submissions/bench-drafts';
import { linesOf } from '@/server/submissions/reports';
import { Bench } from '@/ui/bench/Bench';
import { requireViewer } from '../../access';
import { View } from '../../shell';
import { Words } from '@/ui/words/Words';

export const metadata: Metadata = { title: 'Bench' };

export default async function BenchPage({ params }: { readonly params: Promise<{ publicationId: string }> }) {
  const viewer = await requireViewer('see-bench');
  const publication = await findPublication(database(), viewer, (await params).publicationId);
  if (!publication) notFound();
  const { solution, words } = publication.rules;
  const form = studentForm(publication.exercise, solution);
  const earlier = await earlierPublications(database(), publication.id);
  const tries = await linesOf(database(), [publication.id, ...earlier], viewer.id);
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: publication.className }, { label: 'Bench' }]}
      title={form.title}
      facts={publication.isOpen ? form.aim : 'closed: nothing more can be handed in'}
    >
      <Words choice={words}>
        <Bench
          learnerId={viewer.id}
          publicationId={publication.id}
          earlier={earlier}
          kept={await benchDraftOf(database(), viewer.id, [publication.id, ...earlier])}
          exercise={form}
          task={taskOf(publication.exercise, publication.rules, tries.length > 0)}
          given={givenProgram(publication.exercise, publication.rules)}
          way={publication.rules.screenOrBench}
          checkedBy={solution === 'shown' ? 'tablet' : 'server'}
        />
      </Words>
    </View>
  );
}
