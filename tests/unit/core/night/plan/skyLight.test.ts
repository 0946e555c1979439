/** Nights that do not get dark, and days without a sun: what is left, and from when on it is dark again. */
import { expect } from 'chai';
import { darkSpan, poleStarsShow } from '../../../../../src/core/night/plan/darkness.ts';
import { skyLightOf } from '../../../../../src/core/night/plan/skyLight.ts';
import { nightEvents, sunAltDeg } from '../../../../../src/core/sky/nightEvents.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { skyLightRests, skyLightValue } from '../../../../../src/text/skyLightWords.ts';

const at = (latDeg: number, noon: string) => {
  const place = { latDeg, lonDeg: 0, elevationM: 0 };
  const events = nightEvents(Date.parse(`${noon}T12:00:00Z`), place);
  return { place, events, light: skyLightOf(events, 'astronomical', place) };
};
const f = makeFormat('metric', 'UTC');

describe('what the sun leaves of a night', () => {
  it('a midnight sun, a light night, a plain one, and a day without a sun', () => {
    expect(at(70, '2026-06-20').light.code).to.equal('sunUp');
    expect(at(60, '2026-06-20').light).to.include({ code: 'tooLight', deepest: 'civil' });
    expect(at(64.5, '2026-06-20').light).to.include({ code: 'tooLight', deepest: 'sunset' });
    expect(at(52, '2026-06-20').light).to.include({ code: 'tooLight', deepest: 'nautical' });
    expect(at(40, '2026-06-20').light).to.deep.equal({ code: 'dark' });
    expect(at(70, '2026-12-12').light.code).to.equal('sunBelow');
    expect(at(-70, '2026-06-20').light.code).to.equal('sunBelow');
  });

  it('the night named as dark enough again is the first: the sun sinks to it then, and not the night before', () => {
    for (const latDeg of [52, 60, 70]) {
      const { light, place } = at(latDeg, '2026-06-20');
      const againMs = light.code === 'tooLight' || light.code === 'sunUp' ? light.againMs! : NaN;
      const deepestDeg = (fromMs: number) =>
        Math.min(...Array.from({ length: 97 }, (_, i) => sunAltDeg(fromMs + (i - 48) * 900_000, place)));
      expect(deepestDeg(againMs), `${latDeg}`).to.be.lessThan(-18);
      expect(deepestDeg(againMs - 2 * 86_400_000), `${latDeg}`).to.be.greaterThan(-18);
    }
  });

  it('each has words: when, what can be done, and when it is dark again', () => {
    for (const [latDeg, noon] of [
      [70, '2026-06-20'],
      [60, '2026-06-20'],
      [64.5, '2026-06-20'],
      [52, '2026-06-20'],
      [70, '2026-12-12'],
    ] as const) {
      const { light } = at(latDeg, noon);
      if (light.code === 'dark') throw new Error('expected an odd night');
      expect(skyLightValue(light, f)).to.match(/\d\d:\d\d|^none$/);
      expect(skyLightRests(light, f)).to.match(/^[A-Z].*\.$/);
    }
    expect(skyLightRests({ code: 'sunUp', againMs: Date.UTC(2026, 7, 12, 23) }, f)).to.match(
      /Dark enough again about .*12 Aug\.$/,
    );
    expect(skyLightRests({ code: 'sunUp', againMs: null }, f)).not.to.include('again');
  });

  it('the northern star shows from civil dusk on, the southern pattern from nautical dusk, neither under a midnight sun', () => {
    const [north, south] = [at(40, '2026-11-20').events, at(-23, '2026-11-20').events];
    expect(poleStarsShow(north, 40)).to.deep.equal(darkSpan(north, 'civil'));
    expect(poleStarsShow(south, -23)).to.deep.equal(darkSpan(south, 'nautical'));
    expect(poleStarsShow(at(70, '2026-06-20').events, 70)).to.equal(null);
  });
});
