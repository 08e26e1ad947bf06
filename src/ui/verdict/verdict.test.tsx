import { render, screen } from '@testing-library/react';
import { Figure } from './Figure';
import { VerdictMark, verdictWord } from './VerdictMark';

const STATES = ['within', 'too-close', 'beyond', 'not-measured', 'not-valid'] as const;

test('every state has a word, a colour and a shape of its own', () => {
  const shapes = STATES.map((state) => {
    const { container, unmount } = render(<VerdictMark state={state} />);
    expect(screen.getByText(verdictWord(state))).toBeInTheDocument();
    expect(container.querySelector(`.${state}`)).not.toBeNull();
    const shape = container.querySelector('svg')!.innerHTML;
    unmount();
    return shape;
  });
  expect(new Set(shapes).size).toBe(STATES.length);
  expect(new Set(STATES.map(verdictWord)).size).toBe(STATES.length);
});

test('a figure is shown in the unit of its role', () => {
  const { container, rerender } = render(<Figure value={50.8} units="thou" />);
  expect(container.textContent).toBe('2.0thou');
  rerender(<Figure value={28_000} role="size" units="thou" />);
  expect(container.textContent).toBe('1.1024in');
  rerender(<Figure value={28_000} role="size" units="mm" />);
  expect(container.textContent).toBe('28.000mm');
});

test('a figure that is not known is a dash, never a zero', () => {
  const { container } = render(<Figure value={null} units="mm" />);
  expect(container.textContent).toBe('\u2013');
});
