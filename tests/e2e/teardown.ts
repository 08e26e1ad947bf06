import { rmSync } from 'node:fs';

/** Removes the data folder that the tests' server used. */
export default function teardown(): void {
  if (process.env.E2E_DATA) rmSync(process.env.E2E_DATA, { recursive: true, force: true });
}
