/** npm run -s compute -- TOPIC INPUT.json: answers the cases as one JSON object. Exit 0 also for refusals, 2 for an
 *  unreadable input. */
import { readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { computeTopic, topics } from './compute/topics.ts';

function main([topic, file]: string[]): number {
  if (!topic || !file) {
    console.error(`usage: compute TOPIC INPUT.json; topics: ${Object.keys(topics).join(', ')}`);
    return 2;
  }
  try {
    const input: unknown = JSON.parse(readFileSync(file, 'utf8'));
    console.log(JSON.stringify({ cases: computeTopic(topic, input, dirname(file)) }));
    return 0;
  } catch (error) {
    console.error(`${file}: ${error instanceof Error ? error.message : String(error)}`);
    return 2;
  }
}

process.exitCode = main(process.argv.slice(2));
