import { reaction } from './reaction';
import { greenhouse } from './greenhouse';
import { pyfade } from './pyfade';
import { pydoor } from './pydoor';
import { pysos } from './pysos';
import { tank } from './tank';
import { pycounter } from './pycounter';
import { pytimer } from './pytimer';
import { pymean } from './pymean';
import { pycross } from './pycross';
import { binary } from './binary';
import { chime } from './chime';
import { crossing } from './crossing';
import { dice } from './dice';
import { digits } from './digits';
import { gauge } from './gauge';
import { mood } from './mood';
import { porch } from './porch';
import { pydim } from './pydim';
import { pygate } from './pygate';
import { pyquiz } from './pyquiz';
import { pysteps } from './pysteps';
import { radar } from './radar';
import { score } from './score';
import { shifter } from './shifter';
import { soil } from './soil';
import { speed } from './speed';
import { thermo } from './thermo';
import { words } from './words';
import { freezer } from './freezer';
import { metronome } from './metronome';
import { piano } from './piano';
import { pitch } from './pitch';
import { melody } from './melody';
import { lift } from './lift';
import { tally } from './tally';
import { hothouse } from './hothouse';
import type { OwnSlips } from './own-slips';

/** Slips as beginners make them, written by hand, in programs that are not the exercise's own. */
export const ownSlips: readonly OwnSlips[] = [
  binary,
  mood,
  digits,
  crossing,
  gauge,
  thermo,
  radar,
  soil,
  chime,
  score,
  porch,
  speed,
  words,
  freezer,
  metronome,
  piano,
  pitch,
  shifter,
  dice,
  pysteps,
  pygate,
  pyquiz,
  pydim,
  pycross,
  pymean,
  pytimer,
  pycounter,
  tank,
  pysos,
  pydoor,
  pyfade,
  greenhouse,
  reaction,
  melody,
  lift,
  tally,
  hothouse,
];
export type { OwnSlip, OwnSlips } from './own-slips';
