import { shippedBoards, type BoardProfile } from '../boards';
import { ref } from '../brand';
import { breadboards } from '../breadboards';
import { partKinds } from '../parts';
import { taskFrom, type PlacementTask } from '../plan/placement';
import { pick, randomFrom } from '../random';

const values = ['', '330', 'red', 'common-cathode', 'active', '100n', '9V', '5V'];
const kinds = partKinds.filter((kind) => !kind.conductor);

/** A random circuit of up to `most` parts to be laid out on a random breadboard; repeatable by its seed. */
export function randomTask(seed: number, most = 5): PlacementTask {
  const random = randomFrom(seed);
  const profile: BoardProfile = pick(random, [...shippedBoards.values()]);
  const parts = Array.from({ length: 1 + Math.floor(random() * most) }, (_, index) => {
    const kind = random() < 0.5 ? pick(random, kinds.slice(0, 6)) : pick(random, kinds);
    const value = pick(
      random,
      values.filter((text) => kind.readValue(text).ok),
    );
    return { ref: `${kind.prefix}${index + 1}`, kind: kind.kind, value };
  });
  const legs = parts.flatMap((part) =>
    kinds.find((kind) => kind.kind === part.kind)!.legs.map((leg) => `${part.ref}.${leg.name}`),
  );
  const count = 1 + Math.floor(legs.length * (0.3 + 0.5 * random()));
  const nets = Array.from({ length: count }, (_, index) => ({ name: `n${index}`, points: [] as string[] }));
  const sockets = [...profile.pins, ...profile.supplies].map((socket) => `U1.${socket.name}`);
  for (const net of nets)
    if (random() < 0.6 && sockets.length > 0)
      net.points.push(sockets.splice(Math.floor(random() * sockets.length), 1)[0]!);
  // Legs that are one piece of metal cannot be in two nets.
  const home = new Map<string, (typeof nets)[number]>();
  for (const part of parts)
    for (const [one, other] of kinds.find((kind) => kind.kind === part.kind)!.joints) {
      const net = pick(random, nets);
      for (const leg of [one, other]) home.set(`${part.ref}.${leg}`, net);
    }
  for (const leg of legs) if (random() < 0.9) (home.get(leg) ?? pick(random, nets)).points.push(leg);
  const model = pick(random, [...breadboards.values()]);
  const task = taskFrom(
    { parts, nets: nets.filter((net) => net.points.length > 1) },
    { ref: ref('U1'), profile },
    [{ ref: ref('B1'), model }],
  );
  if (!task.ok) throw new Error(task.problems[0]!.message);
  return task.value;
}
