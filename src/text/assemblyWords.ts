/** Words of each step of putting a rig together, by what it has. */
import type { AssemblyStep, Hands, TubeAlone } from '../core/rig/assembly.ts';
import { TUBE_ENDS } from './tubeEnds.ts';

type StepWords = { do: string; why: string; caution: string | null };

const ASSEMBLY_WORDS: Record<AssemblyStep, StepWords> = {
  boardDown: {
    do: 'Lay the board on firm, flat ground, its feet toward the ground',
    why: 'On a slope the box creeps downhill by itself.',
    caution: null,
  },
  platformDown: {
    do: 'Lay the platform down, its pivot toward the pole, and tilt it to its start',
    why: 'It is turned while nothing heavy stands on it.',
    caution: null,
  },
  boxOn: {
    do: 'Set the box on',
    why: 'Turn it once all the way round: it must run smoothly, without rocking.',
    caution: 'Lift with your knees; two people above {20 kg}.',
  },
  tubeInBox: {
    do: 'Lay the tube into its bearings, mirror end down',
    why: 'Straight up it cannot roll out of your hands.',
    caution: 'Two people above {20 kg}.',
  },
  finderOn: {
    do: 'Put the finder on and aim it at something far away by day',
    why: 'It finds what the tube is pushed to.',
    caution: 'Never look for the sun through finder or tube.',
  },
  spreadLegs: {
    do: 'Spread the legs fully, lay the tray in, lock hub and legs',
    why: 'A wide stance is what keeps it from tipping; tray and hub keep it wide.',
    caution: 'Push each leg into soft ground before anything goes on.',
  },
  poleLeg: {
    do: 'Turn the legs as this tripod stands: drawn on Level and bearing',
    why: 'The tube’s weight hangs over the side toward the pole.',
    caution: null,
  },
  level: {
    do: 'Level the base',
    why: 'Half a degree is enough: the latitude scale then tells the truth.',
    caution: null,
  },
  bearing: {
    do: 'Read the bearing, the head still away',
    why: 'Its motors and magnets pull the needle.',
    caution: null,
  },
  headOn: {
    do: 'Set the head on and tighten its bolt',
    why: 'Everything else hangs on this one bolt.',
    caution: 'Two people above {20 kg}. Both axes locked before you lift.',
  },
  wedgeOn: {
    do: 'Set the wedge on, at your latitude',
    why: 'The axis then points near the pole by itself.',
    caution: null,
  },
  trackerOn: {
    do: 'Set the tracker on the wedge',
    why: 'Its finder must see the sky before anything blocks it.',
    caution: 'Keep the compass and the phone away from its motor and magnets.',
  },
  latitude: {
    do: 'Set the latitude while nothing hangs on the head',
    why: 'Under load the bolt bends and binds.',
    caution: null,
  },
  roughPole: {
    do: 'Point the axis at the pole through the finder',
    why: 'What comes on later blocks the finder.',
    caution: 'Never look for the sun through the finder.',
  },
  barIn: { do: 'Screw the counterweight bar in, to the stop', why: 'It carries the weights.', caution: null },
  weightsOn: {
    do: 'Put the weights on, bar straight down',
    why: 'Before the tube: an axis that is heavy on the tube’s side swings round by itself.',
    caution: 'Tighten each weight before you let go of it.',
  },
  endStop: {
    do: 'Screw the end stop back onto the bar',
    why: 'It is what saves a foot when a weight slips.',
    caution: 'Never leave it off, not for a moment.',
  },
  ballHeadOn: { do: 'Screw the ball head on', why: 'It aims the camera.', caution: null },
  bracketOn: { do: 'Mount the declination bracket', why: 'Camera and bar hang on it.', caution: null },
  tubeOn: {
    do: 'Lay the tube into the saddle and close the clamp',
    why: 'Slide it to last time’s mark.',
    caution: 'Hold the tube until both clamp screws are tight.',
  },
  ringScrews: {
    do: 'Close the rings snugly, screws started by hand',
    why: 'A crossed thread ruins the ring; a loose one lets the tube slip.',
    caution: 'Two turns by hand before a key touches them.',
  },
  tug: { do: 'Tug at the tube', why: 'A clamp that only looks closed lets go now, not later.', caution: null },
  cameraOn: {
    do: 'Put the camera on',
    why: 'Balance counts only with it.',
    caution: 'Start threads by hand. Hold the tube: without its camera the front is heavy and drops.',
  },
  guideOn: { do: 'Put the guide scope and finder on', why: 'They shift the balance too.', caution: null },
  dress: {
    do: 'Final dress: dew shield, heaters, cables tied, rough focus, caps off',
    why: 'What comes on later moves the balance; a cap or the focuser’s travel is enough.',
    caution: null,
  },
  roughBalance: {
    do: 'Balance roughly, one clutch open at a time',
    why: 'With both clutches open a heavy side runs away; weights at last time’s marks are near enough.',
    caution: 'Hold the tube whenever a clutch opens.',
  },
  cablesLast: {
    do: 'Swing both axes over the whole sweep, clutches open, and watch every cable',
    why: 'A cable that pulls is a star that wanders.',
    caution: 'One hand on the tube.',
  },
  cablesLastDriven: {
    do: 'Slew slowly over the whole sweep and watch every cable',
    why: 'A cable that pulls is a star that wanders.',
    caution: 'Never push an axis of this drive.',
  },
  balance: {
    do: 'Balance both axes',
    why: 'The motors then only turn it, they do not lift it.',
    caution: 'Never push an axis while its clutch is tight.',
  },
  home: {
    do: 'Bring it home by its two marks: weights down, tube to the pole, both clutches tight',
    why: 'The controller counts from there.',
    caution: null,
  },
  homeBare: {
    do: 'Bring it home by its two marks: tube to the pole',
    why: 'The controller counts from there.',
    caution: null,
  },
  clutchTight: {
    do: 'Tighten the clutch by hand',
    why: 'A clutch that slips looks like bad tracking.',
    caution: null,
  },
  powerOn: {
    do: 'Power on, fused at the battery',
    why: 'Only now: the motors start from home.',
    caution: 'Plugs sealed against dew.',
  },
  pole: {
    do: 'Align on the pole at dusk',
    why: 'With everything on, for the load bends the axis.',
    caution: 'Axes turned for the finder’s bore: back to both marks afterwards.',
  },
  focus: { do: 'Focus on a bright star', why: 'It stays with the temperature, not with the clock.', caution: null },
  poleCheck: {
    do: 'Look at the pole once more, clutch tight',
    why: 'Camera and weights bent the mount a little after the rough pole.',
    caution: null,
  },
  handsOff: {
    do: 'Hands off: aim and frame were set before',
    why: 'Ball head, focus ring and clutch move the pole when they are touched.',
    caution: null,
  },
};

