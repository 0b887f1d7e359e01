import type { Metadata } from 'next';
import { NO_PROOF } from '@/core/worksheet/prove';
import { knownBoards } from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { classesOf } from '@/server/exercises/publications';
import { publicationsOf } from '@/server/exercises/publishing';
import { can, type Viewer } from '@/server/permissions';
import { learnersOf } from '@/server/submissions/reports';
import { Button } from '@/ui/design/Button';
import { PublishButton } from '@/ui/publish/PublishButton';
import { Link } from '@/ui/shell/Link';
import { Worksheet } from '@/ui/worksheet/Worksheet';
import { draftAskedFor } from '../../asked-for';
import { View } from '../../shell';
import {
  bringBackForClass,
  closeForClass,
  lacksOfDraft,
  proposeForDraft,
  proveDraft,
  publishToClass,
  setDatesForClass,
} from './actions';

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
      actions={
        <>
          <Button asChild>
            <Link href={`/exercises/${draft.id}/run`}>See it run</Link>
          </Button>
          <Button asChild>
            <Link href={`/exercises/${draft.id}/print`}>Handout</Link>
          </Button>
          {publishing?.button}
        </>
      }
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
    publicationsOf(database(), viewer, exerciseId),
  ]);
  const groups = classes.map(async ({ id, name }) => ({
    id,
    name,
    learners: await learnersOf(database(), id),
    publications: publications
      .filter(({ classId }) => classId === id)
      .map((publication) => ({
        ...publication,
        opensAt: publication.opensAt?.toISOString() ?? null,
        dueAt: publication.dueAt?.toISOString() ?? null,
        closesAt: publication.closesAt?.toISOString() ?? null,
      })),
  }));
  return {
    isPublished: publications.length > 0,
    button: (
      <>
        <Button asChild>
          <Link href={`/exercises/${exerciseId}/preview`}>Try as a learner</Link>
        </Button>
        <PublishButton exerciseId={exerciseId} classes={await Promise.all(groups)} actions={publishActions} />
      </>
    ),
  };
}

const publishActions = {
  publish: publishToClass,
  close: closeForClass,
  bringBack: bringBackForClass,
  setDates: setDatesForClass,
  lacks: lacksOfDraft,
};
