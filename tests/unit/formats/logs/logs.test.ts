import { expect } from 'chai';
import fc from 'fast-check';
import { guessRoles } from '../../../../src/formats/logs/columnRoles.ts';
import { cellsOf, layoutOf } from '../../../../src/formats/logs/layout.ts';
import { guessMapping, readLogText, type Told } from '../../../../src/formats/logs/mapping.ts';
import { logMappingSchema } from '../../../../src/formats/logs/mappingSchema.ts';
import { numberIn, timeIn } from '../../../../src/formats/logs/timeCells.ts';
import { holds } from '../../../support/properties.ts';

const layout = (text: string) => layoutOf(text)!;
const kinds = (text: string) =>
  guessRoles(layout(text)).roles.map((r) => (r.is === 'time' ? `${r.is} ${r.kind}` : r.is));
function read(text: string, told: Told = {}) {
  const found = readLogText(text, layout(text), guessMapping(layout(text), told).mapping);
  if (!found.ok) throw new Error(found.code);
  return found.value;
}
const refusal = (text: string, told: Told = {}) => {
  const found = readLogText(text, layout(text), guessMapping(layout(text), told).mapping);
  return found.ok ? null : found.code;
};
const list = (values: Float64Array | null) => [...(values ?? [])].map((v) => Number(v.toFixed(3)));

describe('the layout of a log', () => {
  it('parts by tabs, semicolons, bars, commas and blanks, with the comma as a point where it is one', () => {
    const of = (text: string) => [layout(text).delimiter, layout(text).decimalComma];
    expect(of('t;ra;dec\n0,5;1,25;-2,5\n1,5;1,0;2,5')).to.deep.equal([';', true]);
    expect(of('0,00\t1,5\t-0,2\n1,00\t1,4\t0,2')).to.deep.equal(['\t', true]);
    expect(of('t,ra,dec\n0,1,2\n1,3,4')).to.deep.equal([',', false]);
    expect(of('0.0 1.5  -2\n1.0 1.4   3')).to.deep.equal([' ', false]);
    expect(of('a|b\n1|2')).to.deep.equal(['|', false]);
  });

  it('takes quotes off, and leaves alone the inch mark inside a name', () => {
    expect(cellsOf('"a;b";2;"c"', ';')).to.deep.equal(['a;b', '2', 'c']);
    expect(cellsOf('Zeit;RA ["];x', ';')).to.deep.equal(['Zeit', 'RA ["]', 'x']);
  });

  it('reads names from a remark right above the rows, and units from a line of their own', () => {
    expect(layout('# time ra dec\n0 1 2\n1 2 3').header).to.deep.equal(['time', 'ra', 'dec']);
    expect(layout('t,ra,dec\ns,px,px\n0,1,2\n1,2,3').header).to.deep.equal(['t (s)', 'ra (px)', 'dec (px)']);
    expect(layout('0,1,2\n1,2,3').headerLine).to.equal(null);
  });

  it('reads on under units of their own line, under a remark, and where the names come again', () => {
    const units = read('t,ra,dec\nms,arcsec,arcsec\n0,1,2\n1000,2,3');
    expect(list(units.series.timeS)).to.deep.equal([0, 1]);
    expect(read('# time ra dec\n0 1 2\n1 2 3').rows).to.equal(2);
    expect(read('t,ra,dec\n0,1,2\n1,2,3\nt,ra,dec\n2,3,4').rows).to.equal(3);
  });

  it('takes a sentence of as many words as there are columns for an event, above the rows and among them', () => {
    const rows = (from: number, to: number) =>
      Array.from({ length: to - from }, (_, i) => `${from + i} ${i % 3} ${i % 2} 40`).join('\n');
    for (const sentence of ['guide star was lost', 'dither settled after cloud', 'clouds came from west'])
      for (const text of [
        `time ra dec snr\n${rows(0, 4)}\n${sentence}\n${rows(4, 30)}`,
        `time ra dec snr\n${sentence}\n${rows(0, 30)}`,
        `${sentence}\ntime ra dec snr\n${rows(0, 30)}`,
      ]) {
        expect(layout(text).header, text).to.deep.equal(['time', 'ra', 'dec', 'snr']);
        expect(read(text).rows, text).to.equal(30);
      }
    // Names that nobody knows head what stands under them all the same.
    expect(layout(`eins zwei drei vier\n${rows(0, 9)}`).header).to.deep.equal(['eins', 'zwei', 'drei', 'vier']);
  });

  it('of several parts the longest one is the log', () => {
    const text = 'step,dx,dy\n1,2,3\n2,3,4\n\ntime,ra,dec\n0,1,1\n1,2,2\n2,3,3\n3,4,4';
    expect(layout(text).header).to.deep.equal(['time', 'ra', 'dec']);
    expect(read(text).rows).to.equal(4);
  });

  it('finds no log in prose, and never throws', () => {
    expect(layoutOf('Dear diary,\ntonight was cloudy.')).to.equal(null);
    expect(layoutOf('')).to.equal(null);
    holds(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        const found = layoutOf(text);
        if (found) readLogText(text, found, guessMapping(found).mapping);
      }),
    );
  });
});

