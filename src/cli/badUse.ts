/** Whether an error is what `parseArgs` of Node says of a command line that it does not take. */
export const isBadUse = (error: unknown): error is Error =>
  error instanceof Error && 'code' in error && /^ERR_PARSE_ARGS_/.test(String(error.code));
