import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { recordCells } from '@/core/plan/class-record';
import { database } from '@/server/database/connection';
import { classTries } from '@/server/submissions/class-record';
import { decisionsOnLearner } from '@/server/submissions/decisions';
import { handedInAt } from '@/server/submissions/reports';
import { LearnerRecord } from '@/ui/record/LearnerRecord';
import { classAskedFor } from '../../../../asked-for';
import { View } from '../../../../shell';

interface Address {
  readonly params: Promise<{ classId: string; learnerId: string }>;
}

const learnerAskedFor = cache(async (classId: string, learnerId: string) => {
  const { viewer, details } = await classAskedFor('see-record', classId);
  const record = await classTries(database(), viewer, details.id);
  const learner = record?.learners.find(({ id }) => id === learnerId);
  if (!record || !learner) notFound();
  return { viewer, details, record, learner };
});

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { classId, learnerId } = await params;
  const { learner, details } = await learnerAskedFor(classId, learnerId);
  return { title: `${learner.name}, ${details.name}` };
}

export default async function LearnerRecordPage({ params }: Address) {
  const { classId, learnerId } = await params;
  const { viewer, details, record, learner } = await learnerAskedFor(classId, learnerId);
  const tries = record.tries.filter((one) => one.learnerId === learner.id);
  const cells = recordCells(tries).get(learner.id);
  const [times, remarks] = await Promise.all([
    handedInAt(database(), learner.id),
    decisionsOnLearner(database(), learner.id),
  ]);
  const exercises = record.exercises.flatMap((exercise) => {
    const cell = cells?.get(exercise.id);
    if (!cell) return [];
    return {
      ...exercise,
      isDone: cell.isDone,
      marks: cell.marks,
      minutes: cell.minutes,
      tries: tries.flatMap((one) =>
        one.exerciseId === exercise.id
          ? {
              submissionId: one.submissionId,
              at: times.get(one.submissionId)!.toISOString(),
              verdict: one.verdict,
              causes: [...new Set(one.causes.map(({ code }) => code))],
              hintsTaken: one.hintsTaken,
              remarks: remarks.filter(({ submissionId }) => submissionId === one.submissionId),
            }
          : [],
      ),
    };
  });
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: details.name, href: `/classes/${details.id}` },
        { label: 'Record', href: `/classes/${details.id}/record` },
        { label: 'Learner' },
      ]}
      title={learner.name}
      facts={[details.name, details.term].filter((text) => text !== '').join(', ')}
    >
      <LearnerRecord exercises={exercises} />
    </View>
  );
}
