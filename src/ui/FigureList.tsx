/** Named figures in a row: second to the sentence, never instead of it. */
export function FigureList({
  figures,
}: {
  figures: readonly { name: string; value: string; title?: string | undefined }[];
}) {
  return (
    <dl className="figure-list">
      {figures.map((figure) => (
        <div key={figure.name} title={figure.title}>
          <dt>{figure.name}</dt>
          <dd>{figure.value}</dd>
        </div>
      ))}
    </dl>
  );
}
