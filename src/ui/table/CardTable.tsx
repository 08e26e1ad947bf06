import { Table } from 'react-bootstrap';
import type { ReactNode } from 'react';
import styles from './CardTable.module.css';

/**
 * A table whose rows are cards on a phone. Roles are said: a table that is laid out as blocks has
 * none of its own. Cells bear the names of their columns as `data-label`.
 */
export const CardTable = ({
  columns,
  action,
  className = '',
  children,
}: {
  readonly columns: readonly string[];
  /** What the last column is for, where it has no name of its own to be seen. */
  readonly action?: string;
  readonly className?: string;
  readonly children: ReactNode;
}) => (
  <Table role="table" size="sm" className={`align-top ${className} ${styles.cards}`}>
    <thead role="rowgroup">
      <tr role="row">
        {columns.map((name) => (
          <th key={name} role="columnheader" scope="col">
            {name}
          </th>
        ))}
        {action && (
          <th role="columnheader" scope="col">
            <span className="visually-hidden">{action}</span>
          </th>
        )}
      </tr>
    </thead>
    <tbody role="rowgroup">{children}</tbody>
  </Table>
);
