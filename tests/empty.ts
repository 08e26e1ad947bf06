/** What a style sheet is to a test: nothing, under every name. */
const empty: Readonly<Record<string, string>> = {};
export default empty;
