import type { PGlite } from '@electric-sql/pglite';

type Send = PGlite['execProtocolStream'];
type Answers = Awaited<ReturnType<Send>>;

/** First bytes of the messages of PostgreSQL’s protocol that a question is made of. */
const KIND = {
  parse: 0x50,
  describe: 0x44,
  bind: 0x42,
  execute: 0x45,
  sync: 0x53,
  query: 0x51,
} as const;
/** Of what `describe` describes: a statement. Its other, a portal, is a question’s answer. */
const STATEMENT = 0x53;
/** Length of the head of a message: its first byte and its length. */
const HEAD = 5;
/** So many questions are known at most; the one that was asked longest ago is forgotten. */
const MOST_KNOWN = 1000;
/** What changes tables, and with them perhaps the types that a question takes; a plain query may be several. */
const CHANGES_TABLES = /^\s*(?:create|alter|drop)\b/i;
const MAY_CHANGE_TABLES = /\b(?:create|alter|drop)\b/i;

const utf8 = new TextDecoder();

/** The text of a message to parse an unnamed statement, or of a plain query. */
function textOf(message: Uint8Array): string {
  const from = message[0] === KIND.parse ? HEAD + 1 : HEAD;
  return utf8.decode(message.subarray(from, message.indexOf(0, from)));
}

/**
 * Has an engine asked once for what its driver asks it for six times over. The driver sends a question (parse, describe
 * the statement, bind, describe the answer, execute, sync) message by message and waits for each; all of them may lie
 * in one, as PostgreSQL’s protocol has it, and what a statement takes is the same each time it is asked. A question of
 * 0.7 ms takes 0.2 then.
 *
 * Leans on the order in which the driver sends them, which a test holds; its version is pinned. What it sends
 * otherwise goes through as it is.
 */
export function askInOneMessage<Asked extends Pick<PGlite, 'execProtocolStream'>>(
  engine: Asked,
): Asked {
  const send: Send = engine.execProtocolStream.bind(engine);
  /** What is described of the statements that were asked, the one asked last at the end. */
  const known = new Map<string, Answers>();
  let parse: { readonly message: Uint8Array; readonly text: string } | null = null;
  let held: Uint8Array[] = [];
  let isPlain = false;

  async function describe(message: Uint8Array, options: Parameters<Send>[1]): Promise<Answers> {
    const asked = parse!;
    const before = known.get(asked.text);
    if (before) {
      known.delete(asked.text);
      known.set(asked.text, before);
      held = [asked.message];
      return before;
    }
    const found = await send(Buffer.concat([asked.message, message]), options);
    known.set(asked.text, found);
    if (known.size > MOST_KNOWN) known.delete(known.keys().next().value!);
    return found;
  }

  engine.execProtocolStream = async (message, options) => {
    const kind = message[0];
    if (kind === KIND.parse) {
      isPlain = false;
      parse = { message, text: textOf(message) };
      held = [];
      if (CHANGES_TABLES.test(parse.text)) known.clear();
      return [];
    }
    if (kind === KIND.query) {
      isPlain = true;
      if (MAY_CHANGE_TABLES.test(textOf(message))) known.clear();
      return send(message, options);
    }
    if (parse && kind === KIND.describe && message[HEAD] === STATEMENT) {
      return describe(message, options);
    }
    if (parse && (kind === KIND.bind || kind === KIND.describe || kind === KIND.execute)) {
      held.push(message);
      return [];
    }
    if (kind === KIND.sync) {
      // A plain query is ready for the next one by itself.
      if (isPlain) return [];
      const whole = Buffer.concat([...held, message]);
      const text = parse?.text;
      parse = null;
      held = [];
      try {
        return await send(whole, options);
      } catch (error) {
        // What was known of it may be why.
        if (text !== undefined) known.delete(text);
        throw error;
      }
    }
    return send(message, options);
  };
  return engine;
}
