import { expect } from 'chai';
import fc from 'fast-check';
import { seeded } from '../../../../src/core/math/random.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { focusLine, usualSlopeUmPerDeg } from '../../../../src/core/optics/focusDrift.ts';
import { circleFit, spacingSum, spacingToleranceMm } from '../../../../src/core/optics/spacing.ts';
import { finite, holds } from '../../../support/properties.ts';
import { parts, rigs } from '../../../support/records.ts';

const camera = { id: 'c', name: 'camera', lengthMm: 17.5 };
const piece = (lengthMm: number) => ({ id: `p${lengthMm}`, name: 'piece', lengthMm });

describe('spacing behind a corrector', () => {
  it('adds a third of the filter glass to what is needed, and the camera’s depth to what there is', () => {
    const glass = [{ id: 'f', name: 'filter', thicknessMm: 2, index: 1.5 }];
    const found = spacingSum({
      specifiedMm: 55,
      learnedMm: 0,
      pieces: [piece(38)],
      glass,
      camera,
      toleranceMm: 0.5,
      doubtMm: 0,
    });
    expect(found.neededMm).to.be.closeTo(55.6667, 1e-4);
    expect(found.presentMm).to.equal(55.5);
    expect(found.errorMm).to.be.closeTo(-0.1667, 1e-4);
    expect(found.withinTolerance).to.equal(true);
    expect(found.pieces.map((p) => [p.fromMm, p.toMm])).to.deep.equal([
      [0, 38],
      [38, 55.5],
    ]);
  });

  it('pieces stand end to end, whatever their order, and the error has the sign of the sensor’s shift', () => {
    holds(
      fc.property(fc.array(finite(0.1, 40), { maxLength: 8 }), finite(20, 120), (lengths, specifiedMm) => {
        const sum = (l: number[]) =>
          spacingSum({
            specifiedMm,
            learnedMm: 0,
            pieces: l.map(piece),
            glass: [],
            camera,
            toleranceMm: 0.5,
            doubtMm: 0,
          });
        const found = sum(lengths);
        found.pieces.slice(1).forEach((p, i) => expect(p.fromMm).to.be.closeTo(found.pieces[i]!.toMm, 1e-9));
        expect(sum([...lengths].reverse()).errorMm).to.be.closeTo(found.errorMm, 1e-9);
        expect(sum([...lengths, 3]).errorMm).to.be.closeTo(found.errorMm + 3, 1e-9);
      }),
    );
  });

  it('the tolerance grows with the focal ratio within its ends', () => {
    expect([1.4, 5, 8, 15].map(spacingToleranceMm)).to.deep.equal([0.2, 0.5, 0.8, 1]);
  });

  it('a circle as wide as the diagonal just covers the corners', () => {
    expect(circleFit(28.2, 28.2)).to.deep.equal({ coverage: 1, covers: true });
    expect(circleFit(20, 28.2).covers).to.equal(false);
  });
});

describe('light path of a rig', () => {
  const heron = rigs.find((r) => r.id === 'demo-heron')!;
  const pathOf = (train: string[], change: (p: (typeof parts)[number]) => (typeof parts)[number] = (p) => p) =>
    rigNumbers({ ...heron, train }, parts.map(change)).lightPath;

  it('counts spacers, wheel and shim, glass apart, the camera last', () => {
    const { spacing, plates, misfits, imageCircleMm } = pathOf(heron.train);
    expect(spacing?.pieces.map((p) => p.toMm - p.fromMm)).to.deep.equal([7.5, 20, 0.5, 10, 17.5]);
    expect(plates.map((p) => p.thicknessMm)).to.deep.equal([2]);
    expect([misfits, imageCircleMm]).to.deep.equal([[], 32]);
  });

  it('names neighbours that do not screw together; shims and filters lie loose between', () => {
    const without = heron.train.filter((id) => id !== 'demo-heron-adapter');
    const { misfits } = pathOf(without);
    expect(misfits.map((m) => [m.beforeName, m.afterName])).to.deep.equal([['0.8x reducer-flattener', 'Filter wheel']]);
    const sameGender = pathOf(heron.train, (p) =>
      p.kind === 'spacer' && p.id === 'demo-heron-spacer-10' ? { ...p, front: { ...p.front, gender: 'male' } } : p,
    );
    expect(sameGender.misfits.map((m) => m.beforeName)).to.deep.equal(['Filter wheel']);
  });

  it('asks for no distance without a corrector, and takes the tube’s circle then', () => {
    const bare = pathOf(['demo-heron-camera']);
    expect([bare.corrector, bare.spacing, bare.misfits, bare.imageCircleMm]).to.deep.equal([null, null, [], 44]);
  });

  it('what stands before the corrector does not count', () => {
    const { spacing } = pathOf(['demo-heron-spacer-20', 'demo-heron-reducer', 'demo-heron-camera']);
    expect(spacing?.pieces.map((p) => p.id)).to.deep.equal(['demo-heron-camera']);
  });
});

describe('focus against temperature', () => {
  it('finds the slope of exact points and predicts between them', () => {
    holds(
      fc.property(finite(-60, 60), finite(1000, 30_000), (slope, at0) => {
        const points = [-5, 0, 4, 9].map((temperatureC, i) => ({
          temperatureC,
          positionUm: at0 + slope * temperatureC,
          nightId: `n${i % 3}`,
        }));
        const line = focusLine(points);
        expect(line?.umPerDeg).to.be.closeTo(slope, 1e-6);
        expect(line?.positionUmAt(2)).to.be.closeTo(at0 + 2 * slope, 1e-5);
      }),
    );
  });

  it('tells no slope from too few points or one temperature', () => {
    const at = (temperatureC: number) => ({ temperatureC, positionUm: 100, nightId: 'n' });
    expect(focusLine([at(0), at(5), at(10)])).to.equal(null);
    expect(focusLine([at(4), at(5), at(5), at(6)])).to.equal(null);
    expect(focusLine([])).to.equal(null);
  });

  it('a slope within its doubt of the truth, though each night has an offset of its own', () => {
    let [within, far] = [0, 0];
    for (let seed = 0; seed < 400; seed += 1) {
      const random = seeded(seed);
      const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
      const points = Array.from({ length: 8 }, (_, night) => {
        const [offsetUm, dusk] = [40 * normal(), 20 * random() - 5];
        return Array.from({ length: 2 }, (__, look) => {
          const temperatureC = dusk - 3 * look - random();
          return { temperatureC, positionUm: 9000 + offsetUm - 11 * temperatureC + 8 * normal(), nightId: `n${night}` };
        });
      }).flat();
      const line = focusLine(points)!;
      const off = Math.abs(line.umPerDeg + 11) / line.sigmaUmPerDeg;
      within += off <= 1 ? 1 : 0;
      far += off > 3 ? 1 : 0;
      expect(line.sigmaUmPerDeg, 'offsets of nights do not hide it').to.be.lessThan(2.5);
    }
    expect(within / 400).to.be.within(0.58, 0.78);
    expect(far / 400).to.be.at.most(0.02);
  });

  it('before a slope is known a tube may do what aluminium does', () => {
    expect(usualSlopeUmPerDeg(480)).to.be.closeTo(11.52, 1e-9);
  });
});
