import {
  blackRows,
  LABEL_PADDING,
  LABEL_SIZES,
  labelContainsText,
  labelFiguresText,
  labelHeadText,
  labelMayText,
  labelNotKnownText,
  qrModules,
  type BoxLabel,
  type LabelBitmap,
  type LabelFit,
} from '@portiona/core';

/** Millimetres of the code. */
const CODE = 13;
const ROW = 1.24;

/** Black and white dots of a label, as a label printer takes them. Size in millimetres. */
export async function drawLabel(
  label: BoxLabel,
  fit: LabelFit,
  { width, height }: { readonly width: number; readonly height: number },
  dotsPerInch: number,
): Promise<LabelBitmap> {
  await Promise.all(
    ['400 20px "Hanken Grotesk Variable"', '700 20px "Hanken Grotesk Variable"', '600 20px "Literata Variable"'].map((font) =>
      document.fonts.load(font),
    ),
  );
  const dots = (mm: number) => Math.round((mm / 25.4) * dotsPerInch);
  const canvas = new OffscreenCanvas(dots(width), dots(height));
  const paper = canvas.getContext('2d');
  if (!paper) throw new Error('this browser does not draw labels');
  paper.fillStyle = '#fff';
  paper.fillRect(0, 0, canvas.width, canvas.height);
  paper.fillStyle = '#000';
  paper.textBaseline = 'top';
  const pen = new Pen(paper, dots(LABEL_PADDING), canvas.width - 2 * dots(LABEL_PADDING), (fit.size / 72) * dotsPerInch);
  pen.write(label.title, LABEL_SIZES.title, '600', 'Literata Variable');
  pen.write(labelHeadText(label), LABEL_SIZES.head);
  pen.rule();
  pen.write(`${label.keepWords} ${label.keepDay}`, LABEL_SIZES.keep, '700');
  if (label.beyond !== '') pen.write(label.beyond, LABEL_SIZES.small);
  pen.rule();
  const top = pen.y;
  const code = fit.code ? dots(CODE) : 0;
  if (fit.code) drawCode(paper, label.link, canvas.width - dots(LABEL_PADDING) - code, top, code);
  pen.narrow(code === 0 ? 0 : code + dots(1));
  pen.write(labelFiguresText(label), LABEL_SIZES.figures);
  pen.write(labelContainsText(label), LABEL_SIZES.contains, '700');
  pen.write(labelMayText(label), LABEL_SIZES.small);
  pen.write(labelNotKnownText(label), LABEL_SIZES.contains, '700');
  pen.narrow(0);
  pen.y = Math.max(pen.y, top + code);
  if (fit.reheat) pen.write(label.reheat, LABEL_SIZES.small);
  const { data } = paper.getImageData(0, 0, canvas.width, canvas.height);
  return { width: canvas.width, height: canvas.height, dotsPerInch, copies: 1, rows: blackRows(data, canvas.width, canvas.height) };
}

/** Writes rows of text one under the other, broken between words. */
class Pen {
  y: number;
  #less = 0;

  constructor(
    private readonly paper: OffscreenCanvasRenderingContext2D,
    private readonly left: number,
    private readonly width: number,
    private readonly size: number,
  ) {
    this.y = left;
  }

  /** What follows is so many dots narrower. */
  narrow(less: number): void {
    this.#less = less;
  }

  write(text: string, scale: number, weight = '400', family = 'Hanken Grotesk Variable'): void {
    if (text === '') return;
    const size = this.size * scale;
    this.paper.font = `${weight} ${size}px "${family}", sans-serif`;
    let row = '';
    for (const word of text.split(' ')) {
      const longer = row === '' ? word : `${row} ${word}`;
      if (row !== '' && this.paper.measureText(longer).width > this.width - this.#less) {
        this.#put(row, size);
        row = word;
      } else row = longer;
    }
    this.#put(row, size);
  }

  rule(): void {
    this.paper.fillRect(this.left, Math.round(this.y + 1), this.width, 2);
    this.y += 5;
  }

  #put(row: string, size: number): void {
    this.paper.fillText(row, this.left, this.y);
    this.y += size * ROW;
  }
}

function drawCode(paper: OffscreenCanvasRenderingContext2D, text: string, left: number, top: number, side: number): void {
  const modules = qrModules(text);
  // Whole dots a square: a code that is blurred is not read.
  const dot = Math.max(1, Math.floor(side / modules.length));
  modules.forEach((row, y) => row.forEach((dark, x) => dark && paper.fillRect(left + x * dot, top + y * dot, dot, dot)));
}
