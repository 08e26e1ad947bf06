import fs from 'node:fs';
import { NodeFS } from '@electric-sql/pglite/nodefs';

type Init = NodeFS['init'];

/** The part of the engine's file system that lacks a sync to disk. */
interface NodeFsModule {
  readonly NODEFS: { readonly stream_ops: { fsync?: (stream: { nfd: number }) => number } };
}

/**
 * A Node file system whose fsync reaches the disk. The embedded engine's own does not, so a
 * commit that was answered could be lost in a power cut. Leans on the engine's internals:
 * its version is pinned and a test counts the calls.
 */
export class DurableNodeFS extends NodeFS {
  override async init(...args: Parameters<Init>): ReturnType<Init> {
    const result = await super.init(...args);
    const patch = (module: unknown): void => {
      const { NODEFS } = module as NodeFsModule;
      NODEFS.stream_ops.fsync = (stream) => {
        fs.fsyncSync(stream.nfd);
        return 0;
      };
    };
    const { emscriptenOpts } = result;
    emscriptenOpts.preRun = [
      patch,
      ...(emscriptenOpts.preRun ?? []),
    ] as typeof emscriptenOpts.preRun;
    return result;
  }
}
