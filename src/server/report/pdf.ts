import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import { arcPath, outlinePath, pointAt, RADIUS, SIDE } from '../../core/drawing';
import { facingSense } from '../../core/readings';
import { markPractice } from './markPractice';
import type { OwnerPlot, OwnerReport, PlotWave } from './owner';

const FONTS = path.join(
  /* turbopackIgnore: true */ process.cwd(),
  'node_modules/@fontsource/atkinson-hyperlegible-next/files',
);
const fontFile = (weight: 400 | 700): Buffer =>
  fs.readFileSync(path.join(FONTS, `atkinson-hyperlegible-next-latin-${weight}-normal.woff`));

const INK = '#1c2630';
const SLATE = '#4f5b64';
const LINE = '#d5cdbd';
const LAGOON = '#0b6e7a';
const IRON = '#e7e1d4';
/** Stop, as the screens have it. */
const DANGER = '#9f1d14';
const MARGIN = 44;

type Document = InstanceType<typeof PDFDocument>;
/** The latin font holds no such signs: they are written out. */
const plain = (text: string): string => text.replace(/[µμ]m/g, 'um').replace(/→/g, 'to');

/** A picture in its place; one that cannot be drawn leaves its frame, and the page goes on. */
function drawPicture(
  doc: Document,
  bytes: Buffer,
  { x, y, wide, high }: { x: number; y: number; wide: number; high: number },
): void {
  try {
    doc.image(bytes, x, y, { fit: [wide, high], align: 'center' });
  } catch {
    doc.rect(x, y, wide, high).lineWidth(1).stroke(LINE);
  }
}

/** Writes tagged blocks one under the other. */
export class Page {
  constructor(private readonly doc: Document) {}

  heading(text: string): void {
    const { doc } = this;
    doc.moveDown(0.45);
    this.tag('H2', () =>
      doc.font('bold').fontSize(11.5).fillColor(INK).text(plain(text), MARGIN, doc.y),
    );
    doc.moveDown(0.1);
  }

  paragraph(text: string, size = 9.5, colour = INK): void {
    const { doc } = this;
    const width = doc.page.width - 2 * MARGIN;
    this.tag('P', () =>
      doc
        .font('plain')
        .fontSize(size)
        .fillColor(colour)
        .text(plain(text), MARGIN, doc.y, { width }),
    );
  }

  list(items: readonly string[]): void {
    const { doc } = this;
    const width = doc.page.width - 2 * MARGIN - 12;
    for (const item of items) {
      this.tag('P', () =>
        doc
          .font('plain')
          .fontSize(9.5)
          .fillColor(INK)
          .text(`•  ${plain(item)}`, MARGIN, doc.y, { width }),
      );
    }
  }

  /** Pictures in rows of three, each with what it shows under it. */
  photos(photos: readonly { readonly say: string; readonly bytes: Buffer }[]): void {
    const { doc } = this;
    const [gap, high] = [10, 110];
    const wide = (doc.page.width - 2 * MARGIN - 2 * gap) / 3;
    for (let first = 0; first < photos.length; first += 3) {
      if (doc.y + high + 34 > doc.page.height - MARGIN) doc.addPage();
      const top = doc.y + 6;
      photos.slice(first, first + 3).forEach(({ say, bytes }, i) => {
        const x = MARGIN + i * (wide + gap);
        this.tag('Figure', () => {
          drawPicture(doc, bytes, { x, y: top, wide, high });
          doc
            .font('plain')
            .fontSize(8)
            .fillColor(SLATE)
            .text(plain(say), x, top + high + 3, { width: wide, height: 20, ellipsis: true });
        });
      });
      doc.x = MARGIN;
      doc.y = top + high + 26;
    }
  }

  tag(kind: string, draw: () => void): void {
    this.doc.addStructure(this.doc.struct(kind, {}, draw));
  }
}

