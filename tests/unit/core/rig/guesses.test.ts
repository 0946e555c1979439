import { expect } from 'chai';
import fc from 'fast-check';
import { raBalance } from '../../../../src/core/mount/balance.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import type { Rig } from '../../../../src/core/records/rig.ts';
import { momentDoubtKgM, PLACE_DOUBT_M } from '../../../../src/core/mount/massDoubt.ts';
import { usualTip } from '../../../../src/core/night/learned/tipOfNight.ts';
import { leversOf } from '../../../../src/core/rig/axisLevers.ts';
import { guessesOf } from '../../../../src/core/rig/guesses.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { footingOfRig } from '../../../../src/core/rig/footingOfRig.ts';
import { guessedFooting } from '../../../../src/features/payload/guessedFooting.ts';
import { guessedPlace } from '../../../../src/features/balance/guessedPlace.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { guessHint, guessLabel, guessSaid, guessSentence } from '../../../../src/text/guessWords.ts';
import { night } from '../../../support/nights.ts';
import { holds } from '../../../support/properties.ts';
import { parts, rigs } from '../../../support/records.ts';

const f = makeFormat('metric', 'UTC');
const heron = rigs.find((r) => r.name === 'Heron')!;
const place = (rig: Rig, all: readonly Part[]): number | null => {
  const { balance } = rigNumbers(rig, all);
  return balance ? raBalance(balance.input).positionM : null;
};

/** Heron, with what a hand guessed of it. */
const guessedRig = fc.record({
  masses: fc.array(fc.double({ min: 0.2, max: 6, noNaN: true }), { minLength: 10, maxLength: 10 }),
  arms: fc.array(fc.double({ min: 0.05, max: 0.4, noNaN: true }), { minLength: 10, maxLength: 10 }),
  guessed: fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
});

