import { Table } from 'react-bootstrap';
import type { Contact } from '@/core/procedure';

/** What goes where: product, amount, and what is forbidden there. */
export function ContactTable({ contacts }: { readonly contacts: readonly Contact[] }) {
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="What goes where">
      <Table size="sm">
        <thead>
          <tr>
            <th scope="col">Place</th>
            <th scope="col">Product</th>
            <th scope="col">How much</th>
            <th scope="col">Never</th>
          </tr>
        </thead>
        <tbody>
          {contacts.map(({ code, place, product, amount, never }) => (
            <tr key={code}>
              <th scope="row">{place}</th>
              <td>{product}</td>
              <td>{amount}</td>
              <td>{never}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
