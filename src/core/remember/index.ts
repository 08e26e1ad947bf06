/**
 * Answers that are found once. A job is plain data that never changes, so a question about it
 * has one answer as long as it is held; what is drawn from plain input is the same each time.
 */

/** A question about a job that is answered once for each job held. */
export function oncePer<Subject extends object, Answer>(
  answer: (subject: Subject) => Answer,
): (subject: Subject) => Answer {
  const known = new WeakMap<Subject, { readonly answer: Answer }>();
  return (subject) => {
    const found = known.get(subject);
    if (found) return found.answer;
    const fresh = { answer: answer(subject) };
    known.set(subject, fresh);
    return fresh.answer;
  };
}

/** The same for a question about one place of it, like a corner in a phase. */
export function oncePerPlace<Subject extends object, Place extends readonly string[], Answer>(
  answer: (subject: Subject, ...place: Place) => Answer,
): (subject: Subject, ...place: Place) => Answer {
  const known = oncePer((_: Subject) => new Map<string, { readonly answer: Answer }>());
  return (subject, ...place) => {
    const answers = known(subject);
    const key = place.join(' ');
    const found = answers.get(key);
    if (found) return found.answer;
    const fresh = { answer: answer(subject, ...place) };
    answers.set(key, fresh);
    return fresh.answer;
  };
}

/**
 * A costly question whose answer depends on nothing but its plain input: kept by what the input
 * says, so that a job loaded anew does not ask it again. The latest `most` are kept.
 */
export function onceByContent<Input, Answer>(
  answer: (input: Input) => Answer,
  most: number,
): (input: Input) => Answer {
  const known = new Map<string, { readonly answer: Answer }>();
  return (input) => {
    const key = JSON.stringify(input);
    const found = known.get(key);
    if (found) {
      known.delete(key);
      known.set(key, found);
      return found.answer;
    }
    const fresh = { answer: answer(input) };
    known.set(key, fresh);
    const [oldest] = known.keys();
    if (known.size > most && oldest !== undefined) known.delete(oldest);
    return fresh.answer;
  };
}
