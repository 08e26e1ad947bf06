import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';

export const metadata: Metadata = { title: 'Nothing here' };

export default function NotFound() {
  return (
    <div className="zh-card">
      <h1>The scent ends here</h1>
      <p>There is nothing at this address. It may have been typed wrong, or taken off file.</p>
      <ButtonLink variant="primary" href="/">
        To the jobs
      </ButtonLink>
    </div>
  );
}
