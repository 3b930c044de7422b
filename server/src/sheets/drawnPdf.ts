import { INK, type Block, type BookletPage, type CardSheet, type Mark, type Role, type TextMark } from '@portiona/core';
import PDFDocument from 'pdfkit';
import { placedRuns } from './cardTypesetter.js';
import type { Photos } from './drawnSvg.js';
import { FEATURES } from './fontChain.js';

/** The structure that a piece of a page is to who hears a PDF read. */
const STRUCTURE: Readonly<Record<Exclude<Role, 'Ornament' | 'LI'>, string>> = { H1: 'H1', H2: 'H2', P: 'P', Figure: 'Figure' };

type Pdf = InstanceType<typeof PDFDocument>;
type Structure = ReturnType<Pdf['struct']>;

/** Points of a pixel of a picture: as browsers count them. */
const POINTS_PER_PIXEL = 0.75;

/** Pages that are bound into one PDF. */
interface Bound extends Pick<CardSheet, 'title' | 'width' | 'height' | 'unit'> {
  readonly pages: readonly BookletPage[];
  /** Its parts, for who leafs through it: name, and the page it begins on, from 0. */
  readonly outline?: readonly { readonly name: string; readonly page: number }[];
}

/** A card, or a booklet, as a PDF: its text can be selected and searched, its parts are tagged in the order they are read, and it has a language and a title. */
export function drawnPdf(sheet: Bound, photos: Photos): Promise<Buffer> {
  const pdf = new PDFDocument({
    autoFirstPage: false,
    tagged: true,
    lang: 'en',
    displayTitle: true,
    pdfVersion: '1.7',
    info: { Title: sheet.title, Creator: 'Portiona', Producer: 'Portiona' },
  });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<Buffer>((resolve, reject) => {
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  const scale = sheet.unit === 'pt' ? 1 : POINTS_PER_PIXEL;
  const root = pdf.struct('Document');
  pdf.addStructure(root);
  /** The list that is under way: members on the next page belong to it too. */
  let list: { readonly name: string; readonly structure: Structure } | undefined;
  const endList = () => {
    list?.structure.end();
    list = undefined;
  };
  const fonts = new Set<string>();
  for (const [p, { blocks, anchor }] of sheet.pages.entries()) {
    pdf.addPage({ size: [sheet.width * scale, sheet.height * scale], margin: 0 });
    if (anchor !== undefined) pdf.addNamedDestination(anchor);
    for (const part of sheet.outline ?? []) if (part.page === p) pdf.outline.addItem(part.name);
    pdf.save().scale(scale);
    for (const block of blocks) {
      if (block.role === 'Ornament') {
        pdf.markContent('Artifact', { type: 'Layout' });
        drawn(block);
        pdf.endMarkedContent();
        continue;
      }
      if (block.role !== 'LI') endList();
      else if (list?.name !== block.list) {
        endList();
        list = { name: block.list ?? '', structure: pdf.struct('L') };
        root.add(list.structure);
      }
      const content = pdf.markStructureContent(block.role === 'LI' ? 'LBody' : STRUCTURE[block.role]);
      drawn(block);
      pdf.endMarkedContent();
      if (block.role === 'LI') list?.structure.add(pdf.struct('LI', {}, [pdf.struct('LBody', {}, [content])]));
      else root.add(pdf.struct(STRUCTURE[block.role], block.alt === undefined ? {} : { alt: block.alt }, [content]));
    }
    pdf.restore();
    for (const { to, marks } of blocks) if (to !== undefined) leadTo(to, marks);
  }
  endList();
  root.end();
  pdf.end();
  return ended;

  /** A field over the texts of a block that leads to another page. */
  function leadTo(to: string, marks: readonly Mark[]): void {
    const texts = marks.filter((mark): mark is TextMark => mark.kind === 'text');
    if (texts.length === 0) return;
    const [left, right] = [Math.min(...texts.map(({ x }) => x)), Math.max(...texts.map(({ x, width }) => x + width))];
    const [top, bottom] = [Math.min(...texts.map(({ y, size }) => y - size)), Math.max(...texts.map(({ y, size }) => y + size * 0.3))];
    pdf.goTo(left * scale, top * scale, (right - left) * scale, (bottom - top) * scale, to);
  }

  function drawn({ marks }: Block): void {
    for (const mark of marks) draw(mark);
  }

  function draw(mark: Mark): void {
    if (mark.kind === 'text') {
      for (const run of placedRuns(mark.words, mark.face, mark.size)) {
        if (!fonts.has(run.font.name)) pdf.registerFont(run.font.name, run.font.bytes);
        fonts.add(run.font.name);
        pdf
          .font(run.font.name)
          .fontSize(mark.size)
          .fillColor(INK[mark.ink])
          .text(run.words, mark.x + run.x, mark.y, {
            lineBreak: false,
            baseline: 'alphabetic',
            features: FEATURES as unknown as PDFKit.Mixins.OpenTypeFeatures[],
          });
      }
    } else if (mark.kind === 'shape') {
      pdf.save();
      if (mark.opacity !== undefined) pdf.opacity(mark.opacity);
      if (mark.stroke && mark.dash) pdf.dash(mark.dash[0], { space: mark.dash[1] });
      const path = pdf.path(mark.path);
      if (mark.stroke) path.lineWidth(mark.strokeWidth ?? 1);
      if (mark.fill && mark.stroke) path.fillAndStroke(INK[mark.fill], INK[mark.stroke]);
      else if (mark.fill) path.fill(INK[mark.fill]);
      else if (mark.stroke) path.stroke(INK[mark.stroke]);
      pdf.restore();
    } else {
      const photo = photos.get(mark.id);
      if (!photo) return;
      const { x, y, width, height, crop } = mark;
      const [wide, high] = [width / crop.width, height / crop.height];
      pdf.save().rect(x, y, width, height).clip();
      pdf.image(photo, x - crop.x * wide, y - crop.y * high, { width: wide, height: high });
      pdf.restore();
    }
  }
}
