import type { OffBar } from '../../../src/core/mount/offBar.ts';
import { TUBE_ENDS } from '../../../src/text/tubeEnds.ts';
import { expect } from 'chai';
import { z } from 'zod';
import { localDateSchema, nameSchema } from '../../../src/core/records/common.ts';
import { toUtcText } from '../../../src/core/time/utc.ts';
import { balanceReason, balanceSentence, type BalanceSaying, type Why } from '../../../src/text/balanceWords.ts';
import { ITEM_ADVICE, ITEM_NAMES, judgementName, repairWords, stretchWords } from '../../../src/text/budgetWords.ts';
import { changeWords } from '../../../src/text/changeWords.ts';
import { angleWords, gapWords, WRITE_CODES, writeWords } from '../../../src/text/errorWords.ts';
import { BACKUP_CODES, backupWords } from '../../../src/text/dataWords.ts';
import { PARTS_CSV_CODES, partsCsvWords } from '../../../src/text/partsCsvWords.ts';
import { clipped, schemaWords } from '../../../src/text/schemaWords.ts';
import { expectedWords } from '../../../src/text/logbookWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { meridianReason, meridianSentence, type MeridianSaying } from '../../../src/text/meridianWords.ts';
import {
  clockFaceWords,
  dialReason,
  dialSentence,
  errorWords,
  readingWords,
  sideWords,
  turnWords,
  type DialSaying,
} from '../../../src/text/polarWords.ts';
import { pieces, plain } from '../../../src/text/said.ts';

const metric = makeFormat('metric', 'Europe/Lisbon');
const imperial = makeFormat('imperial', 'Europe/Lisbon');

const WHYS: readonly Why[] = [
  { code: 'answers', lastDrop: 'tube', lowM: 0.28, highM: 0.31 },
  { code: 'stated', withinM: 0.02 },
  {
    code: 'lastTime',
    atM: 0.27,
    added: ['Wheel', 'Filter'],
    removed: [],
    moved: [],
  },
  { code: 'lastTime', atM: 0.27, added: [], removed: [], moved: [] },
];

const SET = { ids: ['Weight 2'], massKg: 2, positionM: 0.084, totalOnAxisKg: 5, inertiaKgM2: 0.1 };
const OFF_BARS: OffBar[] = [
  { code: 'noWeight', leftKgM: 0.01 },
  { code: 'noWeight', leftKgM: -0.06 },
  { code: 'noWeight', leftKgM: 0 },
  { code: 'otherSet', set: SET },
  { code: 'lighter', nearestM: 0.06 },
  { code: 'longer', byM: 0.08 },
];

