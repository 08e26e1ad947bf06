import { configure } from '@testing-library/react';

// Slow machines are waited for: no test is a test of time.
configure({ asyncUtilTimeout: 60_000 });
