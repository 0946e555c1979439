import { expect } from 'chai';
import { analyseTrack } from '../../../../src/core/tracking/analyseTrack.ts';
import { openLog } from '../../../../src/formats/logs/openLog.ts';
import { noteWords } from '../../../../src/text/logReadingWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';

const open = async (lines: readonly string[]) => {
  async function* bytes() {
    yield await Promise.resolve(new TextEncoder().encode(lines.join('\n')));
  }
  const opened = await openLog(bytes(), { told: {}, mapping: null, between: () => Promise.resolve() });
  if (!opened.ok) throw new Error(opened.code);
  return opened.value;
};
const read = async (lines: readonly string[]) => {
  const { read: found } = await open(lines);
  if (!found.ok) throw new Error(found.code);
  return found.value;
};
const codes = async (lines: readonly string[]) => (await read(lines)).notes.map((n) => n.code);
const times = async (lines: readonly string[]) =>
  [...(await read(lines)).series.timeS].map((t) => Math.round(t * 10) / 10);
const refusalOf = async (lines: readonly string[]) => {
  const { read: found } = await open(lines);
  return found.ok ? null : found;
};

/** A drive of 480 s by another formula than any here: its error is a triangle's first waves. */
const raAt = (s: number): string => (5 * Math.sin((2 * Math.PI * s) / 480) + 0.01 * s).toFixed(3);
const row = (time: string | number, s: number): string => `${time},${raAt(s)},${(((s * 7) % 5) / 10).toFixed(2)}`;
const every2 = Array.from({ length: 900 }, (_, i) => 2 * i);
const HEAD = 'time_s,ra_arcsec,dec_arcsec';
const log = (seconds: readonly number[]) => [HEAD, ...seconds.map((s) => row(s, s))];
const clock = (s: number): string => new Date(s * 1000).toISOString().slice(11, 19);

describe('times of a log in disorder', () => {
  it('shuffled with dates are put in order, with seconds only refused by how many run backwards', async () => {
    const mixed = every2.map((_, i) => every2[(i * 401) % 900]!);
    const dated = (s: number) => row(new Date(1.77e12 + s * 1000).toISOString(), s);
    expect(await times(['UTC,ra_arcsec,dec_arcsec', ...mixed.map(dated)])).to.deep.equal(every2);
    const refused = (await refusalOf(log(mixed)))!;
    expect([refused.code, refused.figures['backward'], refused.figures['rows']]).to.deep.equal([
      'logTimesBackward',
      400,
      900,
    ]);
  });

  it('newest first, parts swapped and one stray time are read as they were kept, and said', async () => {
    expect(await codes(log([...every2].reverse()))).to.deep.equal(['newestFirst']);
    expect(await times(log([...every2].reverse()))).to.deep.equal(every2);
    expect(await codes(log([...every2.slice(400), ...every2.slice(0, 400)]))).to.deep.equal(['inOrder']);
    for (const stray of [0, 4400, 1e9]) {
      const lines = [HEAD, ...every2.map((s) => row(s === 800 ? stray : s, s))];
      expect(await codes(lines), String(stray)).to.deep.equal(['strayTimes']);
      expect(await times(lines)).to.deep.equal(every2.filter((s) => s !== 800));
    }
  });

  it('a clock set back once is carried on and said in words', async () => {
    const lines = [HEAD, ...every2.map((s) => row(s < 1000 ? s : s - 300, s))];
    const { notes, series } = await read(lines);
    expect([...series.timeS]).to.deep.equal(every2);
    expect(notes.map((n) => noteWords(n, makeFormat('metric', 'UTC')))[0]).to.equal(
      'After 17 min its clock was set back by 5 min: the rows go on from there as if it had not.',
    );
  });

  it('rows told twice count once: lines doubled, the file appended to itself', async () => {
    const lines = log(every2);
    for (const twice of [lines.flatMap((l) => [l, l]), [...lines, ...lines], [...lines, ...lines.slice(1)]]) {
      const found = await read(twice);
      expect([...found.series.timeS]).to.deep.equal(every2);
      expect(found.notes).to.deep.equal([{ code: 'toldTwice', rows: 900 }]);
      expect(found.unusable).to.equal(0);
    }
    // A coarse clock: rows of one minute may be alike, but not each of them twice.
    const coarse = ['Uhrzeit,RA ["],Dek ["]', ...every2.map((s) => row(clock(80_000 + s).slice(0, 5), s))];
    const doubled = await read(coarse.flatMap((l) => [l, l]));
    expect(doubled.notes).to.deep.include({ code: 'toldTwice', rows: 900 });
    const lost = coarse.map((l, i) => (i % 9 === 2 ? `${l.split(',')[0]},lost,lost` : l));
    expect((await read(lost.flatMap((l) => [l, l]))).rows).to.equal(1800);
    expect((await read(lost.flatMap((l) => [l, l]))).notes).to.deep.include({ code: 'toldTwice', rows: 900 });
    const alike = coarse.map((l, i) => (i % 30 === 2 ? coarse[i - 1]! : l));
    expect((await read(alike)).series.timeS.length).to.equal(900);
  });

  it('a counter that begins anew is another session, folded with none', async () => {
    const second = every2.map((s) => row(s, s + 333));
    const found = await read([...log(every2), ...second]);
    expect(found.notes.map((n) => n.code)).to.deep.equal(['sessions']);
    expect(found.series.starts).to.deep.equal([900]);
    const told = analyseTrack(found.series, { ownTurnS: null })!;
    expect([told.isWhole, Math.round(told.periodic!.periodS)]).to.deep.equal([false, 480]);
  });

  it('minutes only are spread by their count, over midnight as well', async () => {
    const lines = [
      'Uhrzeit;RA ["];Dek ["]',
      ...every2.map((s) => row(clock(85_800 + s).slice(0, 5), s).replaceAll(',', ';')),
    ];
    const found = await read(lines);
    expect(found.notes).to.deep.equal([{ code: 'spread', everyS: 60 }]);
    found.series.timeS.forEach((t, i) => expect(Math.abs(t - 2 * i)).to.be.below(2));
  });

  it('summer time is found in a local clock, and an offset in the cell honoured', async () => {
    const local = (s: number, turned: number) => row(clock(6600 + s + turned), s);
    const heading = 'local time,ra_arcsec,dec_arcsec';
    for (const turned of [3600, -3600]) {
      const at = turned > 0 ? 600 : 4200;
      const seconds = Array.from({ length: 900 }, (_, i) => 6 * i);
      const lines = [heading, ...seconds.map((s) => local(s, s < at ? 0 : turned))];
      expect(await codes(lines), String(turned)).to.deep.equal(['summerTime']);
      expect(await times(lines)).to.deep.equal(seconds);
    }
    const offset = (s: number) =>
      `${new Date(1.77e12 + s * 1000 + (s < 900 ? 7.2e6 : 3.6e6)).toISOString().slice(0, 19)}${s < 900 ? '+02:00' : '+01:00'}`;
    expect(await times(['when,ra_arcsec,dec_arcsec', ...every2.map((s) => row(offset(s), s))])).to.deep.equal(every2);
  });

  it('Julian dates and minutes with seconds are times; numbers that may be minutes are asked for', async () => {
    const julian = ['JD,ra_arcsec,dec_arcsec', ...every2.map((s) => row((2_461_171.4 + s / 86_400).toFixed(8), s))];
    expect((await times(julian)).at(-1)).to.equal(1798);
    const parts = every2.map((s) => row(`${Math.floor(s / 60)}:${(s % 60).toFixed(1).padStart(4, '0')}`, s));
    expect(await times(['Time,ra_arcsec,dec_arcsec', ...parts])).to.deep.equal(every2);
    const unnamed = (by: number) => ['Time,ra_arcsec,dec_arcsec', ...every2.map((s) => row((s * by).toFixed(4), s))];
    expect((await open(unnamed(1 / 60))).doubts).to.include('timeUnit');
    expect((await times(unnamed(1 / 60))).at(-1)).to.equal(1798);
    expect((await open(unnamed(1))).doubts).not.to.include('timeUnit');
    expect((await refusalOf(unnamed(0.1)))?.code).to.equal('logTimeUnit');
  });
});

