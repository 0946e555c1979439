import { expect } from 'chai';
import { nightAt } from '../../../../../../src/core/night/nightAt.ts';
import { shareOfLength, unguidedSub } from '../../../../../../src/core/night/advice/stars/usableOfNight.ts';
import { whatIf, type WhatIf } from '../../../../../../src/core/night/advice/stars/whatIf.ts';
import { againstNow, whatIfWords } from '../../../../../../src/text/trackingWords.ts';
import { makeFormat } from '../../../../../../src/text/format.ts';
import { changed, night, type Wish } from '../../../../../support/nights.ts';
import { at, error } from '../../../../../support/polar.ts';
import { reading } from '../../../../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
function asked(wish: Wish = {}) {
  const tonight = night(wish);
  const { sub, budget } = nightAt(tonight, tonight.targetSky!.transit.transitMs).stars!;
  const rows = whatIf(tonight, sub);
  return { rows, share: budget.shareAcceptable, of: (code: WhatIf['code']) => rows.find((r) => r.code === code) };
}

describe('what if', () => {
  it('a better pole, better guiding and shorter subs never keep fewer; longer ones never more', () => {
    for (const wish of [{}, { readings: [error(1, 12, -9)] }, { readings: [error(1, 3, 3)] }]) {
      const { share, of } = asked(wish);
      expect(of('pole')!.share).to.be.at.least(share);
      expect(of('guided')!.share).to.be.at.least(share);
      expect(of('shorter')!.share).to.be.at.least(share);
      expect(of('longer')!.share).to.be.at.most(share);
    }
  });

  it('ranks what helps most first, and halves and doubles the planned length', () => {
    const { rows, of } = asked({ readings: [error(1, 12, -9)] });
    rows.slice(1).forEach((row, i) => expect(row.share).to.be.at.most(rows[i]!.share));
    expect([of('shorter')!.value, of('longer')!.value]).to.deep.equal([60, 240]);
  });

  it('better guiding leaves an axis alone that is better already', () => {
    const rms = (rmsRaArcsec: number, rmsDecArcsec: number) =>
      asked({ readings: [reading('guiding', { rmsRaArcsec, rmsDecArcsec }, { ...at(2), id: 'g' })] });
    const { of, share } = rms(0.2, 1.4);
    expect(of('guided')!.share).to.be.at.least(share);
    expect(of('guided')!.share).to.be.at.least(rms(0.7, 1.4).of('guided')!.share);
  });

  it('leaves out what is as good already', () => {
    const good = [
      // Told against the pole that refraction lifts by a little over an arcminute.
      { ...error(1, -1, 0.2), sigma: { altErrorArcmin: 0.3, azErrorArcmin: 0.3 } },
      reading('guiding', { rmsRaArcsec: 0.5, rmsDecArcsec: 0.6 }, { ...at(2), id: 'g' }),
      reading('seeing', { fwhmArcsec: 1.6 }, { ...at(3), id: 's' }),
    ];
    expect(
      asked({ readings: good })
        .rows.map((r) => r.code)
        .sort(),
    ).to.deep.equal(['longer', 'shorter']);
    expect(asked({ readings: good.slice(0, 2) }).of('seeing')).not.to.equal(undefined);
  });

  it('asks an unguided rig for a guider, without any flexure of its own', () => {
    const tonight = night({ readings: [error(1, 1, 1)] });
    const { sub } = unguidedSub(tonight, { haH: -1, altDeg: 60 })!;
    const guided = whatIf(tonight, sub).find((r) => r.code === 'guided')!;
    expect(guided.share).to.be.greaterThan(shareOfLength(sub, sub.exposureS, tonight) + 0.1);
  });

  it('has nothing to say of a mount that nothing drives', () => {
    expect(asked({ parts: changed('demo-heron-mount', { drive: 'byHand' }) }).rows).to.deep.equal([]);
  });

  it('in words, with the difference in whole percent', () => {
    for (const code of ['pole', 'guided', 'guidedRa', 'seeing', 'shorter', 'longer'] as const)
      expect(whatIfWords({ code, value: 2 }, f)).to.match(/^[A-Z].*2/);
    expect([againstNow(0.55, 0.41, f), againstNow(0.3, 0.41, f), againstNow(0.412, 0.41, f)]).to.deep.equal([
      '+14%',
      '−11%',
      'the same',
    ]);
  });
});