describe('words', () => {
  it('every balance code has a sentence and a reason', () => {
    const sayings: BalanceSaying[] = [
      { code: 'notNeeded', drive: 'strainWave' },
      { code: 'notNeeded', drive: 'worm' },
      { code: 'incomplete' },
      { code: 'noWeight', momentKgM: 1 },
      { code: 'noMover', axis: 'dec' },
      { code: 'noMover', axis: 'sideways' },
      { code: 'ringsStay' },
      ...[null, 60, -60].map((byDeg): BalanceSaying => ({ code: 'turnRings', byDeg })),
      { code: 'offSaddle', toward: 'rear' },
      { code: 'bias', moveM: 0.008, toM: 0.301, stepM: 0.016, tubeSide: 'west' },
      ...(['ra', 'dec', 'sideways'] as const).flatMap((axis): BalanceSaying[] => [
        { code: 'again', axis, atM: 0.29 },
        { code: 'balanced', axis, atM: 0.29, next: 'dec' },
        { code: 'balanced', axis, atM: 0.29, next: null },
        ...WHYS.flatMap((why): BalanceSaying[] => [
          { code: 'try', axis, atM: 0.29, why },
          { code: 'move', axis, name: 'guide scope', moveM: -0.021, toM: 0.293, why },
        ]),
      ]),
      ...OFF_BARS.map((off): BalanceSaying => ({ code: 'offBar', off })),
    ];
    for (const s of sayings) {
      expect(plain(balanceSentence(s, metric, TUBE_ENDS.camera, String)), s.code).to.match(/^[A-Z].*[.?]$/);
      expect(balanceReason(s, metric, TUBE_ENDS.camera), s.code).to.match(/^[A-Z].*\.$/);
    }
  });

  it('speaks the user’s units', () => {
    const why = WHYS[2]!;
    const move: BalanceSaying = { code: 'move', axis: 'ra', name: '', moveM: 0.021, toM: 0.293, why };
    expect(balanceReason(move, metric, TUBE_ENDS.camera)).to.equal(
      'Last time it stayed at 270 mm. Since then Wheel and Filter came on.',
    );
    const tube: BalanceSaying = { ...move, axis: 'dec', moveM: -0.02 };
    expect(plain(balanceSentence(tube, metric, TUBE_ENDS.camera, String))).to.include(
      'Slide the tube 20 mm toward the camera end',
    );
    expect(plain(balanceSentence(move, metric, TUBE_ENDS.camera, String))).to.equal(
      'Slide the weight 21 mm outward, to 293 mm. Hold the tube.',
    );
    expect(plain(balanceSentence(move, imperial, TUBE_ENDS.camera, String))).to.equal(
      'Slide the weight 0.83 in outward, to 11.54 in. Hold the tube.',
    );
  });

  it('every meridian code has a sentence', () => {
    const t = Date.parse('2026-11-24T21:09:00Z');
    const sayings: MeridianSaying[] = [
      { code: 'noTarget' },
      { code: 'neverRises', target: 'NGC 104', altDeg: -22, latDeg: 40 },
      { code: 'noDarkness', light: { code: 'sunUp', againMs: t } },
      { code: 'notUpInDark', target: 'M 33' },
      { code: 'noFlipMount', target: 'M 33', transitMs: t },
      { code: 'noTimeLeft', target: 'M 33' },
      { code: 'outOfTravel', target: 'M 33' },
      { code: 'startTooLate', target: 'M 33' },
      { code: 'noSubFits', target: 'M 33' },
      { code: 'paused', target: 'M 33' },
      { code: 'stopped', target: 'M 33' },
      { code: 'flipDone', flipMs: t },
      { code: 'belowPole', startMs: t },
      { code: 'flip', flipMs: t, subNumber: 71 },
      { code: 'flip', flipMs: t, subNumber: 0 },
      { code: 'stopAtLimit', limitMs: t },
      { code: 'transitBefore', startMs: t },
      { code: 'transitAfter', transitMs: t },
      { code: 'limitAfterEnd', transitMs: t },
    ];
    const about = {
      target: null,
      transitMs: t,
      belowMs: null,
      altDeg: 74,
      side: 'N' as const,
      limitSource: 'The mount’s limit stands 45 min past it.',
    };
    for (const s of sayings) {
      expect(plain(meridianSentence(s, metric)), s.code).to.match(/^[A-Z].*\.$/);
      expect(meridianReason(s, metric, about, true), s.code).to.match(/^[A-Z].*\.$/);
    }
    const below = { ...about, target: 'IC 1396', belowMs: t };
    expect(meridianReason({ code: 'flip', flipMs: t, subNumber: 71 }, metric, below, true)).to.match(
      /^IC 1396 crosses the meridian below the pole at \d\d:\d\d: /,
    );
    expect(plain(meridianSentence({ code: 'flip', flipMs: t, subNumber: 71 }, metric))).to.equal(
      'Flip at 21:09, after sub 71.',
    );
  });

  it('every dial code has a sentence, north and south', () => {
    const common = { star: 'Polaris', viewAngleDeg: 126, view: 'inverted' as const, south: false };
    const sayings: DialSaying[] = [
      { code: 'engraved', reading: 4.2, numbering: '12h', ...common },
      { code: 'pattern', ...common, south: true, engraved: true },
      { code: 'pattern', ...common, engraved: false },
      { code: 'noFinder', star: 'Polaris', viewAngleDeg: 10, south: false },
      { code: 'equator' },
    ];
    for (const s of sayings) {
      expect(plain(dialSentence(s, metric)), s.code).to.match(/^[A-Z].*\.$/);
      expect(dialReason(s, 37.3, metric), s.code).to.match(/^[A-Z].*\.$/);
    }
  });

  it('reads dials as people do', () => {
    expect(readingWords(4.2, '12h', metric)).to.equal('4:12');
    expect(readingWords(0.2, '12h', metric)).to.equal('12:12');
    expect(readingWords(11.9999, '12h', metric)).to.equal('12:00');
    expect(readingWords(0.2, '24h', metric)).to.equal('0:12');
    expect(readingWords(126.4, 'deg', metric)).to.equal('126°');
    expect(clockFaceWords(359)).to.equal('12 o’clock');
    expect([
      turnWords(2.111, metric),
      turnWords(0.1056, metric),
      turnWords(0.9999, metric),
      turnWords(1, metric),
    ]).to.deep.equal(['2 turns and 40°', '38°', '1 turn', '1 turn']);
  });

  it('names sides as seen facing the pole', () => {
    expect([sideWords(false, false), sideWords(true, true)]).to.deep.equal(['left (west)', 'left (east)']);
    expect(errorWords({ altErrorArcmin: -1.7, azErrorArcmin: 0.5 }, false, metric)).to.equal(
      '1.7′ too low and 0.5′ too far right (east)',
    );
  });

  it('every code of an error says what to do', () => {
    for (const code of WRITE_CODES) expect(writeWords(code, { name: 'Heron' }).length, code).to.be.greaterThan(30);
    for (const code of ['notANumber', 'minutesOutOfRange', 'outOfRange', 'signAndLetter'] as const)
      expect(angleWords(code, { min: -90, max: 90 })).to.match(/\.$/);
    for (const code of ['mountMissing', 'tubeMissing', 'cameraMissing', 'barRangeMissing', 'noWeight'] as const)
      expect(gapWords({ code })).to.include('Kit');
    expect(gapWords({ code: 'massMissing', partId: 'x', name: 'Tube' })).to.include('Tube');
    for (const label of ['created', 'edited', 'deleted', 'recorded', 'setting'] as const)
      expect(changeWords(label, 'balance')).to.match(/^Undone: /);
  });

  it('what a schema refuses is said in the user’s words and unit, in forms and elsewhere alike', () => {
    const said = (schema: z.ZodType, value: unknown, show?: (v: number) => string) => {
      const parsed = schema.safeParse(value);
      return parsed.success ? 'accepted' : schemaWords(parsed.error.issues[0]?.message, show);
    };
    expect(said(z.number().min(0.1), 0, (v) => imperial.quantity(v, 'mass'))).to.equal('Must be at least 0.22 lb.');
    expect(said(z.number().max(10), 11, (v) => metric.quantity(v, 'barLength'))).to.equal('Must be at most 10000 mm.');
    expect(said(z.number().positive(), 0)).to.equal('Must be more than 0.');
    expect(said(z.number(), null)).to.equal('Type a number.');
    expect(said(z.number().int(), 1.5)).to.equal('Type a whole number.');
    expect(said(nameSchema, 'x'.repeat(81))).to.equal('Must be at most 80 characters long.');
    expect(said(nameSchema, ' ')).to.equal('Give it a name.');
    expect(said(z.enum(['a', 'b']), 'c')).to.equal('Choose one of the known values.');
    expect(said(z.array(z.string()).max(1), ['a', 'b'])).to.equal('Must be at most 1 entries.');
    expect(said(localDateSchema, '2026-99-99')).to.include('a date that the calendar has');
    expect(said(z.object({}).strict(), { odd: 1 })).to.equal('Nothing of this name belongs here.');
    expect([schemaWords('Write it so.'), schemaWords(undefined)]).to.deep.equal(['Write it so.', 'Check this value.']);
  });

  it('no sentence echoes more of a file than a line', () => {
    const long = 'x'.repeat(3_000_000);
    expect(clipped(long)).to.have.length(81);
    for (const code of BACKUP_CODES) {
      const figures = {
        list: 'parts',
        number: 1,
        id: long,
        where: long,
        what: 'notOneOf',
        version: 9,
        known: 5,
        characters: 3,
      };
      expect(backupWords(code, figures).length, code).to.be.lessThan(500);
    }
    for (const code of WRITE_CODES)
      expect(writeWords(code, { name: long, where: long, what: long }).length).to.be.lessThan(500);
    for (const code of PARTS_CSV_CODES) {
      const figures = { row: 2, column: long, kind: long, kinds: 'a, b', what: 'notOneOf', name: long };
      expect(partsCsvWords(code, figures).length, code).to.be.lessThan(500);
    }
  });

  it('every budget item has a name and advice', () => {
    expect(Object.keys(ITEM_ADVICE)).to.have.members(Object.keys(ITEM_NAMES));
  });

  it('says a verdict by its name, and at most two things that nobody looked at', () => {
    expect(judgementName({ state: 'swollen', unlooked: [] })).to.equal('Swollen');
    expect(judgementName({ state: 'cannotTell', unlooked: ['pole', 'focus', 'spacing'] })).to.equal(
      'Cannot tell: pole, focus',
    );
    expect(stretchWords({ stretch90: 1.114, evenFwhmArcsec: 3.06 }, metric)).to.equal(
      'Nine in ten stay under 1.11 times the width that air and optics allow, 3.1″.',
    );
    const pole = { code: 'pole', step: 'polar', from: 4.1, to: 1.8 } as const;
    const price = { minutes: 8, own: false, lost: 4, won: 0, worth: false };
    expect(repairWords({ ...pole, ...price }, metric)).to.equal(
      'Pole from 4.1′ to 1.8′: about 8 min, 4 subs lost, 0 won. Leave it.',
    );
    const mine = { ...pole, ...price, own: true, lost: 1, won: 9, worth: true };
    expect(repairWords(mine, metric)).to.match(/: your 8 min, 1 sub lost, 9 won\. Do it now\.$/);
    expect(repairWords({ ...mine, code: 'focus', from: 66, to: 0 }, metric)).to.match(/^Focus, gone by 66 µm: /);
    expect(repairWords({ ...mine, code: 'guiding', from: 1.24, to: 0.7 }, metric)).to.match(
      /^Guiding from 1\.2″ to 0\.7″:/,
    );
    const told = expectedWords({ state: 'round', unlooked: [] }, 0.956, metric);
    expect(told).to.equal('By the account 96% of its subs usable: round.');
  });

  it('splits stressed words and prints durations', () => {
    expect(pieces('Turn **left** now')).to.deep.equal([
      { text: 'Turn ', strong: false },
      { text: 'left', strong: true },
      { text: ' now', strong: false },
    ]);
    expect([metric.duration(45), metric.duration(480), metric.duration(9060)]).to.deep.equal([
      '45 s',
      '8 min',
      '2 h 31',
    ]);
    expect(metric.clock(Date.parse(toUtcText(0)))).to.equal('01:00');
    expect([metric.latitude(-22.75), metric.longitude(-7.6)]).to.deep.equal(['22° 45′ 00″ S', '7° 36′ 00″ W']);
  });
});