describe('cells of a log that hold no value', () => {
  it('are missing values whatever the word, among the first rows too, and never a heading', async () => {
    for (const word of ['n/a', 'k.A.', '---', '', 'sin dato', 'perdu', '无']) {
      const rows = every2.map((s, i) => (i < 2 || i % 50 === 0 ? `${s},${word},${word}` : row(s, s)));
      const found = await read([HEAD, ...rows]);
      expect([found.rows, found.unusable], word).to.deep.equal([900, 19]);
      expect(found.series.timeS[0], word).to.equal(4);
    }
  });

  it('a row that lost a cell is torn', async () => {
    const lines = log(every2).map((line, i) => (i === 300 ? line.replace(/^[^,]*,/, '') : line));
    const found = await read(lines);
    expect([found.rows, found.unusable]).to.deep.equal([900, 1]);
    expect(analyseTrack(found.series, { ownTurnS: null })!.jumps).to.deep.equal([]);
  });
});

describe('columns of a log', () => {
  it('that are named for the axes come before those of a camera', async () => {
    const { mapping, layout } = await open([
      'time_s,dx_arcsec,dy_arcsec,RA px,Dec px',
      '0,1,2,3,4',
      '1,2,3,4,5',
      '2,2,1,1,2',
    ]);
    expect(mapping.roles.flatMap((r, i) => (r.is === 'ra' || r.is === 'dec' ? [layout.header[i]] : []))).to.deep.equal([
      'RA px',
      'Dec px',
    ]);
  });

  const guided = (names: readonly string[], sent: (arcsec: number) => readonly string[]) => [
    ['time_s', 'ra_arcsec', 'dec_arcsec', ...names].join(','),
    ...every2.map((s, i) => {
      const error = i % 3 === 0 ? 0.8 : -0.4;
      return [s, error, 0, ...sent(-0.5 * error)].join(',');
    }),
  ];
  const sumAt3 = async (lines: readonly string[]) => (await read(lines)).series.sentRaArcsec![3];

  it('pulses without a sign are signed by a column of directions, else refused', async () => {
    const ways = [
      ['E', 'W'],
      ['east', 'west'],
      ['+', '-'],
      ['ost', 'west'],
      ['1', '-1'],
    ];
    for (const [plus, minus] of ways) {
      const lines = guided(['ra_corr_arcsec', 'ra direction'], (v) => [Math.abs(v).toFixed(2), v > 0 ? plus! : minus!]);
      expect(await sumAt3(lines), plus).to.be.closeTo(-0.4 + 0.2 + 0.2, 1e-9);
    }
    const bare = guided(['ra_corr_arcsec'], (v) => [Math.abs(v).toFixed(2)]);
    expect((await refusalOf(bare))?.code).to.equal('logUnsigned');
  });

  it('corrections that run with the errors are told the other way round, and that is said', async () => {
    const lines = guided(['ra_corr_arcsec'], (v) => [(-v).toFixed(2)]);
    expect(await codes(lines)).to.deep.equal(['pulsesTurned']);
    expect(await sumAt3(lines)).to.be.closeTo(0, 1e-9);
    expect(await codes(guided(['ra_corr_arcsec'], (v) => [v.toFixed(2)]))).to.deep.equal([]);
  });
});
