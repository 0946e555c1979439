/** Words of the first screens and of the first answers. */
import { expect } from 'chai';
import type { Tonight } from '../../../src/core/night/advice/tonight.ts';
import { CARRIERS, SIZES, usualCarrier } from '../../../src/core/rig/dressing/carriers.ts';
import { TUBE_KINDS } from '../../../src/core/records/part.ts';
import { SENSORS, type SensorFormat } from '../../../src/core/rig/dressing/looks.ts';
import type { Piece } from '../../../src/core/rig/dressing/dressRig.ts';
import { givenWords } from '../../../src/text/choiceWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import {
  CARRIER_WORDS,
  OPTICS_WORDS,
  pieceName,
  rigNameOf,
  sensorWords,
  sizeWords,
  standingWords,
  townName,
} from '../../../src/text/startWords.ts';
import { tonightLines } from '../../../src/text/tonightWords.ts';

const [f, imperial] = [makeFormat('metric', 'Europe/Lisbon'), makeFormat('imperial', 'Europe/Lisbon')];

const STAR = { at: 'centre', lengthOverWidth: 1, majorFwhmArcsec: 3, minorFwhmArcsec: 3, angleDeg: 0 } as const;
const DRAWN = { star: STAR, evenFwhmArcsec: 3 };
const usable = (longestS: number | null, orMore = false) => ({ longestS, orMore, shortestS: 2, curve: () => [] });
const ASKED = { plannedS: 30, share: 0.4, lever: null } as const;

const TONIGHT: Tonight = {
  bearing: { compassDeg: 0.4, declinationDeg: -0.4, south: false },
  latitude: { scaleDeg: 40.34, biasKnown: false },
  dial: {
    star: 'Polaris',
    viewAngleDeg: 241,
    reading: 8.03,
    engraving: { numbering: '12h', topMark: 0, direction: 'clockwise', view: 'inverted' },
    finder: 'usual',
    starIsEnough: false,
  },
  sub: {
    ...usable(12.4),
    ...ASKED,
    onceLooked: usable(31.2),
    byEye: true,
    looksThrough: true,
    isLookedAt: false,
    motion: 'usualDrive',
    pole: 'notLooked',
    ...DRAWN,
  },
  weight: { positionM: 0.135, off: null, guessed: true, shareOfBar: 0.1 },
  meridian: {
    target: 'M 45, Pleiades',
    flipMs: Date.UTC(2026, 10, 25, 0, 5),
    transitMs: Date.UTC(2026, 10, 24, 23, 41),
    flips: true,
    motors: 'both',
    limit: 'doubt',
  },
  find: null,
  hand: null,
  platform: null,
  light: { code: 'dark' },
  moon: null,
  takesSubs: true,
  isDark: true,
};
const lines = (change: Partial<Tonight>, format = f) => tonightLines({ ...TONIGHT, ...change }, format, String);

