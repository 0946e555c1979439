/** The stand-in mount, logging into an open connection. */
import { Router } from 'express';
import { z } from 'zod';
import { BETWEEN_MS, DIFFICULTIES, LINES_AT_ONCE, linesFrom, standInLines } from '../src/standins/mountStream.ts';
import { openEvents } from './events.ts';

const asked = z.object({
  seed: z.coerce.number().int().min(0).max(1e9),
  difficulty: z.enum(DIFFICULTIES),
  /** Where an interrupted stream goes on. */
  from: z.coerce.number().int().min(0).default(0),
});

export function standInRoutes(): Router {
  const routes = Router();
  routes.get('/log', (request, response) => {
    const wish = asked.safeParse(request.query);
    if (!wish.success) {
      response.status(400).json({ error: 'Ask with a whole seed and a difficulty: easy, usual or hard.' });
      return;
    }
    const { from, ...mount } = wish.data;
    const lines = standInLines(mount);
    const send = openEvents(response);
    if (!send) return;
    let next = from;
    const timer = setInterval(() => {
      const text = linesFrom(lines, next, LINES_AT_ONCE);
      next += LINES_AT_ONCE;
      if (text !== '') send('lines', { text, next });
      if (next < lines.length) return;
      clearInterval(timer);
      send('end', { next });
      response.end();
    }, BETWEEN_MS);
    response.on('close', () => clearInterval(timer));
  });
  return routes;
}
