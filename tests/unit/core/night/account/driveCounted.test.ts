import { expect } from 'chai';
import { driveCounted, turnCounted } from '../../../../../src/core/night/account/driveCounted.ts';
import { unguidedSub } from '../../../../../src/core/night/advice/stars/usableOfNight.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { countedWords } from '../../../../../src/text/logWords.ts';
import { before, changed, night } from '../../../../support/nights.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const log = before(
  'track',
  {
    periodS: 400,
    harmonics: [
      { k: 1, amplitudeArcsec: 5, phaseDeg: 90 },
      { k: 2, amplitudeArcsec: 1, phaseDeg: 0 },
    ],
    raDriftArcsecPerMin: 0,
    decDriftArcsecPerMin: 0,
    residualArcsec: 0.3,
  },
  't',
  { type: 'mount', id: 'demo-heron-mount' },
);

describe('the drive that is counted', () => {
  it('is the last one that a log saw, and the one that the account draws from', () => {
    const logged = night({ readings: [log] });
    const counted = driveCounted(logged.records, logged.numbers.mount);
    expect(counted.reading!.id).to.equal('t');
    const { tracking } = unguidedSub(logged, { haH: -1, altDeg: 60 })!.sub;
    expect(tracking.guided ? null : tracking.drive).to.deep.equal(counted.drive);
    const turn = turnCounted(counted)!;
    expect([turn.periodS, turn.harmonics.map((h) => h.k)]).to.deep.equal([400, [1, 2]]);
    expect(turn.harmonics[0]!.phaseDeg).to.equal(90);
    expect(countedWords(counted.reading!.takenAtUtc, turn, f)).to.match(
      /^As recorded on .*1 Nov.*: 10\.\d″ .* 400 s\.$/,
    );
  });

  it('before that is the usual one of its kind, and nothing where nothing turns it', () => {
    const none = night();
    const usual = driveCounted(none.records, none.numbers.mount);
    const turn = turnCounted(usual)!;
    expect([usual.reading, turn.peakToPeakArcsec.toFixed(1)]).to.deep.equal([null, '15.0']);
    expect(countedWords(null, turn, f)).to.match(/^Taken as usual for its kind: 15\.0″/);
    const hand = night({ parts: changed('demo-heron-mount', { drive: 'byHand' }) });
    expect(turnCounted(driveCounted(hand.records, hand.numbers.mount))).to.equal(null);
  });
});
