/** A log by hand: a worm, drift, a jump and moving air. */
import { analyseTrack } from '../../src/core/tracking/analyseTrack.ts';

const timeS = Float64Array.from({ length: 900 }, (_, i) => 2 * i);
/** Six arcsec in 400 s, half an arcsec a minute, a jump of 20 in the middle. */
const wave = (s: number) => 6 * Math.sin((2 * Math.PI * s) / 400 + 0.5) + (0.5 * s) / 60 + (s >= 900 ? 20 : 0);
const rough = (i: number) => 0.2 * Math.sin(i * 12.9898) * Math.cos(i * 78.233);
export const series = {
  timeS,
  raArcsec: timeS.map((s, i) => wave(s) + rough(i)),
  decArcsec: timeS.map((s, i) => s / 60 + rough(i + 5000)),
  sentRaArcsec: null,
  sentDecArcsec: null,
  aimRaArcsec: null,
  aimDecArcsec: null,
};
export const analysis = analyseTrack(series, { ownTurnS: null })!;
