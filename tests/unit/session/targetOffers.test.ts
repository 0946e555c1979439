import { expect } from 'chai';
import { brightTarget, lastOwnNight, ownFirst, standingOptions } from '../../../src/session/targetOffers.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { night } from '../../support/nights.ts';
import { parts, rigs, sites, targets } from '../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const asked = {
  siteId: 'demo-estrela',
  rigId: 'demo-heron',
  eveningDate: '2026-11-24',
  darkness: 'astronomical' as const,
};

describe('what a new night offers', () => {
  it('one’s own before the demo’s, the last used first; what is put away is not listed', () => {
    const [one, two] = [
      { ...sites[0]!, id: 'a', origin: 'demo' as const },
      { ...sites[0]!, id: 'b' },
    ];
    const away = { ...sites[0]!, id: 'c', archived: true };
    expect(ownFirst([one, away, two]).map((s) => s.id)).to.deep.equal(['b', 'a']);
    const base = night().records.night;
    const nights = [
      { ...base, id: 'demo', origin: 'demo' as const, eveningDate: '2026-12-01' },
      { ...base, id: 'older', origin: 'user' as const, eveningDate: '2026-11-01' },
      { ...base, id: 'newer', origin: 'user' as const, eveningDate: '2026-11-20' },
    ];
    expect(lastOwnNight(nights)?.id).to.equal('newer');
    expect(lastOwnNight([nights[0]!])).to.equal(undefined);
  });

  it('bright objects that stand well, without those that are stored, and their records', () => {
    const offered = standingOptions({ sites, rigs, parts, targets }, asked, f);
    expect(offered.length).to.be.within(5, 12);
    expect(offered.map((o) => o.value)).not.to.include('bright:M 33');
    expect(offered[0]!.label).to.match(/^M \d+|^NGC \d+/);
    for (const { value } of offered) expect(brightTarget(value)?.sizeArcmin).to.be.greaterThan(0);
    expect(brightTarget('demo-m33')).to.equal(null);
    const lacking = { ...asked, siteId: 'gone' };
    expect(standingOptions({ sites, rigs, parts, targets }, lacking, f)).to.deep.equal([]);
    expect(standingOptions({ sites, rigs, parts, targets }, { ...asked, eveningDate: '2026-1' }, f)).to.deep.equal([]);
  });
});