/** One round drawing: the rotor, its limit band and what was read, as the screen has it. */
function drawPlot(
  doc: Document,
  plot: OwnerPlot,
  wave: PlotWave | null,
  x: number,
  y: number,
  size: number,
): void {
  const sense = facingSense(plot.corner);
  const { half } = plot.scale;
  doc
    .save()
    .translate(x, y)
    .scale(size / SIDE);
  doc.circle(SIDE / 2, SIDE / 2, RADIUS.edge).fill(IRON);
  const band = (2 * RADIUS.swing * (plot.limit / 2)) / half;
  doc
    .circle(SIDE / 2, SIDE / 2, RADIUS.base)
    .lineWidth(Math.max(band, 2))
    .strokeOpacity(0.2)
    .stroke(LAGOON);
  doc.strokeOpacity(1);
  doc.circle(SIDE / 2, SIDE / 2, RADIUS.hat).fill('#fffdf8');
  doc.circle(SIDE / 2, SIDE / 2, RADIUS.hub).fill(IRON);
  for (let stud = 0; stud < plot.studs; stud += 1) {
    const at = pointAt(RADIUS.studs, (360 * stud) / plot.studs, sense);
    doc.circle(at.x, at.y, 7).lineWidth(2).stroke(SLATE);
  }
  const [from, to] = [pointAt(RADIUS.hub - 4, 0, sense), pointAt(RADIUS.friction + 6, 0, sense)];
  doc.moveTo(from.x, from.y).lineTo(to.x, to.y).lineWidth(5).stroke('#c2410c');
  if (wave) {
    const middle = (Math.min(...wave.values) + Math.max(...wave.values)) / 2;
    const count = wave.values.length;
    const angles = wave.values.map((_, j) => wave.angles?.[j] ?? (360 * j) / count);
    const outline = outlinePath(wave.values, angles, sense, { middle, half });
    doc
      .translate(SIDE / 2, SIDE / 2)
      .path(outline)
      .lineWidth(4)
      .stroke(INK);
  } else {
    doc
      .path(arcPath(RADIUS.base, 0, 359, sense))
      .dash(6, { space: 8 })
      .lineWidth(3)
      .stroke(SLATE);
  }
  doc.restore();
}

function plots(doc: Document, page: Page, report: OwnerReport): void {
  const size = 118;
  const shown = report.plots.slice(0, 2);
  if (shown.length === 0) return;
  const top = doc.y + 4;
  const width = (doc.page.width - 2 * MARGIN) / Math.max(2 * shown.length, 4);
  const words = shown.map(
    ({ name, after }) =>
      `${name}: what was read round the disc before${after ? ' and after' : ''} the work, at one scale; the shaded band is what is allowed`,
  );
  doc.addStructure(
    doc.struct('Figure', { alt: words.join('. ') }, () => {
      shown.forEach((plot, i) => {
        (['before', 'after'] as const).forEach((when, j) => {
          const x = MARGIN + (2 * i + j) * width;
          drawPlot(doc, plot, plot[when], x, top + 12, size);
        });
      });
    }),
  );
  shown.forEach((plot, i) => {
    (['before', 'after'] as const).forEach((when, j) => {
      const label = `${plot.corner} ${when}${plot[when] ? '' : ': not measured'}`;
      page.tag('Caption', () =>
        doc
          .font('plain')
          .fontSize(8.5)
          .fillColor(SLATE)
          .text(label, MARGIN + (2 * i + j) * width, top, { width: size, align: 'center' }),
      );
    });
  });
  doc.x = MARGIN;
  doc.y = top + size + 18;
}

function table(doc: Document, report: OwnerReport): void {
  if (report.figures.length === 0) return;
  const columns = [0, 60, 230, 330, 430];
  let y = doc.y + 2;
  const line = (cells: readonly string[], kind: 'TH' | 'TD') => {
    const at = y;
    y += 14;
    const row = doc.struct('TR');
    cells.forEach((cell, i) => {
      row.add(
        doc.struct(kind, {}, () => {
          doc
            .font(kind === 'TH' ? 'bold' : 'plain')
            .fontSize(9.5)
            .fillColor(INK)
            .text(plain(cell), MARGIN + (columns[i] ?? 0), at, { lineBreak: false });
        }),
      );
    });
    return row;
  };
  const whole = doc.struct('Table');
  doc.addStructure(whole);
  whole.add(line(['Wheel', 'What', 'Before', 'After', 'Allowed'], 'TH'));
  for (const { corner, what, before, after, limit } of report.figures) {
    whole.add(line([corner, what, before, after, limit], 'TD'));
  }
  whole.end();
  doc.x = MARGIN;
  doc.y = y;
}

