const CARRIED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-stretch',
  'text-anchor',
] as const;
const PNG_SCALE = 2;

/** Returns a drawing as a file of its own: with the looks that the page gives it, and its ground. */
export function standalone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = svg.querySelectorAll<SVGElement>('*');
  copy.querySelectorAll<SVGElement>('*').forEach((element, index) => {
    const look = getComputedStyle(originals[index] as SVGElement);
    element.removeAttribute('class');
    for (const name of CARRIED) element.style.setProperty(name, look.getPropertyValue(name));
  });
  const ground = document.createElementNS(svg.namespaceURI, 'rect') as SVGRectElement;
  ground.setAttribute('width', '100%');
  ground.setAttribute('height', '100%');
  ground.setAttribute('fill', getComputedStyle(document.documentElement).getPropertyValue('--sheet'));
  copy.prepend(ground);
  copy.removeAttribute('class');
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return new XMLSerializer().serializeToString(copy);
}

export function saveCsv(rows: string[][], name: string): void {
  const cell = (text: string) => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  save(new Blob([rows.map((row) => row.map(cell).join(',')).join('\n')], { type: 'text/csv' }), `${name}.csv`);
}

export function saveJson(value: unknown, name: string): void {
  save(new Blob([JSON.stringify(value, null, 1)], { type: 'application/json' }), `${name}.json`);
}

export function saveSvg(svg: SVGSVGElement, name: string): void {
  save(new Blob([standalone(svg)], { type: 'image/svg+xml' }), `${name}.svg`);
}

export async function savePng(svg: SVGSVGElement, name: string): Promise<void> {
  const url = URL.createObjectURL(new Blob([standalone(svg)], { type: 'image/svg+xml' }));
  const image = new Image();
  image.src = url;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = svg.width.baseVal.value * PNG_SCALE;
  canvas.height = svg.height.baseVal.value * PNG_SCALE;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  URL.revokeObjectURL(url);
  canvas.toBlob((blob) => blob && save(blob, `${name}.png`), 'image/png');
}

function save(blob: Blob, fileName: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = fileName;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