describe('the first answers in words', () => {
  it('a moon is told by what it costs those who take subs', () => {
    const worst = { timeMs: Date.UTC(2026, 10, 25, 0, 5), brighteningMag: 2.7, exposureFactor: 12, separationDeg: 40 };
    const moon = { litShare: 0.98, up: [{ fromMs: worst.timeMs, toMs: worst.timeMs + 7_200_000 }], darkH: 0, worst };
    const costs = lines({ moon }).moon!;
    expect(costs.value).to.equal('up to 12 times');
    expect(costs.rests).to.match(/^Moon up 00:05 to 02:05, 40° away: up to 2\.7 mag brighter there/);
    expect(lines({ moon, takesSubs: false }).moon!.value).to.equal('98% lit');
    expect(lines({ moon: { ...moon, up: [], worst: null } }).moon!.value).to.equal('none');
  });

  it('tell the hand a value, and what it rests on', () => {
    const { bearing, latitude, dial, sub, weight, meridian } = lines({});
    expect([bearing, latitude, dial, sub, weight, meridian].map((l) => l?.value)).to.deep.equal([
      'compass 0°',
      '40.3°',
      'at 8:02',
      '31 s',
      '135 mm',
      '00:05',
    ]);
    expect(bearing!.name).to.equal('Point the axis true north');
    expect(bearing!.rests).to.equal('The needle stands 0.4° west of true here; no iron near it.');
    expect(dial!.rests).to.contain('compare yours under Kit');
    expect(sub!.rests).to.equal(
      'Once the star stands at its mark; until then 12 s. A drive as usual for its kind, the pole as bearing and scale leave it, at this hour. Focused, stars are 3.0″ wide by air and optics.',
    );
    expect(weight!.rests).to.contain('guesses');
    expect(meridian!.name).to.equal('M 45, Pleiades: flip');
  });

  it('say what is not known instead of a number', () => {
    const { bearing, dial, sub, meridian } = lines({
      bearing: { compassDeg: null, declinationDeg: 30, south: true },
      dial: { ...TONIGHT.dial!, finder: 'none', reading: null },
      sub: { ...TONIGHT.sub!, onceLooked: usable(null) },
      meridian: null,
    });
    expect(bearing!.value).to.equal('by sun or stars');
    expect(bearing!.name).to.equal('Point the axis true south');
    expect([dial!.value, dial!.name]).to.deep.equal(['at 8 o’clock', 'Polaris stands beside the pole']);
    expect(sub!.value).to.equal('under 2 s');
    expect(meridian!.value).to.equal('no target yet');
  });

  it('what was measured is not called a guess, and what ends at the curve’s end goes on', () => {
    const { latitude, dial, sub, weight } = lines({
      latitude: { scaleDeg: 40.9, biasKnown: true },
      dial: { ...TONIGHT.dial!, finder: 'own' },
      sub: {
        ...usable(360, true),
        ...ASKED,
        onceLooked: usable(360, true),
        byEye: false,
        looksThrough: true,
        isLookedAt: false,
        motion: 'guided',
        pole: 'measured',
        ...DRAWN,
      },
      weight: { positionM: 0.3, off: null, guessed: false, shareOfBar: 0.5 },
    });
    expect(latitude!.rests).to.contain('was read to be off');
    expect(dial!.rests).not.to.contain('Kit');
    expect([sub!.value, sub!.rests]).to.deep.equal([
      '6 min and more',
      'Guided on both axes, the pole as you measured it, at this hour. Focused, stars are 3.0″ wide by air and optics.',
    ]);
    expect(weight!.rests).to.equal('From your masses and places; the tip test has the last word.');
  });

  it('a mount that never flips, a target that does not cross in the dark, a weight off the bar', () => {
    const still = lines({ meridian: { ...TONIGHT.meridian!, flips: false, flipMs: null } }).meridian!;
    expect([still.name, still.value]).to.deep.equal(['M 45, Pleiades stands highest', '23:41']);
    // What the moment of the flip rests on is said, and a guess as one.
    const rests = (['night', 'mount', 'clearance', 'clear', 'doubt'] as const).map(
      (limit) => lines({ meridian: { ...TONIGHT.meridian!, limit } }).meridian!.rests,
    );
    expect(new Set(rests).size).to.equal(5);
    expect(rests.map((r) => /not known well enough/.test(r))).to.deep.equal([false, false, false, false, true]);
    const byHand = lines({ meridian: { ...TONIGHT.meridian!, motors: 'none' } }).meridian!;
    expect([byHand.name, byHand.value]).to.deep.equal(['M 45, Pleiades stands highest', '23:41']);
    expect(byHand.rests).to.equal('Carry the tube over by hand before it nears a leg.');
    const knob = { turnMin: 9.97, teeth: 144, teethAssumed: true, view: null, follows: false, decDeg: 0 };
    expect(lines({ hand: knob }).hand).to.include({ value: '9 min 58 s', to: 'tracking' });
    const view = { by: 'eyepiece' as const, fieldDeg: 1.67, stayMin: 6.65 };
    expect(lines({ hand: { ...knob, turnMin: null, teeth: null, view } }).hand!.value).to.equal('6 min 39 s');
    const followed = lines({ hand: { ...knob, turnMin: null, teeth: null, view, follows: true } }).hand!;
    expect([followed.value, followed.to]).to.deep.equal(['1.7°', 'light-path']);
    const shutter = lines({ sub: { ...TONIGHT.sub!, onceLooked: usable(0.31), motion: 'still', byEye: false } }).sub!;
    expect([shutter.value, shutter.rests]).to.deep.equal([
      '1/4 s',
      'Nothing follows the sky, at this hour. Focused, stars are 3.0″ wide by air and optics.',
    ]);
    const early = lines({ meridian: { ...TONIGHT.meridian!, flipMs: null } }).meridian!;
    expect([early.name, early.value]).to.deep.equal(['M 45, Pleiades crosses the meridian', '23:41']);
    const bare = { positionM: -0.16, off: { code: 'noWeight', leftKgM: -0.06 } as const, guessed: true, shareOfBar: 0 };
    const off = lines({ weight: bare }).weight!;
    expect(off.value).to.equal('none');
    expect(off.rests).to.match(/^Hang no weight: the bar alone is enough\. /);
    const absent = lines({ bearing: null, latitude: null, dial: null, weight: null, sub: null });
    expect([absent.bearing, absent.latitude, absent.dial, absent.weight, absent.sub].every((l) => l === null)).to.equal(
      true,
    );
  });

  it('speak the user’s units', () => {
    expect(lines({}, imperial).weight!.value).to.equal('5.31 in');
    expect(pieceName('weight', 5, { carrier: 'germanEquatorial', rigName: 'Tube' }, imperial)).to.equal(
      'Weight 11.0 lb',
    );
    expect(sizeWords('middle', 18, imperial)).to.equal('Middle, rated 40 lb');
  });
});

