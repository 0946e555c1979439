/** A corrector whose distance nobody knows, and a camera whose depth and thread are guesses. */
import { expect } from 'chai';
import type { Part, PartOf } from '../../../../src/core/records/part.ts';
import { unlookedOf } from '../../../../src/core/night/ledger/judgement.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { BACK_FOCUS_DOUBT_MM, depthDoubtMm, USUAL_BACK_FOCUS_MM } from '../../../../src/core/rig/lightBasis.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { lightPathModel } from '../../../../src/features/light-path/model.ts';
import { lightPathSummary } from '../../../../src/features/light-path/station.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { changed, night } from '../../../support/nights.ts';
import { lookAt, ROUND, toward } from '../../../support/cornersSeen.ts';
import { parts, rigs } from '../../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const heron = rigs.find((r) => r.id === 'demo-heron')!;
const told = rigNumbers(heron, parts).lightPath;
const corrector = told.corrector!;
const camera = parts.find((p) => p.id === heron.cameraId) as PartOf<'camera'>;
const unknown = changed(corrector.id, { backFocusMm: null });
const guessedDepth = changed(camera.id, { depthBasis: 'assumed' });

describe('a distance that nobody knows', () => {
  const { spacing, assumed } = rigNumbers(heron, unknown).lightPath;

  it('is 55 mm, give or take 2, and said to be', () => {
    expect([spacing!.specifiedMm, spacing!.doubtMm]).to.deep.equal([USUAL_BACK_FOCUS_MM, BACK_FOCUS_DOUBT_MM]);
    expect([USUAL_BACK_FOCUS_MM, BACK_FOCUS_DOUBT_MM]).to.deep.equal([55, 2]);
    expect(assumed).to.deep.equal(['backFocus']);
    expect([told.spacing!.doubtMm, told.assumed]).to.deep.equal([0, []]);
  });

  it('is never called right, and does not move the focal length', () => {
    const here = night({ parts: unknown });
    expect(lightPathModel(here).saying).to.deep.include({ code: 'assumed', what: 'backFocus', doubtMm: 2 });
    expect(lightPathSummary(here, f).state).to.equal('half');
    expect(unlookedOf(here)).to.include('spacing');
    expect(rigNumbers(heron, unknown).train!.focalEffectiveMm).to.be.closeTo(480 * corrector.factor, 1e-9);
  });

  const look = (minute: number, spacingMm: number, places: object, more: object = {}): Reading =>
    lookAt(corrector.id, minute, places, { spacingMm, glassMm: told.spacing!.glassMm, ...more });
  const { presentMm } = told.spacing!;

  it('is found by the corners: once they are round it stands, whatever its number', () => {
    const found = night({ parts: unknown, readings: [look(1, presentMm, ROUND)] });
    expect(found.numbers.lightPath.assumed).to.deep.equal([]);
    expect(found.numbers.lightPath.spacing).to.deep.include({ doubtMm: 0, withinTolerance: true });
    expect(lightPathModel(found).saying.code).to.equal('right');
  });

  it('is searched for farther off than one that the corrector told', () => {
    const near = [look(1, presentMm, toward(true)), look(2, presentMm + 1, toward(true))];
    const by = (all: Part[]): number => night({ parts: all, readings: near }).learned.spacing.best!.bestMm;
    expect(by(unknown)).to.be.greaterThan(by([...parts]) + 0.3);
  });

  it('a depth that is told later moves the looked-at distance along: round stays round', () => {
    const seen = look(1, presentMm, ROUND, { guessedDepth: { cameraId: camera.id, depthMm: camera.depthMm } });
    const deeper = (more: object): ReturnType<typeof night> =>
      night({ parts: changed(camera.id, { depthMm: camera.depthMm + 1.5, ...more }), readings: [seen] });
    const { spacing: then } = deeper({ depthBasis: 'stated' }).numbers.lightPath;
    expect(then!.presentMm).to.be.closeTo(presentMm + 1.5, 1e-9);
    expect(then!.errorMm).to.be.closeTo(0, 1e-9);
    const typed = night({
      parts: changed(camera.id, { depthMm: camera.depthMm + 1.5 }),
      readings: [look(1, presentMm, ROUND)],
    });
    expect(typed.numbers.lightPath.spacing!.errorMm).to.be.closeTo(1.5, 1e-9);
  });
});

