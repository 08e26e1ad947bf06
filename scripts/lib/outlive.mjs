/** What a stream says when nobody reads it any more: a pipe that was closed, a terminal that is gone. */
const GONE = ['EPIPE', 'EIO', 'ERR_STREAM_DESTROYED'];

/**
 * Has the program outlive those who read what it says: a terminal that is closed, a log whose reader ended. Without it
 * each line is an error that nobody caught, which the framework says in a line, without end.
 */
export function outliveReaders(streams = [process.stdout, process.stderr]) {
  for (const stream of streams) {
    stream.on('error', (error) => {
      if (!GONE.includes(error.code)) throw error;
    });
  }
}