describe('the guesses that an answer hangs on', () => {
  it('each moves the answer by what levers say it does, in a hundred rigs', () => {
    holds(
      fc.property(guessedRig, ({ masses, arms, guessed }) => {
        const tubeSide = heron.placed.filter((p) => p.on === 'tube');
        const at = new Map(tubeSide.map((p, i) => [p.placedId, i]));
        const rig: Rig = {
          ...heron,
          placed: heron.placed.map((p) => {
            const i = at.get(p.placedId);
            if (i === undefined) return p;
            return {
              ...p,
              fromRaAxisM: arms[i]!,
              placeBasis: guessed[i]! ? ('assumed' as const) : ('measured' as const),
            };
          }),
        };
        const all = parts.map((p): Part => {
          const i = tubeSide.findIndex((t) => t.partId === p.id);
          return i === -1 ? p : { ...p, massKg: masses[i]!, massBasis: guessed[i]! ? 'assumed' : 'weighed' };
        });
        const weightKg = 3.5;
        const { list, total } = guessesOf(rig, all, place)!;
        expect(list).to.have.length(2 * tubeSide.filter((_, i) => guessed[i]).length);
        for (const g of list) {
          const i = at.get(g.placedId)!;
          const byHand = g.what === 'mass' ? (0.25 * masses[i]! * arms[i]!) / weightKg : (0.02 * masses[i]!) / weightKg;
          expect(g.moves / byHand, `${g.name} ${g.what}`).to.be.closeTo(1, 0.2);
        }
        expect(list.map((g) => g.moves)).to.deep.equal(list.map((g) => g.moves).sort((a, b) => b - a));
        if (list[0]) expect(total).to.be.at.least(list[0].moves);
      }),
      100,
    );
  });

  it('all of them together are the doubt that the bench tells', () => {
    const all = parts.map((p): Part => ({ ...p, massBasis: 'assumed' }));
    const told = usualTip(night({ parts: all }).records, 'ra')!.problem.sigmaM;
    const { total } = guessesOf(heron, all, place)!;
    expect(total).to.be.closeTo(told, 0.15 * told);
    const masses = { massKg: 4, massBasis: 'weighed' as const, armM: 0.2 };
    expect(momentDoubtKgM({ ...masses, placeDoubtM: PLACE_DOUBT_M.guessed })).to.be.closeTo(
      Math.hypot(0.008, 0.08),
      1e-9,
    );
  });

  it('a place that was guessed is as doubtful to the tip test as to the question', () => {
    const loose: Rig = { ...heron, placed: heron.placed.map((p) => ({ ...p, placeBasis: 'assumed' as const })) };
    const { masses } = rigNumbers(loose, parts);
    expect([...new Set(masses.tubeSide.map((m) => m.placeBasis)), masses.barPlaceBasis]).to.deep.equal([
      'assumed',
      'assumed',
    ]);
    const doubts = (rig: Rig): number[] => [
      ...new Set(leversOf('ra', { rig, ...rigNumbers(rig, parts) })!.fixed.map((l) => l.placeDoubtM)),
    ];
    expect(doubts(loose)).to.deep.equal([PLACE_DOUBT_M.guessed]);
    expect(doubts(heron)).to.deep.equal([PLACE_DOUBT_M.across]);
  });

  it('what was weighed and measured is not asked, nor where a weight stands, nor where there is no answer', () => {
    expect(guessedPlace(night())!.list).to.deep.equal([]);
    const loose = { ...heron, placed: heron.placed.map((p) => ({ ...p, placeBasis: 'assumed' as const })) };
    const { list } = guessesOf(loose, parts, place)!;
    expect(list.some((g) => g.partId === 'demo-weight-35')).to.equal(false);
    expect(list.some((g) => g.partId === 'demo-heron-bar')).to.equal(true);
    expect(guessesOf(loose, parts, () => null)).to.equal(null);
  });

  it('the wind that an outfit stands hangs on its tripod’s mass too, by what it says', () => {
    expect(guessedFooting(night())!.list).to.deep.equal([]);
    const guessed = parts.map((p): Part => (p.kind === 'support' ? { ...p, massBasis: 'assumed' } : p));
    const { list } = guessedFooting(night({ parts: guessed }))!;
    const tripod = parts.find((p) => p.id === heron.supportId)!;
    expect(list.map((g) => [g.partId, g.what])).to.deep.equal([[tripod.id, 'mass']]);
    const windOf = (massKg: number) => {
      const heavier = parts.map((p): Part => (p.id === tripod.id ? { ...p, massKg } : p));
      return footingOfRig(rigNumbers(heron, heavier), 40.33, 1550)!.worst.tipWindMPerS;
    };
    expect(list[0]!.moves).to.be.closeTo(windOf(tripod.massKg! * 1.25) - windOf(tripod.massKg!), 1e-9);
    expect(guessSentence(list, 'wind')).to.contain('is a guess, and moves the wind it stands most.');
    expect(guessHint(list[0]!, 'wind', f)).to.match(/move the answer by \d+\.\d km\/h/);
  });

  it('a piece that hangs twice is weighed once, and asked where each of it hangs', () => {
    const [ring] = heron.placed.filter((p) => p.partId === 'demo-heron-rings');
    const twice: Rig = {
      ...heron,
      placed: [
        ...heron.placed.filter((p) => p !== ring),
        { ...ring!, placeBasis: 'assumed' },
        { ...ring!, placedId: 'second', placeBasis: 'assumed' },
      ],
    };
    const all = parts.map((p): Part => (p.id === 'demo-heron-rings' ? { ...p, massBasis: 'assumed' } : p));
    const asked = guessesOf(twice, all, place)!.list.map((g) => `${g.what} ${g.placedId}`);
    expect(asked.sort()).to.deep.equal([`mass ${ring!.placedId}`, `place ${ring!.placedId}`, 'place second'].sort());
  });

  it('in words: what may be off by how much, and what to do about it', () => {
    const guess = {
      partId: 'p',
      placedId: 'a',
      name: 'Tube',
      what: 'mass' as const,
      value: 3.4,
      doubt: 0.85,
      moves: 0.041,
    };
    expect(guessSentence([guess, { ...guess, name: 'Bar' }], 'place')).to.equal(
      'Tube and bar are guesses, and move the place most.',
    );
    expect(guessSentence([guess], 'load')).to.equal('Tube is a guess, and moves the load most.');
    expect(guessHint(guess, 'place', f)).to.contain('41 mm');
    expect([guessLabel(guess, 'polar axis'), guessSaid(guess)]).to.deep.equal(['Tube: weigh it', 'Tube weighed.']);
    expect(guessLabel({ ...guess, what: 'place' }, 'polar axis')).to.equal('Tube: its middle from the polar axis');
  });
});
