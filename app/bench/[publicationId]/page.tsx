import type { Metadata } from 'next';
import { givenProgram } from '@/core/generated/given';
import { taskOf } from '@/core/generated/task';
import { database } from '@/server/database/connection';
import { earlierPublications } from '@/server/exercises/publications';
import { studentForm } from '@/server/exercises/student-form';
import { benchDraftOf } from '@/server/submissions/bench-drafts';
import { linesOf } from '@/server/submissions/reports';
import { Bench } from '@/ui/bench/Bench';
import { publicationAskedFor } from '../../asked-for';
import { View } from '../../shell';
import { Words } from '@/ui/words/Words';

interface Address {
  readonly params: Promise<{ publicationId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { publication } = await publicationAskedFor('see-bench', (await params).publicationId);
  return { title: `${publication.exercise.data.title}, bench` };
}

export default async function BenchPage({ params }: Address) {
  const { viewer, publication } = await publicationAskedFor('see-bench', (await params).publicationId);
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
