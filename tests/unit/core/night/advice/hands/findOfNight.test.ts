/** What a rig for the eye is told of finding its target, of the pole's star, and of a flip that waits. */
import { expect } from 'chai';
import { findOfNight } from '../../../../../../src/core/night/advice/hands/findOfNight.ts';
import { tonight } from '../../../../../../src/core/night/advice/tonight.ts';
import { goalOfNight, starIsEnough } from '../../../../../../src/core/night/ledger/goalOfNight.ts';
import { nightAt } from '../../../../../../src/core/night/nightAt.ts';
import type { NightStatic } from '../../../../../../src/core/night/nightStatic.ts';
import { waitsUntilMs } from '../../../../../../src/core/night/plan/plan.ts';
import { MS_PER_HOUR } from '../../../../../../src/core/time/utc.ts';
import { SETTING_DEFAULTS } from '../../../../../../src/core/records/setting.ts';
import { nightCard } from '../../../../../../src/features/night-card/model.ts';
import { makeFormat } from '../../../../../../src/text/format.ts';
import { latestFlipWords } from '../../../../../../src/text/flipWords.ts';
import { tonightLines } from '../../../../../../src/text/tonightWords.ts';
import { derived, NORTH, SOUTH } from '../../../../../../scripts/trials/ownWorld.ts';

const looking = (carrier: 'floorReflector' | 'germanEquatorial', where = NORTH): NightStatic =>
  derived({
    where,
    rigName: 'Own',
    rig: {
      carrier,
      size: 'middle',
      raMotor: false,
      finder: 'none',
      guided: false,
      optics: { kind: 'newtonian', apertureMm: 200, focalMm: 1200 },
      sensor: 'eye',
    },
  });

describe('what the hand finds', () => {
  it('stands at the shown time, before it is dark at dusk, and only where no motor finds it', () => {
    const pushed = looking('floorReflector');
    const { usable } = pushed;
    if (!usable) throw new Error('the target cannot be had');
    for (const [shownMs, toldMs] of [
      [usable.fromMs - 3 * MS_PER_HOUR, usable.fromMs],
      [usable.fromMs + MS_PER_HOUR / 2, usable.fromMs + MS_PER_HOUR / 2],
      [usable.toMs + MS_PER_HOUR, usable.toMs],
    ] as const) {
      const found = findOfNight(pushed, nightAt(pushed, shownMs));
      const stands = nightAt(pushed, toldMs).target;
      expect([found?.timeMs, found?.altDeg, found?.azDeg]).to.deep.equal([toldMs, stands?.altDeg, stands?.azDeg]);
    }
    // The card is printed before: it tells the first moment.
    const printed = nightCard(pushed, SETTING_DEFAULTS.balance, 60).find;
    expect(printed).to.deep.equal(findOfNight(pushed, nightAt(pushed, usable.fromMs)));
    const sent = looking('germanEquatorial');
    expect(nightCard(sent, SETTING_DEFAULTS.balance, 60).find).to.equal(null);
    expect(findOfNight(sent, nightAt(sent, usable.fromMs))).to.equal(null);
    const line = tonightLines(
      tonight(pushed, nightAt(pushed, usable.fromMs)),
      makeFormat('metric', NORTH.zoneIana),
      String,
    ).find;
    expect(line?.value).to.match(/^\d+° up, bearing \d+°$/);
    expect(line?.rests).to.match(/^At \d\d:\d\d, .*fists? above the horizon\. Sweep there by finder and chart\.$/);
  });

  it('lets an eye aim the axis at the northern pole’s star, and never where it is faint, or a camera looks', () => {
    const eye = looking('germanEquatorial');
    const { poleStar } = nightAt(eye, eye.sky.events.startMs);
    expect(starIsEnough(eye, poleStar)).to.equal(true);
    const { goalArcmin } = goalOfNight(eye);
    expect(starIsEnough(eye, { ...poleStar, polarDistanceArcmin: goalArcmin + 0.1 })).to.equal(false);
    expect(starIsEnough(eye, { ...poleStar, magnitude: 5 })).to.equal(false);
    const south = looking('germanEquatorial', SOUTH);
    expect(starIsEnough(south, nightAt(south, south.sky.events.startMs).poleStar)).to.equal(false);
    const camera = { ...eye, budget: derivedBudget() };
    expect(starIsEnough(camera, poleStar)).to.equal(false);
  });

  it('goes over at once where the limit has passed', () => {
    const flip = { startMs: 1000, endMs: 2000, to: 'after' as const, done: false };
    expect(waitsUntilMs({ ...flip, latestMs: 1500 })).to.equal(1500);
    expect(waitsUntilMs({ ...flip, latestMs: 999 })).to.equal(null);
    const f = makeFormat('metric', 'UTC');
    expect([latestFlipWords(60_000, f), latestFlipWords(null, f)]).to.deep.equal(['00:01', 'at once']);
  });
});

/** Of the same rig with a camera on it. */
function derivedBudget(): NightStatic['budget'] {
  return derived({
    where: NORTH,
    rigName: 'Own',
    rig: {
      carrier: 'germanEquatorial',
      size: 'middle',
      raMotor: true,
      finder: 'none',
      guided: false,
      optics: { kind: 'refractor', apertureMm: 70, focalMm: 420 },
      sensor: { format: 'reduced', megapixels: 24, body: 'lensMount' },
    },
  }).budget;
}
