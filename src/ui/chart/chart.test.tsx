import { act, fireEvent, render, screen } from '@testing-library/react';
import { LinesChart, UnrolledChart, useTurns } from '.';

jest.mock(
  'next/dynamic',
  () => () =>
    function Plot() {
      return <div>the chart</div>;
    },
);

test('lines stand in one table, a column a line, a place left empty where a line has none', () => {
  render(
    <LinesChart
      caption="Rate by speed"
      xTitle="speed (km/h)"
      yTitle="rate (Hz)"
      digits={1}
      label="chart"
      lines={[
        {
          name: 'order 1',
          look: 'strong',
          points: [
            { x: 30, y: 4 },
            { x: 60, y: 8 },
          ],
        },
        { name: 'order 2', look: 'dashed', points: [{ x: 60, y: 16 }] },
      ]}
    />,
  );
  expect(screen.getByText('the chart')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Table' }));
  const heads = screen.getAllByRole('columnheader').map(({ textContent }) => textContent);
  expect(heads).toEqual(['speed (km/h)', 'order 1', 'order 2']);
  const cells = screen.getAllByRole('cell').map(({ textContent }) => textContent);
  expect(cells).toEqual(['30.00', '4.00', '', '60.00', '8.00', '16.00']);
  fireEvent.click(screen.getByRole('button', { name: 'Chart' }));
  expect(screen.getByText('the chart')).toBeInTheDocument();
});

test('readings stand in a table with position and angle', () => {
  render(
    <UnrolledChart
      angles={[0, 90]}
      values={[0, 25]}
      mean={12}
      orders={[]}
      limit={50}
      unit="mm"
      label="chart"
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Table' }));
  const cells = screen.getAllByRole('cell').map(({ textContent }) => textContent);
  expect(cells).toEqual(['1', '0.0', '0.000', '2', '90.0', '0.025']);
});

test('charts take their turns, one after another', () => {
  jest.useFakeTimers();
  const Turns = () => <output>{useTurns(2)}</output>;
  render(<Turns />);
  const seen = [screen.getByRole('status').textContent];
  for (let i = 0; i < 4; i += 1) {
    act(() => {
      jest.advanceTimersByTime(60);
    });
    seen.push(screen.getByRole('status').textContent);
  }
  expect(seen).toEqual(['0', '1', '2', '2', '2']);
  jest.useRealTimers();
});
