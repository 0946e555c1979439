/** The parts box between a rig's corrector and its camera, and the train that a stack makes. */
import { expect } from 'chai';
import { fitStack } from '../../../../src/core/optics/stack/fitStack.ts';
import { boxFit, trainWithStack } from '../../../../src/core/rig/boxFit.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import { FIT, offWords, toBuyWords, stackWords } from '../../../../src/text/fitWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { parts, rigs } from '../../../support/records.ts';

const heron = rigs.find((r) => r.name === 'Heron')!;
const f = makeFormat('metric', 'UTC');
const fitOf = (all: readonly Part[] = parts, train: readonly string[] = heron.train) => {
  const { lightPath, camera } = rigNumbers({ ...heron, train: [...train] }, all);
  return boxFit(lightPath, camera, all, train)!;
};
const kindOf = (id: string) => parts.find((p) => p.id === id)!.kind;

describe('fitting from the box', () => {
  it('asks for what corrector, glass and camera leave; spacers of the whole box, the wheel of this rig only', () => {
    const { input } = fitOf();
    expect(input.neededMm).to.be.closeTo(55 + 2 / 3 - 17.5, 1e-9);
    const wheel = input.box.find((p) => kindOf(p.id) === 'wheel')!;
    expect([wheel.required, wheel.count]).to.deep.equal([true, 1]);
    expect(input.box.filter((p) => kindOf(p.id) === 'spacer').every((p) => p.required === false)).to.equal(true);
    const without = fitOf(
      parts,
      heron.train.filter((id) => kindOf(id) !== 'wheel'),
    );
    expect(without.input.box.some((p) => kindOf(p.id) === 'wheel')).to.equal(false);
    const gone = fitOf(parts.map((p) => (p.kind === 'spacer' ? { ...p, archived: true } : p)));
    expect(gone.input.box.map((p) => kindOf(p.id))).to.deep.equal(['wheel']);
    const { lightPath } = rigNumbers(heron, parts);
    expect(boxFit(lightPath, null, parts, heron.train)).to.equal(null);
    expect(boxFit({ ...lightPath, corrector: null }, null, parts, heron.train)).to.equal(null);
  });

  it('the length of a guessed thread counts in the search as little as on the bench', () => {
    const front = (basis: 'assumed' | 'stated') =>
      fitOf(
        parts.map((p) =>
          p.kind === 'camera' && p.id === heron.cameraId ? { ...p, front: { ...p.front, lengthMm: 2, basis } } : p,
        ),
      ).input.ends.cameraFront.lengthMm;
    expect([front('stated'), front('assumed')]).to.deep.equal([2, null]);
  });

  it('a stack becomes the train: corrector first, filters behind the wheel, shims and the camera last', () => {
    const [best] = fitStack(fitOf().input).best;
    const train = trainWithStack(heron.train, parts, best!);
    const before = heron.train.slice(0, heron.train.findLastIndex((id) => kindOf(id) === 'corrector') + 1);
    expect(train.slice(0, before.length)).to.deep.equal(before);
    const kinds = train.map(kindOf);
    expect(kinds.indexOf('filter')).to.equal(kinds.indexOf('wheel') + 1);
    expect([...train].filter((id) => kindOf(id) === 'filter')).to.deep.equal(
      heron.train.filter((id) => kindOf(id) === 'filter'),
    );
    const { lightPath } = rigNumbers({ ...heron, train }, parts);
    expect(lightPath.misfits).to.deep.equal([]);
    expect(lightPath.spacing!.errorMm).to.be.closeTo(best!.errorMm, 1e-9);
    // Taken again it is the same.
    expect(trainWithStack(train, parts, best!)).to.deep.equal(train);
  });

  it('is told in pieces, in how far it is off, and in what would close the gap', () => {
    expect(stackWords(['Adapter', 'Wheel'], [0.5], f)).to.equal('Adapter, Wheel, shim 0.5 mm');
    expect(stackWords([], [], f)).to.contain('screws on directly');
    expect([
      offWords({ errorMm: -0.166 }, f),
      offWords({ errorMm: 1.2 }, f),
      offWords({ errorMm: 0.004 }, f),
    ]).to.deep.equal(['0.17 mm short', '1.20 mm long', 'fits']);
    const joint = { thread: 'M42', gender: 'female' as const };
    const bought = {
      lengthMm: 6.667,
      front: joint,
      rear: { ...joint, gender: 'male' as const },
      before: ['a'],
      after: ['w'],
    };
    expect(toBuyWords({ kind: 'piece', purchase: bought }, (id) => id.toUpperCase(), f)).to.equal(
      'One piece would close the gap: 6.67 mm long, M42x0.75 female toward the corrector, M42x0.75 male toward the camera, behind A and before W.',
    );
    for (const words of [FIT.unproven, FIT.cancelled, FIT.died]) expect(words).to.match(/^[A-Z].*\.$/);
  });
});
