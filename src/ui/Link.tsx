import NextLink from 'next/link';
import type { ComponentProps } from 'react';
import { LinkPending } from './LinkPending';

/**
 * A link that asks the server for nothing before it is pressed, and shows that it was. Every page here is
 * made from the record at the moment it is asked for, so that what the router fetches ahead is an empty
 * shell: the start page asked for twenty-eight of them, which took the server and the tablet longer than
 * the page itself.
 */
export default function Link({ children, ...props }: ComponentProps<typeof NextLink>) {
  return (
    <NextLink prefetch={false} {...props}>
      {children}
      <LinkPending href={String(props.href)} />
    </NextLink>
  );
}

interface ButtonLook {
  readonly variant: 'primary' | 'secondary' | 'outline-secondary' | 'dark' | 'link';
  readonly size?: 'sm' | 'lg';
  readonly className?: string;
}

/** Bootstrap’s own button would tell a screen reader that a link is a button. */
const buttonClass = ({ variant, size, className = '' }: ButtonLook): string =>
  `btn btn-${variant}${size ? ` btn-${size}` : ''} ${className}`.trim();

/** A link to a page that looks like a button: what is done next. */
export function ButtonLink({
  variant,
  size,
  className,
  ...props
}: ComponentProps<typeof NextLink> & ButtonLook) {
  return <Link className={buttonClass({ variant, size, className })} {...props} />;
}

/** A link to a file, to paper, or to another door of the program, that looks like a button. */
export function FileLink({ variant, size, className, ...props }: ComponentProps<'a'> & ButtonLook) {
  return <a className={buttonClass({ variant, size, className })} {...props} />;
}
