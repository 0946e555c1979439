/** A stretch of time. */
export type Span = { fromMs: number; toMs: number };
