import type { BoardProfile } from './profile';

/**
 * Stands for the board of an exercise that has none: a battery circuit, a test of what is joined. It has no
 * socket; its other figures are never asked for, but by a clock that has to tick.
 */
export const noBoard: BoardProfile = {
  format: 'didaktor/board@1',
  id: 'none',
  title: 'No board',
  short: 'no board',
  logicVolts: 5,
  clockHz: 1_000_000,
  clockChoicesHz: [],
  supplies: [],
  pins: [],
  names: {},
  onBoard: [],
  drive: {
    outputOhms: 1,
    recommendedMa: 20,
    absoluteMa: 40,
    totalMa: 200,
    source: 'there is no pin that could drive anything',
  },
  input: {
    pullUpOhms: 1,
    pullUpRangeOhms: [1, 1],
    lowBelowVolts: 1.5,
    highAboveVolts: 3,
    leakOhms: 1e8,
    source: 'there is no pin that could read anything',
  },
  resetsBelowVolts: 0.1,
  pwm: { hertz: 1, range: 1 },
  timers: { servo: [], tone: [] },
  analog: { range: 1, referenceVolts: 1 },
  language: { default: 'cpp', intBits: 16, doubleBits: 32, charSigned: true },
  memory: { programBytes: 1, dataBytes: 1 },
  landmarks: [],
  bringUp: {
    packages: [],
    libraries: [],
    upload: 'There is nothing to load.',
    waits: [],
    harmlessMessages: [],
    bySystem: [],
  },
};

/** Whether a profile is that of a real board. */
export const isBoard = ({ id }: Pick<BoardProfile, 'id'>): boolean => id !== noBoard.id;
