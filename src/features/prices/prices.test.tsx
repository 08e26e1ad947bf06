import { act, fireEvent, render, screen } from '@testing-library/react';
import { formOfShop, type ShopForm } from '@/core/contracts';
import { NEW_SHOP } from '@/core/options';
import { PriceList } from './PriceList';

const written: ShopForm[] = [];
let answer: unknown = { ok: true, value: null };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: ShopForm }) => {
    written.push(input);
    return Promise.resolve(answer);
  },
}));

const keep = async (): Promise<void> => {
  fireEvent.click(screen.getByRole('button', { name: /Keep prices/ }));
  await act(async () => Promise.resolve());
};

test('a new shop’s prices are empty, its equipment the workshop’s defaults', async () => {
  render(<PriceList initial={formOfShop(NEW_SHOP, 'mm')} units="mm" />);
  expect(screen.getByLabelText<HTMLInputElement>('New rotor, one: Parts').value).toBe('');
  expect(screen.getByLabelText<HTMLInputElement>(/Bench arbor error/).value).toBe('0.015');
  fireEvent.change(screen.getByLabelText('New rotor, one: Parts'), { target: { value: '84,5' } });
  fireEvent.change(screen.getByLabelText('Bench lathe'), { target: { value: 'sent-out' } });
  fireEvent.change(screen.getByLabelText(/On-vehicle lathe$/), { target: { value: 'none' } });
  await keep();
  expect(written.at(-1)).toMatchObject({ bench: 'sent-out', onVehicle: 'none' });
  expect(written.at(-1)!.items.rotor.parts).toBe('84,5');
  expect(screen.getByText(/Kept/)).toBeInTheDocument();
});

test('what is refused is said at its field, and nothing typed is lost', async () => {
  answer = {
    ok: false,
    message: 'x',
    fields: { 'items.hub.minutes': 'Write a figure.', hourly: 'Too much.' },
  };
  render(<PriceList initial={formOfShop(NEW_SHOP, 'thou')} units="thou" />);
  const field = screen.getByLabelText<HTMLInputElement>(/New hub or bearing.*Minutes/);
  fireEvent.change(field, { target: { value: 'long' } });
  await keep();
  expect(screen.getByText('Write a figure.')).toBeInTheDocument();
  expect(screen.getByText('Too much.')).toBeInTheDocument();
  expect(field.value).toBe('long');
});