const BALANCED_ALONE: Record<TubeAlone, Partial<StepWords>> = {
  fork: { do: 'Balance the tube in its fork, front to back' },
  box: {
    do: 'Balance the tube in its bearings, front to back',
    why: 'Let go, it must stay where it was pushed to, low and high alike.',
    caution: null,
  },
};

const DRESS_BY_EYE = 'Final dress: dew shield on, cap off, eyepiece in';

/** What a rig that lacks something, or has something of its own, is told instead. */
function changedWords(step: AssemblyStep, { tubeAlone, phone, hasHome, has }: Hands): Partial<StepWords> {
  switch (step) {
    case 'balance':
      return tubeAlone ? BALANCED_ALONE[tubeAlone] : {};
    case 'dress':
      return has.has('eye') ? { do: DRESS_BY_EYE } : {};
    case 'cameraOn':
      return phone ? { do: 'Clamp the phone on, its lens over the middle', caution: null } : {};
    case 'roughPole':
      return has.has('polarFinder')
        ? {}
        : {
            do: 'Turn its pivot toward the pole',
            why: 'By compass and your latitude: it needs no better.',
            caution: null,
          };
    case 'powerOn':
      return hasHome ? {} : { why: 'Only now, with everything on it.' };
    case 'pole':
      return { caution: has.has('polarFinder') && hasHome ? ASSEMBLY_WORDS.pole.caution : null };
    default:
      return {};
  }
}

/** How a step is said for this rig: a peg between opposed knobs, a camera at the open end. */
export function assemblyWords(step: AssemblyStep, hands: Hands): StepWords {
  const { rear, hasPeg } = hands;
  const words = { ...ASSEMBLY_WORDS[step], ...changedWords(step, hands) };
  if (step === 'headOn' && hasPeg)
    return {
      ...words,
      do: 'Back both azimuth knobs off, set the head on with the tripod’s peg between them, tighten its bolt',
      why: 'Everything hangs on this one bolt; a peg beside the knobs cannot be pushed.',
    };
  if (step === 'cameraOn' && rear === 'mirror' && !hands.phone) {
    const heavy = TUBE_ENDS.mirror.rear;
    return { ...words, caution: `Start threads by hand. Hold the tube: without its camera the ${heavy} drops.` };
  }
  return words;
}
