/** What a stretch of a meeting is for. */
export const phases = [
  'arrive',
  'aim',
  'parts',
  'build',
  'second-look',
  'bring-up',
  'program',
  'see',
  'vary',
  'pack-up',
] as const;
export type Phase = (typeof phases)[number];
