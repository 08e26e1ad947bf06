import groups from '../integration/together/groups.json';

/**
 * Runs test files of `tests/integration` one after the other in one program: what they test is loaded once, which
 * takes each of them seconds. Only files that replace no module and leave the records closed are among them.
 */
export function group(name: keyof typeof groups): void {
  for (const file of groups[name]) {
    describe(file, () => {
      jest.requireActual(`../integration/${file}.test`);
    });
  }
}
