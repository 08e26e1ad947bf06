import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// Slow machines are waited for: no test is a test of time.
configure({
  asyncUtilTimeout: 60_000,
  // Styles are not loaded here, so nothing is hidden by them: what is seen, the browser tests look at. Asking
  // of every control whether it is hidden takes half the time of these tests.
  defaultHidden: true,
});

/** Pages are loaded anew by the router, which a test of a component has none of. */
jest.mock('next/navigation', () => {
  const router = { refresh: () => undefined, push: () => undefined };
  return { useRouter: () => router, usePathname: () => '/' };
});
