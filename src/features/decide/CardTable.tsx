import type { ReactNode } from 'react';
import styles from './CardTable.module.css';

/**
 * A table whose rows are cards on a phone. Roles are said: a table that is laid out as blocks has
 * none of its own. Cells bear the names of their columns as `data-label`.
 */
export const CardTable = ({
  columns,
  children,
}: {
  readonly columns: readonly string[];
  readonly children: ReactNode;
}) => (
  <table role="table" className={`table table-sm align-top zh-options ${styles.cards}`}>
    <thead role="rowgroup">
      <tr role="row">
        {columns.map((name) => (
          <th key={name} role="columnheader" scope="col">
            {name}
          </th>
        ))}
        <th role="columnheader" scope="col">
          <span className="visually-hidden">Take</span>
        </th>
      </tr>
    </thead>
    <tbody role="rowgroup">{children}</tbody>
  </table>
);
