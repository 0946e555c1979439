/** How far the tube may run past the meridian as its lengths and gaps are known better or worse; what a gap elsewhere says of it,
 *  by regression over mounts whose lengths are drawn. */
import fc from 'fast-check';
import { normal, seeded } from '../../src/core/math/random.ts';
import { clearanceOf, type SkyPose } from '../../src/core/mount/clearance.ts';
import { TUBE_LENGTHS } from '../../src/core/mount/clearanceSlopes.ts';
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import { meridianLimit } from '../../src/core/night/plan/meridianLimit.ts';
import { CLEARANCE_MARGIN_M, tubeClearance, type TubeClearance } from '../../src/core/night/plan/tubeClearance.ts';
import type { Part, SizeBasis } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { trialNight, trialReading } from './demoWorld.ts';
import { evenly as finite } from './evenly.ts';
import { everyCase } from './trial.ts';

const isSized = (kind: Part['kind']): kind is Sized => (SIZED as readonly string[]).includes(kind);
const BASES: readonly SizeBasis[] = ['measured', 'stated', 'assumed'];
const SIZED = ['mount', 'support', 'tube', 'camera'] as const;
type Sized = (typeof SIZED)[number];

export const doubtfulMounts = fc.record({
  latDeg: finite(20, 65),
  decDeg: finite(-30, 85),
  columnTopDropM: finite(0.2, 0.4),
  axisForwardM: finite(0, 0.25),
  hubHeightM: finite(0.75, 0.95),
  backM: finite(0.1, 0.4),
  bases: fc.record(
    Object.fromEntries(SIZED.map((kind) => [kind, fc.constantFrom(...BASES)])) as Record<
      Sized,
      fc.Arbitrary<SizeBasis>
    >,
  ),
  worse: fc.constantFrom(...SIZED),
  gap: fc.record({
    haH: finite(-2, 2),
    decDeg: finite(-30, 85),
    moreM: finite(-0.03, 0.05),
    sigmaM: finite(0.001, 0.008),
  }),
  times: finite(1.2, 5),
});
export type DoubtfulMount = typeof doubtfulMounts extends fc.Arbitrary<infer T> ? T : never;

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

function nightOf(
  m: DoubtfulMount,
  bases: DoubtfulMount['bases'],
  readings: readonly Reading[],
  south = false,
): NightStatic {
  const part = (p: Part): Part => {
    const sizeBasis = isSized(p.kind) ? bases[p.kind] : undefined;
    if (p.kind === 'mount' && p.geometry) {
      const { columnTopDropM, axisForwardM } = m;
      // A leg under the pole in both hemispheres: mirrored mounts stand mirrored.
      return {
        ...p,
        sizeBasis,
        towardPole: 'leg',
        pastMeridianLimitH: null,
        geometry: { ...p.geometry, columnTopDropM, axisForwardM },
      };
    }
    if (p.kind === 'support') return { ...p, sizeBasis, hubHeightM: m.hubHeightM };
    if (p.kind === 'tube') return { ...p, sizeBasis, backM: m.backM };
    return p.kind === 'camera' ? { ...p, sizeBasis } : p;
  };
  const sign = south ? -1 : 1;
  return nightStatic(
    trialNight({ readings, part, site: { latDeg: sign * m.latDeg }, target: { decJ2000Deg: sign * m.decDeg } }),
  );
}

/** More or less than the drawing has there, told as one measured it. */
function gapReading(
  m: DoubtfulMount,
  tube: TubeClearance,
  rest: { sigmaM?: number; atLeast?: true; south?: boolean } = {},
) {
  const { haH, decDeg, moreM, sigmaM } = m.gap;
  // The narrowest that the drawing has there, whichever pair is the least sure.
  const drawnM = clearanceOf(tube.geometry, m.latDeg)({ haH, decDeg, state: 'beforeFlip' }).clearanceM;
  const gapM = drawnM + moreM;
  const sky = { haH, decDeg: rest.south ? -decDeg : decDeg, state: 'beforeFlip' as const };
  return trialReading('gap', { ...sky, gapM, ...(rest.atLeast && { atLeast: true }) }, 1, {
    subject: { type: 'rig', id: 'demo-heron' },
    sigma: { gapM: rest.sigmaM ?? sigmaM },
  });
}

/** Only what lies past the meridian: a guess less is no reason to leave before it. */
const pastH = ({ limit }: NightStatic): number => Math.max(0, limit.limitH);
const FINE_H = 2e-3;

function notLater(less: NightStatic, more: NightStatic, what: string): void {
  check(pastH(less) <= pastH(more) + FINE_H, `${what}: ${pastH(more)} h became ${pastH(less)} h`);
}