describe('the first screens in words', () => {
  it('every kind, size, lens and sensor has words of its own', () => {
    const own = { carrier: 'trackerBallHead' as const, rigName: '135 mm lens' };
    const pieces: Piece[] = ['mount', 'tripod', 'tube', 'rings', 'plate', 'camera', 'guideScope', 'ballHead', 'bar'];
    const names = [
      ...CARRIERS.map((c) => CARRIER_WORDS[c].name),
      ...CARRIERS.map((c) => CARRIER_WORDS[c].what),
      ...SIZES.map((s) => sizeWords(s, usualCarrier('germanEquatorial', s).ratedKg, f)),
      ...TUBE_KINDS.map((k) => OPTICS_WORDS[k]),
      ...(Object.keys(SENSORS) as SensorFormat[]).map(sensorWords),
    ];
    expect(new Set(names).size).to.equal(names.length);
    const called = [
      ...pieces.map((p) => pieceName(p, 0, own, f)),
      pieceName('weight', 0.5, own, f),
      pieceName('weight', 5, own, f),
    ];
    expect(new Set(called).size).to.equal(called.length);
    expect(called.slice(-2)).to.deep.equal(['Weight 0.5 kg', 'Weight 5.0 kg']);
    const named = [
      rigNameOf({ kind: 'mirrorLens', focalMm: 2000 }, 'reduced', f),
      rigNameOf({ kind: 'newtonian', focalMm: 750 }, 'phone', f),
      rigNameOf({ kind: 'refractor', focalMm: 480 }, 'eye', f),
      rigNameOf({ kind: 'lens', focalMm: 135 }, 'phone', f),
    ];
    expect(named).to.deep.equal([
      '2000 mm mirror-lens tube',
      '750 mm reflector, phone behind it',
      '480 mm refractor, by eye',
      'Phone',
    ]);
  });

  it('towns of one name are told apart, targets by how they stand, answers by what they take', () => {
    const town = { name: 'Covilhã', country: 'PT', latDeg: 40.28, lonDeg: -7.51 };
    expect(townName(town, f)).to.equal('Covilhã, PT, 40° 16′ 48″ N, 7° 30′ 36″ W');
    const standing = {
      catalogueId: 'M 45',
      plainName: 'Pleiades',
      raJ2000Deg: 56.75,
      decJ2000Deg: 24.12,
      sizeArcmin: 110,
      easy: true,
      usableH: 8.2,
      eveningH: 5,
      highestAltDeg: 73.6,
      fillsShare: null,
    };
    expect(standingWords(standing, f)).to.equal('M 45, Pleiades: 74° high, 8 h dark');
    const given = { camera: { pixelUm: 3.91, widthPx: 6000, heightPx: 4000 }, latDeg: -22.75 };
    expect(givenWords(given, f)).to.equal('Taken: a sensor of 23.5 mm × 15.6 mm, 3.91 µm a pixel, and latitude 23°.');
  });
});
