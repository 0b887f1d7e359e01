import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { Report } from '@/core/formats/report';
import { check } from '@/core/judge/check';
import { compileProgram } from '@/core/program';
import { rehearse } from '@/core/rehearsal/rehearse';
import { seenIntervals } from '@/core/rehearsal/seen';
import { worksheetFigures } from '@/core/plan/worksheet';
import { nodeGrammars } from '@/server/grammars';
import { database } from '@/server/database/connection';
import { classesOf, findDraft, publicationsFor } from '@/server/exercises/publications';
import { can, type Viewer } from '@/server/permissions';
import { PublishButton } from '@/ui/worksheet/PublishButton';
import { Worksheet, type LampTimeline } from '@/ui/worksheet/Worksheet';
import type { Exercise } from '@/core/formats/exercise';
import { requireViewer } from '../../access';
import { View } from '../../shell';
import { closeForClass, publishToClass } from './actions';

export const metadata: Metadata = { title: 'Worksheet' };

export default async function WorksheetPage({
  params,
}: {
  readonly params: Promise<{ exerciseId: string }>;
}) {
  const viewer = await requireViewer('see-worksheet');
  const draft = await findDraft(database(), (await params).exerciseId);
  if (!draft) notFound();
  const { data } = draft;
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: draft.courseTitle }, { label: 'Worksheet' }]}
      title={data.title}
      facts={`exercise ${draft.position}`}
      actions={await publishing(viewer, draft.id)}
    >
      <Worksheet
        data={data}
        figures={worksheetFigures(draft.exercise)}
        timelines={await timelines(draft.exercise)}
        proof={await proof(draft.exercise)}
      />
    </View>
  );
}

async function publishing(viewer: Viewer, exerciseId: string) {
  if (!can(viewer.role, 'publish-exercise')) return undefined;
  const [classes, publications] = await Promise.all([
    classesOf(database(), viewer),
    publicationsFor(database(), viewer),
  ]);
  const rows = classes.map(({ id, name }) => {
    const here = publications.filter(
      (publication) => publication.classId === id && publication.exerciseId === exerciseId,
    );
    const open = here.find((publication) => publication.isOpen);
    return { id, name, publicationId: open?.id, revision: open?.revision };
  });
  return (
    <PublishButton exerciseId={exerciseId} classes={rows} publish={publishToClass} close={closeForClass} />
  );
}

/** What a watcher sees of the reference in each scenario. */
async function timelines({ board, data, reference }: Exercise): Promise<readonly LampTimeline[]> {
  const program = compileProgram(data.program, board, await nodeGrammars());
  const { compiled } = program;
  if (!compiled) return [];
  return data.scenarios.flatMap((scenario) => {
    const trace = rehearse(compiled, reference, board, { seconds: scenario.for });
    return [...trace.lamps].map(([ref, changes]) => ({
      scenario: scenario.name,
      ref,
      seconds: scenario.for,
      intervals: seenIntervals(changes, scenario.for),
    }));
  });
}

/** The check of the reference itself. */
async function proof(exercise: Exercise): Promise<Pick<Report, 'verdict' | 'scenarios'>> {
  const grammars = await nodeGrammars();
  const program = compileProgram(exercise.data.program, exercise.board, grammars);
  return check(exercise, { wiring: exercise.reference, program }, grammars);
}
