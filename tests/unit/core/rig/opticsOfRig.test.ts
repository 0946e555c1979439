import { expect } from 'chai';
import { refocusAfterC } from '../../../../src/core/optics/focusDrift.ts';
import type { StarsAt } from '../../../../src/core/night/nightAt.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import { eyepieceViews } from '../../../../src/core/rig/eyepieces.ts';
import { binnedSampling, equivalentOf, opticsOfRig } from '../../../../src/core/rig/opticsOfRig.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { expectedStar, opticsSaying, shareOfFrame } from '../../../../src/features/light-path/numbers/numbersModel.ts';
import { comparedRows, equivalentWords, focusWords } from '../../../../src/text/opticsWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { changed } from '../../../support/nights.ts';
import { parts, rigs } from '../../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
/** Of Heron: its sensor stands a sixth of a millimetre short of what a reducer of 240 mm asks for. */
const RATIO = 6 * (0.8 + 1 / 6 / 240);
const of = (name: string, own: readonly Part[] = parts) => {
  const rig = rigs.find((r) => r.name === name)!;
  return opticsOfRig(rig, own, rigNumbers(rig, own))!;
};

describe('what optics and sensor do together', () => {
  it('Heron: 62 um of focus, 1.24 px by the seeing alone, a guide scope of 2.5 times its pixels', () => {
    const heron = of('Heron');
    expect(heron.train.focalRatio).to.be.closeTo(RATIO, 1e-6);
    expect(heron.focus.toleranceUm).to.be.closeTo(4.88 * 0.55 * RATIO ** 2, 0.01);
    expect(heron.seeingPx).to.be.closeTo(1.2389, 1e-3);
    expect(heron.coverage).to.be.closeTo(32 / 28.2567, 1e-4);
    expect(heron.guide).to.deep.include({ verdict: 'comfortable', noiseVerdict: 'fine' });
    expect(heron.guide!.scaleRatio).to.be.closeTo((4.98476 * 6 * 80 * (RATIO / 6)) / (206.265 * 3.76), 1e-3);
    expect(heron.guide!.centroidErrorArcsec).to.be.closeTo(0.15 * 4.98476, 1e-3);
  });

  it('the corners of a wide field get less light, by the fourth power of the cosine', () => {
    expect(of('Wagtail').cornerLight).to.be.closeTo(Math.cos((6.702 * Math.PI) / 180) ** 4, 1e-3);
  });

  it('counts the focus as its focuser does, when that was said', () => {
    const tube = rigs.find((r) => r.name === 'Heron')!.imagingTubeId;
    const counted = of('Heron', changed(tube, { focuser: { unit: 'step', umPerUnit: 4 } }));
    expect(counted.focus.inUnits!.count).to.be.closeTo((4.88 * 0.55 * RATIO ** 2) / 4, 0.01);
    expect(focusWords(counted.focus, f)).to.equal('62 µm in all, 15 steps');
    expect(of('Heron').focus.inUnits).to.equal(null);
  });

  it('guide noise over half a pixel is too coarse, and the least focal length mends the scales', () => {
    const coarse = of('Heron', changed('demo-heron-guide-scope', { focalMm: 40 }));
    expect(coarse.guide!.noiseVerdict).to.equal('tooCoarse');
    expect(opticsSaying(coarse, null).code).to.equal('guideCoarse');
    const { leastFocalMm } = coarse.guide!;
    const at = (focalMm: number) => of('Heron', changed('demo-heron-guide-scope', { focalMm })).guide!;
    // Half a pixel of noise at 0.15 px of centroid is a ratio of three and a third: the scales match before.
    expect(at(leastFocalMm * 1.001)).to.deep.include({ noiseVerdict: 'fine', verdict: 'comfortable' });
    expect(at(leastFocalMm * 0.999).noiseVerdict).to.equal('tooCoarse');
    expect(at(leastFocalMm).scaleRatio).to.be.closeTo(0.5 / 0.15, 1e-6);
    expect(of('Heron', changed('demo-heron-guide-scope', { pixelUm: null })).guide).to.equal(null);
  });

  it('names dark corners before anything else', () => {
    const small = of('Heron', changed('demo-heron-reducer', { imageCircleMm: 20 }));
    expect(opticsSaying(small, null)).to.deep.include({ code: 'cornersDark' });
    expect(opticsSaying(of('Heron'), null)).to.deep.include({ code: 'coarse', expected: false });
  });

  it('the star is the account’s where there is one, else the seeing’s; a target is measured against the shorter side', () => {
    const heron = of('Heron');
    expect(expectedStar(heron, null)).to.deep.include({ fwhmArcsec: 2.5, lengthOverWidth: 1, isExpected: false });
    const star = { majorFwhmArcsec: 4, lengthOverWidth: 1.3 };
    const stars = { budget: { star, evenFwhmArcsec: 3 } } as unknown as StarsAt;
    expect(expectedStar(heron, stars).fwhmPx).to.be.closeTo(4 / heron.train.scaleArcsecPerPx, 1e-9);
    // A mount that draws the star out does not make pixels suit it.
    const drawn = opticsSaying(heron, stars);
    expect('starPx' in drawn && drawn.starPx).to.be.closeTo(3 / heron.train.scaleArcsecPerPx, 1e-9);
    expect(shareOfFrame(heron, 60)).to.be.closeTo(1 / heron.train.fieldHeightDeg, 1e-9);
  });

  it('binning halves the width in pixels and doubles the scale', () => {
    expect(binnedSampling(8, 1).map((b) => [b.scaleArcsecPerPx, b.fwhmPx, b.sampling])).to.deep.equal([
      [1, 8, 'over'],
      [2, 4, 'over'],
      [3, 8 / 3, 'good'],
    ]);
  });

  it('exposures are worth as much both ways', () => {
    const [heron, wagtail] = [of('Heron'), of('Wagtail')];
    const there = equivalentOf(heron, wagtail, 120);
    expect(there.perPixelS).to.be.closeTo(120 * (2.80083 / RATIO) ** 2 * (3.76 / 4.4) ** 2, 0.01);
    expect(there.perObjectS).to.be.closeTo(120 * (80 / wagtail.apertureMm) ** 2, 0.01);
    expect(equivalentOf(wagtail, heron, there.perPixelS).perPixelS).to.be.closeTo(120, 1e-6);
    expect(equivalentOf(wagtail, heron, there.perObjectS).perObjectS).to.be.closeTo(120, 1e-6);
    expect(equivalentWords(there, 'Heron', 'Wagtail', f)).to.match(/^2 min with Heron are 30 s with Wagtail/);
  });

  it('lists every number with its difference, and none where one is not known', () => {
    const rows = comparedRows(of('Heron'), of('Wagtail'), f);
    expect(rows.find((r) => r.name === 'Focal length')).to.deep.include({
      is: '384 mm',
      other: '135 mm',
      difference: '−249 mm',
    });
    expect(rows.find((r) => r.name === 'Guide noise')).to.deep.include({ other: 'no guide scope', difference: '–' });
  });

  it('half the tolerance is used up after so many degrees', () => {
    expect(refocusAfterC(97, -38)).to.be.closeTo(1.276, 1e-3);
  });
});

