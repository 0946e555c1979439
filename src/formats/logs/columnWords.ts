/** Words by which the columns of logs are named, in several languages. */

/** Words of a name: accents off, parted at signs and at capitals. */
export function wordsOf(name: string): string[] {
  return name
    .replace(/([a-zα-ω])([A-Z])/g, '$1 $2')
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}"″'°%]+/u)
    .filter(Boolean);
}

export const RA = /^(ra|ar|ad|rekt\w*|rektaszension|ascension|rightascension|alpha|α|raerr\w*|rax|x|dx|ew|east|west)$/;
export const DEC = /^(dec|de|dek|dekl\w*|decl\w*|delta|δ|decerr\w*|y|dy|ns|north|south)$/;
export const SENT = /^(corr\w*|korr\w*|puls\w*|impuls\w*|guid\w*|move\w*|cmd|command|sent|duration|dur)$/;
export const TOWARD = /^(dir\w*|richtung\w*|sens|sentido|sign|vorzeichen|signe|signo|toward\w*)$/;
export const AIM = /^(target|aim|lock|dither|ziel|soll|setpoint|goal|cible|objetivo)$/;
export const ASIDE =
  /^(snr|flux|mass|fwhm|hfd|mag|adu|count\w*|temp\w*|sky|peak|frame|nr|no|row|index|idx|id|num\w*|zeile|status|code|airmass|alt\w*|az\w*)$/;
export const TIME =
  /^(time|zeit|t|ts|utc|ut|uhrzeit|heure|temps|hora|tiempo|tempo|sec\w*|sek\w*|seg\w*|s|elapsed|clock|timestamp|datetime|jd|mjd|mins?|minutes?|hours?|ms|millis\w*|epoch|lt|local)$/;
export const DATE = /^(date|datum|fecha|data|jour|dia)$/;

export const hasWord = (words: readonly string[], pattern: RegExp): boolean => words.some((w) => pattern.test(w));

const KNOWN = [RA, DEC, TIME, DATE, SENT, TOWARD, AIM, ASIDE];
const TELLING = [RA, DEC, TIME, DATE];

/** Names of columns, not a sentence of as many words: most of them are known, and they tell of more than one thing. */
export function namesColumns(cells: readonly string[]): boolean {
  const names = cells.map(wordsOf);
  const known = names.filter((words) => KNOWN.some((pattern) => hasWord(words, pattern)));
  const told = TELLING.filter((pattern) => names.some((words) => hasWord(words, pattern)));
  return told.length > 1 && known.length * 2 > cells.length;
}
