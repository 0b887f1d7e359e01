import type { Metadata } from 'next';
import { cardsToPrint } from '@/core/course/concepts';
import { database } from '@/server/database/connection';
import { draftsOf } from '@/server/exercises/drafts';
import { courseCards } from '@/server/exercises/handout';
import { can } from '@/server/permissions';
import { CardsPage as CardsView } from '@/ui/course/CardsPage';
import { courseAskedFor } from '../../../asked-for';
import { View } from '../../../shell';
import { setCard } from '../actions';

interface Address {
  readonly params: Promise<{ courseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { course } = await courseAskedFor((await params).courseId);
  return { title: `${course.title}, cards` };
}

export default async function CardsPage({ params }: Address) {
  const { viewer, course, may } = await courseAskedFor((await params).courseId);
  const [drafts, cards] = await Promise.all([
    draftsOf(database(), course.id),
    courseCards(database(), course.id),
  ]);
  const printed = cardsToPrint(drafts.map(({ sheet }) => sheet));
  return (
    <View
      viewer={viewer}
      places={[
        { label: 'Today', href: '/' },
        { label: course.title, href: `/courses/${course.id}` },
        { label: 'Cards' },
      ]}
      title={`Cards, ${course.title}`}
    >
      <CardsView
        courseId={course.id}
        concepts={printed.flatMap((concepts, index) =>
          concepts.map((concept) => ({ concept, printedWith: drafts[index]!.sheet.title })),
        )}
        cards={cards}
        mayEdit={can(viewer.role, 'edit-course') && may !== 'look'}
        setCard={setCard}
      />
    </View>
  );
}
