import { partOf } from '../core/missingPart.ts';
import { createElement, useEffect, useState, type ComponentType, type ReactNode } from 'react';

type Later<P> = ComponentType<P> & { fetch: () => Promise<void> };
type State<P> = { Page: ComponentType<P> | null; error: Error | null };

/** Stands where something is about to be drawn, so that one can see that it is not all there yet. */
export const Awaited = (): ReactNode => <span className="awaited" hidden />;

const known: (() => Promise<void>)[] = [];

/** Fetches every part of the program that is fetched when first shown: who draws pages as text sees them whole. */
export async function fetchAllLater(): Promise<void> {
  await Promise.all(known.map((fetch) => fetch()));
}

/** A component whose code is fetched when it is first shown, or before by `fetch`; `waiting` stands in its place meanwhile.
 *  React's own way keeps what waits on the page for 300 ms however soon the code is there, and never asks again for what
 *  once failed to come; here a page that is there is drawn at once, and a new attempt asks anew.
 *  @throws while drawing, to the nearest error boundary, what hindered the fetching. */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: (props: P) => ReactNode = Awaited,
): Later<P> {
  let loaded: ComponentType<P> | null = null;
  let loading: Promise<void> | null = null;
  const fetch = (): Promise<void> => {
    loading ??= partOf(load).then(
      (page) => void (loaded = page),
      (error: unknown) => {
        loading = null;
        throw error;
      },
    );
    return loading;
  };
  function Later(props: P) {
    const [{ Page, error }, show] = useState<State<P>>(() => ({ Page: loaded, error: null }));
    useEffect(() => {
      if (Page) return;
      let isShown = true;
      const shown = (state: State<P>): void => {
        if (isShown) show(state);
      };
      fetch().then(
        () => shown({ Page: loaded, error: null }),
        (reason: unknown) => shown({ Page: null, error: reason instanceof Error ? reason : new Error(String(reason)) }),
      );
      return () => {
        isShown = false;
      };
    }, [Page]);
    if (error) throw error;
    return Page ? createElement(Page, props) : waiting(props);
  }
  known.push(fetch);
  return Object.assign(Later, { fetch });
}
