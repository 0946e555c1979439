/** Calendar files (RFC 5545): events with alarms. The words come from the caller. */
import { withoutControls } from '../core/records/text.ts';

export type CalendarEvent = {
  uid: string;
  startMs: number;
  /** Equal to the start for an instant. */
  endMs: number;
  summary: string;
  description: string;
  location: string;
  /** Minutes before the start at which to sound; null = none. */
  alarmMinutes: number | null;
};

/** `20261124T184300Z`. */
function stamp(utcMs: number): string {
  return `${new Date(utcMs).toISOString().slice(0, 19).replaceAll(/[-:]/g, '')}Z`;
}

/** Backslash, comma and semicolon are escaped, line ends become `\n` (3.3.11); other control characters may not stand in a
 *  line (3.1). */
function escaped(text: string): string {
  return withoutControls(text)
    .replaceAll(/[\\;,]/g, (c) => `\\${c}`)
    .replaceAll(/\r?\n|\r/g, '\\n')
    .replaceAll('\t', ' ');
}

const LONGEST_OCTETS = 75;

/** Long lines go on in the next one after a space, cut between characters, at most 75 octets each (3.1). */
export function folded(line: string): string {
  const lines: string[] = [];
  let current = '';
  let octets = 0;
  for (const character of line) {
    const size = new TextEncoder().encode(character).length;
    if (octets + size > LONGEST_OCTETS) {
      lines.push(current);
      current = ' ';
      octets = 1;
    }
    current += character;
    octets += size;
  }
  return [...lines, current].join('\r\n');
}

function alarm({ alarmMinutes, summary }: CalendarEvent): string[] {
  if (alarmMinutes === null) return [];
  return [
    'BEGIN:VALARM',
    'ACTION:DISPLAY',
    `DESCRIPTION:${escaped(summary)}`,
    `TRIGGER:-PT${alarmMinutes}M`,
    'END:VALARM',
  ];
}

function eventLines(event: CalendarEvent, madeMs: number): string[] {
  return [
    'BEGIN:VEVENT',
    `UID:${event.uid}`,
    `DTSTAMP:${stamp(madeMs)}`,
    `DTSTART:${stamp(event.startMs)}`,
    // An event without length has no end (3.6.1).
    ...(event.endMs > event.startMs ? [`DTEND:${stamp(event.endMs)}`] : []),
    `SUMMARY:${escaped(event.summary)}`,
    `DESCRIPTION:${escaped(event.description)}`,
    `LOCATION:${escaped(event.location)}`,
    'TRANSP:TRANSPARENT',
    ...alarm(event),
    'END:VEVENT',
  ];
}

/** One calendar file. `madeMs`: when it is written. */
export function toICalendar(events: readonly CalendarEvent[], madeMs: number, productId: string): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    `PRODID:${productId}`,
    'CALSCALE:GREGORIAN',
    ...events.flatMap((event) => eventLines(event, madeMs)),
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
