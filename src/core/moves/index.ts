import { createRegistry } from '../kit/registry';
import { band } from './band';
import { bend } from './bend';
import { bounce } from './bounce';
import { brake } from './brake';
import { caret } from './caret';
import { close } from './close';
import { colourPass } from './colourPass';
import { countUp } from './countUp';
import { depthBlur } from './depthBlur';
import { draw } from './draw';
import { elastic } from './elastic';
import { fade } from './fade';
import { flicker } from './flicker';
import { flight } from './flight';
import { fold } from './fold';
import { focus } from './focus';
import { fringe } from './fringe';
import { glint } from './glint';
import { grow } from './grow';
import { iris } from './iris';
import { jitter } from './jitter';
import { leaves } from './leaves';
import { lightStrip } from './lightStrip';
import { push } from './push';
import { rise } from './rise';
import { settle } from './settle';
import { shear } from './shear';
import { slices } from './slices';
import { slide } from './slide';
import { snap } from './snap';
import { split } from './split';
import { spread } from './spread';
import { squeeze } from './squeeze';
import { sweep } from './sweep';
import { swing } from './swing';
import { tip } from './tip';
import { trackingClose } from './trackingClose';
import { trackingOpen } from './trackingOpen';
import { tumble } from './tumble';
import { turn } from './turn';
import { typing } from './typing';
import { unfold } from './unfold';
import { unroll } from './unroll';
import { wave } from './wave';
import { wipe } from './wipe';

/** Every ready move, in the order in which menus show them. */
export const MOVES = createRegistry('move', [
  fade,
  slide,
  rise,
  wipe,
  iris,
  typing,
  caret,
  settle,
  leaves,
  trackingOpen,
  trackingClose,
  depthBlur,
  focus,
  grow,
  close,
  snap,
  flight,
  squeeze,
  turn,
  tip,
  unfold,
  fold,
  split,
  slices,
  tumble,
  bounce,
  elastic,
  swing,
  brake,
  shear,
  wave,
  bend,
  jitter,
  flicker,
  fringe,
  colourPass,
  glint,
  spread,
  push,
  unroll,
  sweep,
  lightStrip,
  draw,
  countUp,
  band,
]);
