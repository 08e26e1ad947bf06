import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Takes away the demo workshop that the files of this run copied. */
export default function sweep() {
  rmSync(path.join(tmpdir(), `zh-demo-${process.pid}`), { recursive: true, force: true });
}
