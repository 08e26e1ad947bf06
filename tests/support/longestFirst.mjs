import path from 'node:path';
import Sequencer from '@jest/test-sequencer';

/**
 * Test files that open or spawn much, the longest first: what begins last keeps one core waiting for the
 * other, and a fresh clone knows no times yet.
 */
const LONGEST = [
  'tests/integration/backup.test.ts',
  'tests/integration/together/guards.test.ts',
  'tests/integration/cli.test.ts',
  'tests/journeys/journeys.test.ts',
  'tests/integration/archive.test.ts',
  'tests/integration/together/work.test.ts',
  'tests/integration/together/story.test.ts',
  'tests/integration/together/records.test.ts',
  'tests/integration/together/onServer.test.ts',
  'tests/integration/torn.test.ts',
  'tests/integration/engine.test.ts',
  'tests/integration/access.test.ts',
  'tests/integration/database.test.ts',
  'tests/integration/kill.test.ts',
  'src/core/practice/decide.test.ts',
];

/** Runs the files that take longest first, the others as Jest would. */
export default class LongestFirst extends Sequencer {
  sort(tests) {
    const rankOf = ({ path: file, context }) => {
      const rank = LONGEST.indexOf(path.relative(context.config.rootDir, file));
      return rank < 0 ? LONGEST.length : rank;
    };
    return super.sort(tests).sort((p, q) => rankOf(p) - rankOf(q));
  }
}
