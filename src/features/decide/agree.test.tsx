import { fireEvent, render, screen } from '@testing-library/react';
import { Agree } from './Agree';

jest.mock('@/ui/field', () => ({
  ...jest.requireActual<object>('@/ui/field'),
  useSend: () => ({ send: jest.fn(), busy: false, trouble: null, fields: {} }),
}));

const choices = [
  { part: 'front axle', what: 'Machine both', price: 184 },
  { part: 'front axle', what: 'Fit a pair', price: 326 },
];

// 2026-11-28: “machine both, 184 crowns” was agreed up to 150, and then could not begin.
test('an amount below the price of what is chosen agrees to nothing', () => {
  render(
    <Agree
      jobId="job"
      parts={[{ where: 'front axle', choices }]}
      usual={[0]}
      besides={0}
      currency="crowns"
      stamp={null}
      owner="The station"
    />,
  );
  const agreed = screen.getByRole<HTMLButtonElement>('button', { name: 'Agreed' });
  expect(agreed.disabled).toBe(false);
  fireEvent.change(screen.getByLabelText(/^Up to/), { target: { value: '150' } });
  expect(agreed.disabled).toBe(true);
  expect(screen.getByText(/^What is chosen costs 184 crowns by our list/)).toBeVisible();
  fireEvent.change(screen.getByLabelText(/^Up to/), { target: { value: '200,50' } });
  expect(agreed.disabled).toBe(false);
  // Another choice, and the amount that was said no longer does.
  fireEvent.click(screen.getByLabelText(/Fit a pair/));
  expect(agreed.disabled).toBe(true);
});

// 2026-11-28: 184 was agreed to where the list says 184.90, and the work was refused.
test('what is agreed to can begin: the form judges as the work does', () => {
  const parts = [{ where: 'front axle', choices: [{ ...choices[0]!, price: 184.9 }] }];
  render(
    <Agree
      {...{ jobId: 'job', parts, usual: [0], besides: 0, currency: 'crowns', stamp: null }}
      owner="The station"
    />,
  );
  const agreed = screen.getByRole<HTMLButtonElement>('button', { name: 'Agreed' });
  fireEvent.change(screen.getByLabelText(/^Up to/), { target: { value: '184' } });
  expect(agreed.disabled).toBe(true);
  fireEvent.change(screen.getByLabelText(/^Up to/), { target: { value: '184.6' } });
  expect(agreed.disabled).toBe(false);
});
