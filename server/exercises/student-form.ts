import type { Exercise, ExerciseData } from '@/core/formats/exercise';

/**
 * What a student's browser gets of an exercise: enough to show it and to check a build on the spot,
 * without the reference program and what the author wrote for colleagues. Built up from what is
 * known to be safe, so that a field added to the format stays away until someone decides.
 */
export function studentForm({ data }: Exercise): ExerciseData {
  const build = data.text['build'];
  return {
    format: data.format,
    id: data.id,
    title: data.title,
    aim: data.aim,
    concepts: data.concepts,
    board: data.board,
    ...(data.boardProfile ? { boardProfile: data.boardProfile } : {}),
    language: data.language,
    parts: data.parts,
    nets: data.nets,
    layout: data.layout,
    free: data.free,
    program: '',
    scenarios: data.scenarios,
    rules: {},
    text: typeof build === 'string' ? { build } : {},
    cautions: data.cautions,
  };
}
