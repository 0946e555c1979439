/** A tube between a fork's arms: front to back, and nothing else. */
import { expect } from 'chai';
import fc from 'fast-check';
import { NORTH as GARDEN, derived } from '../../../../scripts/trials/ownWorld.ts';
import type { OwnAnswers } from '../../../../src/core/night/advice/ownNight.ts';
import type { NightStatic } from '../../../../src/core/night/nightStatic.ts';
import { ledgerOf, orderOfNight } from '../../../../src/core/night/ledger/ledger.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { forkBalance } from '../../../../src/core/rig/forkBalance.ts';
import { handsOf } from '../../../../src/core/rig/assembly.ts';
import type { TubeSideMass } from '../../../../src/core/rig/rigMasses.ts';
import { forkSaying } from '../../../../src/features/balance/forkModel.ts';
import { balanceSummary } from '../../../../src/features/balance/station.ts';
import { assemblyWords } from '../../../../src/text/assemblyWords.ts';
import { forkReason, forkSentence, type ForkSaying } from '../../../../src/text/forkWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { plain } from '../../../../src/text/said.ts';
import { TUBE_ENDS } from '../../../../src/text/tubeEnds.ts';
import { holds } from '../../../support/properties.ts';
import { at } from '../../../support/nights.ts';
import { reading } from '../../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const ends = TUBE_ENDS.camera;
const FORK: OwnAnswers['rig'] = {
  carrier: 'forkOnWedge',
  size: 'middle',
  finder: 'none',
  optics: { kind: 'mirrorLens', focalMm: 2000, apertureMm: 200 },
  sensor: { format: 'reduced', megapixels: 24 },
  guided: false,
};
const tried = (...drops: string[]): NightStatic =>
  derived({ where: GARDEN, rigName: 'Fork', rig: FORK }, ({ nightId, rigId }) =>
    drops.map((one, i): Reading =>
      reading(
        'balance',
        { axis: 'dec', positionM: null, drops: one },
        { ...at(i), id: `b${i}`, nightId, subject: { type: 'rig', id: rigId } },
      ),
    ),
  );
const { numbers } = tried();
const withPiece = (massKg: number, alongTubeM: number) => {
  const piece = { ...numbers.masses.tubeSide[0]!, id: 'x', partId: 'x', massKg, alongTubeM } satisfies TubeSideMass;
  return forkBalance({ ...numbers, masses: { ...numbers.masses, tubeSide: [...numbers.masses.tubeSide, piece] } })!;
};

describe('a tube in its fork', () => {
  it('is pulled by what hangs on it; a camera at its rear asks for a weight in front', () => {
    const { momentKgM, hang, isEven, doubtKgM } = forkBalance(numbers)!;
    const by = numbers.masses.tubeSide.reduce((sum, p) => sum + p.massKg * p.alongTubeM, 0);
    expect([momentKgM, isEven]).to.deep.equal([by, false]);
    expect(momentKgM).to.be.lessThan(-0.03);
    expect(hang!.atM).to.be.within(0.01, numbers.tube!.frontM);
    expect(doubtKgM).to.be.greaterThan(0);
  });

  it('the weight that is proposed makes it even, lies on the tube, and no lighter one would do', () =>
    holds(
      fc.property(
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        (kg, m) => {
          const { hang, isEven, momentKgM } = withPiece(kg, m);
          expect(isEven).to.equal(Math.abs(momentKgM) <= 0.03);
          if (isEven) expect(hang).to.equal(null);
          if (!hang) return;
          expect(momentKgM + hang.massKg * hang.atM).to.be.closeTo(0, 1e-9);
          const endM = 0.9 * (hang.atM > 0 ? numbers.tube!.frontM : numbers.tube!.backM);
          expect(Math.abs(hang.atM)).to.be.at.most(endM + 1e-9);
          if (hang.massKg > 0.25) expect(Math.abs(momentKgM)).to.be.greaterThan((hang.massKg / 2) * endM * 0.99);
        },
      ),
    ));

  it('the hand counts: its answer is followed, the figure only where both say the same', () => {
    const saying = (...drops: string[]) => forkSaying(tried(...drops));
    expect(saying().code).to.equal('try');
    expect(saying('rear')).to.deep.include({ code: 'drops', end: 'rear', hang: forkBalance(numbers)!.hang });
    expect(saying('front')).to.deep.include({ code: 'drops', end: 'front', hang: null });
    expect(saying('rear', 'none').code).to.equal('balanced');
    expect(['', 'rear', 'none'].map((d) => balanceSummary(d === '' ? tried() : tried(d), f).state)).to.deep.equal([
      'open',
      'half',
      'done',
    ]);
  });

  it('is a step of the order, won by the trial that stays, and said for this mount', () => {
    const night = tried('none');
    const order = orderOfNight(night);
    expect(order.indexOf('balance')).to.be.within(1, order.indexOf('cablesLast') - 1);
    expect([ledgerOf(night).balance.state, ledgerOf(tried('rear')).balance.state]).to.deep.equal(['won', 'unknown']);
    expect(assemblyWords('balance', handsOf(night.numbers)).do).to.match(/front to back/);
  });

  it('has words for every state', () => {
    const found = forkBalance(numbers)!;
    const even = { ...found, momentKgM: 0.01, isEven: true, hang: null };
    const sayings: ForkSaying[] = [
      { code: 'noMasses' },
      { code: 'try', found },
      { code: 'try', found: even },
      { code: 'balanced', found },
      { code: 'drops', end: 'rear', hang: found.hang, found },
      { code: 'drops', end: 'front', hang: null, found },
    ];
    for (const s of sayings) {
      expect(plain(forkSentence(s, f, ends, 'fork')), s.code).to.match(/^[A-Z].*\.$/);
      expect(forkReason(s, f, ends, 'fork'), s.code).to.match(/^[A-Z].*\.$/);
    }
    expect(plain(forkSentence(sayings[4]!, f, ends, 'fork'))).to.match(/toward the front, then try again/);
    expect(forkReason(sayings[1]!, f, ends, 'fork')).to.match(/camera end pulls by .* toward the front would hold it/);
  });
});
