import { render, screen, within } from '@testing-library/react';
import { compare, cornerOf, recordOf } from '../../../tests/support/corners';
import { assessCorner } from '@/core/assessment';
import { DEMO_SHOP } from '@/core/bench';
import { NEW_SHOP, pairOptions, rankOptions } from '@/core/options';
import { everyPlate } from '@/core/plate';
import { groundOf, plateChoice } from '@/core/options';
import { OptionsTable } from './OptionsTable';
import { PairCard } from './PairCard';
import { PlateTable } from './PlateTable';
import { VerdictTable } from './VerdictTable';

const table = (shop = DEMO_SHOP, isClosed = false) => {
  const { options, input } = compare(recordOf(cornerOf({ hub: 22, rotor: 28, at: 200 })), shop);
  const ranking = rankOptions(options);
  return render(
    <OptionsTable
      jobId="j"
      corner="FL"
      options={options}
      input={input}
      ranking={ranking}
      taken="on-vehicle"
      isClosed={isClosed}
      units="mm"
    />,
  );
};

describe('the options of a corner', () => {
  test('say which is recommended, which is the runner-up, and which is on record', () => {
    table();
    const row = (name: RegExp) => within(screen.getByRole('row', { name }));
    expect(row(/Index the rotor/).getByText('recommended')).toBeInTheDocument();
    expect(screen.getAllByText('runner-up')).toHaveLength(1);
    expect(row(/Cut on the vehicle/).getByText('on record')).toBeInTheDocument();
    expect(row(/Cut on the vehicle/).queryByRole('button')).toBeNull();
    expect(row(/New rotor as it comes/).getByText(/hub alone gives/)).toBeInTheDocument();
  });
  test('strike what may not be done, with the reason and without a button', () => {
    table();
    const struck = within(screen.getByRole('list', { name: 'Not to be done here' }));
    expect(struck.getByText('Clean and refit').tagName).toBe('DEL');
    expect(struck.getByText(/nothing more to gain/)).toBeInTheDocument();
    expect(struck.queryByRole('button')).toBeNull();
  });
  test('show a dash and what is missing where the shop has no prices', () => {
    table(NEW_SHOP);
    const row = within(screen.getByRole('row', { name: /New rotor as it comes/ }));
    expect(row.queryByText(/not on the shop’s list/)).toBeNull();
    // Said once, with the way to the list.
    expect(screen.getByText(/a price or a time is not on the shop’s list/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Prices and times' })).toBeInTheDocument();
    expect(row.queryByText('0')).toBeNull();
  });
  test('offer nothing on a closed job', () => {
    table(DEMO_SHOP, true);
    expect(screen.queryByRole('button', { name: /Take this/ })).toBeNull();
  });
});

describe('an axle', () => {
  const side = (dtv: number, thickness: number) => ({
    options: compare(recordOf(cornerOf({ dtv, thickness }))).options,
    extras: [],
  });
  const card = (pairs: ReturnType<typeof pairOptions>) =>
    render(
      <PairCard
        jobId="j"
        corners={['FL', 'FR']}
        pairs={pairs}
        sideToSide={250}
        currency="crowns"
        taken={[null, null]}
        isClosed={false}
        units="mm"
      />,
    );
  test('recommends one way for both sides and strikes a pair that would differ', () => {
    card(pairOptions(side(15, 27_900), side(15, 27_300), DEMO_SHOP));
    expect(screen.getByRole('row', { name: /Both rotors new/ }).textContent).toMatch(/recommended/);
    expect(screen.getByText('Both rotors cut').tagName).toBe('DEL');
    expect(screen.getAllByText(/apart in thickness \(limit 0.250 mm\)/)).toHaveLength(2);
  });
  test('asks for both sides to be measured while one is not', () => {
    card([]);
    expect(screen.getByText(/Measure both sides/)).toBeInTheDocument();
  });
});

test('plates stand with every stud, and the least is named by word', () => {
  const { record, assessment } = compare(recordOf(cornerOf({ hub: 45, rotor: 10 })));
  const ground = groundOf(record, assessment, DEMO_SHOP, 50);
  const fits = everyPlate(plateChoice(ground)!);
  render(<PlateTable record={record} fits={fits} current={2} units="mm" />);
  expect(screen.getAllByRole('columnheader')).toHaveLength(6);
  expect(screen.getAllByText(/least/)).toHaveLength(1);
  expect(screen.getByText(/never more than one/)).toBeInTheDocument();
});

test('a composite rotor has no rows of thickness, and says by what it is judged', () => {
  const record = recordOf(cornerOf({ hub: 22, rotor: 28, at: 200 }));
  const assessment = assessCorner(record);
  const sets = record.sets.filter(({ kind }) => kind !== 'thickness');
  const show = (isComposite: boolean) =>
    render(
      <VerdictTable record={{ ...record, sets, isComposite }} assessment={assessment} units="mm" />,
    );
  const { unmount } = show(false);
  expect(screen.getByText('Thinnest, discard thickness')).toBeInTheDocument();
  unmount();
  show(true);
  expect(screen.getByText('Lateral runout')).toBeInTheDocument();
  expect(screen.queryByText('Thinnest, discard thickness')).toBeNull();
  expect(screen.getByText(/judged by its mass and its wear marks/)).toBeInTheDocument();
});
