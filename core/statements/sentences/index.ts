export { readBegun } from './begun';
export { readDone } from './done';
export { readExpected } from './expected';
export { proposedSentences } from './proposed';
export { readStated, usualSeconds } from './stated';