describe('what the columns are', () => {
  it('by names in several languages, whatever their order', () => {
    expect(kinds('frame\telapsed_ms\tdec_px\tra_px\tflux\n1\t0\t1\t2\t9')).to.deep.equal([
      'other',
      'time ms',
      'dec',
      'ra',
      'other',
    ]);
    expect(kinds('Uhrzeit;RA-Fehler ["];Dek-Fehler ["]\n21:00:00;1,5;2,5')).to.deep.equal([
      'time timeOfDay',
      'ra',
      'dec',
    ]);
    expect(kinds('heure,AD,Déc\n0,1,2')).to.deep.equal(['time s', 'ra', 'dec']);
    expect(kinds('UTC,dDec,dRA\n2026-05-11T22:40:00.000Z,1,2')).to.deep.equal(['time dateTime', 'dec', 'ra']);
    expect(kinds('date,time,ra,dec\n2026-05-11,22:40:00,1,2')).to.deep.equal(['date', 'time timeOfDay', 'ra', 'dec']);
  });

  it('tells corrections and aims from errors', () => {
    expect(kinds('t,RA,Dec,RA_ms,Dec_ms,target RA\n0,1,2,30,40,0')).to.deep.equal([
      'time s',
      'ra',
      'dec',
      'sentRa',
      'sentDec',
      'aimRa',
    ]);
    expect(kinds('t,RA err,Dec err,RA corr arcsec\n0,1,2,3')).to.deep.equal(['time s', 'ra', 'dec', 'sentRa']);
  });

  it('takes one in arcsec before one in pixels', () => {
    expect(kinds('t,ra_px,ra_arcsec,dec_px,dec_arcsec\n0,1,2,3,4')).to.deep.equal([
      'time s',
      'other',
      'ra',
      'other',
      'dec',
    ]);
  });

  it('without names by order, and says so', () => {
    const { roles, doubts } = guessRoles(layout('1\t0.0\t5\t-3\n2\t0.5\t4\t-2\n3\t1.0\t6\t-4'));
    expect(roles.map((r) => r.is)).to.deep.equal(['ra', 'time', 'dec', 'other']);
    expect(doubts).to.include.members(['namesMissing', 'axesByOrder', 'unitMissing']);
  });
});

describe('times of a log', () => {
  it('in every usual way', () => {
    expect(timeIn('21:15:30.5', 'timeOfDay', false)).to.equal(76_530.5);
    expect(timeIn('9:05 PM', 'timeOfDay', false)).to.equal(75_900);
    expect(timeIn('12:01 am', 'timeOfDay', false)).to.equal(60);
    const iso = timeIn('2026-02-18 21:03:10,250', 'dateTime', true);
    expect(timeIn('18.02.2026 21:03:10.250', 'dateTime', false)).to.equal(iso);
    expect(timeIn('02/18/2026 21:03:10.250', 'dateTime', false)).to.equal(iso);
    expect(timeIn('21:03:10.250', 'timeOfDay', false, '2026-02-18')).to.equal(iso);
    expect([timeIn('1500', 'ms', false), timeIn('1,5', 'min', true)]).to.deep.equal([1.5, 90]);
    expect(timeIn('lost', 's', false)).to.be.NaN;
    expect(numberIn('', false)).to.be.NaN;
  });
});

