/** Says at the end of a run which test files took longest. */
export default class Slowest {
  onRunComplete(_contexts, { testResults }) {
    const files = testResults
      .map(({ testFilePath, perfStats }) => [testFilePath, perfStats.end - perfStats.start])
      .sort((p, q) => q[1] - p[1])
      .slice(0, 10);
    process.stdout.write('\nSlowest unit test files, in seconds:\n');
    for (const [file, ms] of files) {
      const name = file.replace(`${process.cwd()}/`, '');
      process.stdout.write(`${(ms / 1000).toFixed(1).padStart(8)}  ${name}\n`);
    }
  }
}
