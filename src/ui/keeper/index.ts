export { AloneSince } from './AloneSince';
export { HeldSince } from './HeldSince';
export { AlsoHere } from './AlsoHere';
export { JobWatch } from './JobWatch';
export { SeenMark } from './SeenMark';
export { isOnDevice } from './Keeper';
export { KeeperProvider, useKeeper, useKeeperState } from './context';
export { overTheirs, sayTheirs, theirsOf } from './conflict';
export { dropWriteAt, keepWrite, type KeptAnswer } from './keepWrite';
export { checkPlace, keepCheck, stampOf, type CheckInput, type CheckKey } from './checkWrite';
export { keepFinding, type FindingInput } from './keepFinding';
export {
  allPractice,
  practiceAgain,
  practiceId,
  practiceTime,
  practiceText,
  practiceWrites,
  watchPractice,
  type PracticeWrite,
} from './practiceRoom';
export { usePracticeWrites } from './usePracticeWrites';
export { useRefresh } from './useRefresh';
export type { DoneWrite, KeptWrite, WriteOrder, WriteState } from './types';
export { useLaidStep, useSeenStamp, useTypedBefore, useWaitingOf } from './waiting';
