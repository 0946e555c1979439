import { expect } from 'chai';
import type { Dial } from '../../../src/core/records/part.ts';
import { plateOfDial } from '../../../src/ui/instruments/plateOfDial.ts';

const dial: Dial = {
  numbering: '12h',
  topMark: 0,
  direction: 'clockwise',
  view: 'inverted',
  tickEvery: 0.5,
  numberEvery: 1,
  rings: [{ arcmin: 40, year: 2020 }],
  patternHips: [11767, 85822],
  patternYear: 2000,
  fieldDeg: 7,
  faintestMag: 8,
  turnsWithAxis: true,
  plateTurnDeg: 0,
  screwAnglesDeg: [],
};

describe('the drawn plate', () => {
  it('shows numbers or star marks, as the finder has them, and nothing without one', () => {
    const numbered = plateOfDial(dial, 40, (ring) => String(ring.year));
    expect(numbered).to.deep.include({ twelveOnTop: true, rings: [{ arcmin: 40, text: '2020' }], spots: [] });
    expect(numbered.marks).to.have.length(24);
    const pattern = plateOfDial({ ...dial, numbering: 'pattern' }, 40);
    expect(pattern.marks).to.deep.equal([]);
    expect(pattern.spots.map((s) => s.name)).to.have.members(['Polaris', 'Delta Ursae Minoris']);
    expect(plateOfDial({ ...dial, numbering: 'pattern', patternYear: null }, 40).spots).to.deep.equal([]);
    expect(plateOfDial(null, 40)).to.deep.equal({ marks: [], twelveOnTop: false, rings: [], spots: [] });
  });
});
