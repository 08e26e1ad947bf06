import { render, screen } from '@testing-library/react';
import type { OwnerReport } from '@/server/report/owner';
import { FileReport } from './FileReport';
import { OwnerPage } from './OwnerPage';
import { SourceLines } from './SourceLines';

const wave = { values: [0, 20, 40, 20], beyond: [], angles: undefined };
const report: OwnerReport = {
  head: {
    ...{ job: 101, date: '25 November 2026', plate: 'SK-001-A', vehicle: 'Pellick Tern' },
    ...{ odometer: '61200 km', complaint: 'It shakes.' },
  },
  mustNotMove: [],
  invented: null,
  notSigned: [],
  verdict: { state: 'better', say: 'It is better, and something is left: see below.' },
  agreed: [],
  found: ['Front left: the brake disc moved sideways.'],
  done: [],
  figures: [
    {
      ...{ corner: 'FL', what: 'Sideways movement' },
      ...{ before: '0.060 mm', after: 'not measured', limit: '0.050 mm' },
    },
  ],
  plots: [
    {
      ...{ corner: 'FL', name: 'front left', studs: 5, fastening: 'studs', limit: 50 },
      ...{ before: wave, after: null, scale: { middle: 0, half: 25 } },
    },
  ],
  due: [],
  cautions: ['A soft pedal: stop.'],
  rules: ['Hub face: clean and dry.'],
  signed: null,
};

test('the owner reads what was found, done and due, in plain words', () => {
  render(<OwnerPage report={report} />);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Brake report');
  expect(screen.getByText('It is better, and something is left: see below.')).toBeInTheDocument();
  expect(screen.getByText('Nothing was changed.')).toBeInTheDocument();
  expect(screen.getByText('Nothing is set.')).toBeInTheDocument();
  expect(screen.getByText(/Not signed off yet/)).toBeInTheDocument();
  expect(screen.getByRole('img', { name: /front left disc before the work/ })).toBeInTheDocument();
  expect(screen.getByText('Not measured.')).toBeInTheDocument();
});

test('the file report has a row for every position, the closing reading last', () => {
  const set = {
    ...{ id: 's', title: 'FL Runout, before', about: ['Gauge by workshop default.'] },
    laps: [['0.01 mm', '0.02 mm', '0.01 mm']],
    rows: [
      { place: '1', angle: '0°' },
      { place: '2', angle: '180°' },
      { place: 'closing', angle: '' },
    ],
    beyond: ['slow turn 1, highest: 0.012 mm'],
  };
  const line = { at: '2026-11-25 09:00', by: 'Ines', say: 'FL Caliper on: done' };
  render(
    <FileReport
      report={{
        title: 'Job 101',
        mustNotMove: ['A brake hose leaks.'],
        invented: null,
        notSigned: [],
        sets: [set],
        decisions: [],
        causes: [],
        seats: [],
        steps: [line],
        changed: [
          { at: '2026-11-27 10:00', by: 'Tobiah', say: 'check: FL look hose: bulged → sound' },
        ],
        due: [],
      }}
    />,
  );
  // What must not be driven says so before anything else.
  const warning = screen.getByRole('note');
  expect(warning.textContent).toMatch(/^This vehicle must not be driven\.A brake hose leaks\./);
  expect(warning.compareDocumentPosition(screen.getByText('Readings'))).toBe(
    Node.DOCUMENT_POSITION_FOLLOWING,
  );
  const rows = screen.getAllByRole('row').map(({ textContent }) => textContent);
  expect(rows).toEqual(['PositionAngleLap 1', '10°0.01 mm', '2180°0.02 mm', 'closing0.01 mm']);
  expect(screen.getByText('Ines').closest('li')!.textContent).toContain('Caliper on: done');
});

test('a source that was put right tells what showed it, else what would', () => {
  const source = {
    ...{ say: 'FL: Stuck slide pins', how: 'here' as const, did: 'pins freed', toWhom: null },
    ...{ wanted: 'Both pins slide by hand.', proof: null },
  };
  const proof = { isShown: true, say: 'both slide, wheel free', stamp: '1' };
  const { rerender } = render(<SourceLines sources={[source]} />);
  expect(screen.getByRole('listitem').textContent).toMatch(/pins freed\. Proof: Both pins slide/);
  rerender(<SourceLines sources={[{ ...source, proof }]} />);
  expect(screen.getByRole('listitem').textContent).toMatch(/Shown: both slide, wheel free\.$/);
  rerender(<SourceLines sources={[{ ...source, proof: { ...proof, isShown: false } }]} />);
  expect(screen.getByRole('listitem').textContent).toMatch(/Not shown: both slide/);
});
