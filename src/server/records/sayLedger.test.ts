import { formatDate } from '../../core/calendar';
import { sayPair } from './sayLedger';
import { sayWriter } from './history';

// 2026-11-29: “closed at 2026-11-29T16:40:35.792+00:00; signed with open It was not bedded in here., No recheck …”
test('a moment is told as on the line itself, and sentences in a row as sentences', () => {
  const at = '2026-11-29T16:40:35.792+00:00';
  const { after } = sayPair({
    ...{ what: 'job', op: 'sign', before: { closed_at: null, open: null } },
    after: { closed_at: at, open: ['It was not bedded in here.', 'No recheck is set.'] },
  });
  expect(after).toBe(
    `closed at ${formatDate(new Date(at), 'YYYY-MM-DD HH:mm:ss')}; open It was not bedded in here, No recheck is set`,
  );
});

// 2026-11-29: the ledger had the screen, its page did not.
test.each([
  [
    { who: 'Tobiah', role: 'technician', device: 'tablet, lift 2' },
    'Tobiah, technician, at tablet, lift 2',
  ],
  [{ who: 'Tobiah', role: null, device: '6d3f1f0e-6a53-4d7c-9d3a-0a8f3c4f9b11' }, 'Tobiah'],
  [{ who: null, role: null, device: null }, 'nobody named'],
])('who wrote it, and at which screen where it has a name: %j', (row, said) => {
  expect(sayWriter(row)).toBe(said);
});
