/** Lets a worker thread read TypeScript, then starts the task. */
import { register } from 'tsx/esm/api';

register();
await import('./task.ts');
