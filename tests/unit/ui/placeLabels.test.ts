import { expect } from 'chai';
import fc from 'fast-check';
import { boxOf, placeLabels, type Label, type Obstacle } from '../../../src/ui/instruments/placeLabels.ts';
import { finite, holds } from '../../support/properties.ts';

const place = fc.tuple(finite(0, 200), finite(0, 200));
const label: fc.Arbitrary<Label> = fc.record({
  text: fc.constantFrom('20:21', 'pole', '2020'),
  places: fc.array(place, { minLength: 1, maxLength: 5 }),
});
const obstacle: fc.Arbitrary<Obstacle> = fc.record({
  kind: fc.constantFrom('dot' as const, 'ring' as const),
  x: finite(0, 200),
  y: finite(0, 200),
  r: finite(3, 90),
});

describe('words in a drawing', () => {
  it('never lie over each other, over a dot or across a line', () => {
    holds(
      fc.property(fc.array(label, { maxLength: 8 }), fc.array(obstacle, { maxLength: 4 }), (labels, obstacles) => {
        const placed = placeLabels(labels, obstacles, 16);
        const boxes = placed.map((p) => boxOf(p.text, [p.x, p.y], 16));
        boxes.forEach((a, i) => {
          for (const b of boxes.slice(i + 1)) {
            expect(a.x0 >= b.x1 || b.x0 >= a.x1 || a.y0 >= b.y1 || b.y0 >= a.y1, 'two labels').to.equal(true);
          }
          // Points of the box, its rim and its middle, are on one side of every line and outside every dot.
          const points = [0, 0.25, 0.5, 0.75, 1].flatMap((u) =>
            [0, 0.5, 1].map((v) => [a.x0 + u * (a.x1 - a.x0), a.y0 + v * (a.y1 - a.y0)] as const),
          );
          for (const o of obstacles) {
            if (o.kind === 'box') continue;
            const sides = points.map(([x, y]) => Math.hypot(x - o.x, y - o.y) < o.r);
            expect(new Set(sides).size, o.kind).to.equal(1);
            if (o.kind === 'dot') expect(sides[0], 'in the dot').to.equal(false);
          }
        });
      }),
    );
  });

  it('take the first place that is free, and the most important go first', () => {
    const both: Label[] = [
      { text: 'star', places: [[50, 50]] },
      {
        text: 'pole',
        places: [
          [52, 50],
          [50, 90],
        ],
      },
      { text: 'none', places: [[50, 52]] },
    ];
    expect(placeLabels(both, [], 16)).to.deep.equal([
      { text: 'star', x: 50, y: 50 },
      { text: 'pole', x: 50, y: 90 },
    ]);
    const inside = placeLabels([{ text: 'in', places: [[50, 50]] }], [{ kind: 'ring', x: 50, y: 50, r: 60 }], 16);
    expect(inside, 'well inside a ring is free').to.have.length(1);
  });
});
