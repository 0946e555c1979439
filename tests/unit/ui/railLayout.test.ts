import { expect } from 'chai';
import fc from 'fast-check';
import {
  labelsInRows,
  limited,
  pieceLabel,
  together,
  viewOf,
  type RailPiece,
} from '../../../src/ui/instruments/railLayout.ts';
import { finite, holds } from '../../support/properties.ts';

const piece = (id: string, atM: number, rest: Partial<RailPiece> = {}): RailPiece => ({
  id,
  name: id,
  massKg: 1,
  atM,
  round: true,
  guessed: false,
  rangeM: [0, 0.8],
  ...rest,
});
const NONE: ReadonlySet<string> = new Set();
const pieces = fc.array(
  fc.record({ atM: finite(-0.6, 0.8), massKg: finite(0.05, 9), round: fc.boolean(), fixed: fc.boolean() }),
  { minLength: 1, maxLength: 12 },
);

describe('the layout of a rail', () => {
  it('draws every gram once: pieces in one place together, the heaviest first and so undermost', () => {
    holds(
      fc.property(pieces, (given) => {
        const all = given.map((p, i) => piece(`p${i}`, p.atM, { ...p, rangeM: p.fixed ? null : [-1, 1] }));
        const groups = together(all, NONE);
        const kg = (list: readonly { massKg: number }[]) => list.reduce((total, p) => total + p.massKg, 0);
        expect(kg(groups)).to.be.closeTo(kg(all), 1e-9);
        expect(groups.flatMap((g) => g.ids)).to.have.members(all.map((p) => p.id));
        groups.forEach((g, i) => expect(g.massKg).to.be.at.most(groups[i - 1]?.massKg ?? Infinity));
      }),
    );
  });

  it('a piece that is held stays apart from those it passes over', () => {
    const all = [piece('tube', 0.17), piece('camera', 0.17), piece('guide', 0.17)];
    expect(together(all, NONE)).to.have.length(1);
    const groups = together(all, new Set(['guide']));
    expect(groups.map((g) => g.ids)).to.deep.equal([['tube', 'camera'], ['guide']]);
  });

  it('keeps what moves apart from what stays, and weights apart from parts', () => {
    const all = [piece('a', 0.1), piece('b', 0.1, { rangeM: null }), piece('c', 0.1, { round: false })];
    expect(together(all, NONE)).to.have.length(3);
  });

  it('no label touches its neighbour in the same row', () => {
    holds(
      fc.property(fc.array(finite(0, 700), { maxLength: 15 }), (xs) => {
        const texts = ['1.0 kg', 'Tube rings, 0.9 kg'];
        const labels = labelsInRows(xs.map((x, i) => ({ key: `k${i}`, x, fromX: x, text: texts[i % 2]! })));
        const half = (text: string): number => text.length * 4.2;
        for (const a of labels)
          for (const b of labels)
            if (a.key !== b.key && a.row === b.row)
              expect(Math.abs(a.x - b.x)).to.be.at.least(half(a.text) + half(b.text));
      }),
    );
  });

  it('a group moves only as far as its most hindered piece', () => {
    const all = [piece('a', 0.1), piece('b', 0.3), piece('stays', 0.2, { rangeM: null })];
    expect(limited(all, ['a', 'b'], -0.25)).to.be.closeTo(-0.1, 1e-12);
    expect(limited(all, ['a', 'b'], 0.9)).to.be.closeTo(0.5, 1e-12);
    expect(limited(all, ['b'], -0.25)).to.be.closeTo(-0.25, 1e-12);
    holds(
      fc.property(finite(-2, 2), (byM) => {
        const by = limited(all, ['a', 'b'], byM);
        for (const p of all.slice(0, 2)) expect(p.atM + by).to.be.within(-1e-12, 0.8 + 1e-12);
      }),
    );
  });

  it('shows every piece and mark inside the drawing, plus on the left, to one scale', () => {
    holds(
      fc.property(pieces, finite(0.05, 0.5), finite(300, 1200), (given, markM, width) => {
        const all = given.map((p, i) => piece(`p${i}`, p.atM));
        const { x, textX, perM } = viewOf(all, [{ atM: markM, text: 'arm' }], width);
        for (const atM of [...all.map((p) => p.atM), markM, 0]) expect(x(atM)).to.be.within(10, width - 10);
        // Also while a held piece leaves the scale, its words stay whole.
        for (const atM of [-3, 0, 3]) expect(textX(atM, 'Tube rings')).to.be.within(42, width - 42);
        expect(x(0) - x(0.1)).to.be.closeTo(0.1 * perM, 1e-9);
      }),
    );
  });
});

describe('the label of pieces that stand together', () => {
  it('names the first, counts the others, and stays short', () => {
    expect(pieceLabel(['Tube rings'], '0.9 kg')).to.equal('Tube rings, 0.9 kg');
    expect(pieceLabel(['Tube', 'Camera', 'Wheel'], '5.1 kg')).to.equal('Tube +2, 5.1 kg');
    expect(pieceLabel(['A very long name of a piece'], '1 kg')).to.equal('A very long name …, 1 kg');
  });
});
