/** Benches, card and watch where it does not get dark, and where no pole star stands. */
import { expect } from 'chai';
import { hasTonight } from '../../../src/core/night/hasTonight.ts';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import { tonight } from '../../../src/core/night/advice/tonight.ts';
import { isBeforeAll, watchAt } from '../../../src/core/night/advice/watch.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import { CALENDAR_ALARMS, nightCard } from '../../../src/features/night-card/model.ts';
import { meridianModel } from '../../../src/features/meridian/model.ts';
import { polarTabs } from '../../../src/features/polar/tabs.ts';
import { toUtcText } from '../../../src/core/time/utc.ts';
import { reading } from '../../support/records.ts';
import { night, type Wish } from '../../support/nights.ts';

const SUN_UP: Wish = { site: { latDeg: 70 }, date: '2026-06-20' };
const EQUATOR: Wish = { site: { latDeg: 0.5 } };
const card = (wish: Wish) => nightCard(night(wish), SETTING_DEFAULTS.balance, 60);

describe('odd nights', () => {
  it('under a midnight sun Tonight, Meridian and Watch say so, and no target is asked for', () => {
    const shown = night(SUN_UP);
    const told = tonight(shown, nightAt(shown, shown.sky.events.startMs));
    expect([told.light.code, told.dial, told.isDark]).to.deep.equal(['sunUp', null, false]);
    expect(meridianModel(shown).saying).to.have.nested.property('light.code', 'sunUp');
    expect(watchAt(shown, shown.sky.events.startMs).code).to.equal('noDark');
    expect(meridianModel(night({ ...SUN_UP, targetId: null })).saying.code).to.equal('noDarkness');
  });

  it('what is to be set up comes first only before the first sub of a night that nobody began', () => {
    const shown = night({});
    const startMs = shown.legs[0]!.plan!.subs[0]!.startMs;
    const asks = (wish: Wish, timeMs: number) => {
      const one = night(wish);
      return isBeforeAll(one, watchAt(one, timeMs), timeMs);
    };
    expect([asks({}, startMs - 3_600_000), asks({}, startMs + 1)]).to.deep.equal([true, false]);
    const begun = {
      readings: [reading('event', { what: 'started' }, { id: 's', takenAtUtc: toUtcText(startMs - 7_200_000) })],
    };
    expect(asks(begun, startMs - 3_600_000)).to.equal(false);
  });

  it('its card has no times for the dial and nothing for a calendar', () => {
    const { dial, events } = card(SUN_UP);
    expect(dial).to.deep.equal([]);
    expect(events.filter(({ code }) => CALENDAR_ALARMS[code] !== undefined)).to.deep.equal([]);
  });

  it('the card’s alignment begins when the dial’s times do', () => {
    for (const wish of [{}, { rigId: 'demo-wagtail', site: { latDeg: -22.75, lonDeg: 17.2 } }]) {
      const { dial, events } = card(wish);
      const alignMs = events.find(({ code }) => code === 'align')!.timeMs;
      expect(dial[0]!.timeMs - alignMs).to.be.within(0, 30 * 60_000);
    }
  });

  it('near the equator there is neither a dial nor a finder to look through, and drift comes first', () => {
    const shown = night(EQUATOR);
    expect(hasTonight(shown).has('polarFinder')).to.equal(false);
    expect(hasTonight(night({})).has('polarFinder')).to.equal(true);
    expect(polarTabs(shown).map(({ key }) => key)).to.deep.equal(['drift', 'error']);
    const answers = tonight(shown, nightAt(shown, shown.sky.events.startMs));
    expect([answers.dial, answers.sub?.looksThrough]).to.deep.equal([null, false]);
    expect(card(EQUATOR).dial).to.deep.equal([]);
  });
});
