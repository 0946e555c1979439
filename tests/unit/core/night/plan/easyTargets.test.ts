import { expect } from 'chai';
import { standingTargets } from '../../../../../src/core/night/plan/easyTargets.ts';
import { BRIGHT_TARGETS } from '../../../../../src/core/sky/brightTargets.ts';
import { altAzAt } from '../../../../../src/core/sky/horizontal.ts';
import { apparentPlace } from '../../../../../src/core/sky/ephemeris.ts';
import { DEMO_TARGETS } from '../../../../../src/storage/demo/demoRigs.ts';

const estrela = { latDeg: 40.33, lonDeg: -7.6, elevationM: 0, zoneIana: 'Europe/Lisbon', horizon: [] };
const auas = { latDeg: -22.75, lonDeg: 17.2, elevationM: 0, zoneIana: 'Africa/Windhoek', horizon: [] };
const NIGHT = { eveningDate: '2026-11-24', darkness: 'astronomical' } as const;
const names = (site: typeof estrela, fieldArcmin: number | null = null): string[] =>
  standingTargets(site, NIGHT, fieldArcmin).map((t) => t.catalogueId);

describe('bright targets', () => {
  it('are each listed once, at places that agree with those of the demo', () => {
    expect(new Set(BRIGHT_TARGETS.map((t) => t.catalogueId)).size).to.equal(BRIGHT_TARGETS.length);
    const known = DEMO_TARGETS.flatMap((t) => BRIGHT_TARGETS.filter((b) => b.catalogueId === t.catalogueId));
    expect(known.length).to.be.greaterThan(4);
    for (const b of known) {
      const t = DEMO_TARGETS.find((d) => d.catalogueId === b.catalogueId)!;
      expect(Math.abs(b.raJ2000Deg - t.raJ2000Deg) * Math.cos((b.decJ2000Deg * Math.PI) / 180)).to.be.lessThan(0.2);
      expect(Math.abs(b.decJ2000Deg - t.decJ2000Deg)).to.be.lessThan(0.2);
    }
  });

  it('stand in the dark above what imaging wants, each in its own hemisphere', () => {
    const dark = Date.parse('2026-11-24T20:30:00Z');
    for (const site of [estrela, auas]) {
      for (const t of standingTargets(site, NIGHT, null)) {
        expect(t.usableH).to.be.greaterThan(0);
        expect(t.highestAltDeg).to.be.greaterThan(25);
      }
    }
    const up = standingTargets(estrela, NIGHT, null)[0]!;
    expect(altAzAt(dark, estrela, apparentPlace(up, dark)).altDeg).to.be.greaterThan(25);
    expect(names(estrela)).to.include('M 31').and.not.include('NGC 104');
    expect(names(auas)).to.include('NGC 104').and.not.include('M 81');
  });

  it('an easy one that fits the field comes first', () => {
    const first = standingTargets(estrela, NIGHT, 400)[0]!;
    expect(first.easy).to.equal(true);
    expect(first.fillsShare).to.be.within(0.08, 0.9);
    expect(first.eveningH).to.be.at.least(3);
    expect(first.usableH).to.be.at.least(first.eveningH);
    const narrow = standingTargets(estrela, NIGHT, 25)[0]!;
    expect(narrow.sizeArcmin).to.be.lessThan(25);
  });

  it('of those that fit alike the one that stands longer in the evening comes first, then the higher one', () => {
    for (const site of [estrela, auas]) {
      const all = standingTargets(site, NIGHT, null);
      const easy = all.filter((t) => t.easy);
      expect(all.slice(0, easy.length)).to.deep.equal(easy);
      for (const group of [easy, all.filter((t) => !t.easy)]) {
        group.slice(1).forEach((t, i) => {
          const earlier = group[i]!;
          const [a, b] = [Math.min(earlier.eveningH, 3), Math.min(t.eveningH, 3)];
          expect(a, `${earlier.catalogueId} before ${t.catalogueId}`).to.be.at.least(b);
          if (a === b) expect(earlier.highestAltDeg).to.be.at.least(t.highestAltDeg);
        });
      }
    }
  });

  it('none where the night has no darkness', () => {
    const tromso = { latDeg: 69.6, lonDeg: 18.9, elevationM: 0, zoneIana: 'Europe/Oslo', horizon: [] };
    expect(standingTargets(tromso, { ...NIGHT, eveningDate: '2026-06-21' }, null)).to.deep.equal([]);
  });
});
