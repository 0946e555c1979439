/** The port asked for on the command line or in the environment. */
const [LOWEST, HIGHEST] = [1, 65_535];

/** The port, or a sentence that says what is wrong with it. */
export function portOf(text: string | undefined, otherwise: number): number | { words: string } {
  if (text === undefined || text === '') return otherwise;
  const port = Number(text);
  if (Number.isInteger(port) && port >= LOWEST && port <= HIGHEST && /^\d+$/.test(text)) return port;
  return {
    words: `“${text.slice(0, 40)}” is no port. Take a whole number from ${LOWEST} to ${HIGHEST}: npm start -- --port 4200`,
  };
}
