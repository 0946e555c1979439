import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { nameSchema } from '../../../src/core/records/common.ts';
import { partSchema } from '../../../src/core/records/part.ts';
import { withoutControls } from '../../../src/core/records/text.ts';
import { BACKUP_LISTS } from '../../../src/formats/backup.ts';
import { columnsOf, toCsv, withoutGuard } from '../../../src/formats/csv.ts';
import { folded, toICalendar, type CalendarEvent } from '../../../src/formats/icalendar.ts';
import { holds } from '../../support/properties.ts';

describe('comma-separated tables', () => {
  it('gives one row a record, nested values by dotted names, missing ones empty', () => {
    const text = toCsv([
      { id: 'a', values: { x: 1.5, deep: { on: true } }, list: [1, 2], none: null },
      { id: 'b, "quoted"\nline', other: 'z' },
    ]);
    const { data } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(data[0]).to.deep.equal({
      id: 'a',
      'values.x': '1.5',
      'values.deep.on': 'true',
      list: '[1,2]',
      none: '',
      other: '',
    });
    expect([data[1]!['id'], data[1]!['other'], data[1]!['values.x']]).to.deep.equal(['b, "quoted"\nline', 'z', '']);
    expect(text.endsWith('\r\n')).to.equal(true);
  });

  it('disarms text that a spreadsheet would run, and leaves negative numbers alone', () => {
    const text = toCsv([{ note: '=1+1', value: -2.5 }]);
    expect(text).to.include("'=1+1").and.to.include(',-2.5');
  });
});

const event: CalendarEvent = {
  uid: 'flip-n1@tidy-owl',
  startMs: Date.UTC(2026, 10, 24, 21, 10),
  endMs: Date.UTC(2026, 10, 24, 21, 19),
  summary: 'Flip: NGC 281',
  description: 'Free the cables; hold, watch.\nThen re-frame \\ refocus.',
  location: 'Serra da Estrela',
  alarmMinutes: 15,
};

describe('calendar files', () => {
  const text = toICalendar([event, { ...event, uid: 'b', alarmMinutes: null }], Date.UTC(2026, 10, 24, 12), '-//x//EN');

  it('writes UTC times, an alarm before the start, and escaped words', () => {
    expect(text).to.include('DTSTART:20261124T211000Z\r\nDTEND:20261124T211900Z');
    expect(text).to.include('DTSTAMP:20261124T120000Z');
    expect(text).to.include('TRIGGER:-PT15M');
    expect(text.replaceAll('\r\n ', '')).to.include('Free the cables\\; hold\\, watch.\\nThen re-frame \\\\ refocus.');
    expect(text.match(/BEGIN:VALARM/g)).to.have.length(1);
  });

  it('is framed as the standard wants, every line ended by carriage return and line feed', () => {
    const lines = text.split('\r\n');
    expect([lines[0], lines.at(-2), lines.at(-1)]).to.deep.equal(['BEGIN:VCALENDAR', 'END:VCALENDAR', '']);
    expect(text.replaceAll('\r\n', '')).not.to.match(/[\r\n]/);
    expect(text.match(/BEGIN:VEVENT/g)).to.have.length(2);
  });

  it('folds any line to 75 octets without cutting a character, and unfolds to the same', () => {
    holds(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (words) => {
        const line = `DESCRIPTION:${words.replaceAll(/[\r\n]/g, ' ')}`;
        const pieces = folded(line).split('\r\n');
        for (const piece of pieces) expect(new TextEncoder().encode(piece).length).to.be.at.most(75);
        expect(pieces.map((p, i) => (i === 0 ? p : p.slice(1))).join('')).to.equal(line);
      }),
    );
  });
});

describe('texts that people and files bring', () => {
  it('lose control characters and halves of characters, and keep everything else', () => {
    holds(
      fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (text) => {
        const clean = withoutControls(text);
        expect(clean).not.to.match(/(?![\t\n\r])\p{Cc}/u);
        expect(encodeURIComponent(clean), 'well formed').to.be.a('string');
        expect(withoutControls(clean)).to.equal(clean);
      }),
    );
    expect(withoutControls('Größe 8″ \u{1f98a}\n\tx\ud800y\u0000z')).to.equal('Größe 8″ \u{1f98a}\n\txyz');
    expect(nameSchema.parse(' He\u0000ron\n8″ ')).to.equal('Heron 8″');
  });

  it('calendar lines hold none, and an event without length has no end', () => {
    const event = {
      uid: 'a@b',
      startMs: Date.UTC(2026, 10, 24, 18),
      endMs: Date.UTC(2026, 10, 24, 18),
      summary: 'Dark\u0000 at\r\nlast',
      description: '\tTab',
      location: '',
      alarmMinutes: null,
    };
    const text = toICalendar([event, { ...event, endMs: event.startMs + 60_000 }], 0, '-//x');
    expect(text).not.to.match(/(?![\r\n])\p{Cc}/u);
    expect(text).to.include('SUMMARY:Dark at\\nlast');
    expect(text.match(/DTEND:/g)).to.deep.equal(['DTEND:']);
  });
});

describe('tables for a spreadsheet', () => {
  it('run no formula, over a line break neither, and are read back as they were', () => {
    for (const note of ['=1+1', '+x', '-x\ny', '@sum', '\t=1', "'=1", '\n=cmd', 'plain', '']) {
      const cell = Papa.parse<string[]>(toCsv([{ note }])).data[1]?.[0] ?? '';
      expect(cell, note).not.to.match(/^[=+\-@\t\r\n]/);
      expect(withoutGuard(cell), note).to.equal(note);
    }
  });

  it('an empty one has its header', () => {
    const header = columnsOf(partSchema);
    expect(header).to.include.members(['id', 'name', 'kind', 'massKg', 'finder.numbering', 'geometry.pivotHeightM']);
    expect(toCsv([], header).trim()).to.equal(header.join(','));
    for (const list of Object.values(BACKUP_LISTS)) expect(columnsOf(list)).to.include('id').and.not.include('');
  });
});
