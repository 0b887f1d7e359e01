import type { Metadata } from 'next';
import { recordCells, teachAgain, timesTaken, troubleByWeek } from '@/core/plan/class-record';
import { tookLonger } from '@/core/meeting/running';
import { takenInClass } from '@/server/lessons/meetings';
import { database } from '@/server/database/connection';
import { stateOf } from '@/server/live';
import { classTries } from '@/server/submissions/class-record';
import { ClassRecord } from '@/ui/record/ClassRecord';
import { Live } from '@/ui/shell/Live';
import { notFound } from 'next/navigation';
import { classAskedFor } from '../../../asked-for';
import { View } from '../../../shell';

interface Address {
  readonly params: Promise<{ classId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { details } = await classAskedFor('see-record', (await params).classId);
  return { title: `${details.name}, record` };
}

export default async function RecordPage({ params }: Address) {
  const { viewer, details } = await classAskedFor('see-record', (await params).classId);
  const live = await stateOf(database(), viewer);
  const record = await classTries(database(), viewer, details.id);
  if (!record) notFound();
  const { learners, exercises, tries, past } = record;
  const byLearner = recordCells(tries);
  const cells = Object.fromEntries([...byLearner].map(([id, own]) => [id, Object.fromEntries(own)] as const));
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: 'Classes', href: '/classes' },
        { label: details.name, href: `/classes/${details.id}` },
        { label: 'Record' },
      ]}
      title={`Record, ${details.name}`}
      facts={`${tries.length} hand-ins of ${learners.length} learners`}
    >
      <Live first={live} />
      <ClassRecord
        classId={details.id}
        learners={learners}
        exercises={exercises}
        cells={cells}
        trouble={troubleByWeek(tries, past)}
        again={teachAgain(tries)}
        times={timesTaken(exercises, byLearner)}
        longer={tookLonger(await takenInClass(database(), details.id))}
      />
    </View>
  );
}
