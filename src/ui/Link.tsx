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
      <LinkPending />
    </NextLink>
  );
}
