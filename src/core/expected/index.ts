/**
 * The root of every error that is foreseen and says in words what is wrong and what to do: a file
 * that cannot be used, a folder in use, an input that is refused. Anything else that is thrown is
 * a fault of the program and is never taken for one of these.
 */
export class ExpectedError extends Error {
  constructor(message: string) {
    super(message);
    this.name = new.target.name;
  }
}
