import type { Metadata } from 'next';
import { givenProgram } from '@/core/generated/given';
import { taskOf, type Task } from '@/core/generated/task';
import { taskChanges } from '@/core/generated/task-changes';
import { database } from '@/server/database/connection';
import { otherPublications, type OtherPublication, type Publication } from '@/server/exercises/publications';
import { studentForm } from '@/server/exercises/student-form';
import { benchDraftOf, workedOn } from '@/server/submissions/bench-drafts';
import { calibrationsOf } from '@/server/submissions/calibrations';
import { linesOf } from '@/server/submissions/reports';
import { Bench } from '@/ui/bench/Bench';
import type { BenchProps } from '@/ui/bench/useBench';
import { publicationAskedFor } from '../../asked-for';
import { stateOf } from '@/server/live';
import { decisionsOn } from '@/server/submissions/decisions';
import { ownCall } from '@/server/room/help';
import { View } from '../../shell';
import { callForHelp, endCall } from './actions';
import { Live } from '@/ui/shell/Live';
import { Words } from '@/ui/words/Words';

interface Address {
  readonly params: Promise<{ publicationId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { publication } = await publicationAskedFor('see-bench', (await params).publicationId);
  return { title: `${publication.exercise.data.title}, bench` };
}

/** Milliseconds between two looks: a class of benches looks again all the while. */
const LOOK_AGAIN = 5000;

export default async function BenchPage({ params }: Address) {
  const { viewer, publication } = await publicationAskedFor('see-bench', (await params).publicationId);
  // Asked first: what comes meanwhile is looked for again.
  const live = await stateOf(database(), viewer);
  const { solution, words } = publication.rules;
  const form = studentForm(publication.exercise, solution);
  const others = await otherPublications(database(), publication.id, viewer.id);
  const earlier = others.map(({ id }) => id);
  const tries = await linesOf(database(), [publication.id, ...earlier], viewer.id);
  const lastTry = tries.findLast(({ publicationId }) => publicationId === publication.id);
  const remarks = lastTry ? await decisionsOn(database(), lastTry.id) : [];
  // Whoever has handed in to this one knows it.
  const isKnown = tries.some(({ publicationId }) => publicationId === publication.id);
  const last = isKnown ? undefined : await workedOn(database(), viewer.id, earlier);
  const before = others.find(({ id }) => id === last);
  const task = taskOf(publication.exercise, publication.rules, tries.length > 0);
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: publication.className }, { label: 'Bench' }]}
      title={form.title}
      facts={publication.isOpen ? form.aim : 'closed: nothing more can be handed in'}
    >
      <Live first={live} every={LOOK_AGAIN} />
      <Words choice={words}>
        <Bench
          learnerId={viewer.id}
          publicationId={publication.id}
          earlier={earlier}
          kept={await benchDraftOf(database(), viewer.id, publication.id, earlier)}
          exercise={form}
          task={task}
          calibrated={await calibrationsOf(database(), viewer.id, publication.id)}
          remarks={remarks}
          help={{ call: await ownCall(database(), viewer.id), callForHelp, endCall }}
          news={newsOf(before, task, publication)}
          given={givenProgram(publication.exercise, publication.rules)}
          way={publication.rules.screenOrBench}
          checkedBy={solution === 'shown' ? 'tablet' : 'server'}
        />
      </Words>
    </View>
  );
}

/** What has changed for a learner since the publication they worked on; nothing when they did on none. */
function newsOf(
  before: OtherPublication | undefined,
  task: Task,
  { rules, revision }: Publication,
): BenchProps['news'] {
  if (!before?.exercise) return undefined;
  return { revision, changes: taskChanges(taskOf(before.exercise, rules, false), task) };
}