describe('eyepieces of the box', () => {
  const tube = { ...parts.find((p) => p.kind === 'tube')!, apertureMm: 150, focalMm: 750 } as Extract<
    Part,
    { kind: 'tube' }
  >;
  const base = parts.find((p) => p.kind === 'corrector')!;
  const eyepiece = (id: string, focalMm: number): Part =>
    ({ ...base, id, name: id, kind: 'eyepiece', focalMm }) as unknown as Part;
  const barlow = { ...base, id: 'b', name: 'Barlow', factor: 2 } as Part;

  it('the lowest power comes first; a barlow doubles power and halves field and pupil', () => {
    const views = eyepieceViews(tube, [eyepiece('10', 10), eyepiece('25', 25), barlow, base]);
    expect(views.map((v) => [v.name, v.barlow, v.magnification])).to.deep.equal([
      ['25', null, 30],
      ['25', 'Barlow', 60],
      ['10', null, 75],
      ['10', 'Barlow', 150],
    ]);
    expect([views[0]!.fieldDeg, views[1]!.fieldDeg]).to.deep.equal([50 / 30, 50 / 60]);
    expect([views[0]!.exitPupilMm, views[1]!.exitPupilMm]).to.deep.equal([5, 2.5]);
  });

  it('tells what is more than the aperture carries', () => {
    expect(eyepieceViews(tube, [eyepiece('2', 2)])[0]!.overUseful).to.equal(true);
    expect(eyepieceViews(tube, [{ ...eyepiece('25', 25), archived: true }])).to.deep.equal([]);
  });
});