describe('reading a log', () => {
  it('runs on over midnight, and over a clock that was set back', () => {
    const night = read('time,ra,dec\n23:59:58,1,1\n23:59:59,1,1\n00:00:00,1,1\n00:00:01,1,1');
    expect(list(night.series.timeS)).to.deep.equal([0, 1, 2, 3]);
    const set = read('time,ra,dec\n0,1,1\n2,1,1\n4,1,1\n-3594,1,1\n-3592,1,1');
    expect(list(set.series.timeS)).to.deep.equal([0, 2, 4, 6, 8]);
    expect(set.clockSteps).to.deep.equal([6]);
  });

  it('puts rows that came late where they belong, and keeps several of one time', () => {
    const found = read('t,ra,dec,ra_corr\n0,1,0,1\n4,3,0,1\n2,2,0,1\n4,5,0,1\n6,4,0,1');
    expect(list(found.series.timeS)).to.deep.equal([0, 2, 4, 4, 6]);
    expect(list(found.series.raArcsec)).to.deep.equal([1, 2, 3, 5, 4]);
    // What was sent is summed in the order of its times.
    expect(list(found.series.sentRaArcsec)).to.deep.equal([0, 1, 2, 3, 4]);
    expect(found.unusable).to.equal(0);
  });

  it('takes numbers with their unit, a long minus, and a comma between quotes', () => {
    const marked = read('t;ra;dec\n0 s;1.5";−2"\n1 s;1.0";3"');
    expect(list(marked.series.decArcsec)).to.deep.equal([-2, 3]);
    expect(list(read('t,ra,dec\n"0,0","1,5","2,5"\n"0,5","1,0","2,0"').series.timeS)).to.deep.equal([0, 0.5]);
  });

  it('counts rows that were lost, and starts its clock with the first of all', () => {
    const found = read('t,ra,dec\n10,lost,lost\n11,1,2\n12,NaN,\n13,3,4');
    expect([found.rows, found.unusable]).to.deep.equal([4, 2]);
    expect(list(found.series.timeS)).to.deep.equal([1, 3]);
  });

  it('makes arcsec of pixels, minutes of arc and milliseconds; asks for what it lacks', () => {
    const px = 't,ra_px,dec_px\n0,1,2\n1,2,3';
    expect(refusal(px)).to.equal('logNoScale');
    expect(list(read(px, { scaleArcsecPerPx: 1.5 }).series.raArcsec)).to.deep.equal([1.5, 3]);
    const remark = `# scale 2.0 arcsec/px\n${px}`;
    expect(list(read(remark).series.decArcsec)).to.deep.equal([4, 6]);
    const ms = 't,ra,dec,ra_ms,dec_ms\n0,1,1,100,0\n1,1,1,0,0';
    expect(refusal(ms)).to.equal('logNoRate');
    expect(list(read(`// pulses at 7.5 arcsec per second\n${ms}`).series.sentRaArcsec)).to.deep.equal([0, 0.75]);
    expect(refusal('t,dec\n0,1\n1,2')).to.equal('logNoError');
    expect(refusal('t,ra,dec')).to.equal('logEmpty');
  });

  it('what was sent while the star was lost still counts, from the next row on', () => {
    const found = read('t,ra_err,dec_err,ra_corr,dec_corr\n0,1,1,-0.5,0\n1,lost,lost,-0.25,0\n2,0,0,0,1\n3,0,0,0,0');
    expect(list(found.series.sentRaArcsec)).to.deep.equal([0, -0.75, -0.75]);
    expect(list(found.series.sentDecArcsec)).to.deep.equal([0, 0, 1]);
  });

  it('turns a camera’s columns, and a column that counts west', () => {
    const turned = read('t,x,y\n0,1,0\n1,0,1', { unit: 'arcsec', raFromXDeg: 90 });
    expect(list(turned.series.raArcsec)).to.deep.equal([0, 1]);
    expect(list(turned.series.decArcsec)).to.deep.equal([-1, 0]);
    expect(list(read('t,ra west,dec\n0,1,2\n1,2,2').series.raArcsec)).to.deep.equal([-1, -2]);
  });

  it('reads the same whatever the delimiter, the point and the line ends', () => {
    const rows = fc.array(fc.tuple(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: -9999, max: 9999 })), {
      minLength: 3,
      maxLength: 40,
    });
    const written = (values: [number, number][], d: string, point: string, end: string) =>
      ['t', 'ra', 'dec'].join(d) +
      end +
      values
        .map(([a, b], i) => [`${i}${point}5`, ...[a, b].map((v) => (v / 100).toFixed(2).replace('.', point))].join(d))
        .join(end);
    holds(
      fc.property(rows, (values) => {
        const plain = read(written(values, ',', '.', '\n'));
        for (const [d, point, end] of [
          [';', ',', '\r\n'],
          ['\t', '.', '\r'],
          ['\t', ',', '\n'],
          ['|', '.', '\n'],
        ] as const)
          expect(list(read(written(values, d, point, end)).series.raArcsec)).to.deep.equal(list(plain.series.raArcsec));
      }),
    );
  });
});

describe('a kept way to read a log', () => {
  it('is what was guessed, after it went through the device’s store', () => {
    for (const text of [
      't,ra,dec\n0,1,2',
      'time;RA ["];Dek ["];RA_ms;aim_ra\n21:00:00;1;2;3;4',
      'date,time,ra_px,dec_px\n2026-05-11,22:40:00,1,2',
      '0\t1\t2\n1\t2\t5\n2\t1\t3',
    ]) {
      const { mapping } = guessMapping(layout(text));
      expect(logMappingSchema.parse(JSON.parse(JSON.stringify(mapping)))).to.deep.equal(mapping);
    }
  });

  it('anything else is none', () => {
    const good = guessMapping(layout('t,ra,dec\n0,1,2')).mapping;
    for (const wrong of [
      { ...good, roles: [{ is: 'moon' }] },
      { ...good, roles: [{ is: 'time', kind: 'weeks' }] },
      { ...good, roles: [{ is: 'ra', unit: 'ms', sign: 1 }] },
      { ...good, scaleArcsecPerPx: 0 },
      { ...good, unit: 'ms' },
      null,
    ])
      expect(logMappingSchema.safeParse(wrong).success, JSON.stringify(wrong)).to.equal(false);
  });
});