/** What is said before anything else: that it must not be driven, that it is not signed off. */
function warnings(
  doc: Document,
  page: Page,
  { mustNotMove, invented, notSigned }: OwnerReport,
): void {
  const bold = (text: string): void =>
    page.tag('P', () => doc.font('bold').fontSize(13).fillColor(DANGER).text(text, MARGIN, doc.y));
  if (mustNotMove.length > 0) {
    bold('This vehicle must not be driven.');
    page.paragraph(mustNotMove.join(' '), 9);
  }
  if (invented !== null) {
    bold('Practice.');
    page.paragraph(invented, 9);
  }
  if (notSigned !== null) {
    bold('Not signed off.');
    page.paragraph(notSigned.join(' '), 9);
  }
  doc.moveDown(0.3);
}

/** A document with its heading line; what is written afterwards ends it. */
export function openDocument(
  name: string,
  head: OwnerReport['head'],
): { readonly doc: Document; readonly page: Page; readonly ended: Promise<Buffer> } {
  const title = `${name} ${head.plate}, job ${head.job}`;
  const doc = new PDFDocument({
    size: 'A4',
    margins: { top: 36, bottom: 30, left: MARGIN, right: MARGIN },
    tagged: true,
    pdfVersion: '1.7',
    lang: 'en',
    displayTitle: true,
    info: { Title: title },
    autoFirstPage: true,
  });
  doc.registerFont('plain', fontFile(400));
  doc.registerFont('bold', fontFile(700));
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  markPractice(doc);
  const page = new Page(doc);
  page.tag('H1', () => doc.font('bold').fontSize(18).fillColor(INK).text(name, MARGIN, 36));
  page.paragraph(
    `${head.plate} · ${head.vehicle}${head.odometer ? ` · ${head.odometer}` : ''} · job ${head.job} · ${head.date}`,
    10,
    SLATE,
  );
  doc
    .moveTo(MARGIN, doc.y + 4)
    .lineTo(doc.page.width - MARGIN, doc.y + 4)
    .lineWidth(1)
    .stroke(LINE);
  doc.moveDown(0.4);
  return { doc, page, ended };
}

/**
 * The owner's report as a PDF of one page, text selectable, fonts embedded, tagged with its
 * headings, paragraphs, table and the words for its drawing.
 */
export function ownerPdf(report: OwnerReport): Promise<Buffer> {
  const { head } = report;
  const { doc, page, ended } = openDocument('Brake report', head);
  warnings(doc, page, report);
  if (head.complaint !== '') page.paragraph(`You told us: “${head.complaint}”`, 10.5);
  if (report.verdict) {
    doc.moveDown(0.2);
    page.tag('P', () =>
      doc.font('bold').fontSize(12).fillColor(INK).text(report.verdict!.say, MARGIN, doc.y),
    );
  }
  page.heading('What we found');
  page.list(report.found);
  if (report.agreed.length > 0) {
    page.heading('What was agreed');
    page.list(report.agreed);
  }
  page.heading('What we did');
  page.list(report.done.length > 0 ? report.done : ['Nothing was changed.']);
  page.heading('Before and after');
  table(doc, report);
  plots(doc, page, report);
  page.heading('What is due');
  page.list(report.due.length > 0 ? report.due : ['Nothing is set.']);
  page.heading('Please mind');
  page.list(report.cautions);
  if (report.rules.length > 0) {
    page.heading('How we work');
    page.paragraph(report.rules.join(' '), 7.5, SLATE);
  }
  doc.moveDown(0.3);
  page.paragraph(
    `${report.signed ? `Signed off by ${report.signed}. ` : 'Not signed off yet. '}The maker’s service information, local rules and a licensed technician’s judgement come first.`,
    8,
    SLATE,
  );
  doc.end();
  return ended;
}
