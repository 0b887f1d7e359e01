import type { HouseRules } from '@/core/course/house-rules';
import { asksForProgram, languageOf, type Exercise, type ExerciseData } from '@/core/formats/exercise';
import { kindOf } from '@/core/parts';
import { writeTable } from '@/core/wiring/table';

/** Stands for a reference program, so that a tablet knows that there is one to be written. */
const KEPT_BACK = { cpp: '// yours to write', python: '# yours to write' } as const;

/**
 * What a student's browser gets of an exercise: enough to show it and, where the course says so, to check a build
 * on the spot; never the reference program and what the author wrote for colleagues. Without the solution there
 * are no places, connections, accepted values and expectations in it: the parts and wires of the bag, unplugged.
 * Built up from what is known to be safe, so that a field added to the format stays away until someone decides.
 */
export function studentForm(exercise: Exercise, solution: HouseRules['solution']): ExerciseData {
  const { data } = exercise;
  const keptBack = KEPT_BACK[languageOf(exercise)];
  const build = data.text['build'];
  const shown = {
    format: data.format,
    id: data.id,
    title: data.title,
    aim: data.aim,
    concepts: data.concepts,
    board: data.board,
    ...(data.boardProfile ? { boardProfile: data.boardProfile } : {}),
    language: data.language,
    program: asksForProgram(exercise) ? keptBack : '',
    rules: {},
    text: {
      ...(typeof build === 'string' ? { build } : {}),
      // What is told of a build on the tablet, as the server tells it.
      ...(solution === 'shown' && data.text['hints'] ? { hints: data.text['hints'] } : {}),
    },
    cautions: data.cautions,
    // How it is put together is told with the task.
    ...(data.assemblies ? { assemblies: data.assemblies } : {}),
    ...(data.calibrations ? { calibrations: data.calibrations } : {}),
    // What the author's own does is no learner's business.
    ...(data.open ? { open: { ...data.open, example: [] } } : {}),
  };
  if (solution === 'shown')
    return {
      ...shown,
      // What a build is told of the house rules; the tablet checks it as the server does.
      rules: data.rules,
      parts: data.parts,
      nets: data.nets,
      layout: data.layout,
      free: data.free,
      scenarios: data.scenarios,
      // Its programs come with the task, where they are given.
      ...(data.stages
        ? {
            stages: data.stages.map((stage) => ({ ...stage, program: stage.program === '' ? '' : keptBack })),
          }
        : {}),
      ...(data.rubric ? { rubric: data.rubric } : {}),
    };
  return {
    ...shown,
    parts: data.parts.map(({ ref, kind, value }) => ({ ref, kind, value })),
    nets: [],
    layout: bagOf(exercise),
    free: {},
    scenarios: [],
  };
}

/** The wires of the reference as a table, none of them plugged in. */
function bagOf({ reference }: Exercise): string {
  const wires = reference.parts.filter(({ kind }) => kindOf(kind).conductor);
  return writeTable({
    ...reference,
    parts: wires.map((wire) => ({ ...wire, legs: wire.legs.map(({ leg }) => ({ leg, at: null })) })),
  });
}
