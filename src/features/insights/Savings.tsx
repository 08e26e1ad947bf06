import { Table } from 'react-bootstrap';
import type { Saving } from '@/core/insights';
import { sayMoney } from '@/core/options';
import { correctionName } from './model';

const sum = (savings: readonly Saving[]): number =>
  savings.reduce((total, saving) => total + saving.total, 0);

/** Money saved or lost against fitting new rotors every time. */
export function Savings({ savings }: { readonly savings: readonly Saving[] }) {
  if (savings.length === 0) {
    return (
      <p className="mb-0">
        No corner yet whose prices were all known when it was decided: enter them on Workshop,
        Prices and times.
      </p>
    );
  }
  const currencies = [...new Set(savings.map(({ currency }) => currency))];
  return (
    <>
      {currencies.map((currency) => {
        const own = savings.filter((saving) => saving.currency === currency);
        const total = sum(own);
        return (
          <div key={currency} className="mb-3">
            <p className="mb-1">
              <span className="zh-figure zh-figure-large">
                {sayMoney(Math.abs(total), currency)}
              </span>{' '}
              {total < 0 ? 'lost' : 'saved'} against a new rotor every time
            </p>
            <Table size="sm">
              <thead>
                <tr>
                  <th scope="col">Correction</th>
                  <th scope="col">Corners</th>
                  <th scope="col">In all</th>
                  <th scope="col">A corner</th>
                </tr>
              </thead>
              <tbody>
                {own.map(({ correction, corners, total: all, each }) => (
                  <tr key={correction}>
                    <th scope="row">{correctionName(correction)}</th>
                    <td className="zh-figure">{corners}</td>
                    <td className="zh-figure">{sayMoney(all, currency)}</td>
                    <td className="zh-figure">
                      {each.mean === null ? '' : sayMoney(each.mean, currency)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </div>
        );
      })}
      <p className="zh-muted mb-0">
        Parts and work at the prices of the day it was decided; a comeback is taken off. New rotors
        are counted as if none ever came back, so the true saving is larger.
      </p>
    </>
  );
}
