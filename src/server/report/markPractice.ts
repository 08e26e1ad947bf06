import { isPractice } from '../store';

const [INK, FAINT] = ['#1c2630', '#ece7dc'];
/** Room beside and above the line that says it. */
const [MARGIN, TOP] = [44, 18];
const LARGE = 90;

/** The word of practice over a page and across it, behind what is written on it; no part of its text. */
function mark(doc: PDFKit.PDFDocument): void {
  const { x, y } = doc;
  const { width, height } = doc.page;
  const line = { width: width - 2 * MARGIN, align: 'right', lineBreak: false } as const;
  const across = { width, align: 'center', lineBreak: false } as const;
  doc.save();
  doc.markContent('Artifact', { type: 'Layout' });
  doc
    .font('bold')
    .fontSize(9)
    .fillColor(INK)
    .text('Practice: no customer’s car', MARGIN, TOP, line);
  doc
    .rotate(-30, { origin: [width / 2, height / 2] })
    .fontSize(LARGE)
    .fillColor(FAINT)
    .text('PRACTICE', 0, (height - LARGE) / 2, across);
  doc.endMarkedContent();
  doc.restore();
  Object.assign(doc, { x, y });
}

/** Has every page of a document say that it is practice, in the records of practice. */
export function markPractice(doc: PDFKit.PDFDocument): void {
  if (!isPractice()) return;
  mark(doc);
  doc.on('pageAdded', () => mark(doc));
}
