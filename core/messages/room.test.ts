import { expect, test } from 'vitest';
import { forTheWall, roomSchema } from './room';

test('a wall is told neither who sits where nor what is wrong there', () => {
  const benches = [
    {
      learnerId: 'c6a1',
      name: 'Anna',
      exercise: 'Beacon',
      submissionId: 'f00d',
      call: { id: 'ca11', takenBy: 'Teun' },
      state: 'help' as const,
      forSeconds: 20,
      lookAt: 'W1 is one row off.',
      board: 'board: find its port',
    },
  ];
  const told = roomSchema.parse(forTheWall(benches));
  for (const secret of ['c6a1', 'Anna', 'f00d', 'ca11', 'Teun', 'W1', 'port'])
    expect(JSON.stringify(told)).not.toContain(secret);
  expect(told).toMatchObject([{ name: '1', state: 'help', forSeconds: 20 }]);
});
