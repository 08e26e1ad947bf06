import type { ReactNode } from 'react';
import { Nav } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';

/** A place to go from a row of them. */
export interface Place {
  readonly href: string;
  readonly label: ReactNode;
  /** What it says where letters would not do. */
  readonly title?: string;
  readonly isHere: boolean;
}

interface PlaceRowProps {
  /** What the places are of, to a screen reader. */
  readonly label: string;
  readonly places: readonly Place[];
  readonly className?: string;
  /** What stands at the end of the row. */
  readonly children?: ReactNode;
}

/** Places beside each other, one of them perhaps the one that is shown. */
export const PlaceRow = ({ label, places, className = '', children }: PlaceRowProps) => (
  <Nav as="nav" className={`zh-tabs ${className}`.trim()} aria-label={label}>
    {places.map(({ href, label: name, title, isHere }) => (
      <ButtonLink
        key={href}
        variant="outline-secondary"
        href={href}
        title={title}
        aria-current={isHere ? 'page' : undefined}
      >
        {name}
      </ButtonLink>
    ))}
    {children}
  </Nav>
);
