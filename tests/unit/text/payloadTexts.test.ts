import { expect } from 'chai';
import type { BarPlace } from '../../../src/core/mount/heavySide.ts';
import { MOUNT_CLASSES } from '../../../src/core/mount/mountClasses.ts';
import { assemblyOf } from '../../../src/core/rig/assembly.ts';
import { powerOfRig } from '../../../src/core/rig/powerOfRig.ts';
import { rigNumbers } from '../../../src/core/rig/rigNumbers.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import {
  choiceReason,
  choiceSentence,
  CLASS_NAMES,
  exposureWords,
  tryWords,
  type ChoiceSaying,
} from '../../../src/text/choiceWords.ts';
import {
  footingReason,
  footingSentence,
  steadyWords,
  type FootingSaying,
  type SteadySaying,
} from '../../../src/text/footingWords.ts';
import { RIG_THINGS } from '../../../src/core/rig/rigHas.ts';
import { makeFormat } from '../../../src/text/format.ts';
import {
  caseName,
  itemWords,
  packingReason,
  packingSentence,
  type PackingSaying,
} from '../../../src/text/packingWords.ts';
import { assemblyWords } from '../../../src/text/assemblyWords.ts';
import {
  BAR_PLACE_WORDS,
  clampWords,
  furtherOutWords,
  moreWeightWords,
  payloadReason,
  payloadSentence,
  saddleWords,
  type PayloadSaying,
} from '../../../src/text/payloadWords.ts';
import {
  adviceWords,
  deviceVerdict,
  powerReason,
  powerSentence,
  type PowerAdvice,
  type PowerSaying,
} from '../../../src/text/powerWords.ts';
import { handsOf, type Hands } from '../../../src/core/rig/assembly.ts';
import { plain } from '../../../src/text/said.ts';
import { parts, rigs } from '../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const ALL = new Set(RIG_THINGS);
const HANDS: Hands = { ...handsOf(rigNumbers(rigs[0]!, parts)), rear: 'camera', hasPeg: false };
const OTHER_HANDS: Hands = {
  rear: 'mirror',
  hasPeg: true,
  tubeAlone: 'box',
  phone: true,
  hasHome: false,
  has: new Set(['eye']),
};
const imperial = makeFormat('imperial', 'Europe/Lisbon');
const LONGEST = 150;

