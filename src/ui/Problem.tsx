import type { ReactNode } from 'react';

/** Something that needs the user's attention, with what to do. */
export function Problem({ children }: { children: ReactNode }) {
  return <div className="problem">{children}</div>;
}

/** A list that is still empty: what belongs here and how to begin. */
export function Empty({ children }: { children: ReactNode }) {
  return <div className="empty soft">{children}</div>;
}
