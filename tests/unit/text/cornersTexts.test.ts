import { expect } from 'chai';
import type { CornersVerdict } from '../../../src/core/optics/corners/judgeCorners.ts';
import {
  bestWords,
  cornersReason,
  cornersSentence,
  seenStarWords,
  verdictName,
} from '../../../src/text/cornersWords.ts';
import { nothingWords } from '../../../src/text/fitWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import {
  eyepieceWords,
  guideWords,
  opticsReason,
  opticsSentence,
  refocusWords,
} from '../../../src/text/opticsWords.ts';
import { plain } from '../../../src/text/said.ts';
import { bottomedWords, endsWords } from '../../../src/text/trainWords.ts';
import type { Part } from '../../../src/core/records/part.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const isSentence = (words: string): void =>
  void expect(plain(words))
    .to.match(/^[A-Z0-9].*\.$/)
    .and.not.match(/NaN|undefined/);

describe('words of corners by eye', () => {
  const best = { distanceMm: 55.9, sigmaMm: 0.2, looks: 3 };
  const told = (verdict: CornersVerdict, stepMm: number | null = 0.4) =>
    ({ code: 'told', verdict, drawnAlong: null, stepMm, low: false, spacingMm: 55.5, best }) as const;
  const said = (verdict: CornersVerdict, stepMm?: number | null) => {
    const s = told(verdict, stepMm === undefined ? 0.4 : stepMm);
    return [plain(cornersSentence(s, f)), cornersReason(s, f)];
  };

  it('every verdict has a name, a sentence for the hand and a reason', () => {
    const all: CornersVerdict[] = [
      { code: 'good' },
      { code: 'tooClose', lean: 1 },
      { code: 'tooFar', lean: -1 },
      { code: 'tilt', at: 'left' },
      { code: 'tilt', at: null },
      { code: 'tracking', stick: 'rising' },
      { code: 'focus' },
      { code: 'coma' },
      ...(['focusFirst', 'centreLong', 'mixed', 'fieldTurn'] as const).map(
        (why) => ({ code: 'cannotTell', why }) as const,
      ),
    ];
    for (const verdict of all) {
      for (const words of said(verdict)) isSentence(words);
      expect(verdictName(verdict)).to.match(/^[a-z]/);
    }
    for (const hasCorrector of [true, false]) {
      isSentence(cornersSentence({ code: 'none', hasCorrector }, f));
      isSentence(cornersReason({ code: 'none', hasCorrector }, f));
    }
  });

  it('steps by the sign of what is missing, not by the last look', () => {
    expect(said({ code: 'tooFar', lean: -1 }, 0.37)[0]).to.equal(
      'Add 0.37 mm between corrector and camera, then look again.',
    );
    expect(said({ code: 'tooClose', lean: 1 }, -0.37)[0]).to.match(/^Take out 0.37 mm/);
    expect(said({ code: 'tooClose', lean: 1 }, 0.04)[0]).to.match(/^Look once more/);
    expect(said({ code: 'tooClose', lean: 1 }, null)[0]).to.match(/^Type in how far/);
    expect(said({ code: 'tooClose', lean: 1 })[1]).to.equal(
      'At 55.50 mm the corners say that the sensor stands too near the corrector. Together 3 looks put the best distance at 55.90 mm, ±0.2 mm.',
    );
  });

  it('names the axis along which stars are drawn', () => {
    const s = { ...told({ code: 'tracking', stick: 'level' }), drawnAlong: 'ra' } as const;
    expect(cornersReason(s, f)).to.include('right ascension');
    expect(cornersReason({ ...s, drawnAlong: 'dec' }, f)).to.include('declination');
    expect(cornersReason(s, f)).not.to.include('air');
    expect(cornersReason({ ...s, low: true }, f)).to.include('the air does it too');
  });

  it('tells a star, and the best distance until it counts and then', () => {
    expect(seenStarWords({ stick: 'round', strong: false })).to.equal('round');
    expect(seenStarWords({ stick: 'rising', strong: true })).to.equal('clearly long, leaning right');
    expect(bestWords({ ...best, learned: true }, f)).to.include('learned from 3 looks');
    expect(bestWords({ ...best, learned: false }, f)).to.include('Not certain enough');
  });
});

describe('words of a light path', () => {
  const end = (thread: string, gender: string) => ({ thread, gender });
  const adapter = { kind: 'spacer', front: end('M48', 'female'), rear: end('M42', 'male') } as unknown as Part;

  it('ends stand in the order of the light, also turned round', () => {
    expect(endsWords(adapter, false)).to.equal('M48x0.75 to M42x0.75');
    expect(endsWords(adapter, true)).to.equal('M42x0.75 to M48x0.75, turned round');
    expect(endsWords({ kind: 'shim' } as Part, false)).to.equal('');
    isSentence(bottomedWords({ beforeName: 'Reducer', afterName: 'Spacer', gapMm: 1.5, at: 1 }, f));
  });

  it('says why nothing screws together', () => {
    const name = (id: string) => id.toUpperCase();
    const none = { code: 'noWay', reached: ['male M48x0.75', 'male C 1 in x32'], wanted: ['male M42x0.75'] } as const;
    expect(nothingWords({ ...none, reached: [...none.reached], wanted: [...none.wanted] }, name)).to.include(
      'they lead to M48x0.75 male, C 1 in x32 male; the camera is reached only from M42x0.75 male',
    );
    expect(nothingWords({ code: 'required', id: 'wheel' }, name)).to.match(/^WHEEL must stay/);
    isSentence(nothingWords({ code: 'copies' }, name));
  });

  it('optics: what to do, and why', () => {
    const guide = {
      name: 'Guide scope',
      guideScaleArcsecPerPx: 15,
      imagingScaleArcsecPerPx: 2,
      scaleRatio: 7.5,
      centroidErrorArcsec: 2.2,
      centroidErrorImagingPx: 1.1,
      verdict: 'poor',
      noiseVerdict: 'tooCoarse',
      leastFocalMm: 92,
    } as const;
    for (const s of [
      { code: 'cornersDark', coverage: 0.7 },
      { code: 'guideCoarse', guide },
      { code: 'fine', starPx: 4, expected: true },
      { code: 'coarse', starPx: 1, expected: false },
      { code: 'matched', starPx: 2.4, expected: true },
    ] as const) {
      isSentence(opticsSentence(s));
      isSentence(opticsReason(s, f));
    }
    expect(guideWords(guide, f)).to.include('more than half a pixel').and.include('too coarse');
    expect(refocusWords(2.8, -11, makeFormat('imperial', 'Europe/Lisbon')))
      .to.include('5.0 °F')
      .and.include('11 µm');
    const view = {
      id: 'e',
      name: '25 mm',
      eyepieceMm: 25,
      barlow: null,
      magnification: 30,
      fieldDeg: 1.67,
      exitPupilMm: 5,
    };
    expect(eyepieceWords({ ...view, overUseful: true }, f)).to.equal(
      '30 times, 1.67° of sky, exit pupil 5.0 mm; more than this aperture carries',
    );
  });
});