/** A whole sentence: ends with a stop, no figure went wrong, short enough to be read at the mount. */
function isSentence(said: string, code: string): void {
  expect(said, code)
    .to.match(/[.]$/)
    .and.not.match(/undefined|NaN|null|\[object/);
  expect(plain(said).length, code).to.be.lessThan(LONGEST);
}

describe('words of the payload', () => {
  it('every saying of the load is a sentence with a reason', () => {
    const carried = { massKg: 7, allowedKg: 12 };
    const verdicts = ['fine', 'near', 'over'] as const;
    const sayings: PayloadSaying[] = [
      { code: 'noMount' },
      { code: 'empty' },
      ...verdicts.flatMap((verdict) =>
        (['mass', 'moment'] as const).map((decides) => ({
          code: 'load' as const,
          verdict,
          decides,
          guess: null,
          hasSpare: true,
          ...carried,
        })),
      ),
      ...verdicts.flatMap((verdict) =>
        [true, false].map((weightsHelp) => ({
          code: 'strain' as const,
          verdict,
          torqueNm: 7.4,
          allowedNm: 10.5,
          weightsHelp,
        })),
      ),
      { code: 'longerLever', moveM: 0.012, toM: 0.132, extensionM: null, ...carried },
      { code: 'longerLever', moveM: 0.2, toM: 0.42, extensionM: 0.1, ...carried },
    ];
    for (const s of sayings) {
      isSentence(payloadSentence(s, f, true), s.code);
      const about = { share: 2 / 3, hasBar: true, ratingIncludesWeights: true, withOneKgMore: 'over' as const };
      expect(payloadReason(s, about, f))
        .to.match(/\.$/)
        .and.not.match(/undefined|NaN/);
    }
    const over = { code: 'load', verdict: 'over', decides: 'mass', guess: null, hasSpare: false, ...carried } as const;
    expect(plain(payloadSentence(over, f, true))).to.equal(
      'Too heavy: 7.0 kg of 12.0 kg. Use a lighter tube, or a larger mount.',
    );
    expect(plain(payloadSentence({ ...over, guess: 'the tube' }, f, true))).to.match(/^Weigh the tube: by a guess/);
    expect(plain(payloadSentence({ ...over, verdict: 'near' }, f, false))).to.match(/Add nothing to it\.$/);
    expect(plain(payloadSentence(sayings[2]!, imperial, true))).to.include('15.4 lb of 26.5 lb');
    expect(plain(payloadSentence(sayings.at(-2)!, f, true))).to.equal(
      'Tube side heavy, near the limit: slide the weight 12 mm outward, to 132 mm. Add none.',
    );
  });

  it('says of each way where and what it costs', () => {
    const cost = { totalOnAxisKg: 12.77, inertiaKgM2: 0.452 };
    const nameOf = (id: string): string => `Weight ${id}`;
    expect(moreWeightWords({ ids: ['5', '1'], massKg: 6, positionM: 0.205, ...cost }, nameOf, f)).to.equal(
      'Weight 5 and Weight 1 at 205 mm, load 12.8 kg, inertia 0.452 kg m²',
    );
    expect(moreWeightWords(null, nameOf, f)).to.match(/Nothing heavier/);
    expect(furtherOutWords({ positionM: 0.5, extensionM: 0.08, ...cost }, f)).to.include('the bar longer by 80 mm');
    expect(furtherOutWords({ positionM: 0.3, extensionM: null, ...cost }, f)).not.to.include('longer');
    const clamp = { weightsAtM: 0.27, inertiaKgM2: 0.48 };
    expect(clampWords({ clampShiftM: -0.021, ...clamp }, f)).to.include('21 mm closer in');
    expect(clampWords({ clampShiftM: 0.021, ...clamp }, imperial)).to.include('0.83 in further out');
  });

  it('speaks of the bar only where its ends are near', () => {
    const places: BarPlace[] = ['nearInnerEnd', 'nearOuterEnd'];
    for (const place of places) expect(BAR_PLACE_WORDS[place]).to.match(/\.$/);
    expect(BAR_PLACE_WORDS.fine).to.equal(null);
    expect(saddleWords({ plateName: 'Plate', dovetail: 'wide', saddle: 'narrow' })).to.include('wide dovetail');
  });

  it('names the side to turn a leg to, and the wind in the user’s unit', () => {
    const weak: FootingSaying = { code: 'weak', towardAzimuthDeg: 300, tippingDeg: 6, windMPerS: 10 };
    expect(plain(footingSentence(weak, f)))
      .to.include('leg toward the north-west')
      .and.include('36 km/h');
    expect(plain(footingSentence(weak, imperial))).to.include('22 mph');
    const others: FootingSaying[] = [
      { code: 'noMount' },
      { code: 'pier' },
      { code: 'incomplete' },
      { code: 'falls', towardAzimuthDeg: null },
      { code: 'stands', tippingDeg: 13.3, windMPerS: 37 },
      weak,
    ];
    for (const s of others) {
      isSentence(footingSentence(s, f), s.code);
      isSentence(footingReason(s, f, true), s.code);
    }
  });

  it('judges the tap test in words', () => {
    const tested = (verdict: 'steady' | 'slow' | 'shaky'): SteadySaying => ({
      code: 'tested',
      verdict,
      settleS: 3,
      wantedS: 2,
      waitS: 6,
      sigmaArcsec: 0.45,
    });
    expect(steadyWords(tested('slow'), f, ALL))
      .to.include('Wait 6 s after every slew')
      .and.include('0.45″');
    expect(new Set((['steady', 'slow', 'shaky'] as const).map((v) => steadyWords(tested(v), f, ALL))).size).to.equal(3);
    expect(steadyWords({ code: 'notTested' }, f, ALL)).to.match(/^Tap the tube/);
  });
});

describe('words of the choice', () => {
  it('names every class and says what is enough, or what to give up', () => {
    const sayings: ChoiceSaying[] = [
      { code: 'ask' },
      { code: 'none', fails: 'load', guided: true, focalMm: 800 },
      { code: 'none', fails: 'stars', guided: true, focalMm: 800 },
      { code: 'none', fails: 'stars', guided: false, focalMm: 800 },
      ...MOUNT_CLASSES.map(({ id }): ChoiceSaying => ({
        code: 'enough',
        use: 'longExposures',
        id,
        focalMm: 480,
        tube: 'refractor',
        totalKg: 7,
        carriedKg: 28,
      })),
    ];
    for (const s of sayings) {
      isSentence(choiceSentence(s, f), s.code);
      isSentence(choiceReason(s, f), s.code);
    }
    for (const step of [
      { code: 'hinge' },
      { code: 'push', hasBar: true },
      { code: 'push', hasBar: false },
      { code: 'tap', wantedS: 2, focalMm: 800 },
      { code: 'frames', exposureS: 120 },
    ] as const) {
      const { do: what, shows } = tryWords(step, f);
      isSentence(`${what}.`, step.code);
      isSentence(shows, step.code);
    }
    expect(Object.keys(CLASS_NAMES)).to.have.members(MOUNT_CLASSES.map((c) => c.id));
    expect([exposureWords(4.9, 3600), exposureWords(130, 3600), exposureWords(3600, 3600)]).to.deep.equal([
      '4 s',
      '2 min',
      '1 h +',
    ]);
  });
});

describe('words of the power', () => {
  it('every saying and every advice is whole', () => {
    const sayings: PowerSaying[] = [
      { code: 'noSupply' },
      { code: 'noDark' },
      { code: 'mismatch', device: 'Focus motor', battery: 'Battery' },
      { code: 'empties', battery: 'Battery', atMs: Date.parse('2026-11-25T02:10:00Z'), missingAh: 12 },
      { code: 'low', device: 'Mount', peakV: 10.9, lowestV: 11.5 },
      { code: 'short', device: 'Mount', missingM: 0.4 },
      { code: 'lasts', hoursH: 12.2, spareAh: 6.4, battery: 'Battery' },
    ];
    for (const s of sayings) {
      isSentence(powerSentence(s, f), s.code);
      isSentence(powerReason(s, 5, f), s.code);
    }
    expect(plain(powerSentence(sayings[3]!, f))).to.equal('Take 12 Ah more: Battery is empty at 02:10.');
    const advice: PowerAdvice[] = [
      { code: 'fuses', battery: 'B', fuses: [{ port: '1', fuseA: 7.5 }] },
      { code: 'noFuse', battery: 'B', port: '', lowestA: 11.3, highestA: 11 },
      { code: 'fuseUnknown', battery: 'B', port: '2' },
      { code: 'mountShared', battery: 'B' },
      { code: 'commonGround' },
      { code: 'lithiumCold' },
      { code: 'leadCold' },
      { code: 'connectors' },
      { code: 'mains' },
    ];
    for (const a of advice)
      expect(adviceWords(a, f), a.code)
        .to.match(/\.$/)
        .and.not.match(/undefined|NaN/);
  });

  it('says what a device lacks, the worst first', () => {
    const line = powerOfRig(rigs[0]!, parts, { fromMs: 0, toMs: 3_600_000 }, SETTING_DEFAULTS.power).devices[0]!;
    expect(deviceVerdict(line, f)).to.equal('fine');
    expect(deviceVerdict({ ...line, peakV: 10.9, voltage: 'low', cable: 'short' }, f)).to.equal(
      '10.9 V at its peak, wants 11.5 V',
    );
    expect(deviceVerdict({ ...line, dropTooLarge: true, dropShare: 0.05 }, f)).to.equal('loses 5%: thicker cable');
    expect(deviceVerdict({ ...line, cable: 'short', cableM: 1, neededM: 1.55 }, f)).to.match(/too short$/);
    expect(deviceVerdict({ ...line, match: 'mismatch', voltage: 'low' }, f)).to.equal('wrong voltage');
    expect(deviceVerdict({ ...line, overCarried: true }, f)).to.equal('peak above what it carries');
  });
});

describe('words of packing and assembly', () => {
  it('every step of every mount has what to do and why', () => {
    const heron = rigs[0]!;
    const kinds = new Set(parts.map((p) => p.kind));
    for (const mountKind of [
      'germanEquatorial',
      'trackerBracket',
      'trackerBallHead',
      'forkOnWedge',
      'altAzimuth',
    ] as const) {
      const own = parts.map((p) => (p.kind === 'mount' ? { ...p, mountKind } : p));
      for (const step of assemblyOf(rigNumbers(heron, own), kinds)) {
        for (const hands of [HANDS, OTHER_HANDS]) {
          const { why, caution } = assemblyWords(step, hands);
          isSentence(packingSentence({ code: 'assembly', next: step, hands }), step);
          isSentence(why, step);
          if (caution !== null) isSentence(caution, step);
        }
      }
    }
  });

  it('counts what is left, and what you do not have', () => {
    const sayings: PackingSaying[] = [
      { code: 'empty' },
      { code: 'pack', open: 3, pieces: 20, cases: 5 },
      { code: 'pack', open: 0, pieces: 20, cases: 5 },
      { code: 'inventory', open: 2 },
      { code: 'inventory', open: 0 },
      { code: 'assembly', next: null, hands: HANDS },
    ];
    for (const s of sayings) {
      isSentence(packingSentence(s), s.code);
      isSentence(packingReason(s, '34 kg'), s.code);
    }
    const item = { partId: 'x', name: 'Weight', kind: 'weight', count: 2, have: 1 } as const;
    expect(itemWords(item)).to.equal('2 × Weight (you have 1)');
    expect(caseName({ named: 'Blue bag', usual: 'small' })).to.equal('Blue bag');
  });
});
