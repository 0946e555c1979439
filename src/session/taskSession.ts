/** A worker for one kind of task: what runs workers is fetched when it is first used, and asked for anew when it could not
 *  be. */
import { partOf } from '../core/missingPart.ts';
import type { WorkSession } from '../workers/workSession.ts';

export function taskSession<T>(make: () => Worker): () => Promise<WorkSession<T>> {
  let session: Promise<WorkSession<T>> | null = null;
  return () => {
    session ??= partOf(() => import('../workers/workSession.ts')).then(({ openWorkSession }) =>
      openWorkSession<T>(make),
    );
    session.catch(() => {
      session = null;
    });
    return session;
  };
}
