/** The picture above as a file. */
import { useState, type RefObject } from 'react';
import { Button } from 'react-bootstrap';
import { saveChart } from './saveChart.ts';

/** @param fileName without ending. */
export function SaveDrawing({ svg, fileName }: { svg: RefObject<SVGSVGElement | null>; fileName: string }) {
  const [failed, setFailed] = useState(false);
  const save = (kind: 'svg' | 'png'): void => {
    if (svg.current) void saveChart(svg.current, fileName, kind).then((saved) => setFailed(!saved));
  };
  return (
    <div className="chart-tools">
      <Button variant="link" onClick={() => save('svg')}>
        Save as SVG
      </Button>
      <Button variant="link" onClick={() => save('png')}>
        Save as PNG
      </Button>
      {failed && (
        <span role="alert">The browser could not make the picture. Nothing was saved. Save it as SVG instead.</span>
      )}
    </div>
  );
}
