/** Words of the night's ledger: what went, by which movement, and the way back. */
import type { Lost, Missing } from '../core/night/ledger/ledger.ts';
import type { Held, Movement } from '../core/night/ledger/movements.ts';
import { fromUtcText } from '../core/time/utc.ts';
import type { Format } from './format.ts';

type HeldWords = { name: string; back: string };

const HELD_WORDS: Record<Held, HeldWords> = {
  home: { name: 'Home', back: 'back to both marks before power' },
  clutches: { name: 'The clutches’ grip', back: 'tighten them by hand' },
  cables: { name: 'The cables’ free sweep', back: 'lead them over the whole sweep once more' },
  weights: { name: 'The weights', back: 'put them on before the tube' },
  endStop: { name: 'The end stop', back: 'screw it onto the bar' },
  clamp: { name: 'The tube’s hold', back: 'close the clamp and tug at it' },
  bearing: { name: 'The bearing', back: 'read it once more' },
  level: { name: 'Level', back: 'read the level once more' },
  latitude: { name: 'The latitude', back: 'set it while the head is unloaded' },
  balance: { name: 'Balance', back: 'try both axes once more' },
  roughBalance: { name: 'The rough balance', back: 'try each axis alone before both clutches are opened' },
  roughPole: { name: 'The rough pole', back: 'look through the finder before the camera is on' },
  alignment: { name: 'The pole', back: 'check it once more' },
  focus: { name: 'Focus', back: 'focus once more' },
  power: { name: 'Power', back: 'switch it on' },
};

/** What a button says when it is won back. */
export const WON_BACK: Partial<Record<Held, string>> = {
  home: 'Back at both marks',
  clutches: 'Tight again',
  cables: 'Swept again',
  clamp: 'It holds',
};

/** Ends `… went when`. */
const MOVED_WORDS: Record<Movement, string> = {
  spreadLegs: 'the legs were spread',
  boardDown: 'the board was laid down',
  platformDown: 'the platform was laid down',
  boxOn: 'the box came on',
  tubeInBox: 'the tube was laid in its box',
  finderOn: 'the finder came on',
  legsMoved: 'a leg was moved',
  poleLeg: 'the tripod was turned',
  level: 'the level was read',
  bearing: 'the bearing was read',
  headOn: 'the head came on',
  wedgeOn: 'the wedge came on',
  trackerOn: 'the tracker came on',
  latitude: 'the latitude was set',
  roughPole: 'the pole was looked for',
  barIn: 'the bar came on',
  weightsOn: 'the weights came on',
  endStop: 'the end stop came on',
  bracketOn: 'the bracket came on',
  ballHeadOn: 'the ball head came on',
  tubeOn: 'the tube was laid in',
  ringScrews: 'the rings were closed',
  tug: 'the tube was tugged at',
  cameraOn: 'the camera came on',
  guideOn: 'the guide scope came on',
  dress: 'the last pieces came on',
  roughBalance: 'it was balanced roughly',
  cablesLast: 'both axes were swung for the cables',
  cablesLastDriven: 'the sweep was slewed',
  cablesChecked: 'the cables were lifted',
  tipTest: 'balance was tried',
  clampMoved: 'the tube was slid in its clamp',
  balance: 'balance was found',
  home: 'the axes were brought home',
  homeBare: 'the axes were brought home',
  clutchTight: 'the clutch was tightened',
  powerOn: 'power came on',
  axesOpened: 'the axes were opened',
  pole: 'the pole was measured',
  poleCheck: 'the pole was checked',
  focus: 'the focus was set',
  handsOff: 'the hands were taken off',
  slew: 'the mount slewed',
  firstSub: 'the first sub began',
};

/** Once the controller runs it counts from a home that is gone. */
function backWords({ held, powered, by }: Lost): string {
  if (held === 'cables' && by === 'clampMoved') return 'swing both axes once more, for a knob or a foot may hit now';
  return held === 'home' && powered ? 'power off, back to both marks, power on' : HELD_WORDS[held].back;
}

/** `Home went when the axes were opened at 19:20: back to both marks before power.` */
export function lostWords(lost: Lost, f: Format): string {
  const when = f.clock(fromUtcText(lost.atUtc));
  return `${HELD_WORDS[lost.held].name} went when ${MOVED_WORDS[lost.by]} at ${when}: ${backWords(lost)}.`;
}

/** `First: the bearing, read it once more.` */
export function missingWords(missing: readonly Missing[]): string {
  const [first, ...others] = missing.map(({ held }) => HELD_WORDS[held]);
  if (!first) return '';
  const more = others.length > 0 ? `; then ${others.map((o) => o.name.toLowerCase()).join(', ')}` : '';
  return `First: ${first.name.toLowerCase()}, ${first.back}${more}.`;
}
