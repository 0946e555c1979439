/** Texts that people type and files bring, made safe to store and to write into any file. */

/** Without control characters other than tab and line end, and without halves of characters. */
export function withoutControls(text: string): string {
  return text
    .replaceAll(/(?![\t\n\r])\p{Cc}|[\ufffe\uffff]/gu, '')
    .replaceAll(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '');
}

/** The same in one line: line ends and tabs become spaces. */
export function inOneLine(text: string): string {
  return withoutControls(text.replaceAll(/[\t\r\n\u2028\u2029]+/g, ' '));
}
