/** What each movement of the hand needs to stand, what it loses and what it wins: the one table behind lists, lines and
 *  warnings. */
import type { AssemblyStep } from '../../rig/assembly.ts';

/** What is won once and lost by some later movement. */
export const HELD = [
  'home',
  'clutches',
  'cables',
  'weights',
  'endStop',
  'clamp',
  'bearing',
  'level',
  'latitude',
  'balance',
  'roughBalance',
  'roughPole',
  'alignment',
  'focus',
  'power',
] as const;
export type Held = (typeof HELD)[number];

/** Movements beyond the steps of putting together: a leg moved, axes turned for the finder's bore, a tip test, the tube slid
 *  far in its clamp, the first slew and the first sub. */
export type Movement =
  | AssemblyStep
  | 'legsMoved'
  | 'axesOpened'
  | 'tipTest'
  | 'clampMoved'
  | 'cablesChecked'
  | 'slew'
  | 'firstSub';

export type Effect = { needs: readonly Held[]; loses: readonly Held[]; gives: readonly Held[] };

const effect = (needs: readonly Held[], loses: readonly Held[], gives: readonly Held[]): Effect => ({
  needs,
  loses,
  gives,
});

/** What comes on moves the balance and bends the axis. */
const LOADED: readonly Held[] = ['balance', 'roughBalance', 'alignment'];
/** Before anything turns by itself. */
const SAFE: readonly Held[] = ['home', 'clutches', 'cables'];

export const MOVEMENTS: Record<Movement, Effect> = {
  spreadLegs: effect([], ['bearing', 'level', 'alignment'], []),
  boardDown: effect([], [], []),
  platformDown: effect([], ['bearing', 'level', 'alignment', 'roughPole'], []),
  boxOn: effect([], LOADED, []),
  tubeInBox: effect([], LOADED, []),
  finderOn: effect([], ['balance'], []),
  legsMoved: effect([], ['bearing', 'level', 'alignment'], []),
  poleLeg: effect([], ['bearing', 'alignment'], []),
  level: effect([], [], ['level']),
  bearing: effect([], [], ['bearing']),
  headOn: effect(['bearing'], ['alignment'], []),
  wedgeOn: effect(['level'], ['alignment'], []),
  trackerOn: effect([], ['alignment', 'roughPole'], []),
  latitude: effect([], [], ['latitude']),
  roughPole: effect([], [], ['roughPole']),
  barIn: effect(['latitude'], LOADED, []),
  weightsOn: effect([], LOADED, ['weights']),
  endStop: effect([], [], ['endStop']),
  bracketOn: effect(['roughPole'], LOADED, []),
  ballHeadOn: effect(['roughPole'], LOADED, []),
  tubeOn: effect(['weights', 'endStop'], [...LOADED, 'clamp'], []),
  ringScrews: effect([], LOADED, []),
  tug: effect([], [], ['clamp']),
  cameraOn: effect(['clamp'], [...LOADED, 'focus'], []),
  guideOn: effect([], LOADED, []),
  dress: effect([], ['balance'], []),
  // One clutch at a time: the other axis cannot run away meanwhile.
  roughBalance: effect(['weights', 'endStop', 'clamp'], ['home', 'clutches'], ['roughBalance']),
  cablesLast: effect(['roughBalance'], ['home', 'clutches'], ['cables', 'roughBalance']),
  cablesLastDriven: effect(['home'], [], ['cables']),
  cablesChecked: effect([], [], ['cables']),
  // An opened axis swings whatever is not held.
  tipTest: effect(['weights', 'endStop', 'clamp'], ['home', 'clutches'], []),
  // What swung clear before may meet column or cable now.
  clampMoved: effect([], ['cables'], []),
  balance: effect([], [], ['balance', 'roughBalance']),
  home: effect(['balance', 'cables'], [], ['home', 'clutches']),
  homeBare: effect(['cables'], [], ['home', 'clutches']),
  clutchTight: effect(['balance'], [], ['clutches']),
  powerOn: effect(SAFE, [], ['power']),
  axesOpened: effect([], ['home', 'clutches'], []),
  // What is still to be balanced is still to be moved.
  pole: effect(['balance'], [], ['alignment', 'roughPole']),
  poleCheck: effect(['clutches'], [], ['alignment', 'roughPole']),
  focus: effect([], [], ['focus']),
  handsOff: effect(['alignment', 'focus'], [], []),
  slew: effect(['power', ...SAFE], [], []),
  firstSub: effect(['power', ...SAFE, 'alignment', 'focus'], [], []),
};
