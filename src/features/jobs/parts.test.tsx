import { render } from '@testing-library/react';
import { RenewedAgain } from './RenewedAgain';

test('only a renewal without a cause found is pointed out', () => {
  const { container, rerender } = render(<RenewedAgain answers={{ lately: 'brakes-renewed' }} />);
  expect(container.textContent).toBe('');
  rerender(<RenewedAgain answers={{ lately: 'renewed-again+kerb' }} />);
  expect(container.textContent).toContain('do not fit a third pair');
});
