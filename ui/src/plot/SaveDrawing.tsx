import { Menu, MenuFile } from '../parts/ui';
import { say } from '../words';
import { saveCsv, savePng, saveSvg } from './saveChart';

interface Props {
  /** Of the file, without its ending. */
  name: string;
  /** The figures as a table: where they are, or what makes their rows. */
  csv?: string | (() => string[][]);
  drawing: () => SVGSVGElement | null | undefined;
}

/** Saves a drawing, and its figures. */
export function SaveDrawing({ name, csv, drawing }: Props) {
  const withIt = (act: (svg: SVGSVGElement) => void) => () => {
    const svg = drawing();
    if (svg) act(svg);
  };
  return (
    <span className="noprint">
      <Menu title={say('plot.saveAs')}>
        {csv && (
          <MenuFile from={typeof csv === 'string' ? csv : () => saveCsv(csv(), name)}>
            {say('plot.csvTheFigures')}
          </MenuFile>
        )}
        <MenuFile from={withIt((svg) => saveSvg(svg, name))}>{say('plot.svgTheDrawing')}</MenuFile>
        <MenuFile from={withIt((svg) => void savePng(svg, name))}>{say('plot.pngThePicture')}</MenuFile>
      </Menu>
    </span>
  );
}
