/** The first stop of the Tab key: past header and run, to what the page is about. */
export function SkipLink() {
  return (
    <a
      href="#bench"
      className="skip"
      onClick={(event) => {
        event.preventDefault();
        document.querySelector<HTMLElement>('main h1')?.focus();
      }}
    >
      To the bench
    </a>
  );
}
