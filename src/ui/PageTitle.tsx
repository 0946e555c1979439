/** The heading of a page, and the same words in the browser's tab. */
export function PageTitle({ children, className }: { children: string; className?: string }) {
  return (
    <>
      <title>{`${children} · Tidy Owl`}</title>
      <h1 className={className} tabIndex={-1}>
        {children}
      </h1>
    </>
  );
}