describe('corners that were seen with a guessed depth', () => {
  const { presentMm, glassMm } = told.spacing!;
  const seenWith = (cameraId: string, more: object = {}): Reading =>
    lookAt(corrector.id, 1, ROUND, {
      spacingMm: presentMm,
      glassMm,
      guessedDepth: { cameraId, depthMm: camera.depthMm },
      ...more,
    });
  const other = { ...camera, id: 'other', depthBasis: 'assumed' as const };

  it('are certain for that camera, say nothing of another one, and come to speak once its depth is told', () => {
    const own = night({ parts: guessedDepth, readings: [seenWith(camera.id)] });
    expect(own.numbers.lightPath.spacing!.doubtMm).to.equal(0);
    const ofOther = (basis: 'assumed' | 'stated') =>
      night({ parts: [...parts, { ...other, depthBasis: basis }], readings: [seenWith('other')] }).learned.spacing;
    expect([ofOther('assumed').learnedMm, ofOther('stated').isLearned]).to.deep.equal([null, true]);
  });

  it('a distance learned with a told depth leaves the doubt of a camera that is guessed', () => {
    const plain = lookAt(corrector.id, 1, ROUND, { spacingMm: presentMm, glassMm });
    const { spacing } = night({ parts: guessedDepth, readings: [plain] }).numbers.lightPath;
    expect(spacing!.doubtMm).to.equal(depthDoubtMm({ ...camera, depthBasis: 'assumed' }));
    expect(night({ readings: [plain] }).numbers.lightPath.spacing!.doubtMm).to.equal(0);
  });
});

describe('a camera whose depth and thread are guesses', () => {
  it('a body and its adapter are known better than how deep a camera for the telescope is', () => {
    const depth = (more: object): number => depthDoubtMm({ ...camera, ...more });
    expect(depth({})).to.equal(0);
    expect(depth({ sizeBasis: 'assumed' })).to.be.greaterThan(2);
    expect(depth({ sizeBasis: 'assumed', depthBasis: 'stated' })).to.equal(0);
    expect(depth({ depthBasis: 'assumed', bodyKind: 'lensMount' })).to.be.within(0.1, 1);
  });

  it('is neither right nor wrong within its doubt, and wrong beyond it', () => {
    const here = night({ parts: guessedDepth });
    expect(lightPathModel(here).saying).to.deep.include({ code: 'assumed', what: 'depth', depthMm: 17.5 });
    expect(here.numbers.lightPath.spacing!.pieces.at(-1)!.isGuessed).to.equal(true);
    const far = night({ parts: changed(camera.id, { depthBasis: 'assumed', depthMm: camera.depthMm + 15 }) });
    expect(lightPathModel(far).saying).to.deep.include({ code: 'long', doubtMm: 5 });
    const short = night({ parts: changed(camera.id, { depthBasis: 'assumed', depthMm: camera.depthMm - 8 }) });
    expect(lightPathModel(short).saying.code).to.equal('assumed');
  });

  it('less known is never judged better', () => {
    const state = (patch: object) => lightPathSummary(night({ parts: changed(camera.id, patch) }), f).state;
    expect([state({}), state({ depthBasis: 'assumed' })]).to.deep.equal(['done', 'half']);
  });

  it('a guessed thread accuses nobody, a told one does', () => {
    const other = { ...camera.front, thread: 'M68x1' };
    const by = (basis: 'assumed' | 'stated') =>
      rigNumbers(heron, changed(camera.id, { front: { ...other, basis } })).lightPath;
    expect([by('stated').misfits.length, by('assumed').misfits.length]).to.deep.equal([1, 0]);
    expect([by('stated').assumed, by('assumed').assumed]).to.deep.equal([[], ['thread']]);
  });
});
