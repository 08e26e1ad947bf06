import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { SignInDesk } from '@/features/access/SignInDesk';
import { SignOut } from '@/features/access/SignOut';
import { cameIn } from '@/server/access/here';
import { allPeople } from '@/server/shop/people';
import { whoIsHere } from '@/server/web/who';
import { ForgetPages } from '@/ui/offline';

export const metadata: Metadata = { title: 'Sign in' };

interface Props {
  readonly searchParams: Promise<{ readonly to?: string | string[] }>;
}

/** A page of ours to go on with, whatever an address says. */
const pageOf = (to: string | string[] | undefined): string =>
  typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/';

export default async function SignInPage({ searchParams }: Props) {
  const here = await cameIn();
  if (!here) notFound();
  const people = (await allPeople()).map(({ id, name }) => ({ id, name }));
  const who = await whoIsHere();
  return (
    <>
      <h1>Who is here?</h1>
      <ForgetPages />
      <p className="zh-muted">Screen: {here.deviceName}</p>
      <SignInDesk people={people} to={pageOf((await searchParams).to)} />
      {who && <SignOut name={who.name} />}
    </>
  );
}
