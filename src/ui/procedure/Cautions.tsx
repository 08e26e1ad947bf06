import { TriangleAlert } from 'lucide-react';
import type { Caution } from '@/core/procedure';
import styles from './procedure.module.css';

/** The usual cautions where their hazard occurs: short, once. */
export function Cautions({ cautions }: { readonly cautions: readonly Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <ul className={styles.cautions}>
      {cautions.map(({ code, say }) => (
        <li key={code}>
          <TriangleAlert size={20} aria-hidden="true" /> {say}
        </li>
      ))}
    </ul>
  );
}
