import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// Slow machines are waited for: no test is a test of time.
configure({ asyncUtilTimeout: 60_000 });

/** Pages are loaded anew by the router, which a test of a component has none of. */
jest.mock('next/navigation', () => {
  const router = { refresh: () => undefined, push: () => undefined };
  return { useRouter: () => router, usePathname: () => '/' };
});
