import { expect } from 'chai';
import { footAzimuthsDeg } from '../../../../src/core/mount/level.ts';
import { firstFootAzimuthDeg } from '../../../../src/core/pole/groundMarks.ts';
import { bearingModel, feetOf } from '../../../../src/features/level/model.ts';
import { bearingSentence } from '../../../../src/text/levelWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import { at, changed, night } from '../../../support/nights.ts';
import { reading } from '../../../support/records.ts';
import { south } from '../../../support/polar.ts';

const f = makeFormat('metric', 'UTC');
const asked = (towardPole: 'leg' | 'gap' | null) => ({
  parts: changed('demo-heron-mount', { towardPole }).map((p) =>
    p.id === 'demo-heron-tripod' ? { ...p, firstFootAzimuthDeg: 77 } : p,
  ),
});
/** How far the nearest leg stands from a bearing. */
const nearest = (feet: readonly number[], deg: number): number =>
  Math.min(...feet.map((foot) => Math.abs(((foot - deg + 540) % 360) - 180)));

describe('where the feet stand', () => {
  it('as the record says while it was not asked, then a leg or a gap toward the pole', () => {
    expect(feetOf(night(asked(null)))).to.deep.equal(footAzimuthsDeg(77));
    expect(nearest(feetOf(night(asked('leg'))), 0)).to.equal(0);
    expect(nearest(feetOf(night(asked('gap'))), 0)).to.equal(60);
  });

  it('toward the southern pole in the south', () => {
    const parts = night(south).records.parts.map((p): Part =>
      p.kind === 'mount' ? { ...p, towardPole: 'leg' as const } : p,
    );
    expect(nearest(feetOf(night({ ...south, parts })), 180)).to.equal(0);
  });

  it('what was read tonight counts before it, and the sentence stands legs astride', () => {
    const feet = reading('feet', { azimuthDeg: 12 }, { ...at(1), id: 'feet' });
    const read = night({ ...asked('leg'), readings: [feet] });
    expect(firstFootAzimuthDeg(read.records, read.numbers)).to.equal(12);
    expect(bearingSentence(bearingModel(night(asked('gap'))).saying, f)).to.contain('Stand **two legs** astride it');
    expect(bearingSentence(bearingModel(night(asked('leg'))).saying, f)).to.contain('leg** along it');
  });
});
