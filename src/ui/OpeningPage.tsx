/** Stands where a page will be while its code is fetched. */
export function OpeningPage() {
  return <p role="status">Opening…</p>;
}
