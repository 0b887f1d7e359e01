import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Knex } from 'knex';
import { decisionSchema, type DecisionWish } from '@/core/messages/decision';
import { exportLearner } from '../people/export';
import { erase } from '../people/erase';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { acceptCircuit, acceptedCircuits, decide, decisionsOf, decisionsOn, knownRemarks } from './decisions';
import { handIn } from './hand-in';
import { linesOf } from './reports';

let harbour: Harbour;
let db: Knex;
beforeEach(async () => {
  harbour = await buildHarbour();
  ({ db } = harbour);
});
afterEach(() => harbour.drop());

/** A hand-in of Anna's, judged; its id. */
async function handedIn(more: Parameters<Harbour['handedIn']>[0] = {}): Promise<string> {
  const kept = await handIn(db, harbour.guarded, harbour.learner, harbour.handedIn(more));
  await harbour.judgeAll();
  return (kept as { submissionId: string }).submissionId;
}

const wish = (id: string, more: Partial<DecisionWish> = {}, after: string | null = null): DecisionWish => ({
  handIns: [{ id, after }],
  outcome: 'returned',
  remark: 'Turn it round.',
  marks: null,
  reason: '',
  ...more,
});

describe('a decision', () => {
  test('is kept with who made it, and its remark is known from then on', async () => {
    const id = await handedIn();
    expect(await decide(db, harbour.teacher, wish(id))).toEqual({ decided: 1, overtaken: [] });
    expect(await decisionsOn(db, id)).toMatchObject([
      { submissionId: id, by: 'ina', outcome: 'returned', remark: 'Turn it round.', marks: null },
    ]);
    expect(await knownRemarks(db)).toEqual([{ text: 'Turn it round.', times: 1 }]);
    expect(await decisionsOf(db, [harbour.publicationId], harbour.stranger.id)).toEqual([]);
  });

  test('on which somebody has decided meanwhile is not made, and theirs comes back', async () => {
    const id = await handedIn();
    await decide(db, harbour.teacher, wish(id));
    const late = await decide(db, harbour.teacher, wish(id, { remark: 'Mine.' }));
    expect(late).toMatchObject({ decided: 0, overtaken: [{ remark: 'Turn it round.' }] });
    const again = await decide(db, harbour.teacher, wish(id, { remark: 'Mine.' }, late.overtaken[0]!.id));
    expect(again.decided).toBe(1);
    expect((await decisionsOn(db, id)).map(({ remark }) => remark)).toEqual(['Turn it round.', 'Mine.']);
  });

  test('of two at once is one after the other, and nobody’s is lost', async () => {
    const id = await handedIn();
    const both = await Promise.all(
      ['One.', 'Two.'].map((remark) => decide(db, harbour.teacher, wish(id, { remark }))),
    );
    expect(both.map(({ decided }) => decided).sort()).toEqual([0, 1]);
    const told = both.find(({ decided }) => decided === 0)!;
    expect(told.overtaken).toHaveLength(1);
    expect(await decisionsOn(db, id)).toHaveLength(1);
  });

  test('is for those who teach the class, and for no learner', async () => {
    const id = await handedIn();
    for (const viewer of [harbour.otherTeacher, harbour.learner])
      expect((await decide(db, viewer, wish(id))).decided).toBe(0);
    expect(await decisionsOn(db, id)).toEqual([]);
  });

  test('cannot be changed, goes into the file of a person, and goes with them', async () => {
    const id = await handedIn();
    await decide(db, harbour.teacher, wish(id));
    await expect(db('decision').update({ remark: 'x' })).rejects.toThrow('append-only');
    expect(await exportLearner(db, harbour.learner.id, 'test')).toMatchObject({
      decisions: [{ attempt: 1, outcome: 'returned', remark: 'Turn it round.' }],
    });
    await erase(db, harbour.learner.id, 'test');
    expect(await db('decision')).toEqual([]);
  });

  test.each([
    ['without anything', { outcome: null, remark: ' ' }, 'nothing in this decision'],
    ['that sends back without a word', { remark: '' }, 'Say what is to be done'],
    ['of marks without a reason', { outcome: null, remark: '', marks: 2 }, 'Say why'],
    ['of fewer marks than none', { marks: -1, reason: 'x' }, '0 or more'],
    ['of too long a remark', { remark: 'x'.repeat(2001) }, 'At most 2,000'],
  ] as const)('%s is refused', (_, more, message) => {
    const read = decisionSchema.safeParse(wish('00000000-0000-4000-8000-000000000000', more));
    expect(read.success).toBe(false);
    expect(read.error!.issues[0]!.message).toContain(message);
  });
});

describe('a circuit that works differently', () => {
  test('is accepted for whoever builds it, in whatever holes, and for new hand-ins too', async () => {
    // The LED straight between two pins' rows, the resistor on its other side: another order in series is free, another
    // pin is not, so the lamp is on pin 12 as well.
    const layout = harbour.handedIn().wiring;
    const other = `${layout.trim()}\nD2,led,red,anode,B1.e20\nD2,led,red,cathode,B1.e21\nR2,resistor,330,1,B1.d21\nR2,resistor,330,2,B1.a-21\nW8,wire,red,1,B1.a20\nW8,wire,red,2,U1.12\n`;
    const first = await handedIn({ wiring: other });
    const [line] = await linesOf(db, [harbour.publicationId]);
    expect(line).toMatchObject({ id: first, verdict: 'works-differently' });
    expect(await acceptCircuit(db, harbour.otherTeacher, harbour.publicationId, line!.shape!, 'yes')).toBe(
      false,
    );
    expect(await acceptCircuit(db, harbour.teacher, harbour.publicationId, 'nothing', 'yes')).toBe(false);
    expect(await acceptCircuit(db, harbour.teacher, harbour.publicationId, line!.shape!, 'yes')).toBe(true);
    expect([...(await acceptedCircuits(db, harbour.exerciseId))]).toEqual([[line!.shape, 'ina']]);
    await handedIn({ clientId: 'client-0002', wiring: other.replaceAll('20', '24').replaceAll('21', '25') });
    const lines = await linesOf(db, [harbour.publicationId]);
    expect(new Set(lines.map(({ shape }) => shape)).size).toBe(1);
    await acceptCircuit(db, harbour.teacher, harbour.publicationId, line!.shape!, 'no');
    expect((await acceptedCircuits(db, harbour.exerciseId)).size).toBe(0);
  });
});
