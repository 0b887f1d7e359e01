import type { Metadata } from 'next';
import Link from 'next/link';
import { NO_PROOF } from '@/core/worksheet/prove';
import { knownBoards } from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { classesOf, publicationsFor } from '@/server/exercises/publications';
import { can, type Viewer } from '@/server/permissions';
import { Button } from '@/ui/design/Button';
import { PublishButton } from '@/ui/worksheet/PublishButton';
import { Worksheet } from '@/ui/worksheet/Worksheet';
import { draftAskedFor } from '../../asked-for';
import { View } from '../../shell';
import { closeForClass, lacksOfDraft, proposeForDraft, proveDraft, publishToClass } from './actions';

interface Address {
  readonly params: Promise<{ exerciseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { draft } = await draftAskedFor((await params).exerciseId);
  return { title: `${draft.sheet.title}, worksheet` };
}

export default async function WorksheetPage({ params }: Address) {
  const { viewer, draft, may } = await draftAskedFor((await params).exerciseId);
  const [first, proof] = await Promise.all([
    guarded().ask('readOut', { sheet: draft.sheet, rules: draft.courseRules }),
    guarded().run('prove', { data: draft.sheet }),
  ]);
  if (!first.ok) throw new Error(first.problems[0]!.message);
  const boards = await knownBoards(database(), viewer);
  const publishing = await publishingOf(viewer, draft.id);
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: draft.courseTitle, href: `/courses/${draft.courseId}` },
        { label: 'Worksheet' },
      ]}
      title={draft.sheet.title}
      facts={`exercise ${draft.position}`}
      actions={publishing?.button}
    >
      <Worksheet
        key={draft.id}
        exerciseId={draft.id}
        first={draft.sheet}
        version={draft.version}
        firstReadOut={first.value}
        courseRules={draft.courseRules}
        boards={boards.map(({ profile }) => profile)}
        mayEdit={can(viewer.role, 'edit-exercise') && may !== 'look'}
        isPublished={publishing?.isPublished ?? false}
        firstProof={proof.ended ? proof.value : NO_PROOF}
        prove={proveDraft}
        propose={proposeForDraft}
      />
    </View>
  );
}

async function publishingOf(viewer: Viewer, exerciseId: string) {
  if (!can(viewer.role, 'publish-exercise')) return undefined;
  const [classes, publications] = await Promise.all([
    classesOf(database(), viewer),
    publicationsFor(database(), viewer),
  ]);
  const own = publications.filter((publication) => publication.exerciseId === exerciseId);
  const rows = classes.map(({ id, name }) => {
    const open = own.find((publication) => publication.classId === id && publication.isOpen);
    return { id, name, publicationId: open?.id, revision: open?.revision };
  });
  return {
    isPublished: own.length > 0,
    button: (
      <>
        <Button asChild>
          <Link href={`/exercises/${exerciseId}/preview`}>Try as a learner</Link>
        </Button>
        <PublishButton
          exerciseId={exerciseId}
          classes={rows}
          publish={publishToClass}
          close={closeForClass}
          lacks={lacksOfDraft}
        />
      </>
    ),
  };
}
