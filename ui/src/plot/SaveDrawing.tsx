import { Button } from '../parts/ui';
import { savePng, saveSvg } from './saveChart';

interface Props {
  /** Of the file, without its ending. */
  name: string;
  /** Where the figures are as a table. */
  csv?: string;
  drawing: () => SVGSVGElement | null | undefined;
}

/** Takes a drawing along, and its figures. */
export function SaveDrawing({ name, csv, drawing }: Props) {
  const withIt = (act: (svg: SVGSVGElement) => void) => {
    const svg = drawing();
    if (svg) act(svg);
  };
  return (
    <span className="noprint flex gap-2.5 text-13 text-act">
      {csv && (
        <Button kind="link" asChild>
          <a href={csv} download>
            CSV
          </a>
        </Button>
      )}
      <Button kind="link" onClick={() => withIt((svg) => saveSvg(svg, name))}>
        SVG
      </Button>
      <Button kind="link" onClick={() => withIt((svg) => void savePng(svg, name))}>
        PNG
      </Button>
    </span>
  );
}
