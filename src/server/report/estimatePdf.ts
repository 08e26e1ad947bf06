import 'server-only';
import type { Estimate } from '../decide/estimate';
import { openDocument } from './pdf';

/** A picture of what was found, its bytes beside what it shows. */
export interface PdfPhoto {
  readonly say: string;
  readonly bytes: Buffer;
}

/** The estimate as a PDF: what was found, what can be done and costs, what was agreed. */
export function estimatePdf(estimate: Estimate, photos: readonly PdfPhoto[] = []): Promise<Buffer> {
  const { head, mustNotMove } = estimate;
  const { doc, page, ended } = openDocument('Estimate', head);
  if (mustNotMove.length > 0) {
    page.heading('This vehicle must not be driven.');
    page.list(mustNotMove);
  }
  if (estimate.invented !== null) page.paragraph(`Practice. ${estimate.invented}`);
  if (head.complaint !== '') page.paragraph(`You told us: “${head.complaint}”`, 10.5);
  page.heading('What we found');
  page.list(estimate.found);
  page.photos(photos);
  for (const { where, ways, notYet } of estimate.parts) {
    page.heading(`What can be done: ${where}`);
    if (notYet) page.paragraph(notYet);
    page.list(
      ways.map(
        ({ what, sayPrice, away, lasts, comesBack, isRecommended }) =>
          `${what}${isRecommended ? ' (recommended)' : ''}: ${sayPrice}; without the vehicle: ${away}; lasts: ${lasts}; may come back: ${comesBack}.`,
      ),
    );
  }
  if (estimate.beside.length > 0) {
    page.heading('Beside the brake discs');
    page.list(estimate.beside);
  }
  page.heading('Agreed');
  page.paragraph(
    estimate.approval
      ? `${estimate.approval.say} Written down by ${estimate.approval.by ?? ''}, ${estimate.approval.at}.`
      : 'Not agreed yet. Name, date and signature:',
  );
  doc.moveDown(1);
  page.paragraph(
    'Prices are the shop’s own list, tax left out. What lasts and what may come back are predictions from what was measured. The maker’s service information, local rules and a licensed technician’s judgement come first.',
    8,
  );
  doc.end();
  return ended;
}