const MOUNTS = 400;
/** Drawn so little apart that a clearance goes in a straight line, and told as large as they are. */
const SHRUNK = 0.02;

/** What a gap that was so much more than drawn makes of the room at a pose, and what stays in doubt. */
function regression(tube: TubeClearance, latDeg: number, at: SkyPose, measured: SkyPose, sigmaM: number) {
  const random = seeded(11);
  const pairs = Array.from({ length: MOUNTS }, () => {
    const g = { ...tube.geometry };
    for (const name of TUBE_LENGTHS) g[name] += SHRUNK * tube.doubts[name].sigmaM * normal(random);
    const clearance = clearanceOf(g, latDeg);
    return [clearance(at).clearanceM, clearance(measured).clearanceM] as const;
  });
  const mean = (which: 0 | 1): number => pairs.reduce((sum, p) => sum + p[which], 0) / MOUNTS;
  const [there, here] = [mean(0), mean(1)];
  const product = (a: 0 | 1, b: 0 | 1): number => {
    const [meanA, meanB] = [a === 0 ? there : here, b === 0 ? there : here];
    return pairs.reduce((sum, p) => sum + (p[a] - meanA) * (p[b] - meanB), 0) / MOUNTS / SHRUNK ** 2;
  };
  const like = Math.min(1, Math.max(0, product(0, 1) / product(1, 1)));
  return { like, sigmaM: Math.sqrt(product(0, 0) - product(0, 1) ** 2 / (product(1, 1) + sigmaM ** 2)) };
}
/** The regression tells both to so much. */
const TOLD_M = 0.006;

function gapSaysNoMore(m: DoubtfulMount, without: NightStatic, withGap: NightStatic): void {
  const { tube, limitH } = withGap.limit;
  if (!tube || limitH <= 0 || limitH <= pastH(without) + FINE_H) return;
  const { latDeg } = withGap.records.site;
  const decDeg = withGap.targetSky?.ofDate.decDeg ?? 0;
  // A minute nearer than the end, where the nearest pair may change.
  const at: SkyPose = { haH: limitH - 1 / 60, decDeg, state: 'beforeFlip' };
  const measured: SkyPose = { haH: m.gap.haH, decDeg: m.gap.decDeg, state: 'beforeFlip' };
  const { like, sigmaM } = regression(tube, latDeg, at, measured, m.gap.sigmaM);
  const roomM =
    clearanceOf(tube.geometry, latDeg)(at).clearanceM +
    Math.max(m.gap.moreM * like, m.gap.moreM < 0 ? m.gap.moreM : 0) -
    2 * sigmaM;
  check(roomM >= CLEARANCE_MARGIN_M - TOLD_M, `the gap lets it run on to ${limitH} h, where only ${roomM} m are sure`);
}

export function limitHolds(m: DoubtfulMount): void {
  const plain = nightOf(m, m.bases, []);
  const { tube } = plain.limit;
  if (!tube) throw new Error('the tube is missing');
  const worse = BASES[BASES.indexOf(m.bases[m.worse]) + 1] ?? 'assumed';
  notLater(nightOf(m, { ...m.bases, [m.worse]: worse }, []), plain, `the ${m.worse} known worse`);
  const through = nightOf(m, m.bases, [gapReading(m, tube, { atLeast: true })]);
  check(through.limit.limitH === plain.limit.limitH, 'what went through moved the limit');
  const withGap = nightOf(m, m.bases, [gapReading(m, tube)]);
  const rough = nightOf(m, m.bases, [gapReading(m, tube, { sigmaM: m.times * m.gap.sigmaM })]);
  notLater(rough, withGap, 'a gap measured worse');
  gapSaysNoMore(m, plain, withGap);
  const south = nightOf(m, m.bases, [gapReading(m, tube, { south: true })], true);
  const mirrored = tubeClearance(
    south.numbers,
    south.records.site.latDeg,
    -(withGap.targetSky?.ofDate.decDeg ?? 0),
    south.learned.gapShift,
  );
  const none = { mountH: null, cableH: null, fittingH: null };
  const inSouthH = meridianLimit(null, none, mirrored).limitH;
  check(Math.abs(inSouthH - withGap.limit.limitH) < FINE_H, `${withGap.limit.limitH} h is ${inSouthH} h in the mirror`);
}

export const doubtLimitTrial = everyCase(
  'doubt-limit',
  'lengths or gaps known worse and what merely went through: never a later limit; a gap elsewhere no more than its posterior; mirrored in the south',
  1000,
  () => fc.property(doubtfulMounts, limitHolds) as fc.IRawProperty<unknown>,
  0.01,
);
